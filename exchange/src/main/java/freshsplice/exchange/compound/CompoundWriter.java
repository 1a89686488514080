package freshsplice.exchange.compound;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Writes compound files of version 4, with sectors of 4096 bytes. */
public final class CompoundWriter {
    private static final int SECTOR = 4096;
    private static final int MINI = 64;
    private static final int MINI_CUTOFF = 4096;
    private static final int ENTRY = 128;
    private static final int PER_SECTOR = SECTOR / 4;
    private static final int IN_HEADER = 109;
    private static final int LAST = -2;
    private static final int FREE = -1;
    private static final int FAT = -3;
    /** Names in a storage are ordered by their length, then by their letters in upper case, [MS-CFB] 2.6.4. */
    private static final Comparator<CompoundNode> ORDER = Comparator.comparingInt((CompoundNode n) -> n.name.length())
            .thenComparing(n -> n.name.toUpperCase(Locale.ROOT));

    private final List<CompoundNode> entries = new ArrayList<>();
    private final Map<CompoundNode, int[]> links = new IdentityHashMap<>();
    private final Map<CompoundNode, Integer> starts = new IdentityHashMap<>();
    private int[] fat = new int[1024];
    private int used;

    private CompoundWriter() {
    }

    /**
     * The file with this root.
     *
     * @param kind identification of the kind of file, put into its header
     * @throws IllegalArgumentException if it would be larger than 440 MB
     */
    public static byte[] write(CompoundNode root, String kind) {
        return new CompoundWriter().file(root, kind);
    }

    private byte[] file(CompoundNode root, String kind) {
        number(root);
        List<CompoundNode> small = new ArrayList<>();
        List<CompoundNode> large = new ArrayList<>();
        for (CompoundNode node : entries) {
            if (node.isStream()) {
                (node.data.length < MINI_CUTOFF ? small : large).add(node);
            }
        }
        int minis = 0;
        for (CompoundNode node : small) {
            starts.put(node, node.data.length == 0 ? LAST : minis);
            minis += blocks(node.data.length, MINI);
        }
        int directory = chain(blocks(entries.size() * ENTRY, SECTOR));
        int miniFat = chain(blocks(minis * 4, SECTOR));
        int miniStream = chain(blocks(minis * MINI, SECTOR));
        for (CompoundNode node : large) {
            starts.put(node, chain(blocks(node.data.length, SECTOR)));
        }
        int content = used;
        int fatSectors = 1;
        while (fatSectors * PER_SECTOR < content + fatSectors) {
            fatSectors++;
        }
        if (fatSectors > IN_HEADER) {
            throw new IllegalArgumentException("A compound file of more than 440 MB is not written");
        }
        ByteBuffer out = ByteBuffer.allocate((1 + content + fatSectors) * SECTOR).order(ByteOrder.LITTLE_ENDIAN);
        header(out, kind, directory, miniFat, blocks(minis * 4, SECTOR), content, fatSectors);
        directory(out, directory, miniStream, minis * MINI);
        int mini = 0;
        for (CompoundNode node : small) {
            mini = small(out, node, mini, miniFat, miniStream);
        }
        if (minis > 0) {
            Arrays.fill(out.array(), offset(miniFat) + minis * 4,
                    offset(miniFat) + blocks(minis * 4, SECTOR) * SECTOR, (byte) 0xFF);
        }
        for (CompoundNode node : large) {
            out.put(offset(starts.get(node)), node.data);
        }
        for (int i = 0; i < fatSectors * PER_SECTOR; i++) {
            out.putInt(offset(content) + i * 4, i < content ? fat[i] : i < content + fatSectors ? FAT : FREE);
        }
        return out.array();
    }

    private static int blocks(long bytes, int size) {
        return (int) ((bytes + size - 1) / size);
    }

    private static int offset(int sector) {
        return (sector + 1) * SECTOR;
    }

    /** Sectors one after the other. @return the first; the mark of an end where there is none */
    private int chain(int count) {
        if (count == 0) {
            return LAST;
        }
        if (used + count > fat.length) {
            fat = Arrays.copyOf(fat, Math.max(fat.length * 2, used + count));
        }
        for (int i = 0; i < count; i++) {
            fat[used + i] = i + 1 == count ? LAST : used + i + 1;
        }
        used += count;
        return used - count;
    }

    private void number(CompoundNode root) {
        entries.add(root);
        for (int i = 0; i < entries.size(); i++) {
            CompoundNode node = entries.get(i);
            int first = entries.size();
            List<CompoundNode> children = new ArrayList<>(node.children);
            children.sort(ORDER);
            entries.addAll(children);
            int[] own = links.computeIfAbsent(node, k -> new int[] {-1, -1, -1});
            own[2] = tree(children, 0, children.size(), first);
        }
    }

    /** A balanced tree over children in order. @return the index of its root; −1 where there is none */
    private int tree(List<CompoundNode> children, int from, int to, int first) {
        if (from >= to) {
            return -1;
        }
        int middle = (from + to) >>> 1;
        links.put(children.get(middle), new int[] {tree(children, from, middle, first),
                tree(children, middle + 1, to, first), -1});
        return first + middle;
    }

    private static void header(ByteBuffer out, String kind, int directory, int miniFat, int miniFatSectors, int firstFat,
                               int fatSectors) {
        out.putLong(0, 0xE11AB1A1E011CFD0L);
        out.put(8, Identification.bytes(kind));
        out.putShort(24, (short) 0x3E).putShort(26, (short) 4).putShort(28, (short) 0xFFFE).putShort(30, (short) 12)
                .putShort(32, (short) 6);
        out.putInt(44, fatSectors).putInt(48, directory)
                .putInt(56, MINI_CUTOFF).putInt(60, miniFat).putInt(64, miniFatSectors).putInt(68, LAST).putInt(72, 0);
        for (int i = 0; i < IN_HEADER; i++) {
            out.putInt(76 + i * 4, i < fatSectors ? firstFat + i : FREE);
        }
    }

    private void directory(ByteBuffer out, int first, int miniStream, int miniSize) {
        int sectors = blocks((long) entries.size() * ENTRY, SECTOR);
        out.putInt(40, sectors);
        for (int i = 0; i < sectors * (SECTOR / ENTRY); i++) {
            int at = offset(first) + i * ENTRY;
            out.putInt(at + 68, -1).putInt(at + 72, -1).putInt(at + 76, -1);
            if (i < entries.size()) {
                entry(out, at, entries.get(i), i == 0, miniStream, miniSize);
            }
        }
    }

    private void entry(ByteBuffer out, int at, CompoundNode node, boolean root, int miniStream, int miniSize) {
        byte[] letters = node.name.getBytes(StandardCharsets.UTF_16LE);
        out.put(at, letters).putShort(at + 64, (short) (letters.length + 2));
        out.put(at + 66, (byte) (root ? 5 : node.isStream() ? 2 : 1)).put(at + 67, (byte) 1);
        int[] link = links.get(node);
        out.putInt(at + 68, link[0]).putInt(at + 72, link[1]).putInt(at + 76, link[2]);
        if (node.classId != null) {
            out.put(at + 80, Identification.bytes(node.classId));
        }
        if (root) {
            out.putInt(at + 116, miniStream).putLong(at + 120, miniSize);
        } else if (node.isStream()) {
            out.putInt(at + 116, starts.get(node)).putLong(at + 120, node.data.length);
        }
    }

    /** @return the mini sector after the stream */
    private static int small(ByteBuffer out, CompoundNode node, int mini, int miniFat, int miniStream) {
        int count = blocks(node.data.length, MINI);
        if (count > 0) {
            out.put(offset(miniStream) + mini * MINI, node.data);
        }
        for (int i = 0; i < count; i++) {
            out.putInt(offset(miniFat) + (mini + i) * 4, i + 1 == count ? LAST : mini + i + 1);
        }
        return mini + count;
    }
}
