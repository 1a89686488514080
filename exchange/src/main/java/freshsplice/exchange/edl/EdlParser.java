package freshsplice.exchange.edl;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.Rational;
import freshsplice.core.time.Timecode;
import freshsplice.exchange.format.Limits;
import freshsplice.exchange.format.UnreadableFile;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** Lines to statements. Columns may be ragged and parted by blanks or tabs; what is no statement is remarked. */
final class EdlParser {
    private static final int MOST_DECIMALS = 9;
    /** A double is exact to about this part of a speed in frames a second. */
    private static final double LEAST = 1e-11;
    private final EdlList list = new EdlList();
    private final List<Remark> remarks;
    private final Limits limits;
    private final EdlComments comments;
    private EdlStatement current;
    private boolean drop;

    EdlParser(Limits limits, List<Remark> remarks) {
        this.limits = limits;
        this.remarks = remarks;
        this.comments = new EdlComments(list, remarks);
    }

    EdlList parse(List<String> lines) {
        for (int i = 0; i < lines.size(); i++) {
            String line = lines.get(i).strip();
            if (!line.isEmpty() && line.charAt(0) != 26) {
                parseLine(i + 1, line);
            }
        }
        return list;
    }

    private void parseLine(int number, String line) {
        char first = line.charAt(0);
        if (first == '*' || first == '>') {
            comments.read(number, line.substring(1).strip(), current);
        } else if (Character.isDigit(first)) {
            parseEvent(number, line);
        } else if (startsWith(line, "TITLE:")) {
            parseTitle(number, line);
        } else if (startsWith(line, "FCM:")) {
            parseMode(number, line);
        } else if (startsWith(line, "M2")) {
            parseSpeed(number, line);
        } else if (startsWith(line, "AUD")) {
            parseExtraSound(number, line);
        } else if (startsWith(line, "SPLIT")) {
            remarks.add(Remark.note("line " + number, "Says that picture and sound part here; the events that "
                    + "follow carry it in their own times: " + line));
        } else {
            comments.keep(number, line, current);
        }
    }

    private void parseTitle(int number, String line) {
        String title = line.substring(6).strip();
        if (list.title == null) {
            list.title = title;
        } else if (!list.title.equals(title)) {
            remarks.add(Remark.note("line " + number, "A second title, \"" + title + "\", is left aside; the first "
                    + "names the cut"));
        }
    }

    private void parseMode(int number, String line) {
        String mode = line.substring(4).strip().toUpperCase(Locale.ROOT);
        drop = mode.startsWith("DROP");
        if (!drop && !mode.startsWith("NON")) {
            remarks.add(Remark.doubt("line " + number, "\"" + line + "\" is no frame code mode; read as non-drop "
                    + "frame. Write FCM: DROP FRAME for the other"));
        }
        if (list.drop == null && list.statements.isEmpty()) {
            list.drop = drop;
        } else if (list.drop != null && list.drop != drop) {
            remarks.add(Remark.doubt("line " + number, "The frame code mode changes within the list: source times "
                    + "after this line are read as " + (drop ? "drop" : "non-drop") + " frame, record times go on as "
                    + "the list began. Split the list here to have both change"));
        }
    }

    private void parseEvent(int number, String line) {
        String[] columns = columns(line);
        int times = firstOfFourLabels(columns);
        if (times < 0) {
            remarkNoEvent(number, line, columns);
            return;
        }
        if (list.statements.size() >= limits.maxEvents()) {
            throw new UnreadableFile("line " + number + ": more than " + limits.maxEvents() + " events");
        }
        List<String> labels = List.of(columns[times], columns[times + 1], columns[times + 2], columns[times + 3]);
        EdlStatement statement = readColumns(number, columns, times, labels);
        if (statement == null) {
            return;
        }
        if (columns.length > times + 4) {
            remarks.add(Remark.note("line " + number, "After the times stands \""
                    + String.join(" ", Arrays.asList(columns).subList(times + 4, columns.length)) + "\"; left aside"));
        }
        joinOutgoing(statement);
        list.statements.add(statement);
        current = statement;
    }

    /** What stands between blanks and tabs. */
    private static String[] columns(String line) {
        List<String> columns = new ArrayList<>(10);
        int from = 0;
        for (int i = 0; i <= line.length(); i++) {
            boolean blank = i == line.length() || line.charAt(i) == ' ' || line.charAt(i) == '\t'
                    || line.charAt(i) == '\u00a0';
            if (blank) {
                if (i > from) {
                    columns.add(line.substring(from, i));
                }
                from = i + 1;
            }
        }
        return columns.toArray(String[]::new);
    }

    /** Whether a line is surely an event. */
    static boolean isEvent(String line) {
        return firstOfFourLabels(columns(line)) >= 0;
    }

    /** The column where four labels in a row begin, not before the fourth; −1 where there are none. */
    private static int firstOfFourLabels(String[] columns) {
        for (int i = 3; i + 4 <= columns.length; i++) {
            if (Timecode.looksLikeLabel(columns[i]) && Timecode.looksLikeLabel(columns[i + 1])
                    && Timecode.looksLikeLabel(columns[i + 2]) && Timecode.looksLikeLabel(columns[i + 3])) {
                return i;
            }
        }
        return -1;
    }

    private void remarkNoEvent(int number, String line, String[] columns) {
        long labels = Arrays.stream(columns).filter(Timecode::looksLikeLabel).count();
        boolean likeEvent = columns.length >= 3 && isNumber(columns[0]);
        if (labels > 0 || likeEvent) {
            remarks.add(Remark.loss("line " + number, "Event " + columns[0] + " is left out: it has " + labels
                    + " of four times (source in, source out, record in, record out), so the line may be cut off or "
                    + "damaged. Ask for the list again"));
        } else {
            comments.keep(number, line, current);
        }
    }

    private EdlStatement readColumns(int number, String[] columns, int times, List<String> labels) {
        int at = times - 1;
        int duration = 0;
        if (at > 2 && isNumber(columns[at])) {
            duration = shortNumber(columns[at--]);
        }
        EdlTransitionColumn edit = EdlTransitionColumn.read(columns, at, duration);
        if (edit == null || edit.first() < 2 || !EdlTracks.isTracks(columns[edit.first() - 1])) {
            remarks.add(Remark.loss("line " + number, "Event " + columns[0] + " is left out: its columns are not "
                    + "number, reel, track, transition and four times. Ask for the list again"));
            return null;
        }
        if ((edit.kind() == EdlStatement.Edit.DISSOLVE || edit.kind() == EdlStatement.Edit.WIPE)
                && edit.duration() == 0) {
            remarks.add(Remark.doubt("line " + number, "The transition has no length and is read as a cut; write its "
                    + "frames after it to have it read as one"));
        }
        String reel = edit.first() == 3 ? columns[1]
                : String.join(" ", Arrays.asList(columns).subList(1, edit.first() - 1));
        List<String> tracks = EdlTracks.tracks(columns[edit.first() - 1]);
        if (tracks.isEmpty()) {
            remarks.add(Remark.note("line " + number, "Event " + columns[0] + " is on no track (NONE) and is not seen "
                    + "or heard"));
        }
        return new EdlStatement(number, columns[0], reel, tracks, edit.kind(), edit.wipe(), edit.duration(), drop,
                labels);
    }

    /** A dissolve, wipe or key is two lines of one number: what it passes from, then what it passes to. */
    private void joinOutgoing(EdlStatement statement) {
        if (current == null || statement.edit == EdlStatement.Edit.CUT
                || statement.edit == EdlStatement.Edit.KEY_BACKGROUND) {
            return;
        }
        if (current.number.equals(statement.number) && current.recordIn.equals(statement.recordIn)
                || current.number.equals(statement.number) && current.recordOut.equals(statement.recordIn)) {
            statement.outgoing = current;
            current.isOutgoing = true;
        }
    }

    /** {@code M2 reel speed timecode}; the reel may have blanks, or name the clip instead, or lack. */
    private void parseSpeed(int number, String line) {
        List<String> columns = new ArrayList<>(Arrays.asList(columns(line)));
        columns.remove(0);
        String start = null;
        if (!columns.isEmpty() && Timecode.looksLikeLabel(columns.get(columns.size() - 1))) {
            start = columns.remove(columns.size() - 1);
        }
        String written = columns.isEmpty() ? "" : columns.remove(columns.size() - 1);
        Rational speed = speedOrNull(written);
        if (speed == null || current == null) {
            remarks.add(Remark.loss("line " + number, "A speed line that says no speed, or stands before any event, "
                    + "is left out: " + line));
            return;
        }
        EdlStatement about = speedIsAbout(String.join(" ", columns));
        about.speedInFps = speed;
        about.speedClose = closeness(written);
        about.speedLine = number;
        about.speedStart = start;
    }

    private EdlStatement speedIsAbout(String reel) {
        EdlStatement outgoing = current.outgoing;
        boolean namesOutgoing = outgoing != null && outgoing.reel.equalsIgnoreCase(reel)
                && !current.reel.equalsIgnoreCase(reel);
        return namesOutgoing ? outgoing : current;
    }

    private static Rational speedOrNull(String text) {
        String number = text.startsWith("+") ? text.substring(1) : text;
        try {
            // more digits than anybody types: a program wrote the double that it counted with
            return decimals(number) > MOST_DECIMALS && number.matches("-?\\d{1,6}\\.\\d{1,30}") ? Rational.near(Double.parseDouble(number))
                    : Rational.parse(number);
        } catch (IllegalArgumentException e) {
            return null;
        }
    }

    private static int decimals(String number) {
        int point = number.indexOf('.');
        return point < 0 ? 0 : number.length() - point - 1;
    }

    private static double closeness(String number) {
        int decimals = decimals(number);
        return decimals == 0 ? 0 : Math.max(0.5 * Math.pow(10, -decimals), LEAST);
    }

    /** {@code AUD 3 4}: the event before is on these sound tracks too. */
    private void parseExtraSound(int number, String line) {
        String rest = line.substring(3).strip();
        if (current == null || !rest.matches("\\d{1,2}([ \\t,]+\\d{1,2})*")) {
            comments.keep(number, line, current);
            return;
        }
        List<String> tracks = new ArrayList<>(current.tracks);
        Arrays.stream(rest.split("[ \\t,]+")).map(t -> "A" + Integer.parseInt(t))
                .filter(t -> !tracks.contains(t)).forEach(tracks::add);
        EdlStatement with = new EdlStatement(current.line, current.number, current.reel, tracks, current.edit,
                current.wipe, current.duration, current.dropSource,
                List.of(current.sourceIn, current.sourceOut, current.recordIn, current.recordOut));
        with.outgoing = current.outgoing;
        list.statements.set(list.statements.size() - 1, with);
        current = with;
    }

    private static boolean isNumber(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (!Character.isDigit(text.charAt(i))) {
                return false;
            }
        }
        return true;
    }

    private static int shortNumber(String digits) {
        return digits.length() > 6 ? 0 : Integer.parseInt(digits);
    }

    private static boolean startsWith(String line, String word) {
        return line.regionMatches(true, 0, word, 0, word.length());
    }
}
