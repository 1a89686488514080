package freshsplice.server.http.masters;

import freshsplice.server.masters.Marks;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.stores.masters.MasterStore;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Marks with words on a master. */
@RestController
@RequestMapping("/api")
class MarkController {
    /** @param section id of the piece that carries it; null for the record clock */
    record NewMark(long at, long frames, String words, @Schema(nullable = true) Long section) {
    }

    record Words(String words) {
    }

    private final Store store;
    private final MasterStore masters;
    private final Marks marks;

    MarkController(Store store, MasterStore masters, Marks marks) {
        this.store = store;
        this.masters = masters;
        this.marks = marks;
    }

    /** Marks frames with words. @return the mark's id */
    @PostMapping("/masters/{id}/marks")
    long mark(@PathVariable long id, @Valid @RequestBody NewMark mark, Asker who) {
        MasterRow row = store.get(MasterRow.class, id);
        return marks.add(row, masters.read(row), mark.at(), mark.frames(), mark.words(), mark.section(),
                who);
    }

    @PostMapping("/marks/{id}")
    void changeMark(@PathVariable long id, @Valid @RequestBody Words words, Asker who) {
        marks.change(id, words.words(), who);
    }

    @PostMapping("/marks/{id}/remove")
    void removeMark(@PathVariable long id, Asker who) {
        marks.remove(id, who);
    }
}
