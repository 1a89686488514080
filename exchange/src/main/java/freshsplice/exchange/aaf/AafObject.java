package freshsplice.exchange.aaf;

import freshsplice.core.time.Rational;
import freshsplice.exchange.compound.CompoundEntry;
import freshsplice.exchange.compound.Identification;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;

/**
 * One stored object: a storage whose stream {@code properties} lists its values. Structure and names after the AAF
 * Stored Format Specification. Properties that are not there give null; a damaged list of them throws.
 */
final class AafObject {
    private static final int STRONG = 0x22;
    private static final int STRONG_VECTOR = 0x32;
    private static final int STRONG_SET = 0x3A;
    private static final int DATA = 0x82;
    /** Numbers from here on are given by each file to properties that the standard does not know. */
    private static final int FIRST_OWN_PID = 0x8000;
    private static final int MAX_STREAM = 64_000_000;

    final CompoundEntry folder;
    final AafClass type;
    private final ByteOrder order;
    private final byte[] bytes;
    /** Of each property its number, how it is stored, and where its bytes begin and end. */
    private int[] entries = {};
    /** Objects inside that were asked for already; what reads a segment asks several times. Null before the first. */
    private Map<String, AafObject> children;

    AafObject(CompoundEntry folder) {
        this.folder = folder;
        this.type = AafClass.of(folder.classId());
        bytes = folder.stream("properties", MAX_STREAM);
        if (bytes == null || bytes.length < 4) {
            throw new AafDamage(path() + " has no list of properties");
        }
        order = bytes[0] == 'B' ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN;
        read(ByteBuffer.wrap(bytes).order(order));
    }

    private void read(ByteBuffer in) {
        int count = in.getShort(2) & 0xFFFF;
        int at = 4 + count * 6;
        if (at > in.capacity()) {
            throw new AafDamage(path() + " says more properties than it has");
        }
        entries = new int[count * 4];
        for (int i = 0; i < count; i++) {
            int entry = 4 + i * 6;
            int length = in.getShort(entry + 4) & 0xFFFF;
            if (at + length > in.capacity()) {
                throw new AafDamage(path() + " says a property longer than what is left");
            }
            entries[i * 4] = in.getShort(entry) & 0xFFFF;
            entries[i * 4 + 1] = in.getShort(entry + 2) & 0xFFFF;
            entries[i * 4 + 2] = at;
            at += length;
            entries[i * 4 + 3] = at;
        }
    }

    /** Where a property is noted in {@link #entries}; −1 where there is none. */
    private int entry(int pid) {
        for (int i = entries.length - 4; i >= 0; i -= 4) {
            if (entries[i] == pid) {
                return i;
            }
        }
        return -1;
    }

    private int form(int entry) {
        return entry < 0 ? 0 : entries[entry + 1];
    }

    private int length(int entry) {
        return entry < 0 ? -1 : entries[entry + 3] - entries[entry + 2];
    }

    private byte[] copy(int entry) {
        return Arrays.copyOfRange(bytes, entries[entry + 2], entries[entry + 3]);
    }

    /** Where it is in the file. */
    String path() {
        StringBuilder path = new StringBuilder();
        for (CompoundEntry at = folder; at.parent() != null && path.length() < 400; at = at.parent()) {
            path.insert(0, "/" + at.name());
        }
        return path.isEmpty() ? "/" : path.toString();
    }

    boolean has(int pid) {
        return entry(pid) >= 0;
    }

    private ByteBuffer raw(int pid) {
        int entry = entry(pid);
        return entry < 0 ? null : ByteBuffer.wrap(bytes, entries[entry + 2], length(entry)).slice().order(order);
    }

    /** UTF-16 up to its end. */
    String text(int pid) {
        int entry = entry(pid);
        return entry < 0 ? null : textAt(entry);
    }

    private String textAt(int entry) {
        return text(bytes, entries[entry + 2], entries[entry + 3], order == ByteOrder.BIG_ENDIAN);
    }

    /** By hand: a file has a hundred thousand names of a few letters, and a charset's decoder takes longer to make. */
    private static String text(byte[] bytes, int from, int to, boolean bigEndian) {
        char[] letters = new char[(to - from) / 2];
        int count = 0;
        for (int at = from; at + 1 < to; at += 2) {
            char letter = bigEndian ? (char) (bytes[at] << 8 | bytes[at + 1] & 0xFF)
                    : (char) (bytes[at + 1] << 8 | bytes[at] & 0xFF);
            if (letter == 0) {
                break;
            }
            letters[count++] = letter;
        }
        return new String(letters, 0, count);
    }

    /** A whole number of one, two, four or eight bytes. */
    Long number(int pid) {
        ByteBuffer in = raw(pid);
        return in == null ? null : switch (in.capacity()) {
            case 1 -> (long) in.get(0);
            case 2 -> (long) in.getShort(0);
            case 4 -> (long) in.getInt(0);
            case 8 -> in.getLong(0);
            default -> null;
        };
    }

    long number(int pid, long otherwise) {
        Long value = number(pid);
        return value == null ? otherwise : value;
    }

    boolean flag(int pid) {
        return number(pid, 0) != 0;
    }

    /** Two 32-bit numbers; null where there is none or it divides by zero. */
    Rational rational(int pid) {
        ByteBuffer in = raw(pid);
        return in == null || in.capacity() != 8 || in.getInt(4) == 0 ? null : Rational.of(in.getInt(0), in.getInt(4));
    }

    /** A mob's identification, as hexadecimal; the same in one file for the same mob. */
    String mobId(int pid) {
        int entry = entry(pid);
        return length(entry) != 32 ? null
                : HexFormat.of().formatHex(bytes, entries[entry + 2], entries[entry + 3]);
    }

    /** An identification stored as itself. */
    String id(int pid) {
        ByteBuffer in = raw(pid);
        return in == null || in.capacity() != 16 ? null : Identification.text(in, 0);
    }

    /** The identification of the definition that a weak reference means. */
    String definition(int pid) {
        ByteBuffer in = raw(pid);
        return in == null || in.capacity() != 21 ? null : Identification.text(in, 5);
    }

    /** A value that carries its own type: text, fraction or number; null where it is none of these. */
    Object typed(int pid) {
        int entry = entry(pid);
        if (length(entry) < 17) {
            return null;
        }
        byte[] value = copy(entry);
        ByteOrder own = value[0] == 'B' ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN;
        ByteBuffer in = ByteBuffer.wrap(value).order(own);
        String type = Identification.text(in, 1);
        int length = value.length - 17;
        if (type.startsWith("01100200")) {
            return text(value, 17, value.length, own == ByteOrder.BIG_ENDIAN);
        }
        if (type.startsWith("03010100") && length == 8) {
            return in.getInt(21) == 0 ? null : Rational.of(in.getInt(17), in.getInt(21));
        }
        return switch (length) {
            case 1 -> Rational.of(in.get(17));
            case 2 -> Rational.of(in.getShort(17));
            case 4 -> Rational.of(in.getInt(17));
            case 8 -> Rational.of(in.getLong(17));
            default -> null;
        };
    }

    /** The one object that a property holds; null where there is none. */
    AafObject object(int pid) {
        int entry = entry(pid);
        return form(entry) != STRONG ? null : child(textAt(entry));
    }

    /** The objects that a property holds, in their order; empty where there is none. */
    List<AafObject> objects(int pid) {
        int entry = entry(pid);
        int form = form(entry);
        if (form == STRONG) {
            AafObject one = object(pid);
            return one == null ? List.of() : List.of(one);
        }
        if (form != STRONG_VECTOR && form != STRONG_SET) {
            return List.of();
        }
        String name = textAt(entry);
        byte[] index = folder.stream(name + " index", MAX_STREAM);
        if (index == null || index.length < 4) {
            throw new AafDamage(path() + ": " + name + " has no index");
        }
        List<AafObject> objects = new ArrayList<>();
        for (int key : keys(ByteBuffer.wrap(index).order(order), form == STRONG_SET, name)) {
            AafObject child = child(name + "{" + Integer.toHexString(key) + "}");
            if (child != null) {
                objects.add(child);
            }
        }
        return objects;
    }

    private int[] keys(ByteBuffer in, boolean set, String name) {
        int count = in.getInt(0);
        int first = set ? 15 : 12;
        int size = set && in.capacity() >= 15 ? 8 + (in.get(14) & 0xFF) : 4;
        if (count < 0 || count > 0 && first + (long) count * size > in.capacity()) {
            throw new AafDamage(path() + ": the index of " + name + " says " + count + " objects and is too short");
        }
        int[] keys = new int[count];
        for (int i = 0; i < count; i++) {
            keys[i] = in.getInt(first + i * size);
        }
        return keys;
    }

    /** The tagged values of all lists of them, whatever property a writer keeps them in. */
    List<AafObject> tags() {
        List<AafObject> tags = new ArrayList<>();
        for (int i = 0; i < entries.length; i += 4) {
            if (entries[i + 1] == STRONG_VECTOR || entries[i + 1] == STRONG_SET) {
                objects(entries[i]).stream().filter(o -> o.type == AafClass.TAGGED_VALUE).forEach(tags::add);
            }
        }
        return tags;
    }

    /** Two-byte numbers of the first property of a writer's own that has just so many bytes; null where none has. */
    int[] ownWords(int size) {
        for (int i = 0; i < entries.length; i += 4) {
            if (entries[i] >= FIRST_OWN_PID && entries[i + 1] == DATA && length(i) == size) {
                ByteBuffer in = raw(entries[i]);
                int[] words = new int[size / 2];
                for (int k = 0; k < words.length; k++) {
                    words[k] = in.getShort(k * 2) & 0xFFFF;
                }
                return words;
            }
        }
        return null;
    }

    private AafObject child(String name) {
        AafObject known = children == null ? null : children.get(name);
        CompoundEntry child = known == null ? folder.storage(name) : null;
        if (child != null) {
            known = new AafObject(child);
            children = children == null ? new HashMap<>(4) : children;
            children.put(name, known);
        }
        return known;
    }
}
