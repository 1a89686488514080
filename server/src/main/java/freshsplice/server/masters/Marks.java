package freshsplice.server.masters;

import freshsplice.core.cut.Marker;
import freshsplice.core.master.MarkPlace;
import freshsplice.core.master.Master;
import freshsplice.core.master.Section;
import freshsplice.core.sound.FollowsPicture;
import freshsplice.core.time.FrameRange;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterMarkRow;
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

/** Marks with words, at frames of a master or on pieces that carry them along. */
@Service
public class Marks {
    private static final int LONGEST = 1000;

    private final Store store;
    private final MasterStore masters;
    private final Steps steps;

    Marks(Store store, MasterStore masters, Steps steps) {
        this.store = store;
        this.masters = masters;
        this.steps = steps;
    }

    /** A mark where it stands now, on record frames. */
    public record Standing(MasterMarkRow row, FrameRange record) {
    }

    /** Where they stand now; those whose frame their piece does not show at the moment are not there. */
    public List<Standing> standing(long masterId, Master master) {
        List<MasterMarkRow> rows = store.where(MasterMarkRow.class, "masterId", masterId);
        if (rows.isEmpty()) {
            return List.of();
        }
        Map<Long, Section> sections = byId(master);
        List<Standing> standing = new ArrayList<>();
        for (MasterMarkRow row : rows) {
            OptionalLong in = row.sectionId == null ? OptionalLong.of(row.recIn)
                    : sections.containsKey(row.sectionId)
                    ? MarkPlace.recordOf(sections.get(row.sectionId), row.position) : OptionalLong.empty();
            in.ifPresent(at -> standing.add(new Standing(row, FrameRange.ofLength(at, row.frames))));
        }
        standing.sort(Comparator.comparingLong(s -> s.record().in()));
        return standing;
    }

    /**
     * Lets marks follow an edit inside its step: those of the record clock move along; those that their piece leaves go on with another
     * that shows their frame, and go with their piece where there is none.
     */
    void follow(MasterRow row, Master before, Master after, FollowsPicture follows) {
        List<MasterMarkRow> onPieces = new ArrayList<>();
        for (MasterMarkRow mark : store.where(MasterMarkRow.class, "masterId", row.id)) {
            if (mark.sectionId == null) {
                mark.recIn += follows.shiftAt(mark.recIn);
            } else {
                onPieces.add(mark);
            }
        }
        if (!onPieces.isEmpty()) {
            follow(row, onPieces, byId(before), byId(after));
        }
    }

    private void follow(MasterRow row, List<MasterMarkRow> onPieces, Map<Long, Section> before, Map<Long, Section> after) {
        List<MasterMarkRow> left = onPieces.stream().filter(m -> MarkPlace.isLeft(before.get(m.sectionId), after.get(m.sectionId), m.position)).toList();
        // new pieces have their ids by now
        List<Section> now = left.isEmpty() ? List.of() : masters.fresh(row).sections();
        for (MasterMarkRow mark : left) {
            Section is = after.get(mark.sectionId);
            Optional<Section> heir = MarkPlace.heir(before.get(mark.sectionId), is, mark.position, now, before.keySet());
            if (heir.isPresent()) {
                mark.sectionId = heir.get().id();
            } else if (is == null) {
                store.remove(mark);
            }
        }
    }

    private static Map<Long, Section> byId(Master master) {
        // those that are new have no id yet
        return master.sections().stream().filter(s -> s.id() != 0).collect(Collectors.toMap(Section::id, Function.identity()));
    }

    /** The marks of a master as those of a cut. */
    public List<Marker> of(MasterRow row, Master master) {
        return standing(row.id, master).stream().map(m -> new Marker(m.record(), m.row().words, "", "")).toList();
    }

    /** @param piece id of the piece that carries it; null for the record clock */
    public long add(MasterRow row, Master master, long at, long frames, String words, Long piece, Asker who) {
        String said = checked(words);
        if (frames < 1 || frames > 1_000_000 || at < 0) {
            throw new Refused("A mark lasts 1 to 1000000 frames, from record frame 0 on");
        }
        Section section = piece == null ? null : master.sections().stream().filter(s -> s.id() == piece).findFirst()
                .orElseThrow(() -> new Refused("That piece is not in the master any more"));
        if (section != null && !section.record().contains(at)) {
            throw new Refused("Record frame " + at + " does not lie inside the piece");
        }
        return steps.make(row.projectId, "Mark: " + said, who, () -> {
            MasterMarkRow mark = new MasterMarkRow();
            mark.masterId = row.id;
            mark.sectionId = piece;
            mark.recIn = at;
            mark.frames = frames;
            mark.position = section == null ? null : Rational.of(section.at(at).floor());
            mark.words = said;
            mark.who = who.name();
            return store.add(mark).id;
        });
    }

    public void change(long markId, String words, Asker who) {
        MasterMarkRow asked = store.get(MasterMarkRow.class, markId);
        String said = checked(words);
        steps.make(projectOf(asked), "Change a mark: " + said, who, () -> {
            store.get(MasterMarkRow.class, markId).words = said;
            return null;
        });
    }

    public void remove(long markId, Asker who) {
        MasterMarkRow asked = store.get(MasterMarkRow.class, markId);
        steps.make(projectOf(asked), "Take away the mark: " + asked.words, who, () -> {
            store.remove(store.get(MasterMarkRow.class, markId));
            return null;
        });
    }

    private long projectOf(MasterMarkRow mark) {
        return store.get(MasterRow.class, mark.masterId).projectId;
    }

    private static String checked(String words) {
        String plain = words == null ? "" : words.replaceAll("\\p{Cntrl}", " ").strip();
        if (plain.isEmpty() || plain.length() > LONGEST) {
            throw new Refused("A mark needs 1 to " + LONGEST + " letters");
        }
        return plain;
    }
}
