package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.StreamSupport;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Contact sheets of chosen shots. */
@ExtendWith(TestServer.class)
class SheetTest {
    private static final int GROUND = 0x203040;

    private final Client client = new Client(TestServer.address());
    private long project;
    private List<Long> shots;

    @BeforeEach
    void receive() throws IOException {
        Received received = Received.of(client, "Sheets " + System.nanoTime(), Material.clips(7));
        project = received.project();
        shots = StreamSupport.stream(client.get("/api/masters/" + received.master()).get("clips").spliterator(), false).map(s -> s.get("shotId").asLong()).toList();
    }

    private Map<String, Object> ask(int width, int height, int columns, List<Long> chosen) {
        Map<String, Object> sheet = Map.of("width", width, "height", height, "margin", 20, "columns", columns, "gap", 10, "corner", 12, "caption", 30, "background",
                "#203040");
        return new HashMap<>(Map.of("shotIds", chosen, "when", "FIRST", "sheet", sheet, "captions", List.of("SHOT", "LENS"), "pdf", true));
    }

    private JsonNode made(String name) throws InterruptedException {
        for (int i = 0; i < 600; i++) {
            for (JsonNode sheet : client.get("/api/projects/" + project + "/sheets")) {
                if (sheet.get("name").asString().equals(name)) {
                    return sheet;
                }
            }
            Thread.sleep(50);
        }
        throw new AssertionError("There is no sheet: " + client.get("/api/projects/" + project + "/tasks"));
    }

    private String file(String sheet, String name) {
        return "/api/projects/" + project + "/sheets/" + sheet + "/" + name;
    }

    private BufferedImage picture(String sheet, String name) throws IOException {
        return ImageIO.read(new ByteArrayInputStream(client.bytes(file(sheet, name))));
    }

    @Test
    @DisplayName("it says how many fit, draws pictures where they were said to lie, with captions, and parts them over pages, as PNG and PDF")
    void sheet() throws Exception {
        Map<String, Object> ask = ask(900, 500, 3, shots);
        JsonNode layout = client.post("/api/projects/" + project + "/sheets/layout", ask);
        assertThat(layout.get("words").asString()).contains("3 columns need").contains("pixels for 7 pictures, the page has 500");
        assertThat(layout.get("pages").asInt()).isEqualTo(2);
        String name = client.post("/api/projects/" + project + "/sheets", ask).get("name").asString();
        assertThat(name).isEqualTo("sheet_v001");
        JsonNode made = made(name);
        assertThat(StreamSupport.stream(made.get("files").spliterator(), false).map(JsonNode::asString)).containsExactly("sheet_v001.01.png", "sheet_v001.02.png",
                "sheet_v001.pdf");
        BufferedImage page = picture(name, "sheet_v001.01.png");
        assertThat(page.getWidth()).isEqualTo(900);
        assertThat(page.getHeight()).isEqualTo(500);
        int wide = (900 - 2 * 20 - 2 * 10) / 3;
        for (int column = 0; column < 3; column++) {
            int left = 20 + column * (wide + 10);
            assertThat(page.getRGB(left + wide / 2, 60) & 0xFFFFFF).as("column %d has a picture", column).isNotEqualTo(GROUND);
            assertThat(page.getRGB(left, 20) & 0xFFFFFF).as("its corner is round").isEqualTo(GROUND);
            assertThat(page.getRGB(left + wide + 5, 60) & 0xFFFFFF).as("beside it is the ground").isEqualTo(GROUND);
            int under = 20 + Math.round(wide * 9 / 16f);
            assertThat(java.util.stream.IntStream.range(left, left + wide).anyMatch(x -> java.util.stream.IntStream.range(under + 4, under + 28).anyMatch(y ->
                    (page.getRGB(x, y) & 0xFF) > 150))).as("there are words below it").isTrue();
        }
        try (PdfReader pdf = new PdfReader(client.bytes(file(name, "sheet_v001.pdf")))) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(2);
            assertThat(pdf.getPageSize(1).getWidth()).as("150 dots an inch, 72 points").isEqualTo(432);
        }
        assertThat(client.post("/api/projects/" + project + "/sheets", ask(900, 900, 0, shots.subList(0, 1))).get("name").asString()).isEqualTo("sheet_v002");
        made("sheet_v002");
    }

    /** What is said of a sheet that is refused. */
    private String words(Map<String, Object> ask) {
        HttpResponse<byte[]> answer = client.tryPost("/api/projects/" + project + "/sheets", ask);
        assertThat(answer.statusCode()).isEqualTo(422);
        return new String(answer.body(), StandardCharsets.UTF_8);
    }

    @Test
    @DisplayName("what cannot be is said, and no file is reached but those of its sheets")
    void refused() {
        assertThat(words(ask(900, 700, 3, List.of()))).contains("A sheet has at least one picture");
        assertThat(words(ask(90, 700, 3, shots))).isEqualTo("{\"message\":\"A sheet has 200 to 8192 pixels a side, not 90 x 700\"}");
        assertThat(words(ask(900, 60000, 3, shots))).contains("not 900 x 60000");
        Map<String, Object> bare = ask(900, 500, 3, shots);
        bare.remove("sheet");
        assertThat(client.tryPost("/api/projects/" + project + "/sheets", bare).statusCode()).isEqualTo(422);
        assertThat(client.tryGet(file("..", "x")).statusCode()).isIn(400, 404);
        assertThat(client.tryGet(file("sheet_v009", "..%2Fx")).statusCode()).isIn(400, 404);
        assertThat(client.get("/api/projects/" + project + "/sheets")).isEmpty();
    }
}
