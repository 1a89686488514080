package freshsplice.exchange.compound;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;

/** Reads a compound file that stands in memory; nothing of it is copied but what is asked for. */
public final class CompoundFile {
    private static final byte[] MAGIC = {(byte) 0xD0, (byte) 0xCF, 0x11, (byte) 0xE0, (byte) 0xA1, (byte) 0xB1, 0x1A,
        (byte) 0xE1};
    private static final int HEADER = 512;
    private static final int ENTRY = 128;
    private static final int MINI_CUTOFF = 4096;
    private static final int MINI_SHIFT = 6;
    private static final int IN_HEADER = 109;
    private static final int LAST = -2;
    private static final int STORAGE = 1;
    private static final int STREAM = 2;
    private static final int ROOT = 5;

    private final ByteBuffer in;
    private final int sectorShift;
    private final int sectors;
    private final boolean version4;
    private final int[] fat;
    private final int[] miniFat;
    private int[] miniSectors = {};

    private CompoundFile(byte[] bytes) {
        in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        if (!isCompound(bytes)) {
            throw new CompoundDamage("it is no compound file");
        }
        sectorShift = in.getShort(30);
        if (sectorShift != 9 && sectorShift != 12) {
            throw new CompoundDamage("its sectors have 2^" + sectorShift + " bytes, and 512 or 4096 are possible");
        }
        version4 = in.getShort(26) == 4;
        sectors = Math.max(0, (bytes.length - HEADER + (1 << sectorShift) - 1 >> sectorShift) + 1);
        fat = readFat();
        miniFat = readMiniFat();
    }

    /** Whether the first bytes say that it is a compound file. */
    public static boolean isCompound(byte[] bytes) {
        if (bytes.length < HEADER) {
            return false;
        }
        for (int i = 0; i < MAGIC.length; i++) {
            if (bytes[i] != MAGIC[i]) {
                return false;
            }
        }
        return true;
    }

    /**
     * The root storage of a file.
     *
     * @throws CompoundDamage if the file is none, is cut off, or its sectors or entries run in a loop
     */
    public static CompoundEntry root(byte[] bytes) {
        try {
            return new CompoundFile(bytes).readEntries();
        } catch (IndexOutOfBoundsException e) {
            throw new CompoundDamage("it is cut off");
        }
    }

    private long offset(int sector) {
        return (long) sector + 1 << sectorShift;
    }

    private void check(int sector) {
        if (sector < 0 || sector >= sectors) {
            throw new CompoundDamage("it names sector " + Integer.toUnsignedString(sector) + ", which it does not have");
        }
    }

    private int[] readFat() {
        int perSector = 1 << sectorShift - 2;
        int count = in.getInt(44);
        if (count < 0 || count > sectors) {
            throw new CompoundDamage("it says " + Integer.toUnsignedString(count) + " sectors of its table");
        }
        int[] table = new int[count * perSector];
        int difat = in.getInt(68);
        int place = 76;
        int left = IN_HEADER;
        for (int i = 0; i < count; i++) {
            if (left == 0) {
                check(difat);
                place = (int) offset(difat);
                left = perSector - 1;
                difat = in.getInt(place + left * 4);
            }
            int sector = in.getInt(place);
            place += 4;
            left--;
            check(sector);
            int at = (int) offset(sector);
            for (int k = 0; k < perSector && at + k * 4 + 4 <= in.capacity(); k++) {
                table[i * perSector + k] = in.getInt(at + k * 4);
            }
        }
        return table;
    }

    /** The sectors of a chain, in order. A chain longer than the file runs in a loop. */
    private int[] chain(int first) {
        int[] chain = new int[16];
        int count = 0;
        for (int sector = first; sector != LAST; sector = fat[sector]) {
            check(sector);
            if (sector >= fat.length || count >= sectors) {
                throw new CompoundDamage("a chain of its sectors has no end");
            }
            if (count == chain.length) {
                chain = java.util.Arrays.copyOf(chain, count * 2);
            }
            chain[count++] = sector;
        }
        return java.util.Arrays.copyOf(chain, count);
    }

    private int[] readMiniFat() {
        int first = in.getInt(60);
        if (first == LAST || first == -1) {
            return new int[0];
        }
        int[] chain = chain(first);
        int perSector = 1 << sectorShift - 2;
        int[] table = new int[chain.length * perSector];
        for (int i = 0; i < chain.length; i++) {
            int at = (int) offset(chain[i]);
            for (int k = 0; k < perSector; k++) {
                table[i * perSector + k] = in.getInt(at + k * 4);
            }
        }
        return table;
    }

    /** One entry of the directory, as it stands in the file. */
    private final class Raw {
        final int at;

        Raw(int[] directory, int index) {
            int perSector = (1 << sectorShift) / ENTRY;
            if (index < 0 || index / perSector >= directory.length) {
                throw new CompoundDamage("it names an entry that it does not have");
            }
            at = (int) offset(directory[index / perSector]) + index % perSector * ENTRY;
        }

        int type() {
            return in.get(at + 66);
        }

        int left() {
            return in.getInt(at + 68);
        }

        int right() {
            return in.getInt(at + 72);
        }

        int child() {
            return in.getInt(at + 76);
        }

        CompoundEntry entry(CompoundEntry parent) {
            int length = Math.max(0, Math.min(64, in.getShort(at + 64)) - 2);
            byte[] letters = new byte[length];
            in.get(at, letters);
            long size = version4 ? in.getLong(at + 120) : in.getInt(at + 120) & 0xFFFFFFFFL;
            return new CompoundEntry(CompoundFile.this, new String(letters, StandardCharsets.UTF_16LE), parent,
                    type() != STREAM, Identification.text(in, at + 80), in.getInt(at + 116), size);
        }
    }

    private CompoundEntry readEntries() {
        int[] directory = chain(in.getInt(48));
        Raw rootRaw = new Raw(directory, 0);
        if (rootRaw.type() != ROOT) {
            throw new CompoundDamage("its first entry is not the root");
        }
        int miniStart = in.getInt(rootRaw.at + 116);
        miniSectors = miniStart == LAST || miniStart == -1 ? new int[0] : chain(miniStart);
        CompoundEntry root = rootRaw.entry(null);
        BitSet seen = new BitSet();
        Deque<Object[]> open = new ArrayDeque<>();
        open.push(new Object[] {root, rootRaw.child()});
        while (!open.isEmpty()) {
            Object[] next = open.pop();
            CompoundEntry parent = (CompoundEntry) next[0];
            int index = (Integer) next[1];
            if (index == -1) {
                continue;
            }
            Raw raw = new Raw(directory, index);
            if (seen.get(index)) {
                throw new CompoundDamage("its entries run in a loop");
            }
            seen.set(index);
            open.push(new Object[] {parent, raw.left()});
            open.push(new Object[] {parent, raw.right()});
            if (raw.type() == STORAGE || raw.type() == STREAM) {
                CompoundEntry entry = raw.entry(parent);
                parent.add(entry);
                if (raw.type() == STORAGE) {
                    open.push(new Object[] {entry, raw.child()});
                }
            }
        }
        return root;
    }

    byte[] bytes(int start, int size) {
        try {
            return size < MINI_CUTOFF ? small(start, size) : large(start, size);
        } catch (IndexOutOfBoundsException e) {
            throw new CompoundDamage("it is cut off");
        }
    }

    private byte[] large(int start, int size) {
        byte[] out = new byte[size];
        int sectorSize = 1 << sectorShift;
        int done = 0;
        for (int sector = start; done < size; sector = fat[sector]) {
            check(sector);
            int part = Math.min(sectorSize, size - done);
            in.get((int) offset(sector), out, done, part);
            done += part;
        }
        return out;
    }

    private byte[] small(int start, int size) {
        byte[] out = new byte[size];
        int miniPerSector = 1 << sectorShift - MINI_SHIFT;
        int done = 0;
        for (int mini = start; done < size; mini = miniFat[mini]) {
            if (mini < 0 || mini >= miniFat.length || mini / miniPerSector >= miniSectors.length) {
                throw new CompoundDamage("a small stream is broken off");
            }
            int at = (int) offset(miniSectors[mini / miniPerSector]) + (mini % miniPerSector << MINI_SHIFT);
            int part = Math.min(1 << MINI_SHIFT, size - done);
            in.get(at, out, done, part);
            done += part;
        }
        return out;
    }
}
