package freshsplice.server.steps;

import freshsplice.server.rows.OutsideSteps;
import freshsplice.server.rows.Undoable;
import jakarta.persistence.EntityManagerFactory;
import java.lang.reflect.Field;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hibernate.engine.spi.SessionFactoryImplementor;
import org.hibernate.metamodel.mapping.AttributeMapping;
import org.hibernate.metamodel.mapping.SelectableMapping;
import org.hibernate.persister.entity.EntityPersister;
import org.springframework.stereotype.Component;

/** The tables that steps may touch, read from Hibernate's own metadata. */
@Component
class UndoableTables {
    private final Map<String, UndoableTable> byName = new HashMap<>();
    private final Map<String, UndoableTable> byEntity = new HashMap<>();
    private final Map<String, List<UndoableColumn>> byPlace = new HashMap<>();

    UndoableTables(EntityManagerFactory factory) {
        factory.unwrap(SessionFactoryImplementor.class).getMappingMetamodel().forEachEntityDescriptor(entity -> {
            if (Undoable.class.isAssignableFrom(entity.getMappedClass())) {
                add(entity);
            }
        });
    }

    private void add(EntityPersister entity) {
        List<UndoableColumn> columns = new ArrayList<>();
        List<UndoableColumn> places = new ArrayList<>();
        for (int place = 0; place < entity.getNumberOfAttributeMappings(); place++) {
            AttributeMapping attribute = entity.getAttributeMapping(place);
            UndoableColumn column = isOutside(entity.getMappedClass(), attribute.getAttributeName()) ? null : column(attribute);
            places.add(column);
            if (column != null) {
                columns.add(column);
            }
        }
        UndoableTable table = new UndoableTable(entity.getIdentifierTableName(), columns);
        byName.put(table.name(), table);
        byEntity.put(entity.getEntityName(), table);
        byPlace.put(entity.getEntityName(), places);
    }

    private static UndoableColumn column(AttributeMapping attribute) {
        SelectableMapping only = attribute.asBasicValuedModelPart();
        if (only == null) {
            throw new IllegalStateException("Steps cannot take back " + attribute.getNavigableRole() + ": it is no single column");
        }
        return new UndoableColumn(only.getSelectionExpression(), only.getJdbcMapping());
    }

    private static boolean isOutside(Class<?> type, String property) {
        for (Class<?> at = type; at != null; at = at.getSuperclass()) {
            for (Field field : at.getDeclaredFields()) {
                if (field.getName().equals(property)) {
                    return field.isAnnotationPresent(OutsideSteps.class);
                }
            }
        }
        return false;
    }

    /** The table of an entity, if steps take it back. */
    Optional<UndoableTable> of(EntityPersister entity) {
        return Optional.ofNullable(byEntity.get(entity.getEntityName()));
    }

    /** The column at a place among an entity's properties; none for what undo leaves as it is. */
    Optional<UndoableColumn> column(EntityPersister entity, int place) {
        return Optional.ofNullable(byPlace.get(entity.getEntityName()).get(place));
    }

    /** @throws IllegalStateException if steps do not touch such a table */
    UndoableTable named(String table) {
        UndoableTable found = byName.get(table);
        if (found == null) {
            throw new IllegalStateException("A step names the table " + table + ", which steps do not touch");
        }
        return found;
    }
}
