package freshsplice.server.http.sheets;

import freshsplice.core.render.BurnIn;
import freshsplice.core.render.ContactSheet;
import freshsplice.core.render.RenderAsk;
import freshsplice.server.http.files.Attachment;
import freshsplice.server.sheets.ContactSheets;
import freshsplice.server.steps.Asker;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Contact sheets. */
@RestController
class SheetController {
    /**
     * A sheet.
     *
     * @param shotIds  in the order that they lie in
     * @param when     which frame each picture is of
     * @param captions what is written below each
     * @param pdf      one file with all pages too
     */
    record SheetAsk(@NotNull(message = "are needed") List<Long> shotIds, @NotNull(message = "is needed") RenderAsk.When when,
                    @NotNull(message = "is needed") ContactSheet sheet, @NotNull(message = "are needed") List<BurnIn.Field> captions, boolean pdf) {
        ContactSheets.SheetOrder wanted() {
            return new ContactSheets.SheetOrder(shotIds, when, sheet, captions, pdf);
        }
    }

    /** How it would lie. @param words how many fit, in a sentence */
    record SheetLayout(int columns, int rows, int pages, int onPage, String words) {
    }

    /** @param name under which it is there when it is whole */
    record SheetBegun(String name) {
    }

    private final ContactSheets sheets;

    SheetController(ContactSheets sheets) {
        this.sheets = sheets;
    }

    @PostMapping("/api/projects/{id}/sheets/layout")
    SheetLayout sheetLayout(@PathVariable long id, @Valid @RequestBody SheetAsk ask) {
        ContactSheet.Layout layout = sheets.layout(id, ask.wanted());
        return new SheetLayout(layout.columns(), layout.rows(), layout.pages(), layout.onPage(), layout.words(ask.sheet().height()));
    }

    @PostMapping("/api/projects/{id}/sheets")
    SheetBegun makeSheet(@PathVariable long id, @Valid @RequestBody SheetAsk ask, Asker who) throws IOException {
        return new SheetBegun(sheets.make(id, ask.wanted(), who.name()));
    }

    @GetMapping("/api/projects/{id}/sheets")
    List<ContactSheets.SheetFiles> sheets(@PathVariable long id) throws IOException {
        return sheets.all(id);
    }

    @GetMapping("/api/projects/{id}/sheets/{sheet}/{file}")
    ResponseEntity<Resource> sheetFile(@PathVariable long id, @PathVariable String sheet, @PathVariable String file) throws IOException {
        Path path = sheets.file(id, sheet, file);
        return Attachment.shown(file, file.endsWith(".pdf") ? MediaType.APPLICATION_PDF : MediaType.IMAGE_PNG, new FileSystemResource(path));
    }
}
