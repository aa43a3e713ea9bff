package org.grammatus.server;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.assignableTo;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.type;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noFields;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.Architectures;
import org.grammatus.runs.rowcache.HeldRows;
import org.grammatus.server.account.Role;
import org.grammatus.server.account.RowAccess;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.star.StarReader;
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

    /** Rows are read for a person: whoever wants some gets a reader from {@code RowAccess}, and keeps none. */
    @Test
    void nothingReadsRowsWithoutPassingTheDoor() {
        noFields()
                .that()
                .haveRawType(assignableTo(DatasetReader.class))
                .should()
                .beDeclaredInClassesThat(
                        resideInAPackage("org.grammatus.server..").and(not(type(RowAccess.class))))
                .check(ALL);
        noClasses()
                .that()
                .resideInAPackage("org.grammatus.server..")
                .and()
                .areNotAssignableTo(RowAccess.class)
                // One wires the server up; the other reads a file for whoever started the program on it.
                .and()
                .doNotHaveSimpleName("ServerConfiguration")
                .and()
                .doNotHaveSimpleName("RenderCommand")
                .should()
                .dependOnClassesThat()
                .belongToAnyOf(HeldRows.class, StarReader.class)
                .check(ALL);
    }

    /** What a role may do is said in one place. */
    @Test
    void onlyThePolicyAndWhatKeepsAccountsKnowsRoles() {
        noClasses()
                .that()
                .resideInAPackage("org.grammatus.server..")
                .and()
                .resideOutsideOfPackages("org.grammatus.server.account..", "org.grammatus.server.command..")
                .should()
                .accessClassesThat()
                .belongToAnyOf(Role.class)
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
