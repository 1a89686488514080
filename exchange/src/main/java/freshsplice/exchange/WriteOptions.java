package freshsplice.exchange;

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
        List<Lane> lanes = cut.lanes().stream()
                .filter(l -> l.kind() == Lane.Kind.SOUND || l.name().equals(lane)).toList();
        if (lanes.stream().noneMatch(l -> l.kind() == Lane.Kind.PICTURE)) {
            throw new UnreadableFile("The cut has no picture lane " + lane + ": it has "
                    + String.join(", ", cut.lanesOf(Lane.Kind.PICTURE).stream()
                    .map(i -> cut.lanes().get(i).name()).toList()));
        }
        return new Cut(cut.name(), cut.rate(), cut.dropFrame(), cut.record(), lanes, cut.markers(), cut.kept());
    }
}
