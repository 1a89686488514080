package freshsplice.render;

import com.fasterxml.jackson.annotation.JsonAlias;
import com.fasterxml.jackson.annotation.JsonIgnore;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.RetimeInterpolation;
import freshsplice.core.master.RetimeKey;
import freshsplice.core.render.RenderJob;
import freshsplice.core.time.Rational;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.deser.std.FromStringDeserializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.ser.std.ToStringSerializer;

/** A job written down beside its frames, so that it goes on as it was asked for whenever and wherever that is (JSON). */
public final class JobFile {
    /** Exact fractions as text: {@code 1001/24}. */
    private static final class RationalReader extends FromStringDeserializer<Rational> {
        RationalReader() {
            super(Rational.class);
        }

        @Override
        protected Rational _deserialize(String value, tools.jackson.databind.DeserializationContext context) {
            return Rational.parse(value);
        }
    }

    /** Words that earlier versions wrote, so that what they drew is still written out. */
    interface RangeOfBefore {
        @JsonAlias("bends")
        List<RetimeKey> retimeKeys();
    }

    interface KeyOfBefore {
        @JsonAlias("pace")
        RetimeInterpolation interpolation();
    }

    private static final JsonMapper JSON = JsonMapper.builder().addMixIn(RenderRange.class, RangeOfBefore.class)
            .addMixIn(RetimeKey.class, KeyOfBefore.class).addModule(new SimpleModule().addSerializer(Rational.class,
            new ToStringSerializer(Rational.class)).addDeserializer(Rational.class, new RationalReader())).build();

    /** What is kept beside frames has this form; what an earlier version of the program kept is begun anew. */
    static final int FORM = 3;

    /**
     * @param form  of all that is kept of it; null in what the first versions kept
     * @param reels that its frames are drawn from, by their keys
     * @param sound what is heard
     */
    public record Contents(Integer form, RenderJob job, Map<String, Reel> reels, List<MovieSound> sound) {
        public Contents(RenderJob job, Map<String, Reel> reels, List<MovieSound> sound) {
            this(FORM, job, reels, sound);
        }

        /** Whether this version of the program can draw from it. */
        @JsonIgnore
        public boolean isCurrent() {
            return form != null && form == FORM;
        }
    }

    private JobFile() {
    }

    /** Writes it under its name once it is whole. */
    public static void write(Path file, Contents kept) throws IOException {
        WholeFile.write(file, out -> out.write(bytes(kept)));
    }

    public static byte[] bytes(Contents kept) {
        return JSON.writeValueAsBytes(kept);
    }

    /** @throws IOException if there is no job in it */
    public static Contents read(Path file) throws IOException {
        return read(Files.readAllBytes(file), file.getFileName().toString());
    }

    /** @param name for the error; @throws IOException if there is no job in it */
    public static Contents read(byte[] bytes, String name) throws IOException {
        try {
            return JSON.readValue(bytes, Contents.class);
        } catch (JacksonException e) {
            throw new IOException("There is no job in " + name, e);
        }
    }
}
