package freshsplice.server.steps;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import org.hibernate.metamodel.mapping.JdbcMapping;
import org.hibernate.type.descriptor.WrapperOptions;
import org.hibernate.type.descriptor.java.JavaType;

/**
 * A column that steps take back. Its values are what the database has (a number, a flag, a text, an instant), never what the
 * application makes of them; how they are written as text and given back is Hibernate's own way for their type.
 */
record UndoableColumn(String name, JdbcMapping mapping) {
    /** A property's value as the database has it. */
    Object ofProperty(Object value) {
        Object held = mapping.convertToRelationalValue(value);
        return held instanceof Enum<?> constant ? constant.name() : held;
    }

    /** A value as text of any length; null for none. */
    String text(Object value) {
        return value == null ? null : value instanceof String text ? text : type().toString(value);
    }

    /** A value that {@link #text} wrote. */
    Object value(String text) {
        return text == null ? null : isConstant() ? text : type().fromString(text);
    }

    void set(PreparedStatement statement, int index, String text, WrapperOptions session) throws SQLException {
        Object value = value(text);
        if (isConstant()) {
            statement.setString(index, (String) value);
        } else {
            bind(statement, index, value, session);
        }
    }

    @SuppressWarnings("unchecked") // the binder is the one for values of this type
    private void bind(PreparedStatement statement, int index, Object value, WrapperOptions session) throws SQLException {
        mapping.getJdbcValueBinder().bind(statement, value, index, session);
    }

    private boolean isConstant() {
        return type().getJavaTypeClass().isEnum();
    }

    @SuppressWarnings("unchecked") // only ever given what it made, or what Hibernate read with it
    private JavaType<Object> type() {
        return (JavaType<Object>) mapping.getJdbcJavaType();
    }
}
