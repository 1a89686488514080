package freshsplice.exchange.otio;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.FormatNote;
import freshsplice.core.cut.Lane;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.CutWriter;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import freshsplice.exchange.layout.LaneRow;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JsonGenerator;

/** Writes the open JSON interchange, with what a reading of the same format kept put back where it was. */
public final class OtioWriter implements CutWriter {
    @Override
    public String format() {
        return "otio";
    }

    @Override
    public WrittenFile write(Cut cut, WriteOptions options) {
        List<Remark> remarks = new ArrayList<>();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (JsonGenerator out = OtioJson.generator(bytes)) {
            new Timeline(out, remarks).write(options.only(cut));
        }
        return new WrittenFile(bytes.toByteArray(), remarks, Map.of());
    }

    /** Written piece by piece: a long timeline never stands in memory as a whole. */
    private static final class Timeline {
        private final JsonGenerator out;
        private final List<Remark> remarks;
        private final OtioClips clips;

        Timeline(JsonGenerator out, List<Remark> remarks) {
            this.out = out;
            this.remarks = remarks;
            this.clips = new OtioClips(remarks);
        }

        @SuppressWarnings("unchecked")
        void write(Cut cut) {
            String text = FormatNote.of(cut.kept(), "otio");
            Map<String, Object> kept = text == null ? Map.of() : OtioJson.parse(text);
            Map<String, Object> timeline = (Map<String, Object>) kept.getOrDefault("timeline", Map.of());
            Map<String, Object> stack = (Map<String, Object>) kept.getOrDefault("stack", Map.of());
            if (cut.dropFrame()) {
                remarks.add(Remark.note("timecode", "The format does not say whether timecode drops; frames are counted"));
            }
            out.writeStartObject();
            field("OTIO_SCHEMA", "Timeline.1");
            field("metadata", timeline.getOrDefault("metadata", Map.of()));
            field("name", cut.name());
            field("global_start_time", OtioTime.written(Rational.of(cut.record().in()), cut.rate()));
            rest(timeline);
            out.writeName("tracks");
            stack(cut, stack, null, cut.record().in());
            out.writeEndObject();
        }

        private void field(String name, Object value) {
            out.writeName(name);
            OtioJson.write(out, value);
        }

        private void rest(Map<String, Object> kept) {
            kept.forEach((key, value) -> {
                if (!key.equals("metadata") && !key.equals("effects") && !key.equals("unknown")) {
                    field(key, value);
                }
            });
        }

        /** @param piece what is shown of a nested cut; null for the whole timeline's stack */
        private void stack(Cut cut, Map<String, Object> kept, OtioClips.NestedStack piece, long zero) {
            out.writeStartObject();
            field("OTIO_SCHEMA", "Stack.1");
            field("metadata", kept.getOrDefault("metadata", Map.of()));
            field("name", piece == null ? "tracks" : piece.name());
            field("source_range", piece == null ? null : piece.sourceRange());
            List<Object> effects = new ArrayList<>(piece == null ? List.of() : piece.effects());
            effects.addAll((List<?>) kept.getOrDefault("effects", List.of()));
            field("effects", effects);
            field("markers", cut.markers().stream().map(m -> marker(m, zero, cut.rate())).toList());
            field("enabled", piece == null || piece.enabled());
            rest(kept);
            out.writeName("children");
            out.writeStartArray();
            cut.lanes().forEach(lane -> track(cut, lane, zero));
            out.writeEndArray();
            out.writeEndObject();
        }

        private static Map<String, Object> marker(Marker marker, long zero, FrameRate rate) {
            Map<String, Object> map = new LinkedHashMap<>();
            map.put("OTIO_SCHEMA", "Marker.2");
            map.put("metadata", Map.of());
            map.put("name", marker.name());
            map.put("color", marker.colour());
            map.put("comment", marker.comment());
            map.put("marked_range", OtioTime.Range.written(Rational.of(marker.record().in() - zero),
                    Rational.of(marker.record().length()), rate));
            return map;
        }

        private void track(Cut cut, Lane lane, long zero) {
            String text = FormatNote.of(lane.kept(), "otio");
            Map<String, Object> kept = text == null ? Map.of() : OtioJson.parse(text);
            LaneRow row = LaneRow.of(lane, zero, remarks);
            out.writeStartObject();
            field("OTIO_SCHEMA", "Track.1");
            field("metadata", kept.getOrDefault("metadata", Map.of()));
            field("name", lane.name());
            field("source_range", null);
            field("effects", kept.getOrDefault("effects", List.of()));
            field("markers", List.of());
            field("enabled", lane.enabled());
            field("kind", lane.kind() == Lane.Kind.PICTURE ? "Video" : "Audio");
            rest(kept);
            out.writeName("children");
            out.writeStartArray();
            List<?> unknown = (List<?>) kept.getOrDefault("unknown", List.of());
            int[] written = {0};
            putBack(unknown, written);
            for (LaneRow.Piece piece : row.pieces()) {
                if (piece.head() != null) {
                    OtioJson.write(out, OtioClips.transition(piece.head(), cut.rate(), piece.own().in()));
                    written[0]++;
                    putBack(unknown, written);
                }
                piece(cut, piece);
                written[0]++;
                putBack(unknown, written);
            }
            if (lane == cut.lanes().get(0)) {
                fill(cut, row, zero);
            }
            out.writeEndArray();
            out.writeEndObject();
        }

        /** What the file had between, of kinds that are not known here, at the places it had. */
        private void putBack(List<?> unknown, int[] written) {
            for (Object one : unknown) {
                if (one instanceof Map<?, ?> map && map.get("index") instanceof Number index
                        && index.intValue() == written[0]) {
                    OtioJson.write(out, map.get("object"));
                    written[0]++;
                }
            }
        }

        /** The cut's own length, where black follows the last event. */
        private void fill(Cut cut, LaneRow row, long zero) {
            long end = zero + cut.record().length();
            boolean elsewhere = cut.lanes().stream().flatMap(l -> l.events().stream())
                    .anyMatch(e -> e.record().out() >= end);
            if (!elsewhere && row.end() < end) {
                OtioJson.write(out, OtioClips.gap(end - row.end(), cut.rate()));
            }
        }

        private void piece(Cut cut, LaneRow.Piece piece) {
            FrameRange own = piece.own();
            if (piece.event() == null) {
                OtioJson.write(out, OtioClips.gap(own.length(), cut.rate()));
            } else if (piece.event().nested() != null) {
                Cut nested = piece.event().nested();
                String text = FormatNote.of(piece.event().kept(), "otio");
                Map<String, Object> kept = text == null ? Map.of() : OtioJson.parse(text);
                stack(nested, kept, clips.nested(piece, cut.rate()), nested.record().in());
            } else {
                OtioJson.write(out, clips.clip(piece, cut.rate()));
            }
        }
    }
}
