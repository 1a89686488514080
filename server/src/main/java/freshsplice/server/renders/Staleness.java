package freshsplice.server.renders;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.Bake;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.delivery.MasterFingerprint;
import freshsplice.core.delivery.RenderRange;
import freshsplice.core.master.Master;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Item;
import freshsplice.core.stage.Stage;
import freshsplice.core.time.FrameRate;
import freshsplice.server.rows.RenderPartRow;
import freshsplice.server.rows.RenderRow;
import freshsplice.server.rows.ShotRow;
import freshsplice.server.rows.Store;
import freshsplice.server.stores.masters.MasterStore;
import freshsplice.server.stores.stages.StageStore;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Whether renders still are what would be drawn now: the same movement, frame by frame, of the same things. */
@Component
public class Staleness {
    /** About what a fingerprint and what it was asked with take in memory, in bytes; a key of the camera more. */
    private static final int BYTES_A_PRINT = 1000;
    private static final int BYTES_A_KEY = 48;
    private static final long MOST_BYTES = 16L << 20;

    /** A scene's set with what tells it from any other. */
    private record Set(Stage stage, String digest) {
        static Set of(Stage stage) {
            return new Set(stage, Fingerprint.digest(stage));
        }
    }

    static final String SOUND = MasterFingerprint.SOUND;
    /** The sound as it is heard, however it is cut into clips. */
    static final String HEARD = "heard";
    private static final String SET = MasterFingerprint.SET;
    /** The set as far as some frame may show it. */
    static final String IN_VIEW = "in view";
    /** What a movie of a whole master sees through the cameras at its own frames. */
    static final String FILMED = "filmed";
    /** As people read the parts that are asked more narrowly than the one that they are named after. */
    private static final Map<String, String> READ_AS = Map.of(HEARD, SOUND, IN_VIEW, SET, FILMED, MasterFingerprint.CAMERAS);

    private record Question(long actionOffset, Camera camera, String stage, RenderRange range, boolean blur) {
    }

    private final Store store;
    private final StageStore stages;
    private final RenderSound sounds;
    private final LookParts looks;
    private final Cache<Question, Fingerprint> known = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
            .<Question, Fingerprint>weigher((asked, print) -> BYTES_A_PRINT + BYTES_A_KEY * asked.camera().keyCount()).build();

    Staleness(Store store, StageStore stages, RenderSound sounds, LookParts looks) {
        this.looks = looks;
        this.sounds = sounds;
        this.store = store;
        this.stages = stages;
    }

    /** What changed since each render of a shot was made, in words, by render id; empty lists for current ones. */
    public Map<Long, List<String>> of(List<RenderRow> renders, Map<Long, ShotRow> shots, Map<Long, Camera> cameras, Master master,
                                      FrameRate rate) {
        if (renders.isEmpty()) {
            return Map.of();
        }
        Map<Long, Set> sets = new HashMap<>();
        Map<String, String> recipesNow = new HashMap<>();
        Map<Long, List<RenderPartRow>> parts = store.whereIn(RenderPartRow.class, "renderId",
                renders.stream().map(r -> r.id).toList()).stream().collect(Collectors.groupingBy(p -> p.renderId));
        RenderSound.Under under = sounds.under(master, rate);
        Map<Long, List<String>> stale = new HashMap<>();
        for (RenderRow render : renders) {
            ShotRow shot = shots.get(render.shotId);
            if (render.mediaId != null) {
                // what another program made is what it is
                stale.put(render.id, List.of());
            } else if (shot != null) {
                RenderRange range = FinishedRenders.range(render);
                Set set = sets.computeIfAbsent(shot.sceneId, id -> Set.of(stages.stage(id)));
                Fingerprint now = now(MasterStore.shot(shot), cameras.get(shot.cameraId), set, range, render.blur);
                List<RenderPartRow> made = parts.getOrDefault(render.id, List.of());
                Map<String, String> look = looks.now(render, names(made), LookParts.Sight.of(new FilmedShot(MasterStore.shot(shot), cameras.get(shot.cameraId),
                        set.stage())), recipesNow);
                RenderRange whole = FinishedRenders.whole(render, rate);
                Map<String, String> more = new HashMap<>(look);
                if (names(made).contains(SOUND)) {
                    // renders of earlier versions of the program tell their sound clip by clip
                    more.put(SOUND, under.digestOfShot(shot.id, whole));
                }
                if (names(made).contains(HEARD)) {
                    more.put(HEARD, under.heardOfShot(shot.id, whole));
                }
                stale.put(render.id, differences(made, with(now, more)));
            }
        }
        return stale;
    }

    /**
     * What changed since a movie of a whole master was made, in words.
     *
     * @param now    what it would be made from now
     * @param filmed the same for what it films, frame by frame; asked where the render tells it
     */
    public List<String> ofMaster(RenderRow render, Fingerprint now, Supplier<Map<String, String>> filmed, LookParts.Sight shown) {
        List<RenderPartRow> made = store.where(RenderPartRow.class, "renderId", render.id);
        Map<String, String> more = new HashMap<>(looks.now(render, names(made), shown, new HashMap<>()));
        if (names(made).contains(FILMED)) {
            more.putAll(filmed.get());
        }
        return differences(made, with(now, more));
    }

    private static java.util.Set<String> names(List<RenderPartRow> parts) {
        return parts.stream().map(p -> p.part).collect(Collectors.toSet());
    }

    private static Fingerprint with(Fingerprint known, Map<String, String> more) {
        Map<String, String> parts = new HashMap<>(known.parts());
        parts.putAll(more);
        return new Fingerprint(parts);
    }

    private static List<String> differences(List<RenderPartRow> parts, Fingerprint now) {
        Map<String, String> made = parts.stream().collect(Collectors.toMap(p -> p.part, p -> p.digest));
        // renders of earlier versions of the program say nothing of their sound
        Map<String, String> asked = new HashMap<>(now.parts());
        asked.keySet().retainAll(made.keySet());
        return new Fingerprint(made).differences(new Fingerprint(asked)).stream().map(part -> READ_AS.getOrDefault(part, part)).sorted().toList();
    }

    /** The fingerprint of a render of a shot, if it were made now. @param whole what its movie shows, by the project's frames */
    Fingerprint now(FilmedShot filmed, RenderRange range, RenderRange whole, boolean blur, RenderSound.Under under) {
        Map<String, String> parts = new HashMap<>(now(filmed.shot(), filmed.camera(), Set.of(filmed.stage()), range, blur).parts());
        // renders of earlier versions of the program tell all of the set
        parts.remove(SET);
        parts.put(HEARD, under.heardOfShot(filmed.shot().id(), whole));
        return new Fingerprint(parts);
    }

    private Fingerprint now(Shot shot, Camera camera, Set in, RenderRange range, boolean blur) {
        return known.get(new Question(shot.actionOffset(), camera, in.digest(), range, blur), asked -> {
            Bake bake = Bake.of(shot, camera, in.stage(), range, 1);
            Fingerprint.Movement movement = Fingerprint.digest(bake);
            StringBuilder set = new StringBuilder(movement.places());
            for (Item item : in.stage().items()) {
                item.geometry().parts().forEach(set::append);
            }
            return new Fingerprint(Map.of("camera", movement.camera().seen(blur),
                    SET, Fingerprint.digest(set.toString()), IN_VIEW, Fingerprint.inView(bake, in.stage().items())));
        });
    }

}
