package freshsplice.exchange.aaf;

import freshsplice.core.time.Rational;
import freshsplice.exchange.compound.CompoundNode;
import freshsplice.exchange.compound.Identification;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** An object to be written. All values are little endian. */
final class AafNode {
    private static final int DATA = 0x82;
    private static final int STRONG = 0x22;
    private static final int VECTOR = 0x32;
    private static final int SET = 0x3A;
    private static final int WEAK = 0x02;
    private static final String STRING_TYPE = "01100200-0000-0000-060e-2b3401040101";

    private record Value(int form, byte[] bytes) {
    }

    /** @param keyPid the property that tells members of a set apart; 0 for a list in order */
    private record Members(String name, List<AafNode> nodes, int keyPid) {
    }

    private final String classId;
    private final Map<Integer, Value> values = new LinkedHashMap<>();
    private final Map<String, AafNode> single = new LinkedHashMap<>();
    private final List<Members> members = new ArrayList<>();

    AafNode(AafClass type) {
        this(type.id());
    }

    AafNode(String classId) {
        this.classId = classId;
    }

    private AafNode put(int pid, int form, byte[] bytes) {
        values.put(pid, new Value(form, bytes));
        return this;
    }

    private static ByteBuffer bytes(int size) {
        return ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN);
    }

    private static byte[] utf16(String text) {
        return (text + "\0").getBytes(StandardCharsets.UTF_16LE);
    }

    /** Text; longer than a property can hold, it is cut off. */
    AafNode text(int pid, String text) {
        String held = text.replace("\0", "");
        return put(pid, DATA, utf16(held.length() > 16000 ? held.substring(0, 16000) : held));
    }

    AafNode int8(int pid, int value) {
        return put(pid, DATA, new byte[] {(byte) value});
    }

    AafNode int16(int pid, int value) {
        return put(pid, DATA, bytes(2).putShort((short) value).array());
    }

    AafNode int32(int pid, long value) {
        return put(pid, DATA, bytes(4).putInt((int) value).array());
    }

    AafNode int64(int pid, long value) {
        return put(pid, DATA, bytes(8).putLong(value).array());
    }

    AafNode rational(int pid, Rational value) {
        return put(pid, DATA, fraction(value));
    }

    private static byte[] fraction(Rational value) {
        Rational small = small(value);
        return bytes(8).putInt((int) small.num()).putInt((int) small.den()).array();
    }

    /** The nearest fraction of two 32-bit numbers. */
    static Rational small(Rational value) {
        Rational small = value;
        while (Math.abs(small.num()) > Integer.MAX_VALUE || small.den() > Integer.MAX_VALUE) {
            small = Rational.of(small.num() >> 1, Math.max(1, small.den() >> 1));
        }
        return small;
    }

    AafNode raw(int pid, byte[] value) {
        return put(pid, DATA, value);
    }

    AafNode id(int pid, String id) {
        return put(pid, DATA, Identification.bytes(id));
    }

    /** @param table index of the path to the definitions in the table of referenced properties */
    AafNode definition(int pid, int table, String id) {
        ByteBuffer value = bytes(21).putShort((short) table).putShort((short) AafPid.DEFINITION_ID).put((byte) 16);
        return put(pid, WEAK, value.put(Identification.bytes(id)).array());
    }

    AafNode typedText(int pid, String text) {
        byte[] letters = utf16(text);
        return put(pid, DATA, bytes(17 + letters.length).put((byte) 'L').put(Identification.bytes(STRING_TYPE)).put(letters).array());
    }

    AafNode typedRational(int pid, Rational value) {
        return put(pid, DATA, bytes(25).put((byte) 'L').put(Identification.bytes(AafIds.RATIONAL_TYPE)).put(fraction(value)).array());
    }

    AafNode object(int pid, String name, AafNode node) {
        String stored = name + "-" + Integer.toHexString(pid);
        single.put(stored, node);
        return put(pid, STRONG, utf16(stored));
    }

    AafNode list(int pid, String name, List<AafNode> nodes) {
        String stored = name + "-" + Integer.toHexString(pid);
        members.add(new Members(stored, nodes, 0));
        return put(pid, VECTOR, utf16(stored));
    }

    AafNode set(int pid, String name, List<AafNode> nodes, int keyPid) {
        String stored = name + "-" + Integer.toHexString(pid);
        members.add(new Members(stored, nodes, keyPid));
        return put(pid, SET, utf16(stored));
    }

    String classId() {
        return classId;
    }

    void writeInto(CompoundNode folder) {
        folder.stream("properties", properties());
        single.forEach((name, node) -> node.writeInto(folder.storage(name, node.classId)));
        for (Members list : members) {
            folder.stream(list.name + " index", index(list));
            for (int i = 0; i < list.nodes.size(); i++) {
                AafNode node = list.nodes.get(i);
                node.writeInto(folder.storage(list.name + "{" + Integer.toHexString(i) + "}", node.classId));
            }
        }
    }

    private byte[] properties() {
        int size = 4 + values.size() * 6 + values.values().stream().mapToInt(v -> v.bytes.length).sum();
        ByteBuffer out = bytes(size).put((byte) 'L').put((byte) 0x20).putShort((short) values.size());
        values.forEach((pid, v) -> out.putShort((short) (int) pid).putShort((short) v.form)
                .putShort((short) v.bytes.length));
        values.values().forEach(v -> out.put(v.bytes));
        return out.array();
    }

    private static byte[] index(Members list) {
        int count = list.nodes.size();
        if (list.keyPid == 0) {
            ByteBuffer out = bytes(12 + count * 4).putInt(count).putInt(count).putInt(-1);
            for (int i = 0; i < count; i++) {
                out.putInt(i);
            }
            return out.array();
        }
        int keySize = list.keyPid == AafPid.MOB_ID ? 32 : 16;
        ByteBuffer out = bytes(15 + count * (8 + keySize)).putInt(count).putInt(count).putInt(-1)
                .putShort((short) list.keyPid).put((byte) keySize);
        for (int i = 0; i < count; i++) {
            out.putInt(i).putInt(1).put(list.nodes.get(i).values.get(list.keyPid).bytes);
        }
        return out.array();
    }
}
