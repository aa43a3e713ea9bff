package org.grammatus.core;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Data flows one way: each package of core knows only those before it, and none knows the world outside. */
class ArchitectureTest {

    private static final List<String> IN_ORDER = List.of(
            "problem",
            "value",
            "choice",
            "address",
            "words",
            "drawing",
            "typography",
            "definition",
            "expression",
            "dataset",
            "modelling",
            "columnar",
            "prompt",
            "plan",
            "edit",
            "order",
            "rows",
            "profile",
            "group",
            "band",
            "explain",
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

    /** The rooms of grouping, each of which knows only those before it; what joins them knows all. */
    private static final List<String> ROOMS = List.of("tree", "figure", "select", "window");

    static List<String> rooms() {
        return ROOMS;
    }

    @ParameterizedTest
    @MethodSource("rooms")
    void aRoomOfGroupingUsesOnlyThoseBeforeIt(String room) {
        String[] later = Stream.concat(
                        Stream.of("org.grammatus.core.group"),
                        ROOMS.subList(ROOMS.indexOf(room) + 1, ROOMS.size()).stream()
                                .map(other -> "org.grammatus.core.group." + other))
                .toArray(String[]::new);
        noClasses()
                .that()
                .resideInAPackage("org.grammatus.core.group." + room)
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(later)
                .check(CORE);
    }

    /** The dictionary of a dataset is looked up in its model all the way; a report's document is not. */
    @Test
    void nothingAfterPlanningKnowsAReportsDefinition() {
        noClasses()
                .that()
                .resideInAnyPackage(
                        "org.grammatus.core.columnar..",
                        "org.grammatus.core.order..",
                        "org.grammatus.core.rows..",
                        "org.grammatus.core.group..",
                        "org.grammatus.core.band..",
                        "org.grammatus.core.explain..",
                        "org.grammatus.core.page..")
                .should()
                .dependOnClassesThat(resideInAPackage("org.grammatus.core.definition..")
                        .and(DescribedPredicate.not(assignableToDataset())))
                .check(CORE);
    }

    private static DescribedPredicate<JavaClass> assignableToDataset() {
        return DescribedPredicate.describe(
                "a part of a dataset", type -> type.getName().startsWith("org.grammatus.core.definition.Dataset"));
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
                        .and(DescribedPredicate.not(resideInAPackage("org.grammatus.core.definition.."))))
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
