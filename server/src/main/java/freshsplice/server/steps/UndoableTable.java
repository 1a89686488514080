package freshsplice.server.steps;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** A table whose rows steps take back: its columns by name, as Hibernate has mapped them. */
final class UndoableTable {
    private final String name;
    private final Map<String, UndoableColumn> columns;

    UndoableTable(String name, List<UndoableColumn> columns) {
        this.name = name;
        this.columns = columns.stream().collect(Collectors.toMap(UndoableColumn::name, Function.identity()));
    }

    String name() {
        return name;
    }

    /** Whether its rows live and are taken away, so that undo can take a new one back. */
    boolean hasLives() {
        return columns.containsKey("alive");
    }

    /** @throws IllegalStateException if steps do not touch such a column: names are put into SQL, so only these ever are */
    UndoableColumn column(String column) {
        UndoableColumn found = columns.get(column);
        if (found == null) {
            throw new IllegalStateException("A step names the column " + column + " of " + name + ", which steps do not touch");
        }
        return found;
    }
}
