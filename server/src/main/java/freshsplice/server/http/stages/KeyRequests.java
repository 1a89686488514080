package freshsplice.server.http.stages;

import freshsplice.core.motion.Easing;
import freshsplice.server.refusals.Refused;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;

/** Keys as they are asked for, of cameras and of things alike. */
final class KeyRequests {
    private KeyRequests() {
    }

    /** Keys at one frame. @param values by channel name, lower case */
    record SetKeys(long frame, Map<String, Double> values, @Schema(nullable = true, allowableValues = {"STRAIGHT", "EASED", "STEPPED"}) String easing) {
    }

    record RemoveKeys(long frame, List<String> channels) {
    }

    record MoveKeys(long from, long to) {
    }

    /** How a key goes on: softly where nobody says. */
    static Easing easing(String given) {
        return given == null ? Easing.EASED : Easing.parse(given);
    }

    /** @throws Refused if there was no key to move */
    static Object moved(boolean any, MoveKeys move) {
        if (!any) {
            throw new Refused("There is no key at frame " + move.from() + " any more");
        }
        return null;
    }
}
