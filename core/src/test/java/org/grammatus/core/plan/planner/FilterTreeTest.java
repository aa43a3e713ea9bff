package org.grammatus.core.plan.planner;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.ExpressionPrinter;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.condition.FilterCondition;
import org.grammatus.core.plan.planner.condition.FilterScope;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Filters that are made of others, that choose the first rows, and that look for rows of another dataset. */
@Meaning({37, 38, 39})
class FilterTreeTest {

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
            .order("S2", "2026-03-31T23:30", "Upland", "7.50")
            .order("S3", "2026-11-18T00:00", null, null)
            .line("S1", "Hives", "10.00")
            .line("S1", "Jars", "12.00")
            .line("S2", "hives", "20.00")
            .line("S3", "Jars", "12.00")
            .line("S3", "Wax", "-3.00");

    private static final DatasetModel OTHERS = DatasetModel.of(Definitions.readDataset(
            Samples.DATASET.replace("\"id\": \"lines\", \"label\"", "\"id\": \"others\", \"label\"")));

    private static Report report(String filter) {
        return Definitions.readReport(Samples.REPORT.replace(
                "{\"id\": \"f-period\", \"kind\": \"period\", \"field\": \"ordered_at\", \"prompt\": \"period\"}",
                filter.replace('`', '"')));
    }

    private static int kept(String filter) {
        return ROWS.grouped(report(filter), Answers.NONE).rowsKept();
    }

    private static String of(String id, String rest) {
        return "{`id`: `" + id + "`, " + rest + "}";
    }

    private static final String JARS =
            "`kind`: `condition`, `field`: `category`, `comparison`: `is`, `values`: [`Jars`]";
    private static final String DEAR = "`kind`: `condition`, `field`: `net`, `comparison`: `more`, `values`: [`11`]";
    private static final String LAKESIDE =
            "`kind`: `condition`, `field`: `region`, `comparison`: `is`, `values`: [`Lakeside`]";

    private static String several(String kind, String... parts) {
        StringBuilder list = new StringBuilder();
        for (int i = 0; i < parts.length; i++) {
            list.append(i == 0 ? "" : ", ").append(of(kind + i, parts[i]));
        }
        return "`kind`: `" + kind + "`, `filters`: [" + list + "]";
    }

    @Test
    void allAnyAndNoneNestAndWhatIsOffIsNoPart() {
        assertThat(kept(of("f", several("all", JARS, DEAR)))).isEqualTo(2);
        assertThat(kept(of("f", several("any", JARS, LAKESIDE)))).isEqualTo(3);
        assertThat(kept(of("f", several("none", JARS, LAKESIDE)))).isEqualTo(2);
        assertThat(kept(of("f", several("any", LAKESIDE, several("all", JARS, DEAR)))))
                .isEqualTo(3);
        assertThat(kept(of("f", several("all", JARS, LAKESIDE + ", `off`: true"))))
                .isEqualTo(2);
        assertThat(kept(of("f", several("any", JARS + ", `off`: true")))).isEqualTo(5);
        assertThat(kept(of("f", "`kind`: `any`, `filters`: []"))).isEqualTo(5);
    }

    @Test
    void noneKeepsBlanksOfWhatIsBuiltAndHasTheLogicOfSqlForWhatIsTyped() {
        assertThat(kept(of("f", several("none", LAKESIDE)))).isEqualTo(3);
        assertThat(kept(of("f", several("none", "`kind`: `expression`, `where`: `region = 'Lakeside'`"))))
                .isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "`field`: `ordered_at`, `comparison`: `at-least`, `values`: [`2 days before today`] | 2",
                "`field`: `ordered_at`, `comparison`: `is`, `values`: [`2 days before today`] | 2",
                "`field`: `ordered_at`, `comparison`: `less`, `values`: [`1 year before today`] | 0",
                "`field`: `ordered_at`, `comparison`: `at-most`, `values`: [`today`] | 5",
                "`field`: `ordered_at`, `comparison`: `less`, `values`: [`6 months before today`] | 3",
                "`field`: `category`, `comparison`: `is`, `values`: [`HIVES`], `ignoreCase`: true | 2",
                "`field`: `category`, `comparison`: `is-not`, `values`: [`HIVES`], `ignoreCase`: true | 3",
                "`field`: `category`, `comparison`: `contains`, `values`: [`IVE`], `ignoreCase`: true | 2",
                "`field`: `category`, `comparison`: `contains`, `values`: [`IVE`] | 0",
                "`field`: `net`, `comparison`: `more`, `other`: `freight` | 3",
                "`field`: `net`, `comparison`: `is-not`, `other`: `freight` | 5",
            })
    void daysFromTodayOtherFieldsAndSmallLettersAreComparedWith(String condition, int kept) {
        assertThat(kept(of("f", "`kind`: `condition`, " + condition))).isEqualTo(kept);
    }

    @Test
    void aRelativeDayIsWrittenAsTheDayItself() {
        Report report = report(of(
                "f",
                "`kind`: `condition`, `field`: `ordered_at`, `comparison`: `less`, `values`: [`2 weeks after today`]"));
        FilterScope scope = new FilterScope(Samples.dataset(), report.prompts(), ReportDatasets.of(Samples.dataset()));
        assertThat(FilterCondition.text(report.filters().getFirst(), scope))
                .isEqualTo("\"ordered_at\" < CURRENT_DATE + INTERVAL '14' DAY");
    }

    @Test
    void theFirstRowsAreOfThoseThatTheOthersKeepTiesByKeyBlanksNever() {
        String top = of("t", "`kind`: `top`, `field`: `net`, `end`: `largest`, `count`: 2");
        assertThat(kept(top)).isEqualTo(2);
        assertThat(kept(top + ", " + of("o", JARS))).isEqualTo(2);
        assertThat(kept(of("t", "`kind`: `top`, `field`: `freight`, `end`: `smallest`, `count`: 5")))
                .isEqualTo(3);
    }

    private static List<Problem> problems(String filter) {
        try {
            Planner.plan(report(filter), datasets(), Answers.NONE, Samples.CONTEXT);
            return List.of();
        } catch (ProblemException e) {
            return e.problems();
        }
    }

    private static ReportDatasets datasets() {
        return new ReportDatasets(Samples.dataset(), Map.of("others", OTHERS));
    }

    @Test
    void whatIsWrongWithAPartIsToldAtThePart() {
        assertThat(problems(of("f", several("any", JARS, JARS.replace("category", "categry")))))
                .singleElement()
                .satisfies(problem -> {
                    assertThat(problem.pointer()).isEqualTo("/filters/0/filters/1/field");
                    assertThat(problem.message()).contains("did you mean \"category\"");
                });
        assertThat(problems(of("f", several("all", "`kind`: `top`, `field`: `net`, `end`: `largest`, `count`: 2"))))
                .extracting(Problem::pointer)
                .containsExactly("/filters/0/filters/0/kind");
        assertThat(problems(of("t", "`kind`: `top`, `field`: `region`, `end`: `largest`, `count`: 2")))
                .extracting(Problem::message)
                .singleElement()
                .asString()
                .contains("numbers, dates and moments");
        assertThat(problems(of("f", several("any", JARS, JARS).replace("any1", "any0"))))
                .extracting(Problem::pointer)
                .containsExactly("/filters/0/filters/1/id");
    }

    /** More than an expression may have that is written: each of the days is a condition of its own. */
    @Test
    void aBuiltFilterMayNameHundredsOfDays() {
        String days = IntStream.range(0, 600)
                .mapToObj(day -> "`" + LocalDate.of(2026, 1, 1).plusDays(day) + "`")
                .collect(Collectors.joining(", "));
        String filter = "`kind`: `condition`, `field`: `ordered_at`, `comparison`: `is`, `values`: [" + days + "]";
        assertThat(kept(of("f", filter)))
                .isEqualTo(
                        kept(of("f", filter.replace("`is`", "`at-least`").replaceAll("\\[.*\\]", "[`2026-01-01`]"))));
    }

    private static String related(String more) {
        return of(
                "f",
                "`kind`: `has-none`, `dataset`: `others`, `keys`: [{`field`: `order_number`, `of`: `order_number`}]"
                        + more);
    }

    @Test
    void lookingForRowsHasATypedFormThatSaysTheSame() {
        Report report = report(related(", `least`: 3, `filters`: [" + of("i", JARS) + "]"));
        Plan plan = Planner.plan(report, datasets(), Answers.NONE, Samples.CONTEXT);
        FilterPlan filter = plan.table().filters().getFirst();
        assertThat(filter.words()).isEqualTo("has fewer than 3 lines with Category is Jars");
        assertThat(plan.looks()).singleElement().satisfies(has -> {
            assertThat(has.least()).isEqualTo(3);
            assertThat(has.otherFields()).containsExactly("category", "order_number");
        });
        String text = FilterCondition.text(
                report.filters().getFirst(), new FilterScope(Samples.dataset(), report.prompts(), datasets()));
        assertThat(text)
                .isEqualTo("NOT EXISTS (SELECT * FROM \"others\" WHERE \"order_number\" = \"lines\".\"order_number\""
                        + " AND \"category\" IN ('Jars') HAVING COUNT(*) >= 3)");
        String printed = ExpressionPrinter.print(ExpressionParser.parse(text));
        assertThat(ExpressionPrinter.print(ExpressionParser.parse(printed))).isEqualTo(printed);
        Plan typed = Planner.plan(
                report(of("f", "`kind`: `expression`, `where`: `" + text.replace("\"", "\\\\\"") + "`")
                        .replace("\\\\", "\\")),
                datasets(),
                Answers.NONE,
                Samples.CONTEXT);
        assertThat(typed.looks()).isEqualTo(plan.looks());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "EXISTS (SELECT * FROM othres WHERE region = lines.region) | unknown dataset",
                "EXISTS (SELECT * FROM others WHERE region = 'x') | says not which rows belong together",
                "EXISTS (SELECT * FROM others WHERE region < lines.region) | by equal keys alone",
                "EXISTS (SELECT * FROM others WHERE region = lines.net) | expected keys of one type",
                "EXISTS (SELECT * FROM others WHERE region = rows.region) | unknown rows",
                "EXISTS (SELECT * FROM others WHERE regoin = lines.region) | did you mean",
                "EXISTS (SELECT * FROM others WHERE region = lines.region HAVING COUNT(*) >= 0) | from 1 on",
                "EXISTS (SELECT * FROM others WHERE region = lines.region AND EXISTS (SELECT * FROM others WHERE net = 1))"
                        + " | stands in filters of rows",
            })
    void whatIsWrongWithALookForRowsIsSaid(String where, String message) {
        assertThat(problems(of("f", "`kind`: `expression`, `where`: `" + where + "`")))
                .singleElement()
                .satisfies(problem -> {
                    assertThat(problem.pointer()).isEqualTo("/filters/0/where");
                    assertThat(problem.message()).contains(message);
                    assertThat(problem.position()).isPresent();
                });
    }

    @Test
    void itStandsInFiltersAlone() {
        String where = "EXISTS (SELECT * FROM others WHERE region = lines.region)";
        Report marked = Definitions.readReport(Samples.REPORT.replace(
                "\"highlights\": []",
                "\"highlights\": [{\"id\": \"h\", \"label\": \"H\"," + " \"when\": \"" + where
                        + "\", \"look\": \"note\"}]"));
        assertThatThrownBy(() -> Planner.plan(marked, datasets(), Answers.NONE, Samples.CONTEXT))
                .hasMessageContaining("stands in filters of rows");
    }

    @Test
    void whatHasNoAnswerInsideRestrictsNothingInsideAndTheLookStays() {
        String where = "EXISTS (SELECT * FROM others WHERE region = lines.region AND ordered_at >= :period_from)";
        Plan plan = Planner.plan(
                report(of("f", "`kind`: `expression`, `where`: `" + where + "`")),
                datasets(),
                Answers.NONE,
                Samples.CONTEXT);
        assertThat(plan.looks())
                .singleElement()
                .satisfies(has -> assertThat(has.condition()).isEmpty());
        assertThat(plan.table().filters()).hasSize(1);
    }
}
