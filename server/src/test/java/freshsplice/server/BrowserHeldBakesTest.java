package freshsplice.server;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.BoundingBox;
import freshsplice.core.camera.CameraPose.Place;
import freshsplice.core.stage.Matrix;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Random;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A camera is steered while the window is told late how it moves: answers come before, between and after the steps of a gesture. */
class BrowserHeldBakesTest extends InMaster {
    private static final int STEPS = 50;
    private static final JsonMapper JSON = new JsonMapper();
    /** Of what is focused on 5 metres away: a wheel's pixel, a key, a pixel of a drag (useSteering). */
    private static final double WHEEL = 0.006;
    private static final double KEY = 5 / 12.0;
    private static final double DRAG = 0.0075;

    private final Deque<Route> held = new ArrayDeque<>();
    private final List<double[]> written = new ArrayList<>();

    private Place pose() {
        JsonNode pose = client.get("/api/shots/" + view().get("clips").get(0).get("shotId").asLong() + "/camera?frame=1001").get("pose");
        double[] v = Arrays.stream(new String[] {"x", "y", "z", "pan", "tilt", "roll"}).mapToDouble(c -> pose.get(c).asDouble()).toArray();
        return new Place(v[0], v[1], v[2], v[3], v[4], v[5]);
    }

    private static boolean isNear(double[] one, double[] other) {
        return Math.abs(one[0] - other[0]) + Math.abs(one[1] - other[1]) + Math.abs(one[2] - other[2]) < 0.02;
    }

    private void letOneGo() {
        Route oldest = held.poll();
        if (oldest != null) {
            oldest.resume();
        }
    }

    private void drag(int right) {
        BoundingBox frame = page.locator("[data-frame=delivery]").boundingBox();
        double x = Math.round(frame.x + frame.width / 2);
        double y = Math.round(frame.y + frame.height / 2);
        page.mouse().move(x, y);
        page.keyboard().down("Shift");
        page.mouse().down();
        page.mouse().move(x - right / 2.0, y);
        page.mouse().move(x - right, y);
        page.mouse().up();
        page.keyboard().up("Shift");
    }

    @ParameterizedTest(name = "{0}")
    @ValueSource(strings = {"wheel", "key", "drag", "all"})
    void everyStepIsWrittenOnceInOrder(String kind) throws IOException {
        begin("Held " + kind);
        view("Stage");
        page.locator("[data-picture=camera][data-drawn=whole]").waitFor();
        keys("v");
        assertThat(page.locator("[data-steering=true]")).isVisible();
        Place before = pose();
        page.onRequest(request -> {
            if (request.url().endsWith("/camera/edits")) {
                JsonNode placed = JSON.readTree(request.postData()).get("placed");
                written.add(before.matrix().rigidInverse().apply(placed.get(12).asDouble(), placed.get(13).asDouble(), placed.get(14).asDouble()));
            }
        });
        page.route("**/bake*", held::add);
        BoundingBox frame = page.locator("[data-frame=delivery]").boundingBox();
        page.mouse().move(frame.x + frame.width / 2, frame.y + frame.height / 2);
        Random random = new Random(7);
        double ahead = 0;
        double right = 0;
        for (int i = 0; i < STEPS; i++) {
            switch (kind.equals("all") ? List.of("wheel", "key", "drag").get(random.nextInt(3)) : kind) {
                case "wheel" -> {
                    page.mouse().wheel(0, -10);
                    ahead += 10 * WHEEL;
                }
                case "key" -> {
                    keys("w");
                    ahead += KEY;
                }
                default -> {
                    drag(20);
                    right += 20 * DRAG;
                }
            }
            if (random.nextInt(3) == 0) {
                // at whatever moment of the rest
                page.waitForTimeout(random.nextInt(400));
            }
            if (random.nextInt(2) == 0) {
                letOneGo();
            }
        }
        double[] wanted = {right, 0, -ahead};
        Matrix there = before.matrix().times(Matrix.translation(right, 0, -ahead)).rigidInverse();
        // both what the server has and what was sent: the browser tells of a request when it comes to that
        waitUntil(() -> {
            letOneGo();
            return isNear(there.apply(pose().x(), pose().y(), pose().z()), new double[3])
                    && !written.isEmpty() && isNear(written.get(written.size() - 1), wanted);
        });
        for (int i = 1; i < written.size(); i++) {
            Assertions.assertThat(written.get(i)[0]).as("right, write %d", i).isGreaterThanOrEqualTo(written.get(i - 1)[0] - 1e-3);
            Assertions.assertThat(-written.get(i)[2]).as("ahead, write %d", i).isGreaterThanOrEqualTo(-written.get(i - 1)[2] - 1e-3);
        }
        page.unroute("**/bake*");
        while (!held.isEmpty()) {
            letOneGo();
        }
    }
}
