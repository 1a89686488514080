package freshsplice.exchange.aaf;

import freshsplice.core.time.Rational;
import freshsplice.exchange.compound.CompoundNode;
import freshsplice.exchange.compound.CompoundWriter;
import freshsplice.exchange.compound.Identification;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/** A file that is being put together: its mobs and the definitions that they use. */
final class AafDocument {
    private static final String ROOT = "b3b398a5-1c90-11d4-8053-080036210804";
    private static final String META_DICTIONARY = "0d010101-0225-0000-060e-2b3402060101";
    private static final String FILE_KIND = "0d010201-0200-0000-060e-2b3403020101";
    private static final String EDIT_PROTOCOL = "0d011201-0100-0000-060e-2b3404010105";
    private static final String PRODUCT = "5b0ff4f9-3b9e-4c1c-9c44-2f5ad1f0c4a1";
    /** Paths to the definitions that weak references mean, in the order of the table. */
    private static final int[][] TABLE = {{1, 3}, {1, 4},
        {AafPid.ROOT_HEADER, AafPid.HEADER_DICTIONARY, AafPid.DATA_DEFINITIONS},
        {AafPid.ROOT_HEADER, AafPid.HEADER_DICTIONARY, AafPid.OPERATIONS},
        {AafPid.ROOT_HEADER, AafPid.HEADER_DICTIONARY, 0x2609}};
    static final int DATA_TABLE = 2;
    static final int OPERATION_TABLE = 3;
    static final int INTERPOLATION_TABLE = 4;

    private final List<AafNode> mobs = new ArrayList<>();
    private final Map<String, AafNode> operations = new LinkedHashMap<>();
    private final Map<String, AafNode> parameters = new LinkedHashMap<>();
    private final byte[] now = timestamp(LocalDateTime.now(ZoneOffset.UTC));
    private boolean curves;

    private static byte[] timestamp(LocalDateTime t) {
        return ByteBuffer.allocate(8).order(ByteOrder.LITTLE_ENDIAN).putShort((short) t.getYear())
                .put((byte) t.getMonthValue()).put((byte) t.getDayOfMonth()).put((byte) t.getHour())
                .put((byte) t.getMinute()).put((byte) t.getSecond()).put((byte) 0).array();
    }

    /** A mob's identification that is the same whenever the same is written: a UMID whose material is named. */
    static byte[] mobId(String what) {
        UUID material = UUID.nameUUIDFromBytes(("fresh-splice " + what).getBytes(StandardCharsets.UTF_8));
        byte[] label = {0x06, 0x0a, 0x2b, 0x34, 0x01, 0x01, 0x01, 0x05, 0x01, 0x01, 0x0f, 0x20, 0x13, 0, 0, 0};
        return ByteBuffer.allocate(32).put(label).put(Identification.bytes(material.toString())).array();
    }

    static final byte[] NO_MOB = new byte[32];

    AafNode mob(AafClass type, byte[] id, String name, List<AafNode> slots) {
        AafNode mob = new AafNode(type).raw(AafPid.MOB_ID, id).text(AafPid.MOB_NAME, name)
                .list(AafPid.SLOTS, "Slots", slots).raw(AafPid.MOB_MODIFIED, now).raw(AafPid.MOB_CREATED, now);
        mobs.add(mob);
        return mob;
    }

    static AafNode slot(int id, String name, Rational rate, AafNode segment) {
        return new AafNode(AafClass.TIMELINE_MOB_SLOT).int32(AafPid.SLOT_ID, id).text(AafPid.SLOT_NAME, name)
                .rational(AafPid.EDIT_RATE, rate).int64(AafPid.ORIGIN, 0)
                .object(AafPid.SEGMENT, "Segment", segment);
    }

    static AafNode component(AafClass type, String kind, long length) {
        return new AafNode(type).definition(AafPid.DATA_DEFINITION, DATA_TABLE, kind).int64(AafPid.LENGTH, length);
    }

    static AafNode clip(String kind, long length, long start, byte[] mob, int slot) {
        return component(AafClass.SOURCE_CLIP, kind, length).raw(AafPid.SOURCE_ID, mob)
                .int32(AafPid.SOURCE_SLOT, slot).int64(AafPid.START_TIME, start);
    }

    static AafNode timecode(long start, int fps, boolean drop, long length) {
        return component(AafClass.TIMECODE, AafIds.TIMECODE, length).int64(AafPid.TIMECODE_START, start)
                .int16(AafPid.TIMECODE_FPS, fps).int8(AafPid.TIMECODE_DROP, drop ? 1 : 0);
    }

    /** An operation group; its operation is defined once in the dictionary. */
    AafNode operation(String kind, long length, String id, String name, boolean timeWarp, int inputs) {
        operations.computeIfAbsent(id, k -> new AafNode(AafClass.OPERATION_DEFINITION).id(AafPid.DEFINITION_ID, id)
                .text(AafPid.DEFINITION_NAME, name).text(AafPid.DEFINITION_TEXT, name)
                .definition(AafPid.OPERATION_DATA, DATA_TABLE, kind).int8(AafPid.IS_TIME_WARP, timeWarp ? 1 : 0)
                .int32(AafPid.OPERATION_INPUTS, inputs));
        return component(AafClass.OPERATION_GROUP, kind, length).definition(AafPid.OPERATION, OPERATION_TABLE, id);
    }

    AafNode constant(String id, String name, Rational value) {
        define(id, name);
        return new AafNode(AafClass.CONSTANT_VALUE).id(AafPid.PARAMETER_DEFINITION, id)
                .typedRational(AafPid.CONSTANT, value);
    }

    /** A value that goes straight from point to point; times are units of its group, as each point's hint says. */
    AafNode curve(String id, String name, List<Rational[]> points) {
        define(id, name);
        curves = true;
        List<AafNode> nodes = points.stream().map(p -> new AafNode(AafClass.CONTROL_POINT)
                .rational(AafPid.POINT_TIME, p[0]).typedRational(AafPid.POINT_VALUE, p[1])
                .int8(AafPid.EDIT_HINT, AafCurve.FIXED)).toList();
        return new AafNode(AafClass.VARYING_VALUE).id(AafPid.PARAMETER_DEFINITION, id)
                .definition(AafPid.INTERPOLATION, INTERPOLATION_TABLE, AafIds.LINEAR)
                .list(AafPid.POINT_LIST, "PointList", nodes);
    }

    private void define(String id, String name) {
        parameters.computeIfAbsent(id, k -> new AafNode(AafClass.PARAMETER_DEFINITION).id(AafPid.DEFINITION_ID, id)
                .text(AafPid.DEFINITION_NAME, name).text(AafPid.DEFINITION_TEXT, name)
                .raw(AafPid.PARAMETER_TYPE, parameterType()));
    }

    private static byte[] parameterType() {
        return ByteBuffer.allocate(21).order(ByteOrder.LITTLE_ENDIAN).putShort((short) 1).putShort((short) 5)
                .put((byte) 16).put(Identification.bytes(AafIds.RATIONAL_TYPE)).array();
    }

    byte[] bytes() {
        AafNode root = root();
        CompoundNode folder = CompoundNode.root(root.classId());
        root.writeInto(folder);
        folder.stream("referenced properties", table());
        return CompoundWriter.write(folder, FILE_KIND);
    }

    private AafNode root() {
        AafNode dictionary = new AafNode(AafClass.DICTIONARY)
                .set(AafPid.OPERATIONS, "OperationDefinitions", List.copyOf(operations.values()), AafPid.DEFINITION_ID)
                .set(AafPid.PARAMETER_DEFINITIONS, "ParameterDefinitions", List.copyOf(parameters.values()),
                        AafPid.DEFINITION_ID)
                .set(AafPid.DATA_DEFINITIONS, "DataDefinitions", List.of(data(AafIds.PICTURE, "Picture"),
                        data(AafIds.SOUND, "Sound"), data(AafIds.TIMECODE, "Timecode"),
                        data(AafIds.DESCRIPTIVE, "Descriptive Metadata")), AafPid.DEFINITION_ID);
        if (curves) {
            dictionary.set(0x2609, "InterpolationDefs", List.of(new AafNode("0d010101-0101-2100-060e-2b3402060101")
                    .id(AafPid.DEFINITION_ID, AafIds.LINEAR).text(AafPid.DEFINITION_NAME, "Linear")),
                    AafPid.DEFINITION_ID);
        }
        AafNode maker = new AafNode(AafClass.IDENTIFICATION).text(0x3C01, "Fresh Splice").text(0x3C02, "Fresh Splice")
                .text(0x3C04, "0.1.0").id(0x3C05, PRODUCT).raw(0x3C06, now).text(0x3C08, "Java")
                .id(0x3C09, UUID.nameUUIDFromBytes(now).toString());
        AafNode header = new AafNode(AafClass.HEADER).int16(AafPid.HEADER_BYTE_ORDER, 0x4949)
                .raw(AafPid.HEADER_MODIFIED, now)
                .object(AafPid.HEADER_CONTENT, "Content", new AafNode(AafClass.CONTENT_STORAGE)
                        .set(AafPid.MOBS, "Mobs", mobs, AafPid.MOB_ID))
                .object(AafPid.HEADER_DICTIONARY, "Dictionary", dictionary)
                .raw(AafPid.HEADER_VERSION, new byte[] {1, 1})
                .list(AafPid.HEADER_IDENTIFICATIONS, "IdentificationList", List.of(maker))
                .int32(AafPid.OBJECT_MODEL, 1).id(AafPid.OPERATIONAL_PATTERN, EDIT_PROTOCOL);
        AafNode types = new AafNode(META_DICTIONARY).set(3, "ClassDefinitions", List.of(), 5)
                .set(4, "TypeDefinitions", List.of(), 5);
        return new AafNode(ROOT).object(AafPid.ROOT_META_DICTIONARY, "MetaDictionary", types)
                .object(AafPid.ROOT_HEADER, "Header", header);
    }

    private static AafNode data(String id, String name) {
        return new AafNode(AafClass.DATA_DEFINITION).id(AafPid.DEFINITION_ID, id).text(AafPid.DEFINITION_NAME, name)
                .text(AafPid.DEFINITION_TEXT, name + " data");
    }

    private static byte[] table() {
        int pids = 0;
        for (int[] path : TABLE) {
            pids += path.length + 1;
        }
        ByteBuffer out = ByteBuffer.allocate(7 + pids * 2).order(ByteOrder.LITTLE_ENDIAN).put((byte) 'L')
                .putShort((short) TABLE.length).putInt(pids);
        for (int[] path : TABLE) {
            for (int pid : path) {
                out.putShort((short) pid);
            }
            out.putShort((short) 0);
        }
        return out.array();
    }
}
