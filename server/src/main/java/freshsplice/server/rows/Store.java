package freshsplice.server.rows;

import freshsplice.server.refusals.NotThere;
import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Component;

/** Finding rows. What was taken away is not found. */
@Component
public class Store {
    private final EntityManager entities;

    public Store(EntityManager entities) {
        this.entities = entities;
    }

    /** @throws NotThere if there is none, or it was taken away */
    public <T extends Row> T get(Class<T> type, long id) {
        T row = entities.find(type, id);
        if (row == null || row instanceof AliveRow alive && alive.alive == null) {
            throw new NotThere("There is no such " + type.getSimpleName().replace("Row", "").toLowerCase(Locale.ROOT)
                    + " any more: it may have been undone in another window");
        }
        return row;
    }

    /** Living rows whose field has a value, by id. */
    public <T extends Row> List<T> where(Class<T> type, String field, Object value) {
        return entities.createQuery(from(type) + "r." + field + " = :value order by r.id", type)
                .setParameter("value", value).getResultList();
    }

    /** Living rows whose field has one of some values, by id. */
    public <T extends Row> List<T> all(Class<T> type) {
        return entities.createQuery("from " + type.getName(), type).getResultList();
    }

    public <T extends Row> List<T> whereIn(Class<T> type, String field, List<Long> values) {
        return values.isEmpty() ? List.of()
                : entities.createQuery(from(type) + "r." + field + " in :values order by r.id", type)
                .setParameter("values", values).getResultList();
    }

    /**
     * Living rows that belong to rows of another table whose field has a value, by id: one question of one length, however many
     * those are.
     *
     * @param by field that names the owner's id
     */
    public <T extends Row> List<T> ofOwners(Class<T> type, String by, Class<? extends Row> owner, String field, Object value) {
        return entities.createQuery(from(type) + "r." + by + " in (select o.id from " + owner.getSimpleName() + " o where "
                        + living(owner, "o") + "o." + field + " = :value) order by r.id", type)
                .setParameter("value", value).getResultList();
    }

    private static String from(Class<?> type) {
        return "select r from " + type.getSimpleName() + " r where " + living(type, "r");
    }

    private static String living(Class<?> type, String as) {
        return AliveRow.class.isAssignableFrom(type) ? as + ".alive = true and " : "";
    }

    public <T extends Row> T add(T row) {
        entities.persist(row);
        return row;
    }

    /** Takes a row away with all that is nothing without it. */
    public void remove(AliveRow row) {
        removeAll(List.of(row));
    }

    /** The same of many rows of one table. */
    public void removeAll(List<? extends AliveRow> rows) {
        if (!rows.isEmpty()) {
            List<Long> ids = rows.stream().map(row -> row.id).toList();
            Belongings.of(rows.get(0)).forEach(of -> removeAll(whereIn(of.type(), of.by(), ids)));
            rows.forEach(row -> row.alive = null);
        }
    }

    public EntityManager entities() {
        return entities;
    }
}
