package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What whoever runs the server looks at. */
@ExtendWith(TestServer.class)
@WholeServer
class HealthTest {
    private final Client client = new Client(TestServer.address(), "Ops");

    @Test
    void theServerSaysThatItAndItsDatabaseAreWell() {
        JsonNode health = client.get("/actuator/health");
        assertThat(health.get("status").asString()).isEqualTo("UP");
        assertThat(health.get("components").get("db").get("status").asString()).isEqualTo("UP");
        assertThat(health.get("components").has("diskSpace")).isTrue();
    }

    @Test
    void itCountsWhatItWasAskedAndShowsNothingElseOfItself() {
        client.get("/api/projects");
        assertThat(client.get("/actuator/metrics/http.server.requests").get("measurements").get(0).get("value").asDouble())
                .isGreaterThan(0);
        assertThat(client.tryGet("/actuator/env").statusCode()).isEqualTo(404);
        assertThat(client.tryGet("/actuator/heapdump").statusCode()).isEqualTo(404);
    }
}
