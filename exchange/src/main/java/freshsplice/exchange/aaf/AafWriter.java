package freshsplice.exchange.aaf;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Event;
import freshsplice.core.cut.LiveEvent;
import freshsplice.core.cut.LivePicture;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.exchange.format.CutWriter;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Writes the Advanced Authoring Format: a top-level composition over master, file and tape mobs. */
public final class AafWriter implements CutWriter {
    @Override
    public String format() {
        return "aaf";
    }

    @Override
    public WrittenFile write(Cut cut, WriteOptions options) {
        List<Remark> remarks = new ArrayList<>();
        AafDocument document = new AafDocument();
        new Composer(document, remarks).top(options.only(cut));
        return new WrittenFile(document.bytes(), remarks, Map.of());
    }

    /** Compositions of one document. */
    static final class Composer {
        final AafSourceWriter sources;
        private final AafDocument document;
        private final List<Remark> remarks;
        private final Map<Cut, byte[]> nested = new IdentityHashMap<>();

        Composer(AafDocument document, List<Remark> remarks) {
            this.document = document;
            this.remarks = remarks;
            this.sources = new AafSourceWriter(document);
        }

        void top(Cut cut) {
            List<AafNode> slots = new ArrayList<>();
            for (Track track : cut.tracks()) {
                if (!track.enabled()) {
                    remarks.add(Remark.note("track " + track.name(), "The format cannot switch off a track; each of its "
                            + "events is switched off"));
                }
                AafTrackWriter writer = new AafTrackWriter(this, document, cut, track, remarks);
                slots.add(AafDocument.slot(slots.size() + 1, track.name(), writer.rate().fps(), writer.sequence()));
            }
            slots.add(AafDocument.slot(slots.size() + 1, "TC", cut.rate().fps(), AafDocument.timecode(cut.record().in(),
                    cut.rate().timecodeBase(), cut.dropFrame(), cut.record().length()))
                    .int32(AafPid.PHYSICAL_TRACK, 1));
            if (!cut.markers().isEmpty()) {
                slots.add(markers(cut, slots.size() + 1));
            }
            document.mob(AafClass.COMPOSITION_MOB, AafDocument.mobId("composition " + cut.name() + cut.record()),
                    cut.name(), slots).id(AafPid.USAGE, AafIds.TOP_LEVEL);
        }

        private AafNode markers(Cut cut, int id) {
            List<AafNode> events = new ArrayList<>();
            boolean named = false;
            for (Marker marker : cut.markers()) {
                named |= !marker.name().isEmpty();
                String text = marker.comment().isEmpty() ? marker.name()
                        : marker.name().isEmpty() ? marker.comment() : marker.name() + ": " + marker.comment();
                AafNode node = AafDocument.component(AafClass.COMMENT_MARKER, AafIds.DESCRIPTIVE,
                        marker.record().length()).int64(AafPid.POSITION, marker.record().in() - cut.record().in())
                        .text(AafPid.COMMENT, text);
                if (!marker.colour().isEmpty()) {
                    node.list(AafPid.COMPONENT_ATTRIBUTES, "Attributes", List.of(new AafNode(AafClass.TAGGED_VALUE)
                            .text(AafPid.TAG_NAME, "Colour").typedText(AafPid.TAG_VALUE, marker.colour())));
                }
                events.add(node);
            }
            if (named) {
                remarks.add(Remark.note("markers", "The format has one text for a marker; its name stands before it"));
            }
            return new AafNode(AafClass.EVENT_MOB_SLOT).int32(AafPid.SLOT_ID, id).text(AafPid.SLOT_NAME, "Markers")
                    .rational(AafPid.EVENT_EDIT_RATE, cut.rate().fps())
                    .object(AafPid.SEGMENT, "Segment", AafDocument.component(AafClass.SEQUENCE, AafIds.DESCRIPTIVE,
                            cut.record().length()).list(AafPid.COMPONENTS, "Components", events));
        }

        /** A nested cut as a composition of one slot, which is what a clip can show. */
        byte[] nested(Cut cut) {
            byte[] known = nested.get(cut);
            if (known != null) {
                return known;
            }
            byte[] id = AafDocument.mobId("nested " + nested.size() + " " + cut.name());
            nested.put(cut, id);
            List<Integer> pictures = cut.tracksOf(Track.Kind.PICTURE);
            Track track = pictures.size() == 1 ? cut.tracks().get(pictures.get(0)) : flattened(cut);
            Cut one = new Cut(cut.name(), cut.rate(), cut.dropFrame(), cut.record(), List.of(track), List.of());
            AafTrackWriter writer = new AafTrackWriter(this, document, one, track, remarks);
            List<AafNode> slots = List.of(AafDocument.slot(1, track.name(), writer.rate().fps(), writer.sequence()),
                    AafDocument.slot(2, "TC", cut.rate().fps(), AafDocument.timecode(cut.record().in(),
                            cut.rate().timecodeBase(), cut.dropFrame(), cut.record().length()))
                            .int32(AafPid.PHYSICAL_TRACK, 1));
            document.mob(AafClass.COMPOSITION_MOB, id, cut.name(), slots);
            return id;
        }

        private Track flattened(Cut cut) {
            remarks.add(Remark.note("nested cut \"" + cut.name() + "\"", "A clip shows one slot of a composition; what "
                    + "is seen of its tracks is written as one"));
            List<Event> events = new ArrayList<>();
            for (LiveEvent clip : LivePicture.of(cut)) {
                Event event = clip.event();
                events.add(new Event(event.number(), event.kind() == Event.Kind.NESTED ? Event.Kind.CLIP : event.kind(),
                        event.name(), true, clip.record(), event.source(), clip.time(), null, event.comments()));
            }
            return new Track(Track.Kind.PICTURE, "V1", true, events, List.of());
        }
    }
}
