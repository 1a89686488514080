package freshsplice.exchange.edl;

import java.util.ArrayList;
import java.util.List;

/** A parsed list, before its labels are read as frames. */
final class EdlList {
    /** A {@code LOC} line: where, its colour and its text, as written. */
    record Locator(int line, String timecode, String colour, String text) {
    }

    String title;
    /** The first frame code mode stated; null where the list states none. */
    Boolean drop;
    final List<EdlStatement> statements = new ArrayList<>();
    final List<Locator> locators = new ArrayList<>();
}
