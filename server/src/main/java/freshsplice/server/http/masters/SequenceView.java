package freshsplice.server.http.masters;

import freshsplice.core.board.BoardFit;
import freshsplice.core.delivery.Grade;
import freshsplice.server.http.changes.ListChange;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;

/**
 * All that the window needs to draw the lanes of a master. Record frames throughout; labels are read from
 * {@code /labels}.
 *
 * @param stamp    of this view: with it a window asks for what changed since
 * @param seq      the project's number of edits that this shows
 * @param start    first record frame of master and cut
 * @param end      record frame after the last of master and cut
 * @param masterStart first record frame of the master alone
 * @param masterEnd   record frame after its last
 * @param cut      the cut it is held against; version 0 while there is none
 * @param main     the lane that shots are conformed on
 * @param sections its pieces in order, nested masters opened
 * @param upper    the lanes above it, from the bottom up
 * @param live     where one of those is live instead
 * @param seams    where pieces meet, with the frames by which the lanes differ
 * @param renders  the finished renders that stand for each section, where they lie
 * @param gaps     what of a section none of its renders shows
 * @param shots    every shot on any lane, with how its renders stand
 * @param differences what only the main lane or only the cut has
 * @param marks    marks with words, where they stand now
 */
public record SequenceView(long id, String stamp, long projectId, long seq, String name, String rate, double framesPerSecond,
                           boolean dropFrame, long start, long end, long masterStart, long masterEnd, Cut cut, Lane main, List<Section> sections,
                           List<Upper> upper, List<Live> live, List<Seam> seams, List<Render> renders, List<Gap> gaps,
                           List<ShotState> shots, List<Difference> differences, List<Sound> sound, List<SoundLane> soundLanes, List<Mark> marks, Counts counts) {
    SequenceView stamped(String as) {
        return new SequenceView(id, as, projectId, seq, name, rate, framesPerSecond, dropFrame, start, end, masterStart, masterEnd, cut,
                main, sections, upper, live, seams, renders, gaps, shots, differences, sound, soundLanes, marks, counts);
    }

    /** The same, with an older view's own records where they are equal. */
    SequenceView sharing(SequenceView older) {
        List<Upper> lanes = new ArrayList<>(upper);
        for (int i = 0; i < Math.min(upper.size(), older.upper.size()); i++) {
            lanes.set(i, new Upper(upper.get(i).lane(), ListChange.sharing(older.upper.get(i).sections(), upper.get(i).sections())));
        }
        return new SequenceView(id, stamp, projectId, seq, name, rate, framesPerSecond, dropFrame, start, end, masterStart, masterEnd,
                cut, main, ListChange.sharing(older.sections, sections), List.copyOf(lanes), ListChange.sharing(older.live, live),
                ListChange.sharing(older.seams, seams), ListChange.sharing(older.renders, renders),
                ListChange.sharing(older.gaps, gaps),
                ListChange.sharing(older.shots, shots), ListChange.sharing(older.differences, differences),
                ListChange.sharing(older.sound, sound), soundLanes, ListChange.sharing(older.marks, marks), counts);
    }

    /** All but the lists that grow with the master; of the lanes above the main one what they are called. */
    SequenceView withoutLists() {
        return new SequenceView(id, stamp, projectId, seq, name, rate, framesPerSecond, dropFrame, start, end, masterStart, masterEnd,
                cut, main, List.of(), upper.stream().map(u -> new Upper(u.lane(), List.of())).toList(), List.of(), List.of(), List.of(), List.of(),
                List.of(), List.of(), List.of(), soundLanes, List.of(), counts);
    }

    /**
     * The cut; its pieces are read from {@code /cuts/{id}/pieces}, since edits of the master leave them as they are. With
     * id 0 the master is held against none; where it has a version then, the cut under the master that nests this one is
     * seen, read from {@code /masters/{id}/cut-under}.
     *
     * @param name  of the cut; with id 0 of the master that is held against it
     * @param stamp another one whenever its pieces or their pictures are others
     */
    public record Cut(long id, int version, String name, String stamp) {
    }

    /** A lane of shots. @param locked no edit changes it */
    public record Lane(long id, String name, boolean enabled, boolean locked) {
    }

    public record Upper(Lane lane, List<Section> sections) {
    }

    /** @param upper index of the lane in {@code upper}; @param index of its section */
    public record Live(long in, long out, int upper, int index) {
    }

    /** What a section shows. */
    public enum Content { SHOT, RENDER, BLACK, SLATE }

    /**
     * The nested master that a section lies in.
     *
     * @param innerId  id of the section in it
     * @param innerMasterId id of the innermost master
     */
    public record Nest(long masterId, String name, long innerId, long innerMasterId) {
    }

    /** A key of a changing speed. @param at record frame; @param frame content frame there; @param easing to the next */
    public record Key(long at, long frame, String easing) {
    }

    /**
     * A piece of the master.
     *
     * @param id       its id, which edits name; all pieces of a nested master have the id of their nest
     * @param sceneId  the shot's scene; 0 where it shows no shot
     * @param shotId   the shot; 0 where it shows something else
     * @param code     the shot's code, the render's name, or what stands on the slate
     * @param in       record frame
     * @param seenIn   first record frame on which any of it is seen, transitions included
     * @param shotFirst shot frame at its first frame
     * @param shotLast  shot frame at its last
     * @param shotFrames shot frame at each record frame; empty where they count up by one
     * @param seenFrom  exact shot frame at {@code seenIn}, as a fraction
     * @param headWeights share of the picture at each frame from {@code seenIn}, while it passes in; 1 after them
     * @param speed     as a fraction; the mean where it changes
     * @param bends     the course of a changing speed from {@code seenIn} on, as the movement is asked for
     * @param keys      its keys inside the piece
     * @param locked    whether its camera is finished
     * @param lens      focal length at its first frame, mm
     * @param boardName name of its board
     * @param tailWeights share of the picture at its last frames, while it fades to black
     * @param actionFirst action frame at its first frame
     * @param mediaId   the board's picture; null for a slate
     * @param boardMoves whether that has more than one frame; which is seen is read from {@code /board-frames}
     * @param boardFit  how it lies over the frame; null where nobody laid it: all of it is seen
     * @param renderId  the render that it shows; null where it shows none
     * @param renderFps of that render's movie: {@code shotFrames} count frames of it, at its own rate; null where it shows none
     * @param alias     an older number of the shot; null for none
     */
    public record Section(long id, Content content, long sceneId, long shotId, String code, long in, long out, long seenIn,
                          long seenOut, long shotFirst, long shotLast, List<Long> shotFrames, String seenFrom,
                          List<Double> headWeights, String speed, String bends, List<Key> keys, boolean staged,
                          boolean locked, String camera, double lens, double stop, double focus, String boardName,
                          @Schema(nullable = true) Long mediaId, boolean boardMoves,
                          @Schema(nullable = true) Fit boardFit, @Schema(nullable = true) Long renderId, @Schema(nullable = true) Double renderFps, int handles,
                          boolean enabled, List<Double> tailWeights, long actionFirst,
                          @Schema(nullable = true) Nest nest, @Schema(nullable = true) String alias) {
    }

    /** How a board lies over the delivery frame. @param place of what is left of it after cropping, in shares of the frame */
    public record Fit(BoardFit as, BoardFit.Place place) {
    }

    /** @param action frames of the action that are shown twice or left out there, in words; null where none is */
    public record Seam(int left, int right, long at, @Schema(nullable = true) Long cut, @Schema(nullable = true) Long render,
                       long cutBend, long renderBend, @Schema(nullable = true) String action) {
    }

    /**
     * @param in     first record frame of the piece
     * @param frames for each of its record frames the frame of the movie that shows it; −1 where it has none
     * @param framesPerSecond of those frames in a render's movie; null for a board's
     */
    public record MovieFrames(long in, List<Long> frames, @Schema(nullable = true) Double framesPerSecond) {
    }

    /**
     * @param in      record frame at which its first frame lies; may lie outside the section
     * @param zero    record frame at which its movie's first frame lies: at a record frame r it shows frame r − zero
     * @param frames  how many frames its movie has
     * @param stale   what changed since it was made, in words; empty while nothing did
     * @param stand   why it cannot stand here as it is, in words; empty where it can
     */
    public record Render(int section, long renderId, String name, int version, Grade grade, long in, long out, long zero, long frames, List<String> stale,
                         String stand) {
    }

    /** Record frames of a piece that renders show in part and none shows there. */
    public record Gap(int section, long in, long out) {
    }

    /**
     * A shot of the master and how its renders stand.
     *
     * @param in       record frame of its first piece
     * @param cutIn    first of its frames that the master shows
     * @param cutOut   the frame after the last of them
     * @param frames   that its pieces show, those under transitions included
     * @param renderId null where it was never rendered
     * @param stale    what changed since that was made, in words
     * @param covered  frames of {@code frames} that the render has
     * @param stand    why the render cannot stand as it is, in words; empty where it can, or there is none
     * @param toRender whether a new render is asked for
     */
    public record ShotState(long shotId, String code, long in, long cutIn, long cutOut, long frames, boolean staged, @Schema(nullable = true) Long renderId,
                            int version, List<String> stale, long covered, String stand, boolean toRender) {
    }

    /** A stretch that only the master or only the cut shows as it is. @param name of the cut's piece; @param words which */
    public record Difference(long in, long out, String name, String words) {
    }

    /**
     * @param level   in decibels
     * @param fadeIn  frames
     * @param gain    what of it is heard, lane included, 0 to 4
     * @param channel of its file, from 1, odd ones heard at the left; 0 for all
     */
    public record Sound(long id, String lane, String name, @Schema(nullable = true) Long mediaId, long in, long out,
                        double fromSeconds, double level, long fadeIn, long fadeOut, double gain, int channel) {
    }

    /** How a lane of sound is heard. @param level in decibels */
    public record SoundLane(String name, boolean muted, boolean solo, double level) {
    }

    /** A mark. @param section the piece that carries it; null where it stands on the record clock */
    public record Mark(long id, long in, long out, String words, String who, @Schema(nullable = true) Long section) {
    }

    /**
     * Of the whole master, on all its lanes.
     *
     * @param shots         different shots
     * @param bentSeams     seams of the main lane at which the cut or a render differs
     * @param outOfDate     shots whose newest render cannot stand as it is
     * @param staged        shots whose camera somebody placed
     * @param rendered      shots with a finished render
     * @param toRender      shots that ask for a render: staged or rendered before, and without a render that stands
     * @param missingBoards sources of boards without a picture
     * @param blackFrames   frames at which nothing is seen, or black that was put there
     */
    public record Counts(int shots, int bentSeams, int outOfDate, int staged, int rendered, int toRender, int missingBoards,
                         long blackFrames) {
    }
}
