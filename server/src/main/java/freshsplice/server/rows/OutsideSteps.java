package freshsplice.server.rows;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * A table, or a column, that undo leaves as it is. Every table is either one of these or {@link Undoable}, so that whoever
 * adds one has to say which.
 */
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.FIELD})
public @interface OutsideSteps {
    /** Why. */
    String value();
}
