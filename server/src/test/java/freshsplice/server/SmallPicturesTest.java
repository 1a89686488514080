package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** Small pictures for the tracks are drawn once, and anew only when what they show has changed. */
@ExtendWith(TestServer.class)
@WholeServer
class SmallPicturesTest {
    private final Client client = new Client(TestServer.address());

    private HttpResponse<byte[]> picture(long shot, String tag) {
        return client.send(client.to("/api/shots/" + shot + "/picture?frame=1005")
                .header("If-None-Match", tag == null ? "none" : tag));
    }

    @Test
    @DisplayName("the same picture is not sent again; a moved camera is drawn anew, moved back it is the old one")
    void drawnWhenStale() throws IOException {
        long project = client.post("/api/projects", Map.of("name", "Small")).get("id").asLong();
        long master = client.post("/api/projects/" + project + "/masters", Map.of("name", "Reel", "shots", 2, "frames", 24))
                .asLong();
        long shot = client.get("/api/masters/" + master).get("clips").get(0).get("shotId").asLong();
        new OnStage(client).set(shot, 1001, Map.of("x", 0, "y", 1.5, "z", 8));
        HttpResponse<byte[]> first = picture(shot, null);
        assertThat(first.statusCode()).isEqualTo(200);
        assertThat(ImageIO.read(new ByteArrayInputStream(first.body())).getWidth()).isEqualTo(240);
        String tag = first.headers().firstValue("ETag").orElseThrow();
        assertThat(picture(shot, tag).statusCode()).isEqualTo(304);
        // an edit of the master is none of the camera's
        client.post("/api/masters/" + master + "/edits", Map.of("kind", "EXTRACT", "clips",
                List.of(client.get("/api/masters/" + master).get("clips").get(1).get("id").asLong())));
        assertThat(picture(shot, tag).statusCode()).isEqualTo(304);
        new OnStage(client).set(shot, 1001, Map.of("tilt", -30.0));
        HttpResponse<byte[]> moved = picture(shot, tag);
        assertThat(moved.statusCode()).isEqualTo(200);
        assertThat(moved.body()).isNotEqualTo(first.body());
        client.post("/api/projects/" + project + "/undo", null);
        assertThat(picture(shot, tag).statusCode()).isEqualTo(304);
    }
}
