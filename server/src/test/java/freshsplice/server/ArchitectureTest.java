package freshsplice.server;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideOutsideOfPackages;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.methods;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.domain.JavaMethod;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.lang.ArchCondition;
import com.tngtech.archunit.lang.ConditionEvents;
import com.tngtech.archunit.lang.SimpleConditionEvent;
import com.tngtech.archunit.library.dependencies.SliceAssignment;
import com.tngtech.archunit.library.dependencies.SliceIdentifier;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import freshsplice.server.steps.Asker;
import freshsplice.server.steps.Steps;
import jakarta.validation.Valid;
import org.junit.jupiter.api.DisplayName;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;

/** The arrows run one way: server → render, exchange → core; the core knows the JDK alone. */
@Execution(ExecutionMode.CONCURRENT)
class ArchitectureTest {
    static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            // what the build writes to put the application's parts together
            .withImportOption(location -> !location.contains("__") && !location.contains("$$SpringCGLIB")).importPackages("freshsplice");

    @Test
    void theCoreImportsNothingButTheJdk() {
        classes().that().resideInAPackage("freshsplice.core..").should().onlyDependOnClassesThat()
                .resideInAnyPackage("freshsplice.core..", "java..").check(ALL);
    }

    @Test
    void theCoreReadsNoFilesNoClockAndNoNetwork() {
        noClasses().that().resideInAPackage("freshsplice.core..").should().dependOnClassesThat()
                .resideInAnyPackage("java.io..", "java.nio.file..", "java.net..", "java.sql..", "java.time..").check(ALL);
    }

    @Test
    void readersAndTheRendererKnowTheCoreAlone() {
        noClasses().that().resideInAPackage("freshsplice.exchange..").should().dependOnClassesThat()
                .resideInAnyPackage("freshsplice.render..", "freshsplice.server..").check(ALL);
        noClasses().that().resideInAPackage("freshsplice.render..").should().dependOnClassesThat()
                .resideInAnyPackage("freshsplice.exchange..", "freshsplice.server..").check(ALL);
    }

    @Test
    void aMachineThatDrawsKnowsNoProject() {
        noClasses().that().resideInAPackage("freshsplice.worker..").should().dependOnClassesThat()
                .resideInAnyPackage("freshsplice.exchange..", "freshsplice.server..", "org.springframework..", "java.sql..").check(ALL);
    }

    @Test
    @DisplayName("no package of any module is part of a circle")
    void noCircles() {
        SlicesRuleDefinition.slices().assignedFrom(PACKAGES).should().beFreeOfCycles().check(ALL);
    }

    @ParameterizedTest
    @ValueSource(strings = {"core", "exchange", "server"})
    @DisplayName("no room of a module is part of a circle with all that lies in it")
    void noCirclesOfRooms(String module) {
        SlicesRuleDefinition.slices().matching("freshsplice." + module + ".(*)..").should().beFreeOfCycles().check(ALL);
    }

    @Test
    @DisplayName("nothing of the server knows of HTTP but what answers it")
    void httpIsOnTop() {
        noClasses().that().resideInAPackage("freshsplice.server..").and().resideOutsideOfPackages("freshsplice.server.http..",
                "freshsplice.server.live..").should().dependOnClassesThat().resideInAnyPackage("freshsplice.server.http..",
                "jakarta.servlet..", "org.springframework.web..", "org.springframework.http..").check(ALL);
    }

    @Test
    @DisplayName("rows know no rule and nothing above them")
    void rowsAreBelow() {
        noClasses().that().resideInAPackage("freshsplice.server.rows..").should().dependOnClassesThat(
                resideInAPackage("freshsplice.server..").and(resideOutsideOfPackages("freshsplice.server.rows..",
                        "freshsplice.server.refusals.."))).check(ALL);
    }

    @Test
    @DisplayName("what is sent to be written is checked before anything is done with it")
    void bodiesAreValidated() {
        methods().that().areAnnotatedWith(PostMapping.class).should(new ArchCondition<>("validate their bodies") {
            @Override
            public void check(JavaMethod method, ConditionEvents events) {
                method.getParameters().stream().filter(p -> p.isAnnotatedWith(RequestBody.class) && !p.isAnnotatedWith(Valid.class))
                        .forEach(p -> events.add(SimpleConditionEvent.violated(method, method.getFullName())));
            }
        }).check(ALL);
    }

    @Test
    @DisplayName("steps are made for somebody: nothing above them knows of a name alone")
    void stepsKnowWhoAsks() {
        methods().that().areDeclaredIn(Steps.class).and().arePublic().and().haveNameMatching("make|undo|redo|goTo")
                .should().haveRawParameterTypes(DescribedPredicate.describe("with who asks",
                        types -> types.stream().anyMatch(t -> t.isEquivalentTo(Asker.class)))).check(ALL);
    }

    private static final SliceAssignment PACKAGES = new SliceAssignment() {
        @Override
        public SliceIdentifier getIdentifierOf(JavaClass type) {
            return SliceIdentifier.of(type.getPackageName());
        }

        @Override
        public String getDescription() {
            return "packages";
        }
    };
}
