package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.attribute.FileTime;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Other machines draw as this one does, to the bit. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
@Timeout(400)
@Order(1)
class DrawnAlikeTest {
    @RegisterExtension
    static final DoorForMachines door = new DoorForMachines();

    @Test
    @DisplayName("a machine with another driver draws nothing of a render that was begun, until somebody allows any")
    void driversAreNotMixed() throws Exception {
        OwnProcess first = door.worker("anna");
        LongRender render = door.begunRender();
        first.close();
        Map<String, FileTime> before = render.drawn();
        try (OwnProcess odd = door.oddWorker()) {
            Thread.sleep(3000);
            assertThat(render.drawn()).as("nothing was drawn by it").isEqualTo(before);
            assertThat(render.now(door.client).get("awaits").asString()).isNotEqualTo(odd.line("Draws with ").substring("Draws with ".length()));
            door.client.post("/api/renders/" + render.id + "/any-driver", null);
            render.isWhole(door.client, before);
        }
        assertThat(render.log(door.client)).contains("drawn by odd");
    }

    private static Map<String, byte[]> frames(LongRender render) throws IOException {
        Map<String, byte[]> frames = new TreeMap<>();
        for (String name : render.drawn().keySet()) {
            frames.put(name, Files.readAllBytes(render.frames().resolve(name)));
        }
        return frames;
    }

    /** Last: from then on the server has other settings. */
    @Order(Integer.MAX_VALUE)
    @Test
    @DisplayName("frames of another machine are those of this one to the bit, sent or put into a shared folder; no driver is mixed with them")
    void alikeToTheBit() throws Exception {
        LongRender.Shots shots = LongRender.Shots.made(door.client);
        LongRender sent = LongRender.plain(door.client, door.data, shots);
        try (OwnProcess worker = door.worker("anna")) {
            sent.isWholeAtLast(door.client);
            assertThat(door.client.get("/api/machines").get("machines").get(0).get("driver").asString()).isNotBlank();
        }
        Map<String, byte[]> first = frames(sent);
        assertThat(sent.log(door.client)).contains("drawn by anna");
        door.server.close();
        door.start(DoorForMachines.ELSEWHERE, "fresh-splice.workers-shared=" + door.data.resolve("frames"));
        LongRender put = LongRender.plain(door.client, door.data, shots);
        try (OwnProcess worker = door.worker("berta")) {
            worker.line("Frames are put into ");
            put.isWholeAtLast(door.client);
        }
        Map<String, byte[]> second = frames(put);
        door.server.close();
        door.start();
        LongRender here = LongRender.plain(door.client, door.data, shots);
        here.isWholeAtLast(door.client);
        assertThat(here.log(door.client)).contains("drawn by this machine");
        Map<String, byte[]> third = frames(here);
        assertThat(first).hasSize(LongRender.SHORT);
        third.forEach((name, bytes) -> assertThat(first.get(name)).as(name).isEqualTo(bytes).isEqualTo(second.get(name)));
    }
}
