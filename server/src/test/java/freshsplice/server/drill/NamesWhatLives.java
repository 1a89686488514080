package freshsplice.server.drill;

import freshsplice.server.TestServer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;

/** Nothing of the project that lives names something that was taken away, by any of the database's own references. */
final class NamesWhatLives implements Watch.Check {
    private static final int FARTHEST = 6;

    /** A column of a table that names a row of another. */
    private record Reference(String table, String column, String named) {
    }

    private final JdbcTemplate jdbc = TestServer.bean(JdbcTemplate.class);
    private final List<Reference> all = jdbc.query("select table_name, column_name, referenced_table_name from information_schema.key_column_usage "
            + "where table_schema = database() and referenced_table_name is not null order by table_name, column_name",
            (row, i) -> new Reference(row.getString(1), row.getString(2), row.getString(3)));
    private final List<String> canGo = jdbc.queryForList("select table_name from information_schema.columns where table_schema = database() "
            + "and column_name = 'alive'", String.class);
    private final Map<Reference, String> questions = new LinkedHashMap<>();

    NamesWhatLives() {
        all.stream().filter(r -> canGo.contains(r.table()) && canGo.contains(r.named())).forEach(r -> questions.put(r, question(r)));
        if (questions.isEmpty()) {
            throw new IllegalStateException("The database says of no row what it names");
        }
    }

    private String question(Reference reference) {
        StringBuilder sql = new StringBuilder("select a.id from `" + reference.table() + "` a join `" + reference.named() + "` b on b.id = a.`"
                + reference.column() + "`");
        String last = "a";
        List<Reference> way = wayToProject(reference.table());
        for (int i = 0; i < way.size(); i++) {
            sql.append(" join `").append(way.get(i).named()).append("` p").append(i).append(" on p").append(i).append(".id = ").append(last).append(".`")
                    .append(way.get(i).column()).append('`');
            last = "p" + i;
        }
        return sql.append(" where a.alive = 1 and b.alive is null and ").append(last).append(".id = ? limit 1").toString();
    }

    /** The shortest way from a table to the project that its rows belong to. */
    private List<Reference> wayToProject(String table) {
        List<List<Reference>> ways = List.of(List.of());
        for (int i = 0; i < FARTHEST; i++) {
            List<List<Reference>> longer = new ArrayList<>();
            for (List<Reference> way : ways) {
                String at = way.isEmpty() ? table : way.get(way.size() - 1).named();
                if (at.equals("project")) {
                    return way;
                }
                all.stream().filter(r -> r.table().equals(at)).forEach(r -> {
                    List<Reference> further = new ArrayList<>(way);
                    further.add(r);
                    longer.add(further);
                });
            }
            ways = longer;
        }
        throw new IllegalStateException("Nothing leads from " + table + " to its project");
    }

    @Override
    public void look(World world, Touched touched) {
        questions.forEach((reference, sql) -> {
            List<Map<String, Object>> broken = jdbc.queryForList(sql, world.id());
            if (!broken.isEmpty()) {
                throw new Finding("nothing that lives names what was taken away", reference.table() + " " + broken.get(0).get("id") + " names by "
                        + reference.column() + " a " + reference.named() + " that is gone");
            }
        });
    }
}
