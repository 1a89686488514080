package freshsplice.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import jakarta.persistence.Table;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import tools.jackson.databind.JsonNode;

/** No type, package, table, address, exported name of the window or label is one that docs/glossary.md has on its right side. */
@Execution(ExecutionMode.CONCURRENT)
class GlossaryTest {
    private static final Path GLOSSARY = Path.of("..", "docs", "glossary.md");
    private static final Path WINDOW = Path.of("..", "web", "src");
    private static final Pattern EXPORTED = Pattern.compile("(?m)^export (?:default )?(?:async )?(?:function|const|type|interface|class) (\\w+)");
    private static final Pattern QUOTED = Pattern.compile("'([^'\\n]{2,60})'|\"([^\"\\n]{2,60})\"|>\\s*([^<>{}\\n]{2,60}?)\\s*<");

    /** Types and packages by their full names. */
    private static final Set<String> JAVA = new HashSet<>();
    /** Simple names of types, exported names of the window, tables, parts of addresses. */
    private static final Set<String> NAMES = new HashSet<>();
    private static final Set<String> LABELS = new HashSet<>();

    @BeforeAll
    static void gather() throws IOException {
        for (JavaClass type : ArchitectureTest.ALL) {
            JAVA.add(type.getName().replace('$', '.'));
            JAVA.add(type.getPackageName());
            NAMES.add(type.getSimpleName());
            NAMES.addAll(List.of(type.getPackageName().split("\\.")));
            type.tryGetAnnotationOfType(Table.class).ifPresent(table -> NAMES.add(table.name()));
        }
        JsonNode description = Client.JSON.readTree(Files.readString(Path.of("..", "docs", "openapi.json")));
        description.get("paths").propertyNames().forEach(path -> NAMES.addAll(Arrays.asList(path.split("/"))));
        try (Stream<Path> files = Files.walk(WINDOW)) {
            for (Path file : files.filter(f -> f.toString().matches(".*\\.tsx?") && !f.toString().matches(".*(\\.test\\.tsx?|\\.d\\.ts)")).toList()) {
                String text = Files.readString(file);
                EXPORTED.matcher(text).results().forEach(found -> NAMES.add(found.group(1)));
                QUOTED.matcher(text).results().forEach(found -> LABELS.add(label(found.group(found.group(1) != null ? 1 : found.group(2) != null ? 2 : 3))));
                String path = WINDOW.relativize(file).toString();
                NAMES.add(path.substring(0, path.lastIndexOf('.')));
            }
        }
    }

    private static String label(String words) {
        return words.replace("…", "").strip().toLowerCase(Locale.ROOT);
    }

    @Test
    @DisplayName("no name is one that the dictionary rules out, but for those that it lists as exceptions or as still to be renamed")
    void noNameThatIsRuledOut() throws IOException {
        Set<String> used = new TreeSet<>();
        ruledOut().stream().filter(GlossaryTest::isUsed).forEach(used::add);
        Set<String> open = listed("## Still to be renamed");
        assertThat(open).as("names that are gone: take them from the list of what is still to be renamed").isSubsetOf(used);
        used.removeAll(open);
        used.removeAll(listed("## Exceptions"));
        assertThat(used).as("names that docs/glossary.md rules out").isEmpty();
    }

    /** Names of the right column, as they stand there, without what is said of them in brackets. */
    private static List<String> ruledOut() throws IOException {
        return Files.readAllLines(GLOSSARY).stream().takeWhile(line -> !line.equals("## Words of our own"))
                .filter(line -> line.startsWith("|")).map(line -> line.split("\\|"))
                .filter(cells -> cells.length > 3 && !cells[3].strip().equals("not") && !cells[3].strip().startsWith("-"))
                .flatMap(cells -> names(cells[3])).toList();
    }

    private static Stream<String> names(String cell) {
        return Arrays.stream(cell.replaceAll("\\([^)]*\\)", "").split(",")).map(String::strip).filter(name -> !name.isEmpty());
    }

    private static boolean isUsed(String name) {
        if (name.startsWith("\"")) {
            return LABELS.contains(label(name.replace("\"", "")));
        }
        return NAMES.contains(name) || name.contains(".") && JAVA.stream().anyMatch(full -> full.endsWith("." + name));
    }

    private static Set<String> listed(String heading) throws IOException {
        String text = Files.readString(GLOSSARY);
        Matcher part = Pattern.compile(Pattern.quote(heading) + "\\n(.*?)(?=\\n## |\\z)", Pattern.DOTALL).matcher(text);
        return !part.find() ? Set.of() : part.group(1).lines().filter(line -> line.startsWith("| ") && !line.startsWith("| name ")).map(line -> line.split("\\|")[1])
                .flatMap(GlossaryTest::names).collect(Collectors.toSet());
    }
}
