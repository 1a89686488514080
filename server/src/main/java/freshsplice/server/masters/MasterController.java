package freshsplice.server.masters;

import freshsplice.core.time.Timecode;
import freshsplice.core.time.TypedPosition;
import freshsplice.server.store.MasterRow;
import freshsplice.server.store.ProjectRow;
import freshsplice.server.store.Store;
import freshsplice.server.web.Who;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** A master's lanes and the edits of its seams. */
@RestController
@RequestMapping("/api/masters/{id}")
class MasterController {
    /**
     * @param at     record frame of the seam
     * @param frames later (+) or earlier (−)
     */
    record MoveSeam(long at, long frames) {
    }

    /** @param frame a record frame; @param label its timecode */
    record Position(long frame, String label) {
    }

    private static final int MOST_LABELS = 20_000;

    private final Store store;
    private final SequenceService sequences;
    private final MasterEdits edits;
    private final Pulls pulls;

    MasterController(Store store, SequenceService sequences, MasterEdits edits, Pulls pulls) {
        this.store = store;
        this.sequences = sequences;
        this.edits = edits;
        this.pulls = pulls;
    }

    @GetMapping
    SequenceView sequence(@PathVariable long id) {
        return sequences.view(store.get(MasterRow.class, id));
    }

    /** Timecode labels of record frames, one a line. */
    @GetMapping(value = "/labels", produces = MediaType.TEXT_PLAIN_VALUE)
    String labels(@PathVariable long id, @RequestParam long from, @RequestParam int count) {
        ProjectRow project = store.get(ProjectRow.class, store.get(MasterRow.class, id).projectId);
        return LongStream.range(from, from + Math.min(count, MOST_LABELS))
                .mapToObj(f -> Timecode.of(f, project.rate, project.dropFrame).label())
                .collect(Collectors.joining("\n"));
    }

    /** What somebody typed as a position: a timecode with or without separators, or frames to go (+12, -1:00). */
    @GetMapping("/position")
    Position position(@PathVariable long id, @RequestParam String text, @RequestParam long from) {
        ProjectRow project = store.get(ProjectRow.class, store.get(MasterRow.class, id).projectId);
        long frame = TypedPosition.read(text, from, project.rate, project.dropFrame);
        return new Position(frame, Timecode.of(frame, project.rate, project.dropFrame).label());
    }

    /** Edits the master, as one step. */
    @PostMapping("/edits")
    void edit(@PathVariable long id, @RequestBody MasterEdit edit, HttpServletRequest request) {
        edits.make(id, edit, Who.of(request));
    }

    /** What a pull would make: the frames on both sides, lengths, handles. Nothing is changed. */
    @GetMapping("/pull")
    Pulls.View pull(@PathVariable long id, @RequestParam String kind, @RequestParam(defaultValue = "0") long section,
                    @RequestParam(defaultValue = "0") long at, @RequestParam long frames,
                    @RequestParam(defaultValue = "false") boolean ripple) {
        return pulls.look(id, new Pulls.Asked(kind, section, at, frames, ripple));
    }

    @PostMapping("/seam")
    void moveSeam(@PathVariable long id, @RequestBody MoveSeam move, HttpServletRequest request) {
        edits.make(id, new MasterEdit(MasterEdit.Kind.ROLL, List.of(), move.at(), move.frames(), false, null, null),
                Who.of(request));
    }
}
