package freshsplice.exchange.compound;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

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
    private int[] directory = {};
    /** Entries that were read: one that comes again is part of a loop. */
    private final BitSet seen = new BitSet();

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
            return new CompoundFile(bytes).readRoot();
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
                chain = Arrays.copyOf(chain, count * 2);
            }
            chain[count++] = sector;
        }
        return Arrays.copyOf(chain, count);
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

        Raw(int index) {
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
            long size = version4 ? in.getLong(at + 120) : in.getInt(at + 120) & 0xFFFFFFFFL;
            boolean storage = type() != STREAM;
            return new CompoundEntry(CompoundFile.this, parent, storage, at, storage ? child() : -1,
                    in.getInt(at + 116), size);
        }
    }

    private CompoundEntry readRoot() {
        directory = chain(in.getInt(48));
        Raw root = new Raw(0);
        if (root.type() != ROOT) {
            throw new CompoundDamage("its first entry is not the root");
        }
        int miniStart = in.getInt(root.at + 116);
        miniSectors = miniStart == LAST || miniStart == -1 ? new int[0] : chain(miniStart);
        return root.entry(null);
    }

    /** What is directly in a storage, read when it is asked for: much of a file never is. */
    List<CompoundEntry> entriesOf(CompoundEntry parent, int first) {
        try {
            List<CompoundEntry> entries = new ArrayList<>();
            int[] open = new int[32];
            int waiting = 0;
            open[waiting++] = first;
            while (waiting > 0) {
                int index = open[--waiting];
                if (index == -1) {
                    continue;
                }
                if (waiting + 2 > open.length) {
                    open = Arrays.copyOf(open, open.length * 2);
                }
                Raw raw = new Raw(index);
                if (seen.get(index)) {
                    throw new CompoundDamage("its entries run in a loop");
                }
                seen.set(index);
                open[waiting++] = raw.left();
                open[waiting++] = raw.right();
                if (raw.type() == STORAGE || raw.type() == STREAM) {
                    entries.add(raw.entry(parent));
                }
            }
            return entries;
        } catch (IndexOutOfBoundsException e) {
            throw new CompoundDamage("it is cut off");
        }
    }

    private int nameLength(int entry) {
        return Math.max(0, Math.min(64, in.getShort(entry + 64)) - 2) / 2;
    }

    String name(int entry) {
        char[] letters = new char[nameLength(entry)];
        for (int i = 0; i < letters.length; i++) {
            letters[i] = in.getChar(entry + i * 2);
        }
        return new String(letters);
    }

    boolean isNamed(int entry, String name) {
        int length = nameLength(entry);
        if (length != name.length()) {
            return false;
        }
        for (int i = length - 1; i >= 0; i--) {
            if (in.getChar(entry + i * 2) != name.charAt(i)) {
                return false;
            }
        }
        return true;
    }

    String identification(int entry) {
        return Identification.text(in, entry + 80);
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
