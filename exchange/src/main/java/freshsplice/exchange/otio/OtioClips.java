package freshsplice.exchange.otio;

import freshsplice.core.cut.Event;
import freshsplice.core.cut.FormatNote;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Source;
import freshsplice.core.cut.Transition;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.FileAddress;
import freshsplice.exchange.layout.TrackRow;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Clips, gaps and transitions as the format writes them. */
final class OtioClips {
    /** What is shown of a nested cut. */
    record NestedStack(String name, boolean enabled, Map<String, Object> sourceRange, List<Object> effects) {
    }

    private final List<Remark> remarks;

    OtioClips(List<Remark> remarks) {
        this.remarks = remarks;
    }

    static Map<String, Object> gap(long frames, FrameRate rate) {
        Map<String, Object> map = new LinkedHashMap<>();
        map.put("OTIO_SCHEMA", "Gap.1");
        map.put("metadata", Map.of());
        map.put("name", "");
        map.put("source_range", OtioTime.Range.written(Rational.ZERO, Rational.of(frames), rate));
        map.put("effects", List.of());
        map.put("markers", List.of());
        map.put("enabled", true);
        return map;
    }

    static Map<String, Object> transition(Transition transition, FrameRate rate, long cut) {
        Map<String, Object> map = new LinkedHashMap<>();
        map.put("OTIO_SCHEMA", "Transition.1");
        map.put("metadata", Map.of());
        map.put("name", "");
        map.put("in_offset", OtioTime.written(Rational.of(cut - transition.record().in()), rate));
        map.put("out_offset", OtioTime.written(Rational.of(transition.record().out() - cut), rate));
        map.put("transition_type", transition.kind() == Transition.Kind.DISSOLVE ? "SMPTE_Dissolve"
                : "SMPTE_Wipe_" + (transition.wipe() == null ? "001" : transition.wipe()));
        return map;
    }

    @SuppressWarnings("unchecked")
    Map<String, Object> clip(TrackRow.Clip clip, FrameRate cutRate) {
        Event event = clip.event();
        Source source = event.source();
        String text = FormatNote.of(event.kept(), "otio");
        Map<String, Object> kept = text == null ? Map.of() : OtioJson.parse(text);
        FrameRate rate = source == null || source.rate() == null ? cutRate : source.rate();
        List<Object> effects = new ArrayList<>();
        Map<String, Object> range = range(event, clip.own(), cutRate, rate, effects);
        effects.addAll((List<?>) kept.getOrDefault("effects", List.of()));
        Map<String, Object> map = new LinkedHashMap<>();
        map.put("OTIO_SCHEMA", "Clip.2");
        map.put("metadata", metadata(event, (Map<String, Object>) kept.getOrDefault("metadata", Map.of())));
        map.put("name", event.name());
        map.put("source_range", range);
        map.put("effects", effects);
        map.put("markers", List.of());
        map.put("enabled", event.enabled());
        String key = String.valueOf(kept.getOrDefault("active_media_reference_key", "DEFAULT_MEDIA"));
        Map<Object, Object> media = new LinkedHashMap<>(
                (Map<Object, Object>) kept.getOrDefault("media_references", Map.of()));
        media.put(key, media(event, rate, (Map<String, Object>) kept.getOrDefault("media_reference", Map.of())));
        map.put("media_references", media);
        map.put("active_media_reference_key", key);
        kept.forEach(map::putIfAbsent);
        map.remove("media_reference");
        return map;
    }

    NestedStack nested(TrackRow.Clip clip, FrameRate cutRate) {
        Event event = clip.event();
        List<Object> effects = new ArrayList<>();
        Map<String, Object> range = range(event, clip.own(), cutRate, event.nested().rate(), effects);
        return new NestedStack(event.name(), event.enabled(), range, effects);
    }

    /** The source range from cut to cut, and the effect that its speed needs. */
    private Map<String, Object> range(Event event, FrameRange own, FrameRate cutRate, FrameRate rate,
                                      List<Object> effects) {
        Rational perFrame = cutRate.framesOf(rate);
        Rational duration = perFrame.times(own.length());
        Rational from = event.time().at(own.in());
        if (event.nested() != null) {
            // times inside a stack count from its own zero
            from = from.minus(Rational.of(event.nested().record().in()));
        }
        Optional<Rational> slope = event.time().slope();
        if (slope.isEmpty()) {
            remarks.add(Remark.loss("frame " + event.record().in(), "\"" + event.name() + "\" changes speed by keys; the "
                    + "format has constant speeds, so the average is written"));
        }
        Rational speed = slope.orElseGet(() -> event.time().at(own.out()).minus(event.time().at(own.in()))
                .dividedBy(Rational.of(own.length()))).dividedBy(perFrame);
        if (speed.isZero()) {
            effects.add(effect("FreezeFrame", 0));
        } else if (!speed.equals(Rational.ONE)) {
            effects.add(effect("LinearTimeWarp", speed.toDouble()));
        }
        if (speed.signum() < 0) {
            from = from.plus(1).minus(duration.times(speed.abs()));
        }
        return OtioTime.Range.written(from, duration, rate);
    }

    private static Map<String, Object> effect(String schema, double scalar) {
        Map<String, Object> map = new LinkedHashMap<>();
        map.put("OTIO_SCHEMA", schema + ".1");
        map.put("metadata", Map.of());
        map.put("name", "");
        map.put("effect_name", schema);
        map.put("enabled", true);
        map.put("time_scalar", scalar);
        return map;
    }

    private static Map<String, Object> metadata(Event event, Map<String, Object> kept) {
        String reel = event.source() == null ? null : event.source().reel();
        if (reel == null && event.comments().isEmpty()) {
            return kept;
        }
        Map<String, Object> map = new LinkedHashMap<>(kept);
        Map<Object, Object> list = new LinkedHashMap<>(map.get("cmx_3600") instanceof Map<?, ?> m ? m : Map.of());
        if (reel != null) {
            list.put("reel", reel);
        }
        if (!event.comments().isEmpty()) {
            list.put("comments", event.comments());
        }
        map.put("cmx_3600", list);
        return map;
    }

    private static Map<String, Object> media(Event event, FrameRate rate, Map<String, Object> kept) {
        Source source = event.source();
        Map<String, Object> map = new LinkedHashMap<>();
        Object available = source == null || source.start() == null && source.length() == null ? null
                : OtioTime.Range.written(Rational.of(source.start() == null ? 0 : source.start()),
                Rational.of(source.length() == null ? 0 : source.length()), rate);
        String schema = String.valueOf(kept.getOrDefault("OTIO_SCHEMA", event.kind() == Event.Kind.GENERATOR
                ? "GeneratorReference.1" : source == null || source.file() == null ? "MissingReference.1"
                : "ExternalReference.1"));
        map.put("OTIO_SCHEMA", schema);
        map.put("metadata", Map.of());
        map.put("name", "");
        map.put("available_range", available);
        if (schema.startsWith("External") && source != null && source.file() != null) {
            map.put("target_url", FileAddress.encoded(source.file()));
        }
        if (schema.startsWith("Generator")) {
            map.put("generator_kind", event.name());
            map.put("parameters", event.words() == null ? Map.of() : Map.of(OtioItem.TEXT, event.words()));
        }
        map.putAll(kept);
        return map;
    }
}
