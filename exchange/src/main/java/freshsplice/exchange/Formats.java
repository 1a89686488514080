package freshsplice.exchange;

import freshsplice.exchange.aaf.AafReader;
import freshsplice.exchange.aaf.AafWriter;
import freshsplice.exchange.edl.EdlReader;
import freshsplice.exchange.edl.EdlWriter;
import freshsplice.exchange.format.Countable;
import freshsplice.exchange.format.CutReader;
import freshsplice.exchange.format.CutWriter;
import freshsplice.exchange.format.InputFile;
import freshsplice.exchange.format.ReadOptions;
import freshsplice.exchange.format.Reading;
import freshsplice.exchange.format.UnreadableFile;
import freshsplice.exchange.otio.OtioReader;
import freshsplice.exchange.otio.OtioWriter;
import freshsplice.exchange.xmeml.XmemlReader;
import freshsplice.exchange.xmeml.XmemlWriter;
import java.util.List;
import java.util.stream.Collectors;

/** All formats that are read and written. A new format is added here and nowhere else. */
public final class Formats {
    private static final List<CutReader> READERS = List.of(new AafReader(), new XmemlReader(),
            new OtioReader(), new EdlReader());
    private static final List<CutWriter> WRITERS = List.of(new EdlWriter(), new XmemlWriter(), new OtioWriter(),
            new AafWriter());

    private Formats() {
    }

    /** How much of a file tells what it is, bytes. */
    public static final int HEAD = 65_536;

    /** Whether a file is a cut by what is in it, whatever it is called. @param head its first {@link #HEAD} bytes */
    public static boolean isCut(InputFile head) {
        return READERS.stream().anyMatch(r -> r.isSurely(head));
    }

    /**
     * Reads a file by whichever reader recognises it.
     *
     * @throws UnreadableFile if none does, or the one that does cannot read it
     */
    public static Reading read(InputFile file, ReadOptions options) {
        if (file.bytes().length == 0) {
            throw new UnreadableFile(file.name() + " is empty: ask for it to be sent again");
        }
        if (file.bytes().length > options.limits().maxBytes()) {
            throw new UnreadableFile(file.name() + " is larger than a cut may be");
        }
        CutReader reader = READERS.stream().filter(r -> r.recognises(file)).findFirst()
                .orElseThrow(() -> new UnreadableFile(file.name() + " is no cut that can be read here: "
                        + "it is none of " + names()));
        try {
            return Countable.reading(file, reader.read(file, options));
        } catch (ArithmeticException e) {
            throw Countable.tooLarge(file);
        }
    }

    /** @throws UnreadableFile if no writer has this name */
    public static CutWriter writer(String format) {
        return WRITERS.stream().filter(w -> w.format().equals(format)).findFirst()
                .orElseThrow(() -> new UnreadableFile("\"" + format + "\" cannot be written: choose "
                        + WRITERS.stream().map(CutWriter::format).collect(Collectors.joining(", "))));
    }

    private static String names() {
        return READERS.stream().map(CutReader::format).collect(Collectors.joining(", "));
    }
}
