package freshsplice.server.stores.masters;

import java.util.HashSet;
import java.util.Set;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Masters that the transaction under way has written: what is kept of them elsewhere is not true inside it. */
final class WrittenMasters {
    private WrittenMasters() {
    }

    @SuppressWarnings("unchecked")
    static Set<Long> here() {
        Object there = TransactionSynchronizationManager.getResource(WrittenMasters.class);
        return there == null ? Set.of() : (Set<Long>) there;
    }

    static void add(long masterId) {
        if (TransactionSynchronizationManager.getResource(WrittenMasters.class) == null) {
            TransactionSynchronizationManager.bindResource(WrittenMasters.class, new HashSet<Long>());
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCompletion(int status) {
                    TransactionSynchronizationManager.unbindResource(WrittenMasters.class);
                }
            });
        }
        here().add(masterId);
    }
}
