package freshsplice.server.rows;

import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Reads what takes several questions as of one moment, whatever others write meanwhile. */
@Component
public class Snapshot {
    private final TransactionTemplate reading;

    Snapshot(PlatformTransactionManager transactions) {
        reading = new TransactionTemplate(transactions);
        reading.setReadOnly(true);
    }

    /** What some questions give, all asked of the same moment. */
    public <T> T read(Supplier<T> questions) {
        return reading.execute(status -> questions.get());
    }
}
