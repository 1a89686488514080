package freshsplice.server.masters;

import freshsplice.core.master.Clip;
import freshsplice.core.master.Master;
import freshsplice.core.master.edit.Following;
import freshsplice.core.master.edit.Place;
import freshsplice.core.master.edit.Pull;
import freshsplice.core.master.edit.SeamEdits;
import freshsplice.core.master.edit.Trims;
import freshsplice.core.refusal.Refusal;
import freshsplice.core.shot.Shot;
import freshsplice.core.time.Rational;
import freshsplice.server.refusals.Refused;
import freshsplice.server.rows.MasterRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What a pull would make while it is under way. Nothing is changed. */
@Component
public class Pulls {
    /** A frame beside the line. @param position exact shot frame, as a fraction */
    record Side(long shotId, long sceneId, String code, String position, long frame, long spare) {
    }

    /** @param refused whether it could not be made; {@code words} says why */
    public record View(@Schema(nullable = true) Side left, @Schema(nullable = true) Side right, String words, boolean refused) {
    }

    /** @param kind ROLL for a seam, or HEAD, TAIL, SLIP, SLIDE for a clip; @param clip 0 for a seam */
    public record Question(String kind, long clip, long at, long frames, boolean ripple) {
    }

    private final Store store;
    private final MasterStore masters;

    Pulls(Store store, MasterStore masters) {
        this.store = store;
        this.masters = masters;
    }

    @Transactional(readOnly = true)
    public View look(long masterId, Question asked) {
        MasterRow row = store.get(MasterRow.class, masterId);
        Master before = masters.read(row);
        try {
            Pull pull = pull(before, asked, MasterStore.shots(masters.shotRows(row.projectId)));
            return new View(side(pull.left()), side(pull.right()), pull.words(), false);
        } catch (Refusal e) {
            return new View(null, null, e.getMessage(), true);
        }
    }

    private static Pull pull(Master before, Question asked, Map<Long, Shot> shots) {
        if (asked.kind().equals("ROLL")) {
            List<Clip> clips = before.main().clips();
            long left = clips.stream().filter(s -> s.record().out() == asked.at()).mapToLong(Clip::id).findFirst()
                    .orElse(0);
            long right = clips.stream().filter(s -> s.record().in() == asked.at()).mapToLong(Clip::id).findFirst()
                    .orElse(0);
            return Pull.of(before, SeamEdits.move(before, 0, asked.at(), asked.frames()), left, right, shots);
        }
        Place place = Place.of(before, asked.clip());
        List<Clip> clips = before.tracks().get(place.track()).clips();
        long prior = place.index() > 0 ? clips.get(place.index() - 1).id() : 0;
        long next = place.index() + 1 < clips.size() ? clips.get(place.index() + 1).id() : 0;
        return switch (asked.kind()) {
            case "HEAD" -> Pull.of(before, Trims.head(before, place, asked.frames(), Following.of(asked.ripple())), prior,
                    asked.clip(), shots);
            case "TAIL" -> Pull.of(before, Trims.tail(before, place, asked.frames(), Following.of(asked.ripple())), asked.clip(),
                    next, shots);
            case "SLIP" -> Pull.of(before, Trims.slip(before, place, Rational.of(asked.frames())), asked.clip(),
                    asked.clip(), shots);
            case "SLIDE" -> Pull.of(before, Trims.slide(before, place, asked.frames()), prior, next, shots);
            default -> throw new Refused("A pull is ROLL, HEAD, TAIL, SLIP or SLIDE, not \"" + asked.kind() + "\"");
        };
    }

    private Side side(Pull.Side side) {
        return side == null ? null : new Side(side.shot().id(), store.get(ShotRow.class, side.shot().id()).sceneId, side.shot().code(), side.position().toString(),
                side.frame(), side.spare());
    }
}
