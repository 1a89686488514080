package freshsplice.exchange.aaf;

import freshsplice.core.cut.Cut;
import freshsplice.core.cut.Remark;
import freshsplice.core.cut.Track;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.FrameRate;
import freshsplice.core.time.Rational;
import freshsplice.exchange.format.Limits;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Makes cuts of compositions. */
final class AafAssembler {
    final AafFile file;
    final List<Remark> remarks;
    final AafChains chains;
    private final FrameRate given;
    private final Limits limits;
    private final Map<String, Cut> nested = new HashMap<>();
    private final Map<AafObject, List<String>> comments = new HashMap<>();
    /** Compositions that are being made: one inside itself would never end. */
    private final Set<String> open = new HashSet<>();
    private static final int MAX_DEPTH = 100;
    /** Sound that counts faster counts samples. */
    private static final Rational MOST_FRAMES_A_SECOND = Rational.of(240);
    private int events;
    private int depth;

    AafAssembler(AafFile file, FrameRate given, Limits limits, List<Remark> remarks) {
        this.file = file;
        this.given = given;
        this.limits = limits;
        this.remarks = remarks;
        this.chains = new AafChains(file, remarks);
    }

    /** Compositions that stand for themselves: by their usage, else those that no other mob shows. */
    List<AafObject> topLevel() {
        List<AafObject> all = file.mobs(AafClass.COMPOSITION_MOB);
        List<AafObject> marked = all.stream().filter(m -> AafIds.TOP_LEVEL.equals(m.id(AafPid.USAGE))).toList();
        if (!marked.isEmpty() || all.size() < 2) {
            return marked.isEmpty() ? all : marked;
        }
        Set<String> shown = new HashSet<>();
        for (AafObject mob : all) {
            for (AafObject slot : mob.objects(AafPid.SLOTS)) {
                AafReferences.collect(slot.object(AafPid.SEGMENT), shown, 0);
            }
        }
        List<AafObject> free = all.stream().filter(m -> !shown.contains(m.mobId(AafPid.MOB_ID))).toList();
        return free.isEmpty() ? all : free;
    }

    Cut cut(AafObject mob) {
        List<AafObject> pictures = slots(mob, AafIds.PICTURES);
        List<AafObject> sounds = slots(mob, AafIds.SOUNDS);
        String place = "composition \"" + AafChains.nameOf(mob) + "\"";
        AafSlots.StartTimecode coded = AafSlots.timecode(mob);
        FrameRate rate = rateOf(pictures, sounds, coded, place);
        long start = startOf(coded, rate, place);
        open.add(mob.mobId(AafPid.MOB_ID));
        List<Track> tracks = new ArrayList<>();
        long end = start;
        for (List<AafObject> kind : List.of(pictures, sounds)) {
            Track.Kind of = kind == pictures ? Track.Kind.PICTURE : Track.Kind.SOUND;
            int before = tracks.size();
            for (AafObject slot : kind) {
                List<Track> own = tracks(slot, rate, start, of, tracks.size() - before, place);
                tracks.addAll(own);
                end = Math.max(end, endOf(slot, rate, start, own));
            }
        }
        open.remove(mob.mobId(AafPid.MOB_ID));
        boolean drop = coded != null && coded.drop() && rate.hasDropFrame();
        return new Cut(AafChains.nameOf(mob), rate, drop, FrameRange.of(start, end), tracks, AafMarkers.of(mob, rate, start));
    }

    private FrameRate rateOf(List<AafObject> pictures, List<AafObject> sounds, AafSlots.StartTimecode coded, String place) {
        if (given != null) {
            return given;
        }
        for (AafObject slot : pictures) {
            if (AafSlots.rate(slot) != null) {
                return AafSlots.rate(slot);
            }
        }
        if (coded != null) {
            return coded.rate();
        }
        for (AafObject slot : sounds) {
            FrameRate rate = AafSlots.rate(slot);
            if (rate != null && rate.fps().compareTo(MOST_FRAMES_A_SECOND) <= 0) {
                return rate;
            }
        }
        remarks.add(Remark.doubt(place, "It has no picture and no timecode, so no rate; read at 24 frames/s. Give the "
                + "rate to choose another"));
        return FrameRate.FPS_24;
    }

    /** A master mob by itself, as a cut in which each of its slots is one event. */
    Cut mediaAlone(AafObject mob) {
        String name = AafChains.nameOf(mob);
        String place = "master mob \"" + name + "\"";
        List<AafObject> pictures = slots(mob, AafIds.PICTURES);
        List<AafObject> sounds = slots(mob, AafIds.SOUNDS);
        AafSlots.StartTimecode coded = AafSlots.timecode(mob);
        FrameRate rate = rateOf(pictures, sounds, coded, place);
        long start = startOf(coded, rate, place);
        remarks.add(Remark.doubt(place, "The file holds media and no composition: read as a cut of one event. For the "
                + "edit, export the sequence"));
        List<Track> tracks = new ArrayList<>();
        pictures.forEach(slot -> tracks.addAll(media(mob, slot, rate, start, Track.Kind.PICTURE, tracks.size())));
        int before = tracks.size();
        sounds.forEach(slot -> tracks.addAll(media(mob, slot, rate, start, Track.Kind.SOUND, tracks.size() - before)));
        long end = tracks.stream().flatMap(l -> l.events().stream()).mapToLong(e -> e.record().out()).max().orElse(start);
        return new Cut(name, rate, false, FrameRange.of(start, end), tracks, AafMarkers.of(mob, rate, start));
    }

    private List<Track> media(AafObject mob, AafObject slot, FrameRate cutRate, long start, Track.Kind kind, int before) {
        FrameRate rate = AafSlots.rate(slot);
        long length = slot.object(AafPid.SEGMENT).number(AafPid.LENGTH, 0);
        return rate == null || length <= 0 ? List.of() : List.of(new AafTrack(this, new AafClock(cutRate, rate, start),
                kind, "master mob \"" + AafChains.nameOf(mob) + "\"", List.of())
                .whole(mob, slot, Rational.of(length), (kind == Track.Kind.PICTURE ? "V" : "A") + (before + 1)));
    }

    private long startOf(AafSlots.StartTimecode coded, FrameRate rate, String place) {
        if (coded == null) {
            return 0;
        }
        if (coded.fps() != rate.timecodeBase() && coded.fps() > 0) {
            remarks.add(Remark.doubt(place, "Its timecode counts " + coded.fps() + " and its picture "
                    + rate.timecodeBase() + " frames in a second; the start is converted by its label"));
            return Rational.of(coded.start(), coded.fps()).times(rate.timecodeBase()).round();
        }
        return coded.start();
    }

    private List<AafObject> slots(AafObject mob, Set<String> kinds) {
        List<AafObject> found = new ArrayList<>();
        for (AafObject slot : mob.objects(AafPid.SLOTS)) {
            AafObject segment = slot.object(AafPid.SEGMENT);
            String kind = segment == null ? null : segment.definition(AafPid.DATA_DEFINITION);
            if (slot.type == AafClass.TIMELINE_MOB_SLOT && kind != null && kinds.contains(kind)) {
                found.add(slot);
            }
        }
        return found;
    }

    private List<Track> tracks(AafObject slot, FrameRate cutRate, long start, Track.Kind kind, int before, String place) {
        String written = slot.text(AafPid.SLOT_NAME);
        String name = written == null || written.isBlank() ? null : written;
        FrameRate rate = AafSlots.rate(slot);
        if (rate == null) {
            remarks.add(Remark.doubt(place + ", slot " + slot.number(AafPid.SLOT_ID, 0)
                    + (name == null ? "" : " " + name), "It has no edit rate; the cut's stands in"));
            rate = cutRate;
        }
        long origin = Rational.of(slot.number(AafPid.ORIGIN, 0)).times(rate.framesOf(cutRate)).round();
        AafObject segment = slot.object(AafPid.SEGMENT);
        return new AafTracks(this, new AafClock(cutRate, rate, start - origin), kind, place)
                .of(segment, List.of(), before, name);
    }

    /** Where tracks end: after their last event, or after the black that their segment says follows. */
    private static long endOf(AafObject slot, FrameRate cutRate, long start, List<Track> tracks) {
        long last = tracks.stream().flatMap(l -> l.events().stream()).mapToLong(e -> e.record().out()).max().orElse(start);
        FrameRate rate = AafSlots.rate(slot);
        long said = slot.object(AafPid.SEGMENT).number(AafPid.LENGTH, 0);
        return rate == null ? last : Math.max(last, start + Rational.of(Math.max(0, said - slot.number(AafPid.ORIGIN, 0)))
                .times(rate.framesOf(cutRate)).round());
    }

    /** The cut of one slot of a composition that another one shows; null where it shows itself. */
    Cut nested(AafObject mob, long slotId, FrameRate outer, String place) {
        String id = mob.mobId(AafPid.MOB_ID);
        String key = id + " " + slotId;
        if (nested.containsKey(key)) {
            return nested.get(key);
        }
        AafObject slot = AafSlots.byId(mob, slotId);
        if (slot == null || slot.object(AafPid.SEGMENT) == null) {
            remarks.add(Remark.loss(place, "It shows slot " + slotId + " of \"" + AafChains.nameOf(mob)
                    + "\", which is not there"));
            return null;
        }
        if (!open.add(id)) {
            remarks.add(Remark.loss(place, "The composition \"" + AafChains.nameOf(mob)
                    + "\" is inside itself; it is not opened again there"));
            return null;
        }
        if (open.size() > limits.maxDepth()) {
            throw new AafDamage("compositions inside compositions, more than " + limits.maxDepth() + " levels deep");
        }
        AafSlots.StartTimecode coded = AafSlots.timecode(mob);
        FrameRate own = AafSlots.rate(slot);
        String kind = slot.object(AafPid.SEGMENT).definition(AafPid.DATA_DEFINITION);
        boolean sound = kind != null && AafIds.SOUNDS.contains(kind);
        FrameRate rate = sound || own == null ? coded == null ? outer : coded.rate() : own;
        long start = startOf(coded, rate, place);
        List<Track> tracks = tracks(slot, rate, start, sound ? Track.Kind.SOUND : Track.Kind.PICTURE, 0, "composition \"" + AafChains.nameOf(mob) + "\"");
        Cut cut = new Cut(AafChains.nameOf(mob), rate, false, FrameRange.of(start, endOf(slot, rate, start, tracks)), tracks,
                List.of());
        open.remove(id);
        nested.put(key, cut);
        return cut;
    }

    List<String> commentsOf(AafObject mob) {
        List<String> known = comments.get(mob);
        if (known == null) {
            known = AafComments.of(mob);
            comments.put(mob, known);
        }
        return known;
    }

    /** A segment inside others is begun. */
    void enter(String place) {
        if (++depth > MAX_DEPTH) {
            throw new AafDamage("segments inside segments, more than " + MAX_DEPTH + " levels deep, at " + place);
        }
    }

    void leave() {
        depth--;
    }

    void count() {
        if (++events > limits.maxEvents()) {
            throw new AafDamage("more than " + limits.maxEvents() + " events");
        }
    }
}
