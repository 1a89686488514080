package freshsplice.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import org.junit.jupiter.api.Test;

/** The arrows run one way: server → render, exchange → core; the core knows the JDK alone. */
class ArchitectureTest {
    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests()).importPackages("freshsplice");

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
    void packagesOfTheExchangeAndTheRendererHaveNoCycles() {
        SlicesRuleDefinition.slices().matching("freshsplice.core.(changes|cut|time|motion|delivery|conform|identity|refusal|sources)..").should()
                .beFreeOfCycles().check(ALL);
    }
}
