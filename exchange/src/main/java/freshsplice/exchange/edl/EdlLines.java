package freshsplice.exchange.edl;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The text of a list: each event's lines, then all in order with header, markers and reel map. */
final class EdlLines {
    /** Lines that belong together. @param number the event's own number, null to be counted */
    record Block(long recordIn, String number, List<String> lines) {
    }

    private static final int DIGITS_OF_SPEED = 6;

    private final Cut cut;
    private final FrameRate rate;
    private final EdlReels reels;
    private final List<Remark> remarks;

    EdlLines(Cut cut, EdlReels reels, List<Remark> remarks) {
        this.cut = cut;
        this.rate = cut.rate();
        this.reels = reels;
        this.remarks = remarks;
    }

    List<Block> blocks(Track track, String column) {
        Map<Long, Transition> byIn = new HashMap<>();
        Map<Long, Event> endingAt = new HashMap<>();
        Map<Long, Transition> byOut = new HashMap<>();
        for (Transition transition : track.transitions()) {
            byIn.put(transition.record().in(), transition);
            byOut.put(transition.record().out(), transition);
        }
        track.events().forEach(e -> endingAt.put(e.record().out(), e));
        List<Block> blocks = new ArrayList<>();
        for (Event event : track.events()) {
            Transition head = byIn.remove(event.record().in());
            Event outgoing = head == null ? null : endingAt.get(head.record().out());
            blocks.add(block(event, statedOut(event, byOut), head, outgoing, column));
        }
        for (Transition left : track.transitions()) {
            if (byIn.containsKey(left.record().in())) {
                blocks.add(fadeOut(left, endingAt.get(left.record().out()), column));
            }
        }
        return blocks;
    }

    /** Where the event's own line ends: at the beginning of the transition out of it. */
    private static long statedOut(Event event, Map<Long, Transition> byOut) {
        Transition tail = byOut.get(event.record().out());
        boolean passesOut = tail != null && tail.record().in() > event.record().in();
        return passesOut ? tail.record().in() : event.record().out();
    }

    private Block block(Event event, long statedOut, Transition head, Event outgoing, String column) {
        List<String> lines = new ArrayList<>();
        FrameRange record = FrameRange.of(event.record().in(), statedOut);
        if (head == null) {
            lines.add(line(reel(event), column, "C", "", source(event, record), record));
        } else {
            addTransition(lines, head, outgoing, column);
            lines.add(line(reel(event), column, column(head), String.format("%03d", head.record().length()),
                    source(event, record), record));
        }
        addSpeed(lines, event);
        remarkOtherRate(event);
        addNames(lines, event, head == null ? "FROM" : "TO", outgoing);
        return new Block(record.in(), event.number(), lines);
    }

    /** Black that the cut begins or ends with, so that the list is as long as the cut. */
    List<Block> blackAround(List<Track> tracks) {
        long first = tracks.stream().flatMap(l -> l.events().stream()).mapToLong(e -> e.record().in()).min()
                .orElse(cut.record().out());
        long last = tracks.stream().flatMap(l -> l.events().stream()).mapToLong(e -> e.record().out()).max()
                .orElse(cut.record().out());
        List<Block> black = new ArrayList<>();
        for (FrameRange range : List.of(FrameRange.of(cut.record().in(), Math.max(cut.record().in(), first)),
                FrameRange.of(Math.min(last, cut.record().out()), cut.record().out()))) {
            if (!range.isEmpty()) {
                black.add(new Block(range.in(), null, List.of(line("BL", "V", "C", "",
                        FrameRange.of(0, range.length()), range))));
            }
        }
        return black;
    }

    private Block fadeOut(Transition transition, Event outgoing, String column) {
        List<String> lines = new ArrayList<>();
        addTransition(lines, transition, outgoing, column);
        FrameRange record = transition.record();
        lines.add(line("BL", column, column(transition), String.format("%03d", record.length()),
                FrameRange.of(0, record.length()), record));
        return new Block(record.in(), null, lines);
    }

    private void addTransition(List<String> lines, Transition transition, Event outgoing, String column) {
        long at = transition.record().in();
        long from = outgoing == null ? 0 : listPosition(outgoing, at).floor();
        lines.add(line(outgoing == null ? "BL" : reel(outgoing), column, "C", "", FrameRange.of(from, from),
                FrameRange.of(at, at)));
        if (transition.cut() != at + transition.record().length() / 2) {
            remarks.add(Remark.note(cut.timecodeAt(at).label(), "A list does not say where in a transition the cut is; "
                    + "it will be read as the middle"));
        }
    }

    private static String column(Transition transition) {
        return transition.kind() == Transition.Kind.DISSOLVE ? "D"
                : "W" + (transition.wipe() == null ? "001" : transition.wipe());
    }

    private String line(String reel, String column, String edit, String duration, FrameRange source,
                        FrameRange record) {
        // the number's six columns are put before it when all blocks are in order
        return pad(reel, 8) + ' ' + pad(column, 5) + ' ' + pad(edit, 4) + ' ' + pad(duration, 3) + ' '
                + label(source.in()) + ' ' + label(source.out()) + ' ' + label(record.in()) + ' '
                + label(record.out());
    }

    private FrameRange source(Event event, FrameRange record) {
        long in = listFrame(event, record.in());
        Rational slope = listSlope(event);
        long length = slope.isZero() ? 1 : slope.abs().times(record.length()).round();
        return FrameRange.ofLength(in, length);
    }

    /** A source position in frames of the list, which has one rate. */
    private Rational listPosition(Event event, long recordFrame) {
        return event.time().at(recordFrame).dividedBy(Event.normalSlope(event.source(), rate));
    }

    private long listFrame(Event event, long recordFrame) {
        Rational frames = listPosition(event, recordFrame);
        if (frames.signum() < 0) {
            remarks.add(Remark.loss(cut.timecodeAt(recordFrame).label(), event.name() + " begins before its source does, at frame " + frames.floor()
                    + "; a list has no such timecode, so its first is written"));
            return 0;
        }
        if (!frames.isWhole()) {
            remarks.add(Remark.note(cut.timecodeAt(recordFrame).label(), "Source position " + frames
                    + " is written as the whole frame " + frames.floor()));
        }
        return frames.floor();
    }

    private Rational listSlope(Event event) {
        FrameRange record = event.record();
        return event.to().minus(event.from()).dividedBy(Rational.of(record.length()))
                .dividedBy(Event.normalSlope(event.source(), rate));
    }

    private void remarkOtherRate(Event event) {
        FrameRate own = event.source() == null ? null : event.source().rate();
        if (own != null && !own.equals(rate) && event.time().slope().isPresent()) {
            remarks.add(Remark.loss(cut.timecodeAt(event.record().in()).label(), "A list counts at one rate: " + event.name()
                    + " of " + own + " frames/s is written in frames of " + rate + ", which are other labels"));
        }
    }

    private void addSpeed(List<String> lines, Event event) {
        if (event.time().slope().isEmpty()) {
            remarks.add(Remark.loss(cut.timecodeAt(event.record().in()).label(), "A list cannot hold a changing speed; "
                    + event.name() + " is written at its mean"));
        }
        Rational slope = listSlope(event);
        if (slope.equals(Rational.ONE)) {
            return;
        }
        Rational speed = slope.times(rate.timecodeBase());
        String text = decimals(speed);
        if (!Rational.parse(text).equals(speed)) {
            remarks.add(Remark.note(cut.timecodeAt(event.record().in()).label(), "The speed " + speed
                    + " frames/s is written as " + text));
        }
        String digits = text.startsWith("-") ? text.substring(1) : text;
        String padded = "0".repeat(Math.max(0, 3 - digits.indexOf('.'))) + digits;
        lines.add("M2   " + pad(reel(event), 8) + "   " + (speed.signum() < 0 ? "-" : "") + padded
                + "                " + label(Math.max(0, listPosition(event, event.record().in()).floor())));
    }

    /** At least one decimal, and as many as the speed needs, up to six. */
    private static String decimals(Rational value) {
        String text = String.format(Locale.ROOT, "%." + DIGITS_OF_SPEED + "f", value.toDouble());
        while (text.endsWith("0") && text.charAt(text.length() - 2) != '.') {
            text = text.substring(0, text.length() - 1);
        }
        return text;
    }

    private void addNames(List<String> lines, Event event, String side, Event outgoing) {
        if (outgoing != null && !clean(outgoing.name()).isEmpty()) {
            lines.add("* FROM CLIP NAME: " + clean(outgoing.name()));
        }
        if (!clean(event.name()).isEmpty()) {
            lines.add("* " + side + " CLIP NAME: " + clean(event.name()));
        }
        Source source = event.source();
        if (source != null && source.file() != null) {
            lines.add("* SOURCE FILE: " + clean(source.file()));
        }
        event.comments().forEach(comment -> lines.add("* " + clean(comment)));
    }

    String assemble(List<Block> blocks) {
        StringBuilder text = new StringBuilder();
        text.append("TITLE: ").append(clean(cut.name())).append("\r\n");
        text.append(cut.dropFrame() ? "FCM: DROP FRAME\r\n" : "FCM: NON-DROP FRAME\r\n");
        reels.changed().forEach((reel, written) ->
                text.append("* REEL ").append(written).append(" IS ").append(clean(reel)).append("\r\n"));
        int counted = 0;
        int marker = 0;
        for (int i = 0; i < blocks.size(); i++) {
            Block block = blocks.get(i);
            String number = isNumber(block.number()) ? block.number() : String.format("%03d", ++counted);
            counted = Math.max(counted, isNumber(block.number()) ? Integer.parseInt(block.number()) : 0);
            for (String line : block.lines()) {
                boolean event = !line.startsWith("*") && !line.startsWith("M2");
                text.append(event ? pad(number, 5) + ' ' : "").append(line).append("\r\n");
            }
            long until = i + 1 < blocks.size() ? blocks.get(i + 1).recordIn() : Long.MAX_VALUE;
            while (marker < cut.markers().size() && cut.markers().get(marker).record().in() < until) {
                text.append(locator(cut.markers().get(marker++))).append("\r\n");
            }
        }
        return text.toString();
    }

    private String locator(Marker marker) {
        String colour = marker.colour().isBlank() ? "WHITE" : clean(marker.colour()).replace(' ', '_');
        if (marker.colour().isBlank() || marker.record().length() != 1 || !marker.comment().isBlank()) {
            remarks.add(Remark.note(label(marker.record().in()), "A list's marker is one frame with a colour and a "
                    + "text; written so: " + marker.name()));
        }
        String comment = marker.comment().isBlank() ? "" : " " + clean(marker.comment());
        return "* LOC: " + label(marker.record().in()) + ' ' + pad(colour, 7) + ' ' + clean(marker.name()) + comment;
    }

    private String reel(Event event) {
        return reels.written(event.source() == null ? null : event.source().reel());
    }

    private String label(long frame) {
        return cut.timecodeAt(frame).label();
    }

    private static boolean isNumber(String number) {
        return number != null && number.length() <= 6 && !number.isEmpty()
                && number.chars().allMatch(Character::isDigit);
    }

    /** One line of text whatever a name holds. */
    private static String clean(String text) {
        return text == null ? "" : text.replaceAll("[\\p{Cntrl}\\u2028\\u2029]+", " ").strip();
    }

    private static String pad(String text, int width) {
        return text.length() >= width ? text : text + " ".repeat(width - text.length());
    }
}
