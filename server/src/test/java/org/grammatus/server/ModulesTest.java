package org.grammatus.server;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.Architectures;
import org.junit.jupiter.api.Test;

/** Arrows between modules point one way, and the server leaves the work to runs. */
class ModulesTest {

    private static final JavaClasses ALL = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.grammatus");

    @Test
    void modulesUseOnlyWhatTheyMay() {
        Architectures.layeredArchitecture()
                .consideringOnlyDependenciesInLayers()
                .layer("core")
                .definedBy("org.grammatus.core..")
                .layer("sources")
                .definedBy("org.grammatus.sources..")
                .layer("export")
                .definedBy("org.grammatus.export..")
                .layer("runs")
                .definedBy("org.grammatus.runs..")
                .layer("demo")
                .definedBy("org.grammatus.demo..")
                .layer("server")
                .definedBy("org.grammatus.server..")
                .whereLayer("core")
                .mayNotAccessAnyLayer()
                .whereLayer("sources")
                .mayOnlyAccessLayers("core")
                .whereLayer("export")
                .mayOnlyAccessLayers("core")
                .whereLayer("runs")
                .mayOnlyAccessLayers("core", "sources", "export")
                .whereLayer("demo")
                .mayOnlyAccessLayers("core", "sources")
                .whereLayer("server")
                .mayNotBeAccessedByAnyLayer()
                .check(ALL);
    }

    @Test
    void theServerComputesNothingItself() {
        noClasses()
                .that()
                .resideInAPackage("org.grammatus.server..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.grammatus.core.expression..",
                        "org.grammatus.core.columnar..",
                        "org.grammatus.core.group..",
                        "org.grammatus.core.band..")
                .check(ALL);
    }

    @Test
    void onlyTheServerKnowsSpring() {
        noClasses()
                .that()
                .resideOutsideOfPackage("org.grammatus.server..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework..", "jakarta.servlet..", "org.jooq..")
                .check(ALL);
    }

    @Test
    void renderingFromTheCommandLineTouchesNoSpring() {
        noClasses()
                .that()
                .haveSimpleName("RenderCommand")
                .or()
                .haveSimpleName("GrammatusCommand")
                .or()
                .haveSimpleName("Grammatus")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("org.springframework..")
                .check(ALL);
    }
}
