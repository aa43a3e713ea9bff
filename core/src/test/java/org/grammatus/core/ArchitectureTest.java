package org.grammatus.core;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Data flows one way: each package of core knows only those before it, and none knows the world outside. */
class ArchitectureTest {

    private static final List<String> IN_ORDER = List.of(
            "problem",
            "value",
            "choice",
            "definition",
            "expression",
            "dataset",
            "compose",
            "prompt",
            "plan",
            "table",
            "profile",
            "group",
            "band",
            "explain",
            "type",
            "page");

    private static final JavaClasses CORE = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("org.grammatus.core");

    static List<String> packages() {
        return IN_ORDER;
    }

    @ParameterizedTest
    @MethodSource("packages")
    void aPackageUsesOnlyThoseBeforeIt(String name) {
        String[] later = IN_ORDER.subList(IN_ORDER.indexOf(name) + 1, IN_ORDER.size()).stream()
                .map(p -> "org.grammatus.core." + p + "..")
                .toArray(String[]::new);
        noClasses()
                .that()
                .resideInAPackage("org.grammatus.core." + name + "..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(later.length == 0 ? new String[] {"nothing"} : later)
                .check(CORE);
    }

    @Test
    void coreKnowsNoInterfaceAndNoDatabase() {
        noClasses()
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "org.springframework..",
                        "java.sql..",
                        "javax.sql..",
                        "java.net..",
                        "java.awt..",
                        "jakarta..",
                        "org.jooq..",
                        "org.openpdf..")
                .check(CORE);
    }

    @Test
    void onlyDefinitionKnowsJson() {
        noClasses()
                .that(resideInAPackage("org.grammatus.core..")
                        .and(com.tngtech.archunit.base.DescribedPredicate.not(
                                resideInAPackage("org.grammatus.core.definition.."))))
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("tools.jackson..", "com.fasterxml..", "com.networknt..")
                .check(CORE);
    }

    @Test
    void everyPackageHasItsPlaceInTheOrder() {
        noClasses()
                .that()
                .resideInAPackage("org.grammatus.core.(*)..")
                .should(new com.tngtech.archunit.lang.ArchCondition<>("be in a package without a place") {
                    @Override
                    public void check(
                            com.tngtech.archunit.core.domain.JavaClass item,
                            com.tngtech.archunit.lang.ConditionEvents events) {
                        String rest = item.getPackageName().substring("org.grammatus.core.".length());
                        boolean placed = IN_ORDER.contains(rest.split("\\.")[0]);
                        events.add(new com.tngtech.archunit.lang.SimpleConditionEvent(
                                item, !placed, item.getName() + " is in no known package"));
                    }
                })
                .check(CORE);
    }
}
