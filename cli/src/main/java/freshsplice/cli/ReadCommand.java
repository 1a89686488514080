package freshsplice.cli;

import freshsplice.core.cut.Cut;
import freshsplice.exchange.format.Reading;
import java.io.OutputStream;
import java.util.List;
import java.util.Set;

/** {@code read FILE [--rate R] [--cut NAME]}: one reading. */
final class ReadCommand {
    private ReadCommand() {
    }

    static void run(Arguments arguments, OutputStream out) {
        arguments.allow(Set.of("--rate", "--cut"));
        Reading reading = arguments.read(arguments.file(0, 1, "read FILE [--rate R] [--cut NAME]"));
        List<Cut> cuts = arguments.options().containsKey("--cut")
                ? List.of(arguments.cut(reading)) : reading.cuts();
        try (Json json = new Json(out)) {
            json.object(() -> {
                json.text("format", reading.format());
                json.list("cuts", cuts, ReadingJson::cut);
                json.remarks(reading.remarks());
            });
        }
    }
}
