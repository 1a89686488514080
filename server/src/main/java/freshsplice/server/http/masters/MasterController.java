package freshsplice.server.http.masters;

import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Timecode;
import freshsplice.core.time.TypedPosition;
import freshsplice.core.time.WholeSeconds;
import freshsplice.server.masters.MasterEdits;
import freshsplice.server.masters.Masters;
import freshsplice.server.masters.Positions;
import freshsplice.server.masters.Pulls;
import freshsplice.server.masters.edit.MasterEdit;
import freshsplice.server.masters.edit.PlaceEdit;
import freshsplice.server.rows.CutRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.validation.Valid;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.springframework.http.MediaType;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** A master's tracks and the edits of its seams. */
@RestController
@RequestMapping("/api")
class MasterController {
    /**
     * @param at     record frame of the seam
     * @param frames later (+) or earlier (−)
     */
    record MoveSeam(long at, long frames) {
    }

    record Name(String name) {
    }

    private static final int MOST_LABELS = 20_000;

    private final Store store;
    private final KnownMasters views;
    private final MasterEdits edits;
    private final Pulls pulls;
    private final Masters masters;
    private final CutViews cutViews;
    private final PastMasters past;
    private final ShownFrames shown;
    private final Positions positions;
    private final CutsUnder cutsUnder;

    MasterController(Store store, KnownMasters views, MasterEdits edits, Pulls pulls, Masters masters,
                     CutViews cutViews, PastMasters past, ShownFrames shown, Positions positions, CutsUnder cutsUnder) {
        this.positions = positions;
        this.cutsUnder = cutsUnder;
        this.shown = shown;
        this.past = past;
        this.masters = masters;
        this.cutViews = cutViews;
        this.store = store;
        this.views = views;
        this.edits = edits;
        this.pulls = pulls;
    }

    /** Which frames of a render show the clip at a record frame. */
    @GetMapping("/masters/{id}/movie-frames")
    MasterView.MovieFrames movieFrames(@PathVariable long id, @RequestParam long render, @RequestParam long at) {
        return shown.ofRender(id, render, at);
    }

    /** Which frames of a shot's moving board are seen in the clip at a record frame. */
    @GetMapping("/masters/{id}/board-frames")
    MasterView.MovieFrames boardFrames(@PathVariable long id, @RequestParam long clip, @RequestParam long at) {
        return shown.ofBoard(id, clip, at);
    }

    @GetMapping("/masters/{id}")
    MasterView sequence(@PathVariable long id) {
        return views.now(store.get(MasterRow.class, id));
    }

    /** What changed of the tracks since a view that a window has. @param since its stamp; absent for the whole */
    @GetMapping(value = "/masters/{id}/changes", produces = MediaType.APPLICATION_JSON_VALUE)
    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(implementation = MasterChange.class)))
    byte[] changes(@PathVariable long id, @RequestParam(required = false) String since) {
        return views.since(store.get(MasterRow.class, id), since);
    }

    /** Timecode labels of record frames, one a line. */
    @GetMapping(value = "/masters/{id}/labels", produces = MediaType.TEXT_PLAIN_VALUE)
    String labels(@PathVariable long id, @RequestParam long from, @RequestParam int count) {
        ProjectRow project = store.get(ProjectRow.class, store.get(MasterRow.class, id).projectId);
        return LongStream.range(from, from + Math.min(count, MOST_LABELS))
                .mapToObj(f -> Timecode.of(f, project.rate, project.dropFrame).label())
                .collect(Collectors.joining("\n"));
    }

    /** Record frames of a stretch at whose labels a multiple of so many seconds begins: where the ruler is labelled. */
    @GetMapping("/masters/{id}/whole-seconds")
    List<Long> wholeSeconds(@PathVariable long id, @RequestParam long from, @RequestParam long count, @RequestParam int every) {
        ProjectRow project = store.get(ProjectRow.class, store.get(MasterRow.class, id).projectId);
        long most = (long) MOST_LABELS * every * project.rate.timecodeBase();
        return WholeSeconds.in(FrameRange.of(from, from + Math.min(count, most)), project.rate, project.dropFrame, every);
    }

    /** The nested master at a record frame, and its own frame there. */
    @GetMapping("/masters/{id}/inside")
    Masters.Inside inside(@PathVariable long id, @RequestParam long frame, @RequestParam(required = false) Long clip) {
        return masters.inside(id, frame, clip);
    }

    /** The first record frame at which a master shows a frame of one that it nests. */
    @GetMapping("/masters/{id}/outside")
    long outside(@PathVariable long id, @RequestParam long inner, @RequestParam long frame) {
        return masters.outside(id, inner, frame);
    }

    /** What somebody typed as a position, as a way to go (+12, -1:00), in the unit that the ruler shows, or a shot's name. */
    @GetMapping("/masters/{id}/position")
    Positions.Position position(@PathVariable long id, @RequestParam String text, @RequestParam long from,
                                @RequestParam(defaultValue = "TIMECODE") TypedPosition.Unit unit) {
        return positions.typed(id, text, from, unit);
    }

    /** The record frame that means what a frame of another master means. */
    @GetMapping("/masters/{id}/same")
    long same(@PathVariable long id, @RequestParam long master, @RequestParam long frame) {
        return positions.same(id, master, frame);
    }

    /** The clips of the cut under a master that is held against none itself, on its own clock. */
    @GetMapping("/masters/{id}/cut-under")
    CutClips cutUnder(@PathVariable long id) {
        return cutsUnder.clips(id);
    }

    /**
     * Edits the master, as one step.
     *
     * @param seen the project's number of edits that the window showed: a refusal then says who came between
     */
    @PostMapping("/masters/{id}/edits")
    MasterEdits.EditOutcome editMaster(@PathVariable long id, @Valid @RequestBody MasterEdit edit, Asker who) {
        return edits.make(id, edit, who);
    }

    /** What a pull would make: the frames on both sides, lengths, handles. Nothing is changed. */
    @GetMapping("/masters/{id}/pull")
    Pulls.View pull(@PathVariable long id, @RequestParam String kind, @RequestParam(defaultValue = "0") long clip,
                    @RequestParam(defaultValue = "0") long at, @RequestParam long frames,
                    @RequestParam(defaultValue = "false") boolean ripple) {
        return pulls.look(id, new Pulls.Question(kind, clip, at, frames, ripple));
    }

    @PostMapping("/masters/{id}/seam")
    void moveSeam(@PathVariable long id, @Valid @RequestBody MoveSeam move, Asker who) {
        edits.make(id, PlaceEdit.Roll.of(move.at(), move.frames()), who);
    }

    @GetMapping("/projects/{id}/masters")
    List<Masters.Brief> all(@PathVariable long id) {
        return masters.all(id);
    }

    /** Begins a master from nothing: so many empty shots, each with a camera. @return its id */
    @PostMapping("/projects/{id}/masters")
    long begin(@PathVariable long id, @Valid @RequestBody Masters.FromNothing wanted, Asker who) {
        return masters.begin(id, wanted, who);
    }

    @PostMapping("/masters/{id}/name")
    void rename(@PathVariable long id, @Valid @RequestBody Name name, Asker who) {
        masters.rename(id, name.name(), who);
    }

    /** Holds a master against a cut; without one, against none. */
    @PostMapping("/masters/{id}/hold")
    void hold(@PathVariable long id, @RequestParam(required = false) Long cut, Asker who) {
        masters.hold(id, cut, who);
    }

    @PostMapping("/masters/{id}/remove")
    void remove(@PathVariable long id, Asker who) {
        masters.remove(id, who);
    }

    /** The clips of any version of the cut, to be laid over another. */
    @GetMapping("/cuts/{id}/clips")
    @Transactional(readOnly = true)
    public CutClips clips(@PathVariable long id) {
        return cutViews.of(store.get(CutRow.class, id));
    }

    /** The clips of a master as they were after a step, to be laid over how they are. */
    @GetMapping("/masters/{id}/at/{seq}")
    CutClips at(@PathVariable long id, @PathVariable long seq) {
        return past.at(id, seq);
    }

}
