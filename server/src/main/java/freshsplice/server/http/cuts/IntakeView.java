package freshsplice.server.http.cuts;

import freshsplice.server.cuts.Numbering;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/**
 * A cut that was looked at: what came, and what will be made of it.
 *
 * @param id         the cut
 * @param version    its number in the project
 * @param rate       frames per second, exact
 * @param rateReason why that rate was guessed; null where somebody chose it
 * @param received   whether it has been received
 * @param first      whether it is the project's first, from which shots are made
 * @param choices    the sequences in the file
 * @param chosen     which of them this is
 * @param pickedTrack place of the one track that shots are made of; null for what is seen of all
 * @param ownRate   the file's rate where the cut was made to meet the project's; null where it had it
 * @param rateWay   how it was made to meet; null where it had the rate
 * @param clipWay   how clips of another rate are shown; null as the file has it
 * @param clipRates clips of another rate than the cut's
 * @param ways      the ways to choose from, as word and sentence
 * @param closable  seams that could be closed, whether they are or not
 * @param doubtful  sources whose file somebody should look at
 * @param sameAs     version of a cut with the same bytes that came before; 0 where there is none
 */
public record IntakeView(long id, int version, String name, String fileName, String rate, @Schema(nullable = true) String rateReason,
                         List<String> rates, boolean dropFrame, long start, long end, String startTimecode,
                         String endTimecode, boolean received, boolean first, int sameAs, List<Track> tracks,
                         List<Shot> shots, List<Gap> gaps, List<Missing> missing, List<Note> remarks,
                         List<Sound> sound, int firstFrame, int handles, List<Choice> choices, int chosen,
                         @Schema(nullable = true) Integer pickedTrack, Numbering numbering,
                         @Schema(nullable = true) String ownRate, @Schema(nullable = true) String rateWay,
                         @Schema(nullable = true) String clipWay, List<ClipRate> clipRates, List<Way> ways,
                         int closable, int doubtful) {
    /** Moving picture clips of one other rate, and how the file has them. */
    public record ClipRate(String rate, int realTime, int frameForFrame) {
    }

    /** One of several ways. @param word to send; @param words to show */
    public record Way(String word, String words) {
    }

    /** One of the sequences in the file. */
    public record Choice(String name, long frames, int events) {
    }

    /** A track as it came. @param enabled whether it is switched on */
    public record Track(String name, String kind, boolean enabled, List<Event> events) {
    }

    /**
     * @param mediaId    the picture or sound found for it; null where it is missing
     * @param slate      whether it is a title, a colour or bars: there is nothing to find
     * @param mediaFrame frame of that which is seen in the middle of it
     */
    public record Event(long in, long out, String name, boolean enabled, @Schema(nullable = true) Long mediaId, boolean slate,
                        long mediaFrame) {
    }

    /**
     * A shot as it will be.
     *
     * @param cutFrames frames from the cut into it to the cut out of it; fewer than it has where it is mixed with a neighbour
     * @param parts    how many clips become this shot
     * @param joined   why, in words; null for one clip
     * @param seams    record frames of the seams that were closed
     * @param canJoin  this and the shot before could be one and were kept apart
     * @param mediaFrame frame of its board that is seen in the middle of it
     * @param found    how its board was found, in words; null where it is missing
     * @param doubtful whether somebody should look at that
     * @param shares   how many shots its camera films
     * @param path     its board's file, with its folders; null where it is missing
     * @param sourceIn timecode in its source at the cut into it; empty for a still
     * @param sourceOut the same at the cut out of it
     * @param speed    percent of real time, in words
     */
    public record Shot(String code, long in, long out, long firstFrame, long lastFrame, long cutFrames, String camera, String source,
                       int parts, @Schema(nullable = true) String joined, List<Long> seams, boolean canJoin, @Schema(nullable = true) Long mediaId, long mediaFrame, String boardName,
                       @Schema(nullable = true) String found, boolean doubtful, int shares, @Schema(nullable = true) String path, String sourceIn, String sourceOut,
                       String speed) {
    }

    public record Gap(long in, long out, String timecode) {
    }

    /** A picture or sound that nothing given fits. */
    public record Missing(String name, String kind, int uses, long frames) {
    }

    /**
     * @param at     record frame that names the place in a choice; null where there is nothing to choose
     * @param offers what can be done about it
     * @param chosen the word of what was chosen; null to leave it
     */
    public record Note(String severity, String place, String text, @Schema(nullable = true) Long at, List<Way> offers,
                       @Schema(nullable = true) String chosen) {
        public Note(String severity, String place, String text) {
            this(severity, place, text, null, List.of(), null);
        }
    }

    /** A sound file laid under the picture. */
    public record Sound(String track, String name, @Schema(nullable = true) Long mediaId, long in, long out) {
        boolean isHeardIn(Shot shot) {
            return in < shot.out() && out > shot.in();
        }
    }
}
