package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

@ExtendWith(TestServer.class)
class DescriptionTest {
    /** To renew it: {@code curl http://localhost:8040/api/openapi | python3 -m json.tool > docs/openapi.json}. */
    @Test
    void theKeptDescriptionOfTheInterfaceIsCurrent() throws IOException {
        Client client = new Client(TestServer.address());
        assertThat(client.get("/api/openapi"))
                .isEqualTo(Client.JSON.readTree(Files.readString(Path.of("../docs/openapi.json"))));
    }
}
