package freshsplice.render;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import freshsplice.core.render.FrameOrder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.dataformat.cbor.CBORFactory;
import tools.jackson.dataformat.cbor.CBORMapper;

/** What frames are drawn from, written down so that they can be drawn later or elsewhere, as it was when it was asked for (CBOR, RFC 8949). */
public final class OrderFile {
    private static final int DEEPEST = 16;

    /** So is told which kind of picture a layer has. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    @JsonSubTypes({@JsonSubTypes.Type(value = FrameOrder.Source.OfSet.class, name = "set"),
        @JsonSubTypes.Type(value = FrameOrder.Source.OfMovie.class, name = "movie"),
        @JsonSubTypes.Type(value = FrameOrder.Source.OfBoard.class, name = "board"),
        @JsonSubTypes.Type(value = FrameOrder.Source.OfWords.class, name = "words"),
        @JsonSubTypes.Type(value = FrameOrder.Source.Black.class, name = "black")})
    private interface Kinds {
    }

    private static final CBORMapper CBOR = CBORMapper.builder(CBORFactory.builder().streamReadConstraints(
            StreamReadConstraints.builder().maxNestingDepth(DEEPEST).build()).build()).addMixIn(FrameOrder.Source.class, Kinds.class).build();

    /** Frames one after another. @param first of them, counted from 0 */
    public record Orders(long first, List<FrameOrder> frames) {
        /** Keys of the sets that they show. */
        public Stream<String> sets() {
            return frames.stream().flatMap(f -> f.layers().stream()).map(FrameOrder.Layer::source)
                    .filter(FrameOrder.Source.OfSet.class::isInstance).map(s -> ((FrameOrder.Source.OfSet) s).set()).distinct();
        }
    }

    private OrderFile() {
    }

    /** Writes it under its name once it is whole. */
    public static void write(Path file, Orders orders) throws IOException {
        WholeFile.write(file, out -> out.write(bytes(orders)));
    }

    public static byte[] bytes(Orders orders) {
        return CBOR.writeValueAsBytes(orders);
    }

    /** @throws IOException if there are no orders in it */
    public static Orders read(Path file) throws IOException {
        return read(Files.readAllBytes(file), file.getFileName().toString());
    }

    /** @param name for the error */
    public static Orders read(byte[] bytes, String name) throws IOException {
        try {
            return CBOR.readValue(bytes, Orders.class);
        } catch (JacksonException e) {
            throw new IOException("There is nothing to draw by in " + name, e);
        }
    }
}
