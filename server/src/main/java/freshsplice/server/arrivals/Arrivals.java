package freshsplice.server.arrivals;

import freshsplice.core.refusal.Refusal;
import freshsplice.core.sources.MediaKind;
import freshsplice.exchange.Formats;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.UnreadableFile;
import freshsplice.server.cuts.Intake;
import freshsplice.server.live.LiveUpdates;
import freshsplice.server.media.MediaStore;
import freshsplice.server.media.StandIns;
import freshsplice.server.rows.MediaRow;
import freshsplice.server.sources.HashLists;
import freshsplice.server.sources.Search;
import freshsplice.server.sources.ZipFiles;
import freshsplice.server.steps.Asker;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;

/** Sorts files by what they are. One that cannot be taken is told of, and the others are. */
@Service
public class Arrivals {
    private final Intake intake;
    private final MediaStore media;
    private final ZipFiles zips;
    private final HashLists hashLists;
    private final Search search;
    private final StandIns standIns;
    private final LiveUpdates live;

    Arrivals(Intake intake, MediaStore media, ZipFiles zips, HashLists hashLists, Search search, StandIns standIns,
             LiveUpdates live) {
        this.intake = intake;
        this.media = media;
        this.zips = zips;
        this.hashLists = hashLists;
        this.search = search;
        this.standIns = standIns;
        this.live = live;
    }

    public Batch begin(long projectId) {
        return new Batch(projectId);
    }

    /** Files that came together. */
    public final class Batch {
        private final long projectId;
        private final List<MediaRow> taken = new ArrayList<>();
        private final List<String> refused = new ArrayList<>();
        private Long cutId;
        private int listed;

        private Batch(long projectId) {
            this.projectId = projectId;
        }

        /**
         * @param path the file's name with the folders it was given with
         * @throws IOException if the disk is full; anything else is told at the end
         */
        public void take(String path, InputStream in) throws IOException {
            trying(() -> sort(media.keep(path, in)));
        }

        private interface Work {
            void run() throws IOException;
        }

        private void trying(Work work) throws IOException {
            try {
                work.run();
            } catch (UnreadableFile | Refusal | IOException e) {
                if (String.valueOf(e.getMessage()).contains("No space left")) {
                    throw e;
                }
                refused.add(e.getMessage());
            }
        }

        private void sort(MediaStore.StoredFile kept) throws IOException {
            if (ZipFiles.isZip(kept.name())) {
                unpack(kept);
            } else if (HashLists.isHashList(kept.name())) {
                listed += hashLists.keep(projectId, kept);
            } else if (isCut(kept)) {
                cutId = intake.look(projectId, kept, null).id;
                if (kept.name().toLowerCase(Locale.ROOT).endsWith(".otioz")) {
                    unpack(kept);
                }
            } else {
                taken.add(media.add(projectId, kept));
            }
        }

        /** By its name, or where that says nothing by what is in it. */
        private boolean isCut(MediaStore.StoredFile kept) throws IOException {
            if (Intake.isCut(kept.name()) || MediaKind.of(kept.name()) != MediaKind.OTHER) {
                return Intake.isCut(kept.name());
            }
            try (InputStream in = Files.newInputStream(media.file(kept.stored()))) {
                return Formats.isCut(new InputFile(kept.name(), in.readNBytes(Formats.HEAD)));
            }
        }

        private void unpack(MediaStore.StoredFile kept) throws IOException {
            boolean bundle = !ZipFiles.isZip(kept.name());
            List<MediaStore.StoredFile> inside = zips.unpack(media.file(kept.stored()), kept.path(),
                    name -> ZipFiles.isOfUse(name) && !(bundle && Intake.isCut(name)));
            for (MediaStore.StoredFile file : inside) {
                if (!ZipFiles.isZip(file.name())) {
                    trying(() -> sort(file));
                }
            }
            if (!bundle) {
                Files.deleteIfExists(media.file(kept.stored()));
            }
            if (inside.isEmpty() && !bundle) {
                refused.add(kept.name() + " holds no picture, no sound and no cut");
            }
        }

        /** All came: what was missing falls into its place, and smaller pictures are begun. */
        public Arrival end(Asker who) {
            int found = search.settle(projectId, who);
            standIns.make(projectId, taken);
            if (cutId != null) {
                intake.came(cutId, taken.stream().filter(m -> m.kind == MediaRow.Kind.MOVIE).toList());
                search.start(projectId);
            }
            live.tell(projectId, new LiveUpdates.Update("media", 0, "", ""));
            return new Arrival(cutId, taken.stream().map(m -> m.name).toList(), listed, found, refused);
        }
    }
}
