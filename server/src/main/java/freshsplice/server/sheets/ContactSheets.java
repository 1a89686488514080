package freshsplice.server.sheets;

import com.lowagie.text.Document;
import com.lowagie.text.Image;
import com.lowagie.text.Rectangle;
import com.lowagie.text.pdf.PdfWriter;
import freshsplice.core.delivery.RenderName;
import freshsplice.core.render.BurnIn;
import freshsplice.core.render.ContactSheet;
import freshsplice.core.render.RenderAsk;
import freshsplice.render.SheetPainter;
import freshsplice.server.refusals.NotThere;
import freshsplice.server.refusals.Refused;
import freshsplice.server.renders.SheetPictures;
import freshsplice.server.rows.ProjectRow;
import freshsplice.server.rows.Store;
import freshsplice.server.settings.Folders;
import freshsplice.server.tasks.Task;
import freshsplice.server.tasks.Tasks;
import jakarta.annotation.PostConstruct;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;

/** Draws contact sheets in the background, into files that stay until somebody takes them away. */
@Service
public class ContactSheets {
    /** More pictures are another day's work. */
    public static final int MOST_PICTURES = 3000;
    /** Dots an inch that pages of a PDF are printed at. */
    private static final float DOTS = 150;
    private static final float POINTS = 72;
    private static final String FOLDER = "sheets";

    /**
     * @param shotIds  in the order that they lie in
     * @param when     which frame each picture is of
     * @param captions what is written below each
     * @param pdf      one file with all pages, else a picture a page
     */
    public record SheetOrder(List<Long> shotIds, RenderAsk.When when, ContactSheet sheet, List<BurnIn.Field> captions, boolean pdf) {
        public SheetOrder {
            if (shotIds.size() > MOST_PICTURES) {
                throw new Refused("A sheet has at most " + MOST_PICTURES + " pictures, not " + shotIds.size());
            }
        }
    }

    /** A sheet that is there. @param files its names: a PDF, or a picture a page */
    public record SheetFiles(String name, List<String> files, long bytes) {
    }

    private static final String PART = ".part";

    private final Store store;
    private final SheetPictures pictures;
    private final Tasks tasks;
    private final Folders folders;

    ContactSheets(Store store, SheetPictures pictures, Tasks tasks, Folders folders) {
        this.store = store;
        this.pictures = pictures;
        this.tasks = tasks;
        this.folders = folders;
    }

    /** A sheet that was not whole when the server was killed is nobody's. */
    @PostConstruct
    void sweep() throws IOException {
        Path all = folders.renders().resolve(FOLDER);
        if (!Files.isDirectory(all)) {
            return;
        }
        try (Stream<Path> projects = Files.walk(all, 2)) {
            projects.filter(p -> p.toString().endsWith(PART)).toList().forEach(ContactSheets::deleted);
        }
    }

    /** How the pictures would lie. @throws freshsplice.core.refusal.Refusal if they cannot */
    public ContactSheet.Layout layout(long projectId, SheetOrder wanted) {
        return wanted.sheet().layout(wanted.shotIds().size(), aspect(projectId));
    }

    private double aspect(long projectId) {
        ProjectRow project = store.get(ProjectRow.class, projectId);
        return project.pictureWidth / (double) project.pictureHeight;
    }

    /** Begins to draw one. @return its name, under which it is there when it is whole */
    public String make(long projectId, SheetOrder wanted, String who) throws IOException {
        ContactSheet.Layout layout = layout(projectId, wanted);
        Path folder = newFolder(projectId);
        String name = folder.getFileName().toString();
        tasks.start(projectId, "Drawing " + name, task -> draw(task, projectId, wanted, layout, folder, who));
        return name;
    }

    private synchronized Path newFolder(long projectId) throws IOException {
        Path all = Files.createDirectories(folder(projectId));
        for (int version = 1;; version++) {
            Path folder = all.resolve(new RenderName("sheet", version).toString());
            if (!Files.exists(folder) && !Files.exists(part(folder))) {
                Files.createDirectory(part(folder));
                return folder;
            }
        }
    }

    /** Where it is while it is not whole. */
    private static Path part(Path folder) {
        return folder.resolveSibling(folder.getFileName() + PART);
    }

    private Path folder(long projectId) {
        return folders.renders().resolve(FOLDER).resolve(String.valueOf(projectId));
    }

    private void draw(Task task, long projectId, SheetOrder wanted, ContactSheet.Layout layout, Path folder, String who) {
        Path part = part(folder);
        try {
            boolean whole = pages(task, projectId, wanted, layout, part, folder.getFileName().toString(), who);
            if (whole) {
                Files.move(part, folder, StandardCopyOption.ATOMIC_MOVE);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e.getMessage(), e);
        } finally {
            deleted(part);
        }
    }

    private static void deleted(Path part) {
        try {
            FileSystemUtils.deleteRecursively(part);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** @return whether it came to its end */
    private boolean pages(Task task, long projectId, SheetOrder wanted, ContactSheet.Layout layout, Path into, String name, String who) throws IOException {
        ContactSheet.Cell first = layout.cells().get(0);
        List<Path> pages = new ArrayList<>();
        int all = wanted.shotIds().size();
        task.progress(0, all);
        try (SheetPictures.SheetStills drawn = pictures.of(projectId, wanted.shotIds(), wanted.when(), wanted.captions(), (int) Math.round(first.width()),
                (int) Math.round(first.height()), who)) {
            for (int page = 0, at = 0; page < layout.pages(); page++) {
                try (SheetPainter painter = new SheetPainter(wanted.sheet())) {
                    for (; at < layout.cells().size() && layout.cells().get(at).page() == page; at++) {
                        if (task.isStopped()) {
                            return false;
                        }
                        BufferedImage picture = drawn.picture(at);
                        painter.picture(layout.cells().get(at), picture, drawn.caption(at));
                        task.progress(at + 1L, all);
                    }
                    Path file = into.resolve(layout.pages() == 1 ? name + ".png" : String.format("%s.%02d.png", name, page + 1));
                    ImageIO.write(painter.page(), "png", file.toFile());
                    pages.add(file);
                }
            }
        }
        if (wanted.pdf()) {
            pdf(pages, wanted.sheet(), into.resolve(name + ".pdf"));
        }
        return true;
    }

    private static void pdf(List<Path> pages, ContactSheet sheet, Path file) throws IOException {
        Rectangle size = new Rectangle(sheet.width() * POINTS / DOTS, sheet.height() * POINTS / DOTS);
        try (OutputStream out = Files.newOutputStream(file); Document document = new Document(size, 0, 0, 0, 0)) {
            PdfWriter.getInstance(document, out);
            document.open();
            for (Path page : pages) {
                Image image = Image.getInstance(Files.readAllBytes(page));
                image.scaleAbsolute(size.getWidth(), size.getHeight());
                image.setAbsolutePosition(0, 0);
                document.newPage();
                document.add(image);
            }
        }
    }

    /** The sheets that are there, the newest first. */
    public List<SheetFiles> all(long projectId) throws IOException {
        if (!Files.isDirectory(folder(projectId))) {
            return List.of();
        }
        List<SheetFiles> made = new ArrayList<>();
        try (Stream<Path> sheets = Files.list(folder(projectId))) {
            for (Path sheet : sheets.filter(s -> !s.toString().endsWith(PART)).sorted().toList()) {
                List<Path> files = files(sheet);
                if (!files.isEmpty()) {
                    long bytes = 0;
                    for (Path file : files) {
                        bytes += Files.size(file);
                    }
                    made.add(0, new SheetFiles(sheet.getFileName().toString(), files.stream().map(f -> f.getFileName().toString()).toList(), bytes));
                }
            }
        }
        return made;
    }

    private static List<Path> files(Path sheet) throws IOException {
        try (Stream<Path> files = Files.list(sheet)) {
            return files.sorted().toList();
        }
    }

    /** A file of a sheet. @throws NotThere if there is none of that name */
    public Path file(long projectId, String sheet, String file) throws IOException {
        return all(projectId).stream().filter(m -> m.name().equals(sheet) && m.files().contains(file)).findFirst()
                .map(m -> folder(projectId).resolve(sheet).resolve(file)).orElseThrow(() -> new NotThere("There is no such sheet any more: make it again"));
    }
}
