package freshsplice.exchange.compound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.apache.poi.hpsf.ClassID;
import org.apache.poi.poifs.filesystem.DirectoryEntry;
import org.apache.poi.poifs.filesystem.DocumentEntry;
import org.apache.poi.poifs.filesystem.DocumentInputStream;
import org.apache.poi.poifs.filesystem.Entry;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;
import org.junit.jupiter.api.Test;

/** Checked against Apache POI's reader and writer of the same container, which writes sectors of 512 bytes. */
class CompoundFileTest {
    private static final String CLASS = "0d010101-0101-2f00-060e-2b3402060101";
    private static final int MOST = 100_000;

    /** Paths and contents of all streams. */
    private static Map<String, String> random(Random random, CompoundNode node, DirectoryEntry poi, String path, int depth)
            throws IOException {
        Map<String, String> all = new TreeMap<>();
        int count = 1 + random.nextInt(12);
        for (int i = 0; i < count; i++) {
            String name = "n" + Integer.toHexString(random.nextInt(1 << 20)) + "{" + i + "}";
            if (depth > 0 && random.nextInt(3) == 0) {
                DirectoryEntry folder = poi.createDirectory(name);
                folder.setStorageClsid(new ClassID("{" + CLASS + "}"));
                all.putAll(random(random, node.storage(name, CLASS), folder, path + "/" + name, depth - 1));
            } else {
                byte[] bytes = new byte[random.nextInt(5) == 0 ? random.nextInt(20_000) : random.nextInt(200)];
                random.nextBytes(bytes);
                node.stream(name, bytes);
                poi.createDocument(name, new ByteArrayInputStream(bytes));
                all.put(path + "/" + name, Arrays.toString(bytes));
            }
        }
        return all;
    }

    private static void assertReads(byte[] file, Map<String, String> all) {
        CompoundEntry root = CompoundFile.root(file);
        all.forEach((path, bytes) -> {
            String[] names = path.substring(1).split("/");
            CompoundEntry at = root;
            for (int i = 0; i + 1 < names.length; i++) {
                at = at.storage(names[i]);
                assertThat(at.classId()).isEqualTo(CLASS);
            }
            assertThat(Arrays.toString(at.stream(names[names.length - 1], MOST))).as(path).isEqualTo(bytes);
        });
    }

    @Test
    void readsWhatTheLibraryWritesAndTheLibraryReadsWhatIsWrittenHere() throws IOException {
        for (int seed = 0; seed < 40; seed++) {
            CompoundNode root = CompoundNode.root(CLASS);
            try (POIFSFileSystem poi = new POIFSFileSystem()) {
                Map<String, String> all = random(new Random(seed), root, poi.getRoot(), "", 3);
                ByteArrayOutputStream theirs = new ByteArrayOutputStream();
                poi.writeFilesystem(theirs);
                byte[] ours = CompoundWriter.write(root, CLASS);
                assertReads(theirs.toByteArray(), all);
                assertReads(ours, all);
                try (POIFSFileSystem again = new POIFSFileSystem(new ByteArrayInputStream(ours))) {
                    Map<String, String> read = new TreeMap<>();
                    collect(again.getRoot(), "", read);
                    assertThat(read).as("seed %s", seed).isEqualTo(all);
                }
            }
        }
    }

    private static void collect(DirectoryEntry folder, String path, Map<String, String> all) throws IOException {
        for (Entry entry : folder) {
            if (entry instanceof DirectoryEntry d) {
                collect(d, path + "/" + d.getName(), all);
            } else {
                try (DocumentInputStream in = new DocumentInputStream((DocumentEntry) entry)) {
                    all.put(path + "/" + entry.getName(), Arrays.toString(in.readAllBytes()));
                }
            }
        }
    }

    /** From 7.1 MB on, sectors of 512 bytes need a table of the sectors of their table. */
    @Test
    void largeFilesAreRead() throws IOException {
        byte[] large = new byte[9_000_000];
        new Random(1).nextBytes(large);
        CompoundNode root = CompoundNode.root(CLASS);
        root.stream("large", large);
        assertThat(CompoundFile.root(CompoundWriter.write(root, CLASS)).stream("large", large.length)).isEqualTo(large);
        try (POIFSFileSystem poi = new POIFSFileSystem()) {
            poi.getRoot().createDocument("large", new ByteArrayInputStream(large));
            ByteArrayOutputStream theirs = new ByteArrayOutputStream();
            poi.writeFilesystem(theirs);
            assertThat(CompoundFile.root(theirs.toByteArray()).stream("large", large.length)).isEqualTo(large);
        }
    }

    @Test
    void whatIsCutOffOrLongerThanAllowedIsSaid() {
        CompoundNode root = CompoundNode.root(CLASS);
        root.stream("one", new byte[9000]);
        byte[] whole = CompoundWriter.write(root, CLASS);
        assertThatThrownBy(() -> CompoundFile.root(whole).stream("one", 100)).isInstanceOf(CompoundDamage.class)
                .hasMessageContaining("9000 bytes");
        assertThatThrownBy(() -> CompoundFile.root(Arrays.copyOf(whole, 700))).isInstanceOf(CompoundDamage.class);
        assertThatThrownBy(() -> CompoundFile.root(new byte[1000])).isInstanceOf(CompoundDamage.class);
    }
}
