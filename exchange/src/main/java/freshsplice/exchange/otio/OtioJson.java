package freshsplice.exchange.otio;

import freshsplice.exchange.format.Limits;
import freshsplice.exchange.format.UnreadableFile;
import java.io.StringWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.core.json.JsonReadFeature;

/** JSON as maps and lists. Each finished child of a timeline is given away at once, so that the whole never stands. */
final class OtioJson {
    /** Stack in track in stack: each level of a timeline is two levels of JSON and more; metadata nests too. */
    private static final int MAX_JSON_DEPTH = 1500;
    private static final JsonFactory FACTORY = JsonFactory.builder()
            .enable(JsonReadFeature.ALLOW_NON_NUMERIC_NUMBERS)
            .streamReadConstraints(StreamReadConstraints.builder().maxNestingDepth(MAX_JSON_DEPTH)
                    .maxStringLength(20_000_000).build())
            .build();

    private final JsonParser in;
    private final String fileName;
    private final int maxEvents;
    private final Function<Map<String, Object>, OtioItem> toItem;
    private int children;

    private OtioJson(JsonParser in, String fileName, Limits limits, Function<Map<String, Object>, OtioItem> toItem) {
        this.in = in;
        this.fileName = fileName;
        this.maxEvents = limits.maxEvents();
        this.toItem = toItem;
    }

    /**
     * Reads one document.
     *
     * @param toItem turns each object that has a schema into an item; objects of time and media stay maps
     * @throws UnreadableFile if it is no JSON, too deep, or has too many children
     */
    static OtioItem read(byte[] bytes, String fileName, Limits limits, Function<Map<String, Object>, OtioItem> toItem) {
        try (JsonParser parser = FACTORY.createParser(ObjectReadContext.empty(), bytes)) {
            OtioJson json = new OtioJson(parser, fileName, limits, toItem);
            if (parser.nextToken() != JsonToken.START_OBJECT) {
                throw new UnreadableFile(fileName + " is no timeline: its JSON does not begin with an object");
            }
            return toItem.apply(json.object());
        } catch (JacksonException e) {
            String place = e.getLocation() == null ? "" : ", line " + e.getLocation().getLineNr() + ", column "
                    + e.getLocation().getColumnNr();
            throw new UnreadableFile(fileName + place + ": the JSON is damaged there ("
                    + e.getOriginalMessage().lines().findFirst().orElse("") + "); ask for it to be written again");
        }
    }

    /** An object of the timeline's own structure. */
    private Map<String, Object> object() {
        Map<String, Object> map = new LinkedHashMap<>();
        for (JsonToken t = in.nextToken(); t == JsonToken.PROPERTY_NAME; t = in.nextToken()) {
            String key = in.currentName();
            JsonToken value = in.nextToken();
            if (key.equals("children") && value == JsonToken.START_ARRAY) {
                map.put(key, items());
            } else if (key.equals("tracks") && value == JsonToken.START_OBJECT) {
                map.put(key, toItem.apply(object()));
            } else {
                map.put(key, plain(value));
            }
        }
        return map;
    }

    private List<OtioItem> items() {
        List<OtioItem> items = new ArrayList<>();
        for (JsonToken t = in.nextToken(); t != null && t != JsonToken.END_ARRAY; t = in.nextToken()) {
            if (++children > maxEvents) {
                throw new UnreadableFile(fileName + ", line " + in.currentLocation().getLineNr() + ": more than "
                        + maxEvents + " events");
            }
            if (t == JsonToken.START_OBJECT) {
                items.add(toItem.apply(object()));
            } else {
                plain(t);
            }
        }
        return items;
    }

    /** JSON of maps, lists, text, numbers and items' own JSON, on one line. */
    static String written(Object value) {
        StringWriter text = new StringWriter();
        try (JsonGenerator out = FACTORY.createGenerator(ObjectWriteContext.empty(), text)) {
            write(out, value);
        }
        return text.toString();
    }

    static void write(JsonGenerator out, Object value) {
        if (value instanceof Map<?, ?> map) {
            out.writeStartObject();
            map.forEach((key, v) -> {
                out.writeName(String.valueOf(key));
                write(out, v);
            });
            out.writeEndObject();
        } else if (value instanceof Iterable<?> list) {
            out.writeStartArray();
            list.forEach(v -> write(out, v));
            out.writeEndArray();
        } else if (value instanceof String s) {
            out.writeString(s);
        } else if (value instanceof Double d) {
            out.writeNumber(d);
        } else if (value instanceof java.math.BigDecimal d) {
            out.writeNumber(d);
        } else if (value instanceof java.math.BigInteger i) {
            out.writeNumber(i);
        } else if (value instanceof Number n) {
            out.writeNumber(n.longValue());
        } else if (value instanceof Boolean b) {
            out.writeBoolean(b);
        } else {
            out.writeNull();
        }
    }

    /** FormatNote JSON as maps again. */
    static Map<String, Object> parse(String text) {
        try (JsonParser parser = FACTORY.createParser(ObjectReadContext.empty(), text)) {
            parser.nextToken();
            OtioJson json = new OtioJson(parser, "kept", Limits.DEFAULT, map -> null);
            return json.plainObject();
        }
    }

    private Map<String, Object> plainObject() {
        Map<String, Object> map = new LinkedHashMap<>();
        for (JsonToken t = in.nextToken(); t == JsonToken.PROPERTY_NAME; t = in.nextToken()) {
            String key = in.currentName();
            map.put(key, plain(in.nextToken()));
        }
        return map;
    }

    /** A value that holds no children of the timeline, whatever its keys are called. */
    private Object plain(JsonToken token) {
        if (token == JsonToken.START_OBJECT) {
            return plainObject();
        }
        if (token == JsonToken.START_ARRAY) {
            List<Object> list = new ArrayList<>();
            for (JsonToken t = in.nextToken(); t != null && t != JsonToken.END_ARRAY; t = in.nextToken()) {
                list.add(plain(t));
            }
            return list;
        }
        return switch (token) {
            case VALUE_STRING -> in.getString();
            case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT -> in.getNumberValue();
            case VALUE_TRUE -> true;
            case VALUE_FALSE -> false;
            default -> null;
        };
    }

    static JsonGenerator generator(java.io.OutputStream out) {
        return FACTORY.createGenerator(ObjectWriteContext.empty(), out);
    }
}
