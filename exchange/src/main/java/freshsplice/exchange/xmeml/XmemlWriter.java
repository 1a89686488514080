package freshsplice.exchange.xmeml;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRate;
import freshsplice.exchange.format.CutWriter;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Writes the interchange XML: one sequence in one project. Version 5, or 4 where it is asked for. */
public final class XmemlWriter implements CutWriter {
    @Override
    public String format() {
        return "xmeml";
    }

    @Override
    public WrittenFile write(Cut cut, WriteOptions options) {
        Cut chosen = options.only(cut);
        Document document = new Document(new XmlText());
        document.xml.element("xmeml", " version=\"" + (options.version() == 4 ? 4 : 5) + "\"", () ->
                document.xml.element("project", () -> {
                    document.xml.text("name", chosen.name());
                    document.xml.element("children", () -> document.sequence(chosen));
                }));
        document.said.forEach(document.remarks::add);
        return new WrittenFile(document.xml.toString().getBytes(StandardCharsets.UTF_8), document.remarks, Map.of());
    }

    /** What is known while one document is written. */
    static final class Document {
        final XmlText xml;
        final List<Remark> remarks = new ArrayList<>();
        /** Remarks that are worth saying once. */
        private final Set<Remark> said = new LinkedHashSet<>();
        private final Map<Cut, String> sequences = new IdentityHashMap<>();
        private final XmemlTrackWriter tracks;

        Document(XmlText xml) {
            this.xml = xml;
            this.tracks = new XmemlTrackWriter(this);
        }

        void say(Remark remark) {
            said.add(remark);
        }

        /** A sequence in full the first time, then by its id. */
        void sequence(Cut cut) {
            String known = sequences.get(cut);
            if (known != null) {
                xml.reference("sequence", known);
                return;
            }
            String id = "sequence-" + (sequences.size() + 1);
            sequences.put(cut, id);
            xml.element("sequence", XmlText.id(id), () -> {
                xml.text("name", cut.name());
                xml.text("duration", cut.record().length());
                rate(cut.rate());
                timecode(cut.rate(), cut.dropFrame(), cut.record().in(), cut.timecodeAt(cut.record().in()).toString(),
                        null);
                xml.element("media", () -> {
                    xml.element("video", () -> tracks(cut, Track.Kind.PICTURE));
                    xml.element("audio", () -> tracks(cut, Track.Kind.SOUND));
                });
                cut.markers().forEach(m -> marker(cut, m));
            });
        }

        private void tracks(Cut cut, Track.Kind kind) {
            int order = 0;
            for (int index : cut.tracksOf(kind)) {
                Track track = cut.tracks().get(index);
                String plain = (kind == Track.Kind.PICTURE ? "V" : "A") + ++order;
                tracks.write(cut, track, track.name().equals(plain) ? "" : track.name());
            }
        }

        void rate(FrameRate rate) {
            boolean slowed = rate.fps().times(1001).dividedBy(freshsplice.core.time.Rational.of(1000)).isWhole()
                    && !rate.fps().isWhole();
            if (!slowed && !rate.fps().isWhole()) {
                say(Remark.loss("rate " + rate, "The format has whole rates and 1000/1001 of them only; written as "
                        + rate.timecodeBase()));
            }
            xml.element("rate", () -> {
                xml.text("timebase", slowed ? rate.timecodeBase() : -Math.floorDiv(-rate.fps().num(), rate.fps().den()));
                xml.flag("ntsc", slowed);
            });
        }

        void timecode(FrameRate rate, boolean drop, long frame, String label, String reel) {
            xml.element("timecode", () -> {
                rate(rate);
                if (label != null) {
                    xml.text("string", label);
                }
                xml.text("frame", frame);
                xml.text("displayformat", drop ? "DF" : "NDF");
                if (reel != null) {
                    xml.element("reel", () -> xml.text("name", reel));
                }
            });
        }

        private void marker(Cut cut, Marker marker) {
            xml.element("marker", () -> {
                xml.text("name", marker.name());
                xml.text("comment", marker.comment());
                xml.text("in", marker.record().in() - cut.record().in());
                xml.text("out", marker.record().out() - cut.record().in());
                String colour = marker.colour();
                if (colour.matches("#[0-9a-fA-F]{6}")) {
                    xml.element("color", () -> {
                        xml.text("red", Integer.parseInt(colour.substring(1, 3), 16));
                        xml.text("green", Integer.parseInt(colour.substring(3, 5), 16));
                        xml.text("blue", Integer.parseInt(colour.substring(5, 7), 16));
                    });
                } else if (!colour.isEmpty()) {
                    say(Remark.note("markers", "The format has no names of colours; they are left out"));
                }
            });
        }
    }
}
