package freshsplice.exchange.otio;

import freshsplice.core.cut.Remark;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.FileAddress;
import freshsplice.exchange.format.Grain;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Takes what a cut needs out of an object of the file, and keeps the rest as JSON. */
final class OtioItems {
    private static final Set<String> READ = Set.of("OTIO_SCHEMA", "name", "enabled", "source_range", "markers",
            "children", "tracks", "global_start_time", "kind", "in_offset", "out_offset", "transition_type",
            "media_references", "active_media_reference_key", "media_reference", "effects", "metadata");
    private static final Set<String> KNOWN = Set.of("Timeline", "Stack", "Track", "Clip", "Gap", "Transition",
            "SerializableCollection");
    private static final Map<String, Integer> NEWEST = Map.of("Timeline", 1, "Stack", 1, "Track", 1, "Clip", 2,
            "Gap", 1, "Transition", 1, "SerializableCollection", 1);

    private final List<Remark> remarks;
    private int order;

    OtioItems(List<Remark> remarks) {
        this.remarks = remarks;
    }

    @SuppressWarnings("unchecked")
    OtioItem of(Map<String, Object> map) {
        OtioItem item = new OtioItem();
        item.schema = OtioItem.schemaName(map.get("OTIO_SCHEMA"));
        item.version = OtioItem.schemaVersion(map.get("OTIO_SCHEMA"));
        item.name = OtioItem.text(map, "name");
        item.place = item.schema + " " + (item.name.isEmpty() ? "number " + ++order : "\"" + item.name + "\"");
        item.enabled = !Boolean.FALSE.equals(map.get("enabled"));
        item.sourceRange = OtioTime.Range.of(map.get("source_range"));
        item.trackKind = OtioItem.text(map, "kind");
        item.inOffset = OtioTime.of(map.get("in_offset"));
        item.outOffset = OtioTime.of(map.get("out_offset"));
        item.transitionType = OtioItem.text(map, "transition_type");
        item.globalStart = OtioTime.of(map.get("global_start_time"));
        if (map.get("children") instanceof List<?> children) {
            item.children = (List<OtioItem>) children;
        }
        item.tracks = map.get("tracks") instanceof OtioItem tracks ? tracks : null;
        Map<String, Object> kept = new LinkedHashMap<>();
        if (!KNOWN.contains(item.schema)) {
            map.remove("children");
            map.remove("tracks");
            item.kept = OtioJson.written(map);
            return item;
        }
        if (item.version > NEWEST.get(item.schema)) {
            remarks.add(Remark.doubt(item.place, "Its schema " + map.get("OTIO_SCHEMA")
                    + " is newer than what is known here; what is known of it is read"));
        }
        map.forEach((key, value) -> {
            if (!READ.contains(key) && value != null) {
                kept.put(key, value);
            }
        });
        markers(item, map.get("markers"));
        metadata(item, map.get("metadata"), kept);
        effects(item, map.get("effects"), kept);
        if (item.is("Clip")) {
            media(item, map, kept);
        }
        item.kept = kept.isEmpty() ? null : OtioJson.written(kept);
        return item;
    }

    private void markers(OtioItem item, Object written) {
        if (!(written instanceof List<?> list)) {
            return;
        }
        for (Object marker : list) {
            if (marker instanceof Map<?, ?> raw) {
                @SuppressWarnings("unchecked") Map<String, Object> map = (Map<String, Object>) raw;
                OtioTime.Range range = OtioTime.Range.of(map.getOrDefault("marked_range", map.get("range")));
                if (range == null) {
                    remarks.add(Remark.note(item.place, "A marker says no frames; left out"));
                    continue;
                }
                item.markers.add(new OtioItem.OtioMarker(range, OtioItem.text(map, "name"), OtioItem.text(map, "comment"),
                        OtioItem.text(map, "color")));
            }
        }
    }

    /** Reel and comments as lists write them are read; all of the metadata is kept. */
    private static void metadata(OtioItem item, Object written, Map<String, Object> kept) {
        if (!(written instanceof Map<?, ?> metadata) || metadata.isEmpty()) {
            return;
        }
        Map<Object, Object> rest = new LinkedHashMap<>(metadata);
        if (item.is("Clip") && metadata.get("cmx_3600") instanceof Map<?, ?> list) {
            Map<Object, Object> listRest = new LinkedHashMap<>(list);
            if (listRest.remove("reel") instanceof String reel) {
                item.reel = reel;
            }
            if (list.get("comments") instanceof List<?> comments
                    && comments.stream().allMatch(c -> c instanceof String)) {
                item.comments = comments.stream().map(String::valueOf).toList();
                listRest.remove("comments");
            }
            rest.remove("cmx_3600");
            if (!listRest.isEmpty()) {
                rest.put("cmx_3600", listRest);
            }
        }
        if (!rest.isEmpty()) {
            kept.put("metadata", rest);
        }
    }

    private void effects(OtioItem item, Object written, Map<String, Object> kept) {
        if (!(written instanceof List<?> list) || list.isEmpty()) {
            return;
        }
        List<Object> others = new ArrayList<>();
        for (Object effect : list) {
            if (!(effect instanceof Map<?, ?> map)) {
                continue;
            }
            String schema = OtioItem.schemaName(map.get("OTIO_SCHEMA"));
            boolean on = !Boolean.FALSE.equals(map.get("enabled"));
            if (schema.equals("FreezeFrame") && on) {
                item.frozen = true;
            } else if (schema.equals("LinearTimeWarp") && on && map.get("time_scalar") instanceof Number scalar
                    && Math.abs(scalar.doubleValue()) < 1e6) {
                Rational speed = Grain.speed(scalar.doubleValue());
                item.warp = item.warp == null ? speed : item.warp.times(speed);
            } else {
                others.add(effect);
                remarks.add(on ? Remark.loss(item.place, "The effect " + named(map, schema)
                        + " is kept, and not seen in the picture")
                        : Remark.note(item.place, "The effect " + named(map, schema) + " is switched off, and kept"));
            }
        }
        if (!others.isEmpty()) {
            kept.put("effects", others);
        }
    }

    private static String named(Map<?, ?> effect, String schema) {
        Object name = effect.get("effect_name");
        return name instanceof String s && !s.isEmpty() ? "\"" + s + "\"" : schema;
    }

    private void media(OtioItem item, Map<String, Object> map, Map<String, Object> kept) {
        Object active = map.get("media_reference");
        if (map.get("media_references") instanceof Map<?, ?> all) {
            Object key = map.getOrDefault("active_media_reference_key", "DEFAULT_MEDIA");
            active = all.get(key);
            Map<Object, Object> others = new LinkedHashMap<>(all);
            others.remove(key);
            if (!others.isEmpty()) {
                kept.put("media_references", others);
                kept.put("active_media_reference_key", key);
            }
            if (active == null && !all.isEmpty()) {
                remarks.add(Remark.doubt(item.place, "Its active media \"" + key
                        + "\" is not among its media; it shows none"));
            }
        }
        if (active instanceof Map<?, ?> reference) {
            @SuppressWarnings("unchecked") Map<String, Object> told = (Map<String, Object>) reference;
            item.media = mediaOf(told);
            Map<String, Object> rest = mediaRest(told, item.media);
            if (!rest.isEmpty()) {
                kept.put("media_reference", rest);
            }
        }
    }

    private static OtioItem.Media mediaOf(Map<String, Object> told) {
        String schema = OtioItem.schemaName(told.get("OTIO_SCHEMA"));
        String file = null;
        if (schema.equals("ImageSequenceReference")) {
            file = firstFile(told);
        } else if (!OtioItem.text(told, "target_url").isEmpty()) {
            file = FileAddress.plain(OtioItem.text(told, "target_url"));
        }
        String generator = OtioItem.text(told, "generator_kind");
        @SuppressWarnings("unchecked") String words = told.get("parameters") instanceof Map<?, ?> parameters
                ? OtioItem.text((Map<String, Object>) parameters, OtioItem.TEXT) : "";
        return new OtioItem.Media(schema, OtioItem.text(told, "name"), file,
                OtioTime.Range.of(told.get("available_range")), generator, words.isEmpty() ? null : words);
    }

    /** The first file of an image sequence. */
    private static String firstFile(Map<String, Object> told) {
        long number = told.get("start_frame") instanceof Number n ? n.longValue() : 1;
        int digits = told.get("frame_zero_padding") instanceof Number n
                ? Math.max(0, Math.min(12, n.intValue())) : 0;
        String base = FileAddress.plain(OtioItem.text(told, "target_url_base"));
        String padded = String.format("%0" + Math.max(1, digits) + "d", number);
        return base + (base.isEmpty() || base.endsWith("/") ? "" : "/") + OtioItem.text(told, "name_prefix") + padded
                + OtioItem.text(told, "name_suffix");
    }

    /** What of an active reference no field carries. */
    private static Map<String, Object> mediaRest(Map<String, Object> told, OtioItem.Media media) {
        Map<String, Object> rest = new LinkedHashMap<>();
        boolean plain = media.schema().equals("ExternalReference") || media.schema().equals("MissingReference");
        told.forEach((key, value) -> {
            boolean empty = value == null || "".equals(value) || value instanceof Map<?, ?> m && m.isEmpty();
            boolean carried = plain && Set.of("OTIO_SCHEMA", "target_url", "available_range").contains(key)
                    || key.equals("available_range");
            if (!empty && !carried) {
                rest.put(key, value);
            }
        });
        return rest;
    }
}
