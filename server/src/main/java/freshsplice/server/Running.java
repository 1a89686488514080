package freshsplice.server;

import freshsplice.server.database.OwnDatabase;
import org.springframework.context.ConfigurableApplicationContext;

/** A running application. @param port what it listens on */
record Running(ConfigurableApplicationContext context, OwnDatabase database, int port) implements AutoCloseable {
    @Override
    public void close() {
        context.close();
        database.close();
    }
}
