package freshsplice.server.http.arrivals;

import freshsplice.server.arrivals.Arrival;
import freshsplice.server.arrivals.Arrivals;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import java.io.IOException;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Takes dropped files. */
@RestController
class ArrivalController {
    private final Store store;
    private final Arrivals arrivals;

    ArrivalController(Store store, Arrivals arrivals) {
        this.store = store;
        this.arrivals = arrivals;
    }

    /**
     * Pictures and sound are kept, zips unpacked, a cut is read. Nothing is made of it yet.
     *
     * @param paths the files' names with the folders they were dropped with, in order; may be missing
     */
    @PostMapping(value = "/api/projects/{id}/files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Arrival files(@PathVariable long id, @RequestParam("files") List<MultipartFile> files,
                  @RequestParam(name = "paths", required = false) String paths, Asker who)
            throws IOException {
        store.get(ProjectRow.class, id);
        // one field of lines: a comma in a name must not part it
        String[] folders = paths == null ? new String[0] : paths.split("\n", -1);
        Arrivals.Batch batch = arrivals.begin(id);
        for (int i = 0; i < files.size(); i++) {
            MultipartFile file = files.get(i);
            String path = i < folders.length && !folders[i].isBlank() ? folders[i] : file.getOriginalFilename();
            batch.take(String.valueOf(path), file.getInputStream());
        }
        return batch.end(who);
    }
}
