package freshsplice.exchange.format;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Track;
import java.util.List;

/**
 * How a cut is to be written.
 *
 * @param track       the one picture track to write; null for the live picture of all
 * @param version    the format's version, where it has several; 0 for the newest
 * @param shortReels reel names of at most eight letters and digits, as old readers need
 */
public record WriteOptions(String track, boolean shortReels, int version) {
    public static final WriteOptions DEFAULT = new WriteOptions(null, false, 0);

    /**
     * The cut with all its tracks, or with the one picture track that is asked for and all sound.
     *
     * @throws UnreadableFile if there is no such picture track
     */
    public Cut only(Cut cut) {
        if (track == null) {
            return cut;
        }
        List<Integer> pictures = cut.tracksOf(Track.Kind.PICTURE);
        return pictures.stream().filter(i -> cut.tracks().get(i).name().equals(track)).findFirst().map(cut::withPicture)
                .orElseThrow(() -> new UnreadableFile("The cut has no picture track " + track + ": it has "
                        + String.join(", ", pictures.stream().map(i -> cut.tracks().get(i).name()).toList())));
    }
}
