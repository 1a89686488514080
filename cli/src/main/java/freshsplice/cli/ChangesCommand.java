package freshsplice.cli;

import freshsplice.core.changes.Change;
import freshsplice.core.changes.ChangeList;
import freshsplice.core.changes.CutChanges;
import freshsplice.core.cut.Cut;
import freshsplice.exchange.format.UnreadableFile;
import java.io.OutputStream;
import java.util.Set;

/** {@code changes OLD NEW [--rate R]}: what differs between two cuts. */
final class ChangesCommand {
    private static final String USAGE = "changes OLD NEW [--rate R] [--handles 8]";

    private ChangesCommand() {
    }

    static void run(Arguments arguments, OutputStream out) {
        arguments.allow(Set.of("--rate", "--handles", "--cut"));
        Cut older = arguments.cut(arguments.read(arguments.file(0, 2, USAGE)));
        Cut newer = arguments.cut(arguments.read(arguments.file(1, 2, USAGE)));
        if (!older.rate().equals(newer.rate())) {
            throw new UnreadableFile("The cuts have different rates (" + older.rate() + " and " + newer.rate()
                    + " frames/s), so their frames cannot be compared: give the rate of both with --rate");
        }
        ChangeList changes = CutChanges.between(older, newer, arguments.number("--handles", 8));
        try (Json json = new Json(out)) {
            json.object(() -> {
                json.text("rate", newer.rate().toString());
                json.flag("identical", changes.isIdentical());
                json.number("kept", (long) changes.kept());
                json.list("changes", changes.changes(), ChangesCommand::change);
            });
        }
    }

    private static void change(Json json, Change change) {
        json.object(() -> {
            json.text("kind", change.kind().word());
            index(json, "old", change.oldIndex());
            index(json, "new", change.newIndex());
            json.text("name", change.name());
            json.range("oldRecord", change.oldRecord());
            json.range("newRecord", change.newRecord());
            json.number("head", change.head());
            json.number("tail", change.tail());
            json.number("slip", change.slip());
            json.number("shift", change.shift());
            json.text("needs", change.needs().word());
            if (change.because() >= 0) {
                json.number("because", (long) change.because());
            }
        });
    }

    private static void index(Json json, String name, int index) {
        if (index < 0) {
            json.nothing(name);
        } else {
            json.number(name, (long) index);
        }
    }
}
