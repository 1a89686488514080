package freshsplice.cli;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import java.io.OutputStream;
import java.util.List;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.core.json.JsonFactory;

/** The JSON of the command line, streamed: whole frames as numbers, fractions as strings, ranges as pairs. */
final class Json implements AutoCloseable {
    private static final JsonFactory FACTORY = JsonFactory.builder()
            .disable(StreamWriteFeature.AUTO_CLOSE_TARGET).build();

    private final JsonGenerator out;

    Json(OutputStream stream) {
        out = FACTORY.createGenerator(ObjectWriteContext.empty(), stream);
    }

    /** One thing to write inside an object or array. */
    @FunctionalInterface
    interface Part<T> {
        void write(Json json, T value);
    }

    Json object(Runnable inside) {
        out.writeStartObject();
        inside.run();
        out.writeEndObject();
        return this;
    }

    <T> void list(String name, List<T> values, Part<T> part) {
        out.writeName(name);
        out.writeStartArray();
        values.forEach(v -> part.write(this, v));
        out.writeEndArray();
    }

    void name(String name) {
        out.writeName(name);
    }

    /** Left out where null. */
    void text(String name, String value) {
        if (value != null) {
            out.writeStringProperty(name, value);
        }
    }

    void flag(String name, boolean value) {
        out.writeBooleanProperty(name, value);
    }

    /** Left out where null. */
    void number(String name, Long value) {
        if (value != null) {
            out.writeNumberProperty(name, value.longValue());
        }
    }

    void frames(String name, Rational value) {
        out.writeName(name);
        frames(value);
    }

    void frames(Rational value) {
        if (value.isWhole()) {
            out.writeNumber(value.num());
        } else {
            out.writeString(value.toString());
        }
    }

    void nothing(String name) {
        out.writeNullProperty(name);
    }

    /** Null where there is no range. */
    void range(String name, FrameRange range) {
        if (range == null) {
            nothing(name);
        } else {
            pair(name, range.in(), range.out());
        }
    }

    void pair(String name, long first, long second) {
        out.writeName(name);
        out.writeStartArray();
        out.writeNumber(first);
        out.writeNumber(second);
        out.writeEndArray();
    }

    void numbers(String name, List<Integer> values) {
        out.writeName(name);
        numbers(values);
    }

    void numbers(List<Integer> values) {
        out.writeStartArray();
        values.forEach(v -> out.writeNumber(v.intValue()));
        out.writeEndArray();
    }

    void key(long record, Rational source) {
        out.writeStartArray();
        out.writeNumber(record);
        frames(source);
        out.writeEndArray();
    }

    void remarks(List<Remark> remarks) {
        list("remarks", remarks, (json, r) -> json.object(() -> {
            json.text("severity", r.severity().word());
            json.text("place", r.place());
            json.text("text", r.text());
        }));
    }

    @Override
    public void close() {
        out.writeRaw('\n');
        out.close();
    }
}
