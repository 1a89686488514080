package freshsplice.server.http.masters;

import freshsplice.core.board.BoardFit;
import freshsplice.core.delivery.Grade;
import freshsplice.server.http.changes.ListChange;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;

/**
 * All that the window needs to draw the tracks of a master. Record frames throughout; labels are read from
 * {@code /labels}.
 *
 * @param stamp    of this view: with it a window asks for what changed since
 * @param seq      the project's number of edits that this shows
 * @param start    first record frame of master and cut
 * @param end      record frame after the last of master and cut
 * @param masterStart first record frame of the master alone
 * @param masterEnd   record frame after its last
 * @param cut      the cut it is held against; version 0 while there is none
 * @param main     the track that shots are conformed on
 * @param clips its clips in order, nested masters opened
 * @param upper    the tracks above it, from the bottom up
 * @param live     where one of those is live instead
 * @param seams    where clips meet, with the frames by which the tracks differ
 * @param renders  the finished renders that stand for each clip, where they lie
 * @param gaps     what of a clip none of its renders shows
 * @param shots    every shot on any track, with how its renders stand
 * @param differences what only the main track or only the cut has
 * @param markers    markers with words, where they stand now
 */
public record MasterView(long id, String stamp, long projectId, long seq, String name, String rate, double framesPerSecond,
                           boolean dropFrame, long start, long end, long masterStart, long masterEnd, Cut cut, Track main, List<Clip> clips,
                           List<Upper> upper, List<Live> live, List<Seam> seams, List<Render> renders, List<Gap> gaps,
                           List<ShotState> shots, List<Difference> differences, List<Sound> sound, List<SoundTrack> soundTracks, List<Marker> markers, Counts counts) {
    MasterView stamped(String as) {
        return new MasterView(id, as, projectId, seq, name, rate, framesPerSecond, dropFrame, start, end, masterStart, masterEnd, cut,
                main, clips, upper, live, seams, renders, gaps, shots, differences, sound, soundTracks, markers, counts);
    }

    /** The same, with an older view's own records where they are equal. */
    MasterView sharing(MasterView older) {
        List<Upper> tracks = new ArrayList<>(upper);
        for (int i = 0; i < Math.min(upper.size(), older.upper.size()); i++) {
            tracks.set(i, new Upper(upper.get(i).track(), ListChange.sharing(older.upper.get(i).clips(), upper.get(i).clips())));
        }
        return new MasterView(id, stamp, projectId, seq, name, rate, framesPerSecond, dropFrame, start, end, masterStart, masterEnd,
                cut, main, ListChange.sharing(older.clips, clips), List.copyOf(tracks), ListChange.sharing(older.live, live),
                ListChange.sharing(older.seams, seams), ListChange.sharing(older.renders, renders),
                ListChange.sharing(older.gaps, gaps),
                ListChange.sharing(older.shots, shots), ListChange.sharing(older.differences, differences),
                ListChange.sharing(older.sound, sound), soundTracks, ListChange.sharing(older.markers, markers), counts);
    }

    /** All but the lists that grow with the master; of the tracks above the main one what they are called. */
    MasterView withoutLists() {
        return new MasterView(id, stamp, projectId, seq, name, rate, framesPerSecond, dropFrame, start, end, masterStart, masterEnd,
                cut, main, List.of(), upper.stream().map(u -> new Upper(u.track(), List.of())).toList(), List.of(), List.of(), List.of(), List.of(),
                List.of(), List.of(), List.of(), soundTracks, List.of(), counts);
    }

    /**
     * The cut; its clips are read from {@code /cuts/{id}/clips}, since edits of the master leave them as they are. With
     * id 0 the master is held against none; where it has a version then, the cut under the master that nests this one is
     * seen, read from {@code /masters/{id}/cut-under}.
     *
     * @param name  of the cut; with id 0 of the master that is held against it
     * @param stamp another one whenever its clips or their pictures are others
     */
    public record Cut(long id, int version, String name, String stamp) {
    }

    /** A track of shots. @param locked no edit changes it */
    public record Track(long id, String name, boolean enabled, boolean locked) {
    }

    public record Upper(Track track, List<Clip> clips) {
    }

    /** @param upper index of the track in {@code upper}; @param index of its clip */
    public record Live(long in, long out, int upper, int index) {
    }

    /** What a clip shows. */
    public enum Content { SHOT, RENDER, BLACK, SLATE }

    /**
     * The nested master that a clip lies in.
     *
     * @param innerId  id of the clip in it
     * @param innerMasterId id of the innermost master
     */
    public record Nest(long masterId, String name, long innerId, long innerMasterId) {
    }

    /** A key of a changing speed. @param at record frame; @param frame content frame there; @param easing to the next */
    public record Key(long at, long frame, String easing) {
    }

    /**
     * A clip of the master.
     *
     * @param id       its id, which edits name; all clips of a nested master have the id of their nest
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
     * @param retimeKeys     the course of a changing speed from {@code seenIn} on, as the movement is asked for
     * @param keys      its keys inside the clip
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
    public record Clip(long id, Content content, long sceneId, long shotId, String code, long in, long out, long seenIn,
                          long seenOut, long shotFirst, long shotLast, List<Long> shotFrames, String seenFrom,
                          List<Double> headWeights, String speed, String retimeKeys, List<Key> keys, boolean staged,
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
                       long cutOffset, long renderOffset, @Schema(nullable = true) String action) {
    }

    /**
     * @param in     first record frame of the clip
     * @param frames for each of its record frames the frame of the movie that shows it; −1 where it has none
     * @param framesPerSecond of those frames in a render's movie; null for a board's
     */
    public record MovieFrames(long in, List<Long> frames, @Schema(nullable = true) Double framesPerSecond) {
    }

    /**
     * @param in      record frame at which its first frame lies; may lie outside the clip
     * @param zero    record frame at which its movie's first frame lies: at a record frame r it shows frame r − zero
     * @param frames  how many frames its movie has
     * @param stale   what changed since it was made, in words; empty while nothing did
     * @param stand   why it cannot stand here as it is, in words; empty where it can
     */
    public record Render(int clip, long renderId, String name, int version, Grade grade, long in, long out, long zero, long frames, List<String> stale,
                         String stand) {
    }

    /** Record frames of a clip that renders show in part and none shows there. */
    public record Gap(int clip, long in, long out) {
    }

    /**
     * A shot of the master and how its renders stand.
     *
     * @param in       record frame of its first clip
     * @param cutIn    first of its frames that the master shows
     * @param cutOut   the frame after the last of them
     * @param frames   that its clips show, those under transitions included
     * @param renderId null where it was never rendered
     * @param stale    what changed since that was made, in words
     * @param covered  frames of {@code frames} that the render has
     * @param stand    why the render cannot stand as it is, in words; empty where it can, or there is none
     * @param toRender whether a new render is asked for
     */
    public record ShotState(long shotId, String code, long in, long cutIn, long cutOut, long frames, boolean staged, @Schema(nullable = true) Long renderId,
                            int version, List<String> stale, long covered, String stand, boolean toRender) {
    }

    /** A stretch that only the master or only the cut shows as it is. @param name of the cut's clip; @param words which */
    public record Difference(long in, long out, String name, String words) {
    }

    /**
     * @param level   in decibels
     * @param fadeIn  frames
     * @param gain    what of it is heard, track included, 0 to 4
     * @param channel of its file, from 1, odd ones heard at the left; 0 for all
     */
    public record Sound(long id, String track, String name, @Schema(nullable = true) Long mediaId, long in, long out,
                        double fromSeconds, double level, long fadeIn, long fadeOut, double gain, int channel) {
    }

    /** How a track of sound is heard. @param level in decibels */
    public record SoundTrack(String name, boolean muted, boolean solo, double level) {
    }

    /** A marker. @param clip the clip that carries it; null where it stands on the record clock */
    public record Marker(long id, long in, long out, String words, String who, @Schema(nullable = true) Long clip) {
    }

    /**
     * Of the whole master, on all its tracks.
     *
     * @param shots         different shots
     * @param offsetSeams     seams of the main track at which the cut or a render differs
     * @param outOfDate     shots whose newest render cannot stand as it is
     * @param staged        shots whose camera somebody placed
     * @param rendered      shots with a finished render
     * @param toRender      shots that ask for a render: staged or rendered before, and without a render that stands
     * @param missingBoards sources of boards without a picture
     * @param blackFrames   frames at which nothing is seen, or black that was put there
     */
    public record Counts(int shots, int offsetSeams, int outOfDate, int staged, int rendered, int toRender, int missingBoards,
                         long blackFrames) {
    }
}
