package freshsplice.server.steps;

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
import org.springframework.stereotype.Component;

/** Notes every row that Hibernate writes while a step is being made on the same thread. */
@Component
class StepListener implements PostInsertEventListener, PostUpdateEventListener {
    private static final long serialVersionUID = 1L;

    private final transient EntityManagerFactory factory;
    private final transient UndoableTables tables;
    private final transient ThreadLocal<Map<String, ChangedRow>> noted = new ThreadLocal<>();

    StepListener(EntityManagerFactory factory, UndoableTables tables) {
        this.tables = tables;
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
        if (noted.get() == null) {
            return;
        }
        tables.of(event.getPersister()).filter(UndoableTable::hasLives).ifPresent(table ->
                note(new ChangedRow(table.name(), (Long) event.getId(), true, Map.of())));
    }

    @Override
    public void onPostUpdate(PostUpdateEvent event) {
        if (noted.get() != null && event.getDirtyProperties() != null) {
            tables.of(event.getPersister()).ifPresent(table ->
                    note(new ChangedRow(table.name(), (Long) event.getId(), false, changed(event))));
        }
    }

    private Map<String, ChangedRow.Value> changed(PostUpdateEvent event) {
        Map<String, ChangedRow.Value> values = new HashMap<>();
        for (int place : event.getDirtyProperties()) {
            tables.column(event.getPersister(), place).ifPresent(column -> values.put(column.name(), new ChangedRow.Value(
                    column.ofProperty(event.getOldState()[place]), column.ofProperty(event.getState()[place]))));
        }
        return values;
    }

    private static boolean diesBy(ChangedRow row) {
        ChangedRow.Value alive = row.values().get("alive");
        return alive != null && alive.after() == null;
    }

    /** Notes a row that was written; what a step changes of one row several times is one change. */
    void note(ChangedRow row) {
        Map<String, ChangedRow> all = noted.get();
        String key = row.table() + row.id();
        ChangedRow before = all == null ? null : all.get(key);
        if (all == null) {
            return;
        }
        if (before != null && before.added()) {
            if (diesBy(row)) {
                // it was never there before the step nor after it: doing the step again must not bring it to life
                all.remove(key);
            }
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
}
