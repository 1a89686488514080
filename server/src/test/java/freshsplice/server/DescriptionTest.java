package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

@ExtendWith(TestServer.class)
@WholeServer
class DescriptionTest {
    /** To renew it: {@code cp server/target/openapi.json docs/}, then {@code npm run build} in web. */
    @Test
    void theKeptDescriptionOfTheInterfaceIsCurrent() throws IOException {
        JsonNode now = new Client(TestServer.address()).get("/api/openapi");
        Files.writeString(Path.of("target/openapi.json"),
                Client.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(now));
        assertThat(now).isEqualTo(Client.JSON.readTree(Files.readString(Path.of("../docs/openapi.json"))));
    }
}
