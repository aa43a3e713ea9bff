package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.RunResult;
import org.grammatus.sources.sqlite.SqliteSource;
import org.grammatus.sources.star.StarReader;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Answers and prompts that nobody would give on purpose: each is refused in words, or keeps what it says, and nothing is lost. */
class HardAnswersTest {

    private static String prompt(int number, String type, String more) {
        return "{\"id\": \"p%1$d\", \"name\": \"p%1$d\", \"type\": \"%2$s\", \"label\": \"P\"%3$s}"
                .formatted(number, type, more);
    }

    private static String filter(int number, String field, String comparison) {
        return "{\"id\": \"f%1$d\", \"kind\": \"condition\", \"field\": \"%2$s\", \"comparison\": \"%3$s\", \"prompt\": \"p%1$d\"}"
                .formatted(number, field, comparison);
    }

    private static String document(List<String> prompts, List<String> filters) {
        return """
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "sales-order-lines",
                 "locale": "en-GB", "prompts": [%s], "filters": [%s],
                 "blocks": [{"id": "k", "kind": "figures", "figures": [{"id": "n", "label": "Lines", "value": "COUNT(*)"}]}],
                 "page": {"paper": "A4", "orientation": "portrait",
                   "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                """.formatted(String.join(",", prompts), String.join(",", filters));
    }

    private static RunResult run(String document, Map<String, String> answers) {
        Report report = Definitions.readReport(document);
        return new RunEngine(RunLimits.DEFAULT)
                .compute(
                        new RunRequest(report, DemoData.datasets(report), new Answers(answers), DemoData.CONTEXT),
                        StarReader.over(new SqliteSource(DemoData.database(ScenarioSize.DEMO))));
    }

    private static List<Problem> problems(String document, Map<String, String> answers) {
        try {
            run(document, answers);
            return List.of();
        } catch (ProblemException e) {
            return e.problems();
        }
    }

    @Test
    void fiftyPromptsAreAskedAndOneMoreIsRefused() {
        List<String> fifty =
                IntStream.range(0, 50).mapToObj(i -> prompt(i, "text", "")).toList();
        assertThat(run(document(fifty, List.of()), Map.of()).rowsKept()).isEqualTo(24_335);
        String more = document(
                IntStream.range(0, 51).mapToObj(i -> prompt(i, "text", "")).toList(), List.of());
        assertThatThrownBy(() -> Definitions.readReport(more)).hasMessageContaining("50");
    }

    @Test
    void aDefaultThatIsWrongIsToldAtItsPrompt() {
        assertThat(problems(
                        document(List.of(prompt(0, "whole-number", ", \"default\": \"many\"")), List.of()), Map.of()))
                .singleElement()
                .satisfies(problem -> {
                    assertThat(problem.pointer()).isEqualTo("/answers/p0");
                    assertThat(problem.message()).contains("many");
                });
    }

    @ParameterizedTest
    @ValueSource(strings = {"text", "choices", "text-range", "period", "decimal", "date"})
    void anAnswerOfAMillionCharactersIsRefused(String type) {
        String more = type.equals("choices") ? ", \"field\": \"depot\"" : "";
        assertThat(problems(document(List.of(prompt(0, type, more)), List.of()), Map.of("p0", "x".repeat(1_000_000))))
                .singleElement()
                .satisfies(problem -> assertThat(problem.message()).contains("longer than 100,000 characters"));
    }

    @Test
    void tenThousandChoicesAreRefused() {
        String many = IntStream.range(0, 10_000).mapToObj(i -> "A" + i).collect(Collectors.joining(","));
        assertThat(problems(
                        document(List.of(prompt(0, "choices", ", \"field\": \"depot\"")), List.of()),
                        Map.of("p0", many)))
                .singleElement()
                .satisfies(problem -> assertThat(problem.message()).contains("at most 1000 can be chosen"));
    }

    @Test
    void sqlInEveryTextIsATextLikeAnyOther() throws Exception {
        String evil = "x'); DROP TABLE sales_order; --";
        String document = document(
                List.of(
                        prompt(0, "text", ""),
                        prompt(1, "choice", ", \"field\": \"depot\""),
                        prompt(2, "choices", ", \"field\": \"status\""),
                        prompt(3, "text-range", "")),
                List.of(
                        filter(0, "product_name", "contains"),
                        filter(1, "depot", "is"),
                        filter(2, "status", "is"),
                        filter(3, "order_number", "between")));
        for (int i = 0; i < 3; i++) {
            assertThat(run(document, Map.of("p" + i, evil)).rowsKept()).isZero();
        }
        assertThat(run(document, Map.of("p3", "S0'; DELETE FROM sales_order; --.."))
                        .rowsKept())
                .isPositive();
        try (Connection sql = DriverManager.getConnection("jdbc:sqlite:" + DemoData.database(ScenarioSize.DEMO));
                ResultSet rows = sql.createStatement().executeQuery("SELECT count(*) FROM sales_order")) {
            assertThat(rows.getInt(1)).isPositive();
        }
    }

    @Test
    void ofAllKindsTheWrongOnesAreToldAtOnce() {
        List<String> types =
                List.of("whole-number", "decimal", "date", "yes-no", "number-range", "text-range", "period");
        List<String> wrong = List.of("1.5", "many", "2026-02-30", "perhaps", "9..1", "B..A", "2026-13-01/");
        List<String> prompts = IntStream.range(0, types.size())
                .mapToObj(i -> prompt(i, types.get(i), ""))
                .toList();
        Map<String, String> answers =
                IntStream.range(0, wrong.size()).boxed().collect(Collectors.toMap(i -> "p" + i, wrong::get));
        assertThat(problems(document(prompts, List.of()), answers))
                .extracting(Problem::pointer)
                .containsExactlyInAnyOrder(IntStream.range(0, types.size())
                        .mapToObj(i -> "/answers/p" + i)
                        .toArray(String[]::new));
    }
}
