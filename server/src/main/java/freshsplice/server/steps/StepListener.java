package freshsplice.server.steps;

import freshsplice.server.store.AliveRow;
import jakarta.annotation.PostConstruct;
import jakarta.persistence.EntityManagerFactory;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.hibernate.engine.spi.SessionFactoryImplementor;
import org.hibernate.event.service.spi.EventListenerRegistry;
import org.hibernate.event.spi.EventType;
import org.hibernate.event.spi.PostInsertEvent;
import org.hibernate.event.spi.PostInsertEventListener;
import org.hibernate.event.spi.PostUpdateEvent;
import org.hibernate.event.spi.PostUpdateEventListener;
import org.hibernate.persister.entity.EntityPersister;
import org.springframework.stereotype.Component;

/** Notes every row that Hibernate writes while a step is being made on the same thread. */
@Component
class StepListener implements PostInsertEventListener, PostUpdateEventListener {
    private static final long serialVersionUID = 1L;

    private final transient EntityManagerFactory factory;
    private final transient ThreadLocal<Map<String, ChangedRow>> noted = new ThreadLocal<>();

    StepListener(EntityManagerFactory factory) {
        this.factory = factory;
    }

    @PostConstruct
    void register() {
        EventListenerRegistry registry = factory.unwrap(SessionFactoryImplementor.class)
                .getEventListenerRegistry();
        registry.appendListeners(EventType.POST_INSERT, this);
        registry.appendListeners(EventType.POST_UPDATE, this);
    }

    void begin() {
        noted.set(new LinkedHashMap<>());
    }

    /** Everything since {@link #begin}, in order. */
    List<ChangedRow> end() {
        Map<String, ChangedRow> all = noted.get();
        noted.remove();
        return all == null ? List.of() : List.copyOf(all.values());
    }

    @Override
    public void onPostInsert(PostInsertEvent event) {
        if (noted.get() != null && event.getEntity() instanceof AliveRow) {
            String table = table(event.getPersister());
            long id = (Long) event.getId();
            noted.get().put(table + id, new ChangedRow(table, id, true, Map.of()));
        }
    }

    @Override
    public void onPostUpdate(PostUpdateEvent event) {
        int[] dirty = event.getDirtyProperties();
        boolean editable = event.getEntity() instanceof AliveRow
                || event.getEntity() instanceof freshsplice.server.store.CutRow;
        if (noted.get() == null || dirty == null || !editable) {
            return;
        }
        String table = table(event.getPersister());
        long id = (Long) event.getId();
        Map<String, ChangedRow.Value> values = new HashMap<>();
        for (int index : dirty) {
            String column = Columns.of(event.getPersister().getPropertyNames()[index]);
            if (!column.equals("seq") && !column.equals("row_version")) {
                values.put(column, new ChangedRow.Value(Columns.text(event.getOldState()[index]),
                        Columns.text(event.getState()[index])));
            }
        }
        note(new ChangedRow(table, id, false, values));
    }

    /** Notes a row that was written; what a step changes of one row several times is one change. */
    void note(ChangedRow row) {
        Map<String, ChangedRow> all = noted.get();
        String key = row.table() + row.id();
        ChangedRow before = all == null ? null : all.get(key);
        if (all == null || before != null && before.added()) {
            return;
        }
        if (row.added()) {
            all.put(key, row);
            return;
        }
        Map<String, ChangedRow.Value> values = before == null ? new HashMap<>() : new HashMap<>(before.values());
        row.values().forEach((column, value) -> values.merge(column, value,
                (was, is) -> new ChangedRow.Value(was.before(), is.after())));
        values.values().removeIf(v -> Objects.equals(v.before(), v.after()));
        if (values.isEmpty()) {
            all.remove(key);
        } else {
            all.put(key, new ChangedRow(row.table(), row.id(), false, values));
        }
    }

    private static String table(EntityPersister persister) {
        return Columns.of(persister.getEntityName().replaceAll(".*\\.|Row$", ""));
    }
}
