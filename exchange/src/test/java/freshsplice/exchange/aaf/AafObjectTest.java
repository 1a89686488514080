package freshsplice.exchange.aaf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import freshsplice.core.time.Rational;
import freshsplice.exchange.compound.CompoundFile;
import freshsplice.exchange.compound.CompoundNode;
import freshsplice.exchange.compound.CompoundWriter;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;

/** Stored properties, byte by byte after the AAF Stored Format Specification, in both byte orders. */
class AafObjectTest {
    private static final int DATA = 0x82;
    private static final int STRONG_VECTOR = 0x32;

    /** One object with a name, a length, an edit rate and a list of one segment. */
    private static byte[] object(ByteOrder order) {
        byte[] name = "Reel é\0".getBytes(order == ByteOrder.BIG_ENDIAN ? StandardCharsets.UTF_16BE
                : StandardCharsets.UTF_16LE);
        byte[] list = "Components-1001\0".getBytes(order == ByteOrder.BIG_ENDIAN ? StandardCharsets.UTF_16BE
                : StandardCharsets.UTF_16LE);
        ByteBuffer out = ByteBuffer.allocate(4 + 4 * 6 + name.length + 8 + 8 + list.length).order(order);
        out.put((byte) (order == ByteOrder.BIG_ENDIAN ? 'B' : 'L')).put((byte) 0x20).putShort((short) 4);
        int[][] entries = {{AafPid.MOB_NAME, DATA, name.length}, {AafPid.LENGTH, DATA, 8}, {AafPid.EDIT_RATE, DATA, 8},
            {AafPid.COMPONENTS, STRONG_VECTOR, list.length}};
        for (int[] e : entries) {
            out.putShort((short) e[0]).putShort((short) e[1]).putShort((short) e[2]);
        }
        return out.put(name).putLong(-77_000_000_000L).putInt(24000).putInt(1001).put(list).array();
    }

    private static AafObject read(ByteOrder order, byte[] properties) {
        CompoundNode root = CompoundNode.root(AafClass.SEQUENCE.id());
        root.stream("properties", properties);
        root.stream("Components-1001 index", ByteBuffer.allocate(16).order(order).putInt(1).putInt(1).putInt(-1).putInt(26)
                .array());
        CompoundNode child = root.storage("Components-1001{1a}", AafClass.FILLER.id());
        child.stream("properties", ByteBuffer.allocate(4).order(order).put((byte) 'L').put((byte) 32).array());
        return new AafObject(CompoundFile.root(CompoundWriter.write(root, AafClass.HEADER.id())));
    }

    @Test
    void readsBothByteOrders() {
        for (ByteOrder order : new ByteOrder[] {ByteOrder.LITTLE_ENDIAN, ByteOrder.BIG_ENDIAN}) {
            AafObject object = read(order, object(order));
            assertThat(object.type).isEqualTo(AafClass.SEQUENCE);
            assertThat(object.text(AafPid.MOB_NAME)).isEqualTo("Reel é");
            assertThat(object.number(AafPid.LENGTH)).isEqualTo(-77_000_000_000L);
            assertThat(object.rational(AafPid.EDIT_RATE)).isEqualTo(Rational.of(24000, 1001));
            assertThat(object.objects(AafPid.COMPONENTS)).singleElement()
                    .satisfies(o -> assertThat(o.type).isEqualTo(AafClass.FILLER));
            assertThat(object.text(AafPid.COMMENT)).isNull();
        }
    }

    @Test
    void aListThatSaysMoreThanItHasIsDamage() {
        byte[] properties = object(ByteOrder.LITTLE_ENDIAN);
        properties[2] = 100;
        assertThatThrownBy(() -> read(ByteOrder.LITTLE_ENDIAN, properties)).isInstanceOf(AafDamage.class)
                .hasMessageContaining("more properties than it has");
    }
}
