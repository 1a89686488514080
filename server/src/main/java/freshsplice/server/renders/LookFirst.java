package freshsplice.server.renders;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import freshsplice.core.camera.Camera;
import freshsplice.core.delivery.FilmedShot;
import freshsplice.core.delivery.Fingerprint;
import freshsplice.core.render.Finding;
import freshsplice.core.shot.Shot;
import freshsplice.core.stage.Stage;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * What to look at before shots are rendered. Following cameras through their sets takes time: each time it is asked some more shots are
 * looked at, and what was found stays known as long as the shot is the same, so that whoever asks again comes to the end.
 */
@Component
public class LookFirst {
    /** Shots whose movement is looked at for one answer: more would take too long while somebody types. */
    private static final int AT_ONCE = 60;
    /** About what a shot and what was found take in memory, in bytes; a key of the camera more. */
    private static final int BYTES_A_SHOT = 600;
    private static final int BYTES_A_KEY = 48;
    private static final long MOST_BYTES = 32L << 20;

    /** @param findings what is seen on the way first, then the many that nobody touched; @param unlooked shots that were not looked at yet */
    record Looks(List<Finding> findings, int unlooked) {
    }

    private record Question(Shot shot, Camera camera, String stage, double aspect) {
    }

    private final Cache<Question, List<Finding>> known = Caffeine.newBuilder().maximumWeight(MOST_BYTES)
            .<Question, List<Finding>>weigher((asked, found) -> BYTES_A_SHOT + BYTES_A_KEY * asked.camera().keyCount()).build();

    /** @param aspect width over height of the picture */
    Looks of(List<FilmedShot> shots, double aspect) {
        List<Finding> findings = new ArrayList<>();
        List<Finding> untouched = new ArrayList<>();
        Map<Stage, String> sets = new IdentityHashMap<>();
        int looked = 0;
        int unlooked = 0;
        for (FilmedShot shot : shots) {
            if (!shot.camera().isStaged()) {
                // seen at once
                untouched.addAll(Finding.of(shot, aspect));
                continue;
            }
            Question asked = asked(shot, sets, aspect);
            List<Finding> found = known.getIfPresent(asked);
            if (found == null && looked < AT_ONCE) {
                looked++;
                found = Finding.of(shot, aspect);
                known.put(asked, found);
            }
            if (found == null) {
                unlooked++;
            } else {
                findings.addAll(found);
            }
        }
        findings.addAll(untouched);
        return new Looks(findings, unlooked);
    }

    private static Question asked(FilmedShot shot, Map<Stage, String> sets, double aspect) {
        String set = sets.computeIfAbsent(shot.stage(), Fingerprint::digest);
        return new Question(shot.shot(), shot.camera(), set, aspect);
    }
}
