package freshsplice.server.masters;

import freshsplice.core.cut.Marker;
import freshsplice.core.master.Clip;
import freshsplice.core.master.MarkerPosition;
import freshsplice.core.master.Master;
import freshsplice.core.sound.FollowsPicture;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterMarkerRow;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.Store;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import freshsplice.server.stores.masters.MasterStore;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;

/** Markers with words, at frames of a master or on clips that carry them along. */
@Service
public class Markers {
    private static final int LONGEST = 1000;

    private final Store store;
    private final MasterStore masters;
    private final Steps steps;

    Markers(Store store, MasterStore masters, Steps steps) {
        this.store = store;
        this.masters = masters;
        this.steps = steps;
    }

    /** A marker where it stands now, on record frames. */
    public record Standing(MasterMarkerRow row, FrameRange record) {
    }

    /** Where they stand now; those whose frame their clip does not show at the moment are not there. */
    public List<Standing> standing(long masterId, Master master) {
        List<MasterMarkerRow> rows = store.where(MasterMarkerRow.class, "masterId", masterId);
        if (rows.isEmpty()) {
            return List.of();
        }
        Map<Long, Clip> clips = byId(master);
        List<Standing> standing = new ArrayList<>();
        for (MasterMarkerRow row : rows) {
            OptionalLong in = row.clipId == null ? OptionalLong.of(row.recIn)
                    : clips.containsKey(row.clipId)
                    ? MarkerPosition.recordOf(clips.get(row.clipId), row.position) : OptionalLong.empty();
            in.ifPresent(at -> standing.add(new Standing(row, FrameRange.ofLength(at, row.frames))));
        }
        standing.sort(Comparator.comparingLong(s -> s.record().in()));
        return standing;
    }

    /**
     * Lets markers follow an edit inside its step: those of the record clock move along; those that their clip leaves go on with another
     * that shows their frame, and go with their clip where there is none.
     */
    void follow(MasterRow row, Master before, Master after, FollowsPicture follows) {
        List<MasterMarkerRow> onClips = new ArrayList<>();
        for (MasterMarkerRow marker : store.where(MasterMarkerRow.class, "masterId", row.id)) {
            if (marker.clipId == null) {
                marker.recIn += follows.shiftAt(marker.recIn);
            } else {
                onClips.add(marker);
            }
        }
        if (!onClips.isEmpty()) {
            follow(row, onClips, byId(before), byId(after));
        }
    }

    private void follow(MasterRow row, List<MasterMarkerRow> onClips, Map<Long, Clip> before, Map<Long, Clip> after) {
        List<MasterMarkerRow> left = onClips.stream().filter(m -> MarkerPosition.isLeft(before.get(m.clipId), after.get(m.clipId), m.position)).toList();
        // new clips have their ids by now
        List<Clip> now = left.isEmpty() ? List.of() : masters.fresh(row).clips();
        for (MasterMarkerRow marker : left) {
            Clip is = after.get(marker.clipId);
            Optional<Clip> heir = MarkerPosition.heir(before.get(marker.clipId), is, marker.position, now, before.keySet());
            if (heir.isPresent()) {
                marker.clipId = heir.get().id();
            } else if (is == null) {
                store.remove(marker);
            }
        }
    }

    private static Map<Long, Clip> byId(Master master) {
        // those that are new have no id yet
        return master.clips().stream().filter(s -> s.id() != 0).collect(Collectors.toMap(Clip::id, Function.identity()));
    }

    /** The markers of a master as those of a cut. */
    public List<Marker> of(MasterRow row, Master master) {
        return standing(row.id, master).stream().map(m -> new Marker(m.record(), m.row().words, "", "")).toList();
    }

    /** @param clipId the clip that carries it; null for the record clock */
    public long add(MasterRow row, Master master, long at, long frames, String words, Long clipId, Asker who) {
        String said = checked(words);
        if (frames < 1 || frames > 1_000_000 || at < 0) {
            throw new Refused("A marker lasts 1 to 1000000 frames, from record frame 0 on");
        }
        Clip clip = clipId == null ? null : master.clips().stream().filter(s -> s.id() == clipId).findFirst()
                .orElseThrow(() -> new Refused("That clip is not in the master any more"));
        if (clip != null && !clip.record().contains(at)) {
            throw new Refused("Record frame " + at + " does not lie inside the clip");
        }
        return steps.make(row.projectId, "Marker: " + said, who, () -> {
            MasterMarkerRow marker = new MasterMarkerRow();
            marker.masterId = row.id;
            marker.clipId = clipId;
            marker.recIn = at;
            marker.frames = frames;
            marker.position = clip == null ? null : Rational.of(clip.at(at).floor());
            marker.words = said;
            marker.who = who.name();
            return store.add(marker).id;
        });
    }

    public void change(long markerId, String words, Asker who) {
        MasterMarkerRow asked = store.get(MasterMarkerRow.class, markerId);
        String said = checked(words);
        steps.make(projectOf(asked), "Change a marker: " + said, who, () -> {
            store.get(MasterMarkerRow.class, markerId).words = said;
            return null;
        });
    }

    public void remove(long markerId, Asker who) {
        MasterMarkerRow asked = store.get(MasterMarkerRow.class, markerId);
        steps.make(projectOf(asked), "Take away the marker: " + asked.words, who, () -> {
            store.remove(store.get(MasterMarkerRow.class, markerId));
            return null;
        });
    }

    private long projectOf(MasterMarkerRow marker) {
        return store.get(MasterRow.class, marker.masterId).projectId;
    }

    private static String checked(String words) {
        String plain = words == null ? "" : words.replaceAll("\\p{Cntrl}", " ").strip();
        if (plain.isEmpty() || plain.length() > LONGEST) {
            throw new Refused("A marker needs 1 to " + LONGEST + " letters");
        }
        return plain;
    }
}
