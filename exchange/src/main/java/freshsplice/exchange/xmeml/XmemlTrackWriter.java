package freshsplice.exchange.xmeml;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.FormatNote;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Track;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Timecode;
import freshsplice.exchange.format.FileAddress;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Writes one track with its items in order. */
final class XmemlTrackWriter {
    private final XmemlWriter.Document document;
    private final XmlText xml;
    private final Map<Source, String> files = new HashMap<>();
    /** Where the transitions of the track that is being written begin and end. */
    private final Set<Long> starts = new HashSet<>();
    private final Set<Long> ends = new HashSet<>();
    private int items;

    XmemlTrackWriter(XmemlWriter.Document document) {
        this.document = document;
        this.xml = document.xml;
    }

    void write(Cut cut, Track track, String name) {
        String attributes = name.isEmpty() ? "" : " MZ.TrackName=\"" + XmlNode.escaped(name) + "\"";
        starts.clear();
        ends.clear();
        track.transitions().forEach(t -> starts.add(t.record().in()));
        track.transitions().forEach(t -> ends.add(t.record().out()));
        Set<Long> eventStarts = new HashSet<>();
        Set<Long> eventEnds = new HashSet<>();
        track.events().forEach(e -> eventStarts.add(e.record().in()));
        track.events().forEach(e -> eventEnds.add(e.record().out()));
        xml.element("track", attributes, () -> {
            Deque<Transition> transitions = new ArrayDeque<>(track.transitions());
            for (Event event : track.events()) {
                while (!transitions.isEmpty() && transitions.peek().record().in() <= event.record().in()) {
                    Transition next = transitions.poll();
                    transition(cut, track, next, joins(next, eventStarts, eventEnds));
                }
                event(cut, track, event);
            }
            transitions.forEach(t -> transition(cut, track, t, joins(t, eventStarts, eventEnds)));
            xml.flag("enabled", track.enabled());
        });
    }

    /** Whether there is an event on both sides, and not black on one. */
    private static boolean joins(Transition transition, Set<Long> eventStarts, Set<Long> eventEnds) {
        return eventEnds.contains(transition.record().out()) && eventStarts.contains(transition.record().in());
    }

    private void transition(Cut cut, Track track, Transition transition, boolean joins) {
        long start = cut.record().in();
        boolean wipe = transition.kind() == Transition.Kind.WIPE;
        String side = transition.cut() == transition.record().in() ? "start"
                : transition.cut() == transition.record().out() ? "end" : "center";
        boolean centred = transition.cut() == Transition.centred(transition.kind(), transition.record(), null).cut();
        if (side.equals("center") && !centred) {
            document.say(Remark.note("track " + track.name() + ", " + cut.timecodeAt(transition.record().in()),
                    "The format has no place for a cut off the middle of a transition; written as in the middle"));
        }
        if (wipe && transition.wipe() != null && !transition.wipe().equals("001")) {
            document.say(Remark.note("track " + track.name(), "The format has no numbers of wipes; they are left out"));
        }
        xml.element("transitionitem", () -> {
            xml.text("start", transition.record().in() - start);
            xml.text("end", transition.record().out() - start);
            xml.text("alignment", joins || side.equals("center") ? side : side + "-black");
            document.rate(cut.rate());
            xml.element("effect", () -> {
                xml.text("name", wipe ? "Edge Wipe" : "Cross Dissolve");
                xml.text("effectid", wipe ? "Edge Wipe" : "Cross Dissolve");
                xml.text("effectcategory", wipe ? "Wipe" : "Dissolve");
                xml.text("effecttype", "transition");
                xml.text("mediatype", track.kind() == Track.Kind.PICTURE ? "video" : "audio");
            });
        });
    }

    private void event(Cut cut, Track track, Event event) {
        String id = "clipitem-" + ++items;
        boolean generator = event.kind() == Event.Kind.GENERATOR;
        FrameRate rate = event.source() == null || event.source().rate() == null ? cut.rate() : event.source().rate();
        boolean headed = starts.contains(event.record().in());
        boolean tailed = ends.contains(event.record().out());
        xml.element(generator ? "generatoritem" : "clipitem", XmlText.id(id), () -> {
            xml.text("name", event.name());
            xml.flag("enabled", event.enabled());
            XmemlSpan span = XmemlSpan.of(event, cut.rate(), rate, base(event));
            span.remark().ifPresent(text -> document.remarks.add(Remark.loss("track " + track.name() + ", "
                    + cut.timecodeAt(event.record().in()), text)));
            xml.text("duration", span.duration());
            document.rate(rate);
            xml.text("start", headed ? -1 : event.record().in() - cut.record().in());
            xml.text("end", tailed ? -1 : event.record().out() - cut.record().in());
            xml.text("in", span.in());
            xml.text("out", span.out());
            if (event.kind() == Event.Kind.NESTED && event.nested() != null) {
                document.sequence(event.nested());
            } else if (generator && !keepsEffect(event)) {
                generator(event);
            } else if (event.source() != null) {
                // also where nothing but a name is known: a clip item without a file is none to other readers
                file(event.source(), rate, track.kind());
            }
            span.writeRemap(xml);
            comments(event);
            String kept = FormatNote.of(event.kept(), "xmeml");
            if (kept != null) {
                xml.raw(kept);
            }
        });
    }

    private static long base(Event event) {
        if (event.kind() == Event.Kind.NESTED && event.nested() != null) {
            return event.nested().record().in();
        }
        return event.source() == null || event.source().start() == null ? 0 : event.source().start();
    }

    private static boolean keepsEffect(Event event) {
        String kept = FormatNote.of(event.kept(), "xmeml");
        return kept != null && kept.startsWith("<effect");
    }

    private void generator(Event event) {
        xml.element("effect", () -> {
            xml.text("name", event.name());
            xml.text("effectid", event.name());
            xml.text("effectcategory", "Generators");
            xml.text("effecttype", "generator");
            xml.text("mediatype", "video");
            if (event.words() != null) {
                xml.element("parameter", () -> {
                    xml.text("parameterid", "str");
                    xml.text("name", "Text");
                    xml.text("value", event.words());
                });
            }
        });
    }

    private void file(Source source, FrameRate rate, Track.Kind kind) {
        String known = files.get(source);
        if (known != null) {
            xml.reference("file", known);
            return;
        }
        String id = "file-" + (files.size() + 1);
        files.put(source, id);
        xml.element("file", XmlText.id(id), () -> {
            xml.text("name", source.file() == null ? source.label() : fileName(source.file()));
            if (source.file() != null) {
                xml.text("pathurl", FileAddress.encoded(source.file()));
            }
            document.rate(rate);
            if (source.length() != null) {
                xml.text("duration", source.length());
            }
            if (source.start() != null || source.reel() != null) {
                long start = source.start() == null ? 0 : source.start();
                document.timecode(rate, false, start, rate.timecodeBase() <= 120 && start >= 0
                        ? Timecode.of(start, rate, false).toString() : null, source.reel());
            }
            xml.element("media", () -> xml.element(kind == Track.Kind.PICTURE ? "video" : "audio", () -> {
            }));
        });
    }

    private static String fileName(String path) {
        return path.substring(Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1);
    }

    private void comments(Event event) {
        List<String> lines = event.comments();
        if (lines.isEmpty()) {
            return;
        }
        if (lines.size() > 4) {
            document.say(Remark.note("comments", "The format has four comments for a clip; the rest is left out"));
        }
        xml.element("comments", () -> {
            for (int i = 0; i < Math.min(4, lines.size()); i++) {
                xml.text("mastercomment" + (i + 1), lines.get(i));
            }
        });
    }
}
