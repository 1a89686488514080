package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.HashMap;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Pictures of what windows show, at any size. */
@OwnProjects
@ExtendWith(TestServer.class)
class ViewPicturesTest {
    private static final int MATRIX = 16;
    private final Client client = new Client(TestServer.address());
    private long scene;
    private long shot;
    private long frame;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "Views " + System.nanoTime(), Material.clips(1));
        scene = client.get("/api/projects/" + received.project()).get("sceneId").asLong();
        new OnStage(client).scene(scene, "ADD", Map.of("shape", "BOAT", "x", 0, "y", 0, "z", -6, "turn", 30));
        JsonNode clip = client.get("/api/masters/" + received.master()).get("clips").get(0);
        shot = clip.get("shotId").asLong();
        frame = clip.get("shotFirst").asLong();
    }

    /** What the shot's camera sees at its first frame, as a window reads it from its movement. */
    private Map<String, Object> seen(int width, int height) {
        ByteBuffer bake = ByteBuffer.wrap(client.bytes("/api/shots/" + shot + "/bake?from=" + frame + "&frames=1")).order(ByteOrder.LITTLE_ENDIAN);
        int frames = bake.getInt();
        int items = bake.getInt();
        int moving = bake.getInt();
        assertThat(new int[] {frames, moving}).containsExactly(1, 0);
        bake.position(bake.position() + 8);
        float[] places = floats(bake, items * MATRIX);
        floats(bake, 4);
        Map<String, Object> view = new HashMap<>(Map.of("places", places, "view", floats(bake, MATRIX), "projection", floats(bake, MATRIX)));
        view.putAll(Map.of("flat", 0, "focus", 0, "farCircle", 0, "width", width, "height", height));
        return view;
    }

    private static float[] floats(ByteBuffer from, int count) {
        float[] floats = new float[count];
        for (int i = 0; i < count; i++) {
            floats[i] = from.getFloat();
        }
        return floats;
    }

    private BufferedImage picture(String path, Map<String, Object> body) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(client.tryPost(path, body).body()));
    }

    @Test
    @DisplayName("the picture of a shot's camera is to the bit what a render of it draws; larger it is the same, with more pixels")
    void asARenderDrawsIt() throws IOException {
        BufferedImage view = picture("/api/scenes/" + scene + "/picture", seen(320, 180));
        Map<String, Object> recipe = AskedRenders.recipe(Map.of("width", 320, "height", 180, "edges", "FINE"), Map.of(), "PNG8");
        BufferedImage drawn = picture("/api/shots/" + shot + "/trial-frame", Map.of("frame", frame, "recipe", recipe));
        int[] expected = drawn.getRGB(0, 0, 320, 180, null, 0, 320);
        assertThat(view.getRGB(0, 0, 320, 180, null, 0, 320)).isEqualTo(expected);
        assertThat(java.util.Arrays.stream(expected).distinct().count()).as("something is seen").isGreaterThan(100);
        assertThat(picture("/api/scenes/" + scene + "/picture", seen(1280, 720)).getWidth()).isEqualTo(1280);
    }

    @Test
    @DisplayName("windows are told where renders draw what lies on pictures, and of nothing that stands in the set")
    void aidsOnPictures() {
        JsonNode aids = client.get("/api/aids");
        assertThat(aids).extracting(a -> a.get("aid").asString()).containsExactly("SAFE_AREAS", "THIRDS", "CENTRE", "DIAGONALS");
        JsonNode outer = aids.get(0).get("strokes").get(0);
        assertThat(aids.get(0).get("strokes")).as("two boxes").hasSize(8);
        assertThat(outer.get("toX").asDouble() - outer.get("fromX").asDouble()).as("SMPTE ST 2046-1: safe action is 93 %")
                .isCloseTo(0.93, within(1e-9));
    }

    @Test
    @DisplayName("of a flat view there is no sky: what shows nothing is black")
    void flat() throws IOException {
        Map<String, Object> away = seen(64, 36);
        away.put("flat", 500);
        away.put("places", new float[((float[]) away.get("places")).length]);
        BufferedImage picture = picture("/api/scenes/" + scene + "/picture", away);
        assertThat(picture.getRGB(0, 0, 64, 36, null, 0, 64)).containsOnly(0xFF000000);
    }

    @Test
    @DisplayName("a set that is another meanwhile, sizes that cannot be and matrices that are none are refused")
    void refused() {
        Map<String, Object> other = seen(320, 180);
        other.put("places", new float[MATRIX * 50]);
        assertThat(Client.message(client.tryPost("/api/scenes/" + scene + "/picture", other))).contains("The set was changed meanwhile");
        assertThat(client.tryPost("/api/scenes/" + scene + "/picture", seen(9000, 180)).statusCode()).isEqualTo(422);
        Map<String, Object> broken = seen(320, 180);
        broken.put("view", new float[3]);
        assertThat(Client.message(client.tryPost("/api/scenes/" + scene + "/picture", broken))).contains("16 values");
    }
}
