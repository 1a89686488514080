package freshsplice.server.http.masters;

import freshsplice.server.masters.Markers;
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

/** Markers with words on a master. */
@RestController
@RequestMapping("/api")
class MarkerController {
    /** @param clip id of the clip that carries it; null for the record clock */
    record NewMarker(long at, long frames, String words, @Schema(nullable = true) Long clip) {
    }

    record Words(String words) {
    }

    private final Store store;
    private final MasterStore masters;
    private final Markers markers;

    MarkerController(Store store, MasterStore masters, Markers markers) {
        this.store = store;
        this.masters = masters;
        this.markers = markers;
    }

    /** Markers frames with words. @return the marker's id */
    @PostMapping("/masters/{id}/markers")
    long marker(@PathVariable long id, @Valid @RequestBody NewMarker marker, Asker who) {
        MasterRow row = store.get(MasterRow.class, id);
        return markers.add(row, masters.read(row), marker.at(), marker.frames(), marker.words(), marker.clip(),
                who);
    }

    @PostMapping("/markers/{id}")
    void changeMarker(@PathVariable long id, @Valid @RequestBody Words words, Asker who) {
        markers.change(id, words.words(), who);
    }

    @PostMapping("/markers/{id}/remove")
    void removeMarker(@PathVariable long id, Asker who) {
        markers.remove(id, who);
    }
}
