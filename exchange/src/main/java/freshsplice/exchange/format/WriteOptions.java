package freshsplice.exchange.format;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Lane;
import java.util.List;

/**
 * How a cut is to be written.
 *
 * @param lane       the one picture lane to write; null for the live picture of all
 * @param version    the format's version, where it has several; 0 for the newest
 * @param shortReels reel names of at most eight letters and digits, as old readers need
 */
public record WriteOptions(String lane, boolean shortReels, int version) {
    public static final WriteOptions DEFAULT = new WriteOptions(null, false, 0);

    /**
     * The cut with all its lanes, or with the one picture lane that is asked for and all sound.
     *
     * @throws UnreadableFile if there is no such picture lane
     */
    public Cut only(Cut cut) {
        if (lane == null) {
            return cut;
        }
        List<Integer> pictures = cut.lanesOf(Lane.Kind.PICTURE);
        return pictures.stream().filter(i -> cut.lanes().get(i).name().equals(lane)).findFirst().map(cut::withPicture)
                .orElseThrow(() -> new UnreadableFile("The cut has no picture lane " + lane + ": it has "
                        + String.join(", ", pictures.stream().map(i -> cut.lanes().get(i).name()).toList())));
    }
}
