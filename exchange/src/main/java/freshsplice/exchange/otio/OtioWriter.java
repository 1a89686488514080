package freshsplice.exchange.otio;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.FormatNote;
import freshsplice.core.cut.Marker;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.CutWriter;
import freshsplice.exchange.format.WriteOptions;
import freshsplice.exchange.format.WrittenFile;
import freshsplice.exchange.layout.TrackRow;
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

        /** @param clip what is shown of a nested cut; null for the whole timeline's stack */
        private void stack(Cut cut, Map<String, Object> kept, OtioClips.NestedStack clip, long zero) {
            out.writeStartObject();
            field("OTIO_SCHEMA", "Stack.1");
            field("metadata", kept.getOrDefault("metadata", Map.of()));
            field("name", clip == null ? "tracks" : clip.name());
            field("source_range", clip == null ? null : clip.sourceRange());
            List<Object> effects = new ArrayList<>(clip == null ? List.of() : clip.effects());
            effects.addAll((List<?>) kept.getOrDefault("effects", List.of()));
            field("effects", effects);
            field("markers", cut.markers().stream().map(m -> marker(m, zero, cut.rate())).toList());
            field("enabled", clip == null || clip.enabled());
            rest(kept);
            out.writeName("children");
            out.writeStartArray();
            cut.tracks().forEach(track -> track(cut, track, zero));
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

        private void track(Cut cut, Track track, long zero) {
            String text = FormatNote.of(track.kept(), "otio");
            Map<String, Object> kept = text == null ? Map.of() : OtioJson.parse(text);
            TrackRow row = TrackRow.of(track, zero, remarks);
            out.writeStartObject();
            field("OTIO_SCHEMA", "Track.1");
            field("metadata", kept.getOrDefault("metadata", Map.of()));
            field("name", track.name());
            field("source_range", null);
            field("effects", kept.getOrDefault("effects", List.of()));
            field("markers", List.of());
            field("enabled", track.enabled());
            field("kind", track.kind() == Track.Kind.PICTURE ? "Video" : "Audio");
            rest(kept);
            out.writeName("children");
            out.writeStartArray();
            List<?> unknown = (List<?>) kept.getOrDefault("unknown", List.of());
            int[] written = {0};
            putBack(unknown, written);
            for (TrackRow.Clip clip : row.clips()) {
                if (clip.head() != null) {
                    OtioJson.write(out, OtioClips.transition(clip.head(), cut.rate(), clip.own().in()));
                    written[0]++;
                    putBack(unknown, written);
                }
                clip(cut, clip);
                written[0]++;
                putBack(unknown, written);
            }
            if (track == cut.tracks().get(0)) {
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
        private void fill(Cut cut, TrackRow row, long zero) {
            long end = zero + cut.record().length();
            boolean elsewhere = cut.tracks().stream().flatMap(l -> l.events().stream())
                    .anyMatch(e -> e.record().out() >= end);
            if (!elsewhere && row.end() < end) {
                OtioJson.write(out, OtioClips.gap(end - row.end(), cut.rate()));
            }
        }

        private void clip(Cut cut, TrackRow.Clip clip) {
            FrameRange own = clip.own();
            if (clip.event() == null) {
                OtioJson.write(out, OtioClips.gap(own.length(), cut.rate()));
            } else if (clip.event().nested() != null) {
                Cut nested = clip.event().nested();
                String text = FormatNote.of(clip.event().kept(), "otio");
                Map<String, Object> kept = text == null ? Map.of() : OtioJson.parse(text);
                stack(nested, kept, clips.nested(clip, cut.rate()), nested.record().in());
            } else {
                OtioJson.write(out, clips.clip(clip, cut.rate()));
            }
        }
    }
}
