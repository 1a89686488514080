package freshsplice.server.sources;

import freshsplice.core.sources.Candidate;
import freshsplice.core.sources.FileNames;
import freshsplice.core.sources.MediaKind;
import freshsplice.server.settings.Settings;
import freshsplice.server.tasks.Task;
import java.io.IOException;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.attribute.BasicFileAttributes;
import java.util.ArrayList;
import java.util.Enumeration;
import java.util.List;
import java.util.Locale;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.springframework.stereotype.Component;

/** The folders of the server that pictures and sound may lie in. Only what the settings name is ever looked at. */
@Component
class ServerFolders {
    /**
     * A file found there.
     *
     * @param file  the file, or the zip that holds it
     * @param entry its name in the zip; null where it is no zip
     * @param bytes its size
     */
    record Place(Path file, String entry, long bytes) {
        String path() {
            return entry == null ? file.toString() : file + "/" + entry;
        }
    }

    private final Settings settings;

    ServerFolders(Settings settings) {
        this.settings = settings;
    }

    boolean any() {
        return !settings.folders().isEmpty();
    }

    /** Everything that can be a picture or sound, folders in order; links to elsewhere are not followed. @param task asked whether to go on; may be null */
    List<Place> all(Task task) throws IOException {
        List<Place> places = new ArrayList<>();
        for (Path folder : settings.folders()) {
            if (Files.isDirectory(folder)) {
                Files.walkFileTree(folder, new SimpleFileVisitor<>() {
                    @Override
                    public FileVisitResult preVisitDirectory(Path dir, BasicFileAttributes attributes) {
                        return dir.getFileName() != null && dir.getFileName().toString().startsWith(".")
                                ? FileVisitResult.SKIP_SUBTREE : FileVisitResult.CONTINUE;
                    }

                    @Override
                    public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) {
                        if (attributes.isRegularFile()) {
                            look(file, attributes.size(), places);
                        }
                        boolean enough = task != null && task.isStopped() || places.size() >= settings.maxFolderFiles();
                        return enough ? FileVisitResult.TERMINATE : FileVisitResult.CONTINUE;
                    }

                    @Override
                    public FileVisitResult visitFileFailed(Path file, IOException e) {
                        return FileVisitResult.CONTINUE;
                    }
                });
            }
        }
        return places;
    }

    private void look(Path file, long bytes, List<Place> places) {
        if (file.toString().toLowerCase(Locale.ROOT).endsWith(".zip")) {
            places.addAll(inZip(file));
        } else if (MediaKind.of(file.toString()) != MediaKind.OTHER) {
            places.add(new Place(file, null, bytes));
        }
    }

    private List<Place> inZip(Path file) {
        List<Place> places = new ArrayList<>();
        try (ZipFile zip = new ZipFile(file.toFile())) {
            Enumeration<? extends ZipEntry> entries = zip.entries();
            while (entries.hasMoreElements() && places.size() < settings.maxZipEntries()) {
                ZipEntry entry = entries.nextElement();
                if (!entry.isDirectory() && MediaKind.of(entry.getName()) != MediaKind.OTHER) {
                    places.add(new Place(file, entry.getName(), entry.getSize()));
                }
            }
        } catch (IOException e) {
            // a damaged zip holds nothing that could be found
            return List.of();
        }
        return places;
    }

    /** As what clips may mean; ids are places in the list. */
    static List<Candidate> candidates(List<Place> places) {
        List<Candidate> all = new ArrayList<>(places.size());
        for (int i = 0; i < places.size(); i++) {
            Place place = places.get(i);
            all.add(new Candidate(i, place.path(), place.bytes() + FileNames.base(place.path()), null, null, null, 1,
                    List.of()));
        }
        return all;
    }
}
