package org.grammatus.core.prompt;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Map;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problems;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which prompts are asked, and which answers do not fit together. */
@Meaning(34)
class AnswerConditionsTest {

    private static List<ReportPrompt> prompts(String json) {
        return Definitions.readReport("""
                        {"format": "grammatus-report", "version": 1, "id": "r", "title": "R", "dataset": "lines",
                         "locale": "en-GB", "prompts": [%s], "filters": [],
                         "blocks": [{"id": "t", "kind": "text", "paragraphs": []}],
                         "page": {"paper": "A4", "orientation": "portrait",
                           "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                        """.formatted(json)).prompts();
    }

    /** A prompt called as its type, with more of its properties. */
    private static String prompt(String name, String type, String more) {
        return "{\"id\": \"%1$s\", \"name\": \"%1$s\", \"type\": \"%2$s\", \"label\": \"%1$s\"%3$s}"
                .formatted(name, type, more.isEmpty() ? "" : ", " + more);
    }

    private static String when(String condition) {
        return "\"appears\": \"" + condition + "\"";
    }

    private static String check(String condition) {
        return "\"checks\": [{\"that\": \"" + condition + "\", \"message\": \"Not so\"}]";
    }

    private record Found(List<ResolvedPrompt> prompts, List<String> problems) {}

    private static Found resolved(String json, Map<String, String> answers) {
        return resolved(json, new Answers(answers));
    }

    private static Found resolved(String json, Answers answers) {
        Problems problems = new Problems();
        List<ResolvedPrompt> prompts = answers.resolve(
                prompts(json), Samples.CONTEXT, ReportDatasets.of(Samples.dataset()), ULocale.UK, problems);
        return new Found(
                prompts,
                problems.found().stream()
                        .map(problem -> problem.pointer() + ": " + problem.message())
                        .toList());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "only | :only = 'late' | late | false",
                "only | :only = 'late' | early | true",
                "only | :only = 'late' | | true",
                "only | :only IS NULL | | false",
                "only | :only <> 'late' | | true",
            })
    void aPromptIsAskedOnlyWhereItsConditionIsTrue(String name, String condition, String answer, boolean hidden) {
        String json = prompt(name, "text", "") + "," + prompt("days", "whole-number", when(condition));
        Found found = resolved(json, Map.of(name, answer == null ? "" : answer, "days", "5"));
        assertThat(found.prompts().getLast().hidden()).isEqualTo(hidden);
        assertThat(found.prompts().getLast().asked()).isEqualTo(hidden ? "" : "5");
        assertThat(found.problems()).isEmpty();
    }

    @Test
    void whatIsNotAskedIsNeitherMissingNorWrongNorChecked() {
        String json = prompt("late", "yes-no", "") + ","
                + prompt("days", "whole-number", "\"required\": true, " + when(":late") + ", " + check(":days > 2"));
        assertThat(resolved(json, Map.of("late", "no")).problems()).isEmpty();
        assertThat(resolved(json, Map.of("late", "no", "days", "many")).problems())
                .isEmpty();
        assertThat(resolved(json, Map.of("late", "yes")).problems())
                .singleElement()
                .asString()
                .contains("needs an answer");
        assertThat(resolved(json, Map.of("late", "yes", "days", "1")).problems())
                .containsExactly("/answers/days: Not so");
    }

    @Test
    void aChainOfConditionsFollowsFromTheTop() {
        String json = prompt("a", "yes-no", "") + "," + prompt("b", "yes-no", when(":a")) + ","
                + prompt("c", "text", when(":b"));
        Map<String, String> answers = Map.of("a", "no", "b", "yes", "c", "x");
        assertThat(resolved(json, answers).prompts())
                .extracting(ResolvedPrompt::hidden)
                .containsExactly(false, true, true);
    }

    @Test
    void aPromptWaitsNeitherForItselfNorForOneFurtherDown() {
        String circle = prompt("a", "text", when(":b = 'x'")) + "," + prompt("b", "text", when(":a = 'x'"));
        assertThat(resolved(circle, Map.of()).problems())
                .containsExactly(
                        "/prompts/0/appears: \":b\" is asked further down; whether a prompt is asked follows from those above it");
        assertThat(resolved(prompt("a", "text", when(":a = 'x'")), Map.of()).problems())
                .singleElement()
                .asString()
                .contains("\":a\" is the prompt itself");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "2026-01-01/2026-03-31 | true",
                "2026-01-01/2026-06-30 | false",
                "2026-01-01/.. | true",
                "'' | true",
            })
    void aCheckFailsOnlyWhereItIsFalse(String days, boolean fits) {
        String json = prompt("days", "period", check(":days_to - :days_from < 92"));
        assertThat(resolved(json, Map.of("days", days)).problems().isEmpty()).isEqualTo(fits);
    }

    @Test
    void allThatFailIsToldAtOnceAndOnlyOnceWhoAnswersIsDone() {
        String json = prompt("a", "whole-number", check(":a < :b")) + "," + prompt("b", "whole-number", check(":b < 3"))
                + "," + prompt("c", "decimal", "");
        Map<String, String> answers = Map.of("a", "9", "b", "5", "c", "x");
        assertThat(resolved(json, answers).problems())
                .hasSize(3)
                .contains("/answers/a: Not so", "/answers/b: Not so")
                .anyMatch(problem -> problem.startsWith("/answers/c: "));
        assertThat(resolved(json, new Answers(answers).incomplete()).problems())
                .singleElement()
                .asString()
                .startsWith("/answers/c: ");
    }

    @Test
    void aCheckThatDividesByZeroFailsNothing() {
        assertThat(resolved(prompt("a", "whole-number", check("1 / (:a - :a) > 0")), Map.of("a", "1"))
                        .problems())
                .isEmpty();
    }

    @Test
    void whatIsWrongWithAConditionIsToldWhereItStands() {
        Problems problems = new Problems();
        new Answers(Map.of())
                .resolve(
                        prompts(prompt("a", "text", when("region = 'x'")) + ","
                                + prompt("b", "text", check("'x' > 5"))),
                        Samples.CONTEXT,
                        ReportDatasets.of(Samples.dataset()),
                        ULocale.UK,
                        problems);
        assertThat(problems.found())
                .extracting(Problem::pointer)
                .containsExactly("/prompts/0/appears", "/prompts/1/checks/0/that");
        assertThat(problems.found())
                .allSatisfy(problem -> assertThat(problem.position()).isPresent());
    }

    @ParameterizedTest
    @CsvSource({"S0000012, true", "S12, false", "X0000012, false", "S000001_, true"})
    void aTextHasTheFormThatIsAskedFor(String typed, boolean fits) {
        assertThat(resolved(prompt("a", "text", "\"pattern\": \"S_______\""), Map.of("a", typed))
                        .problems()
                        .isEmpty())
                .isEqualTo(fits);
    }

    @Test
    void whatIsListedIsAllThatThereIs() {
        String json = prompt(
                "by",
                "choice",
                "\"listed\": [{\"value\": \"depot\", \"label\": \"The depot\"}, {\"value\": \"kind\", \"label\": \"The kind\"}]");
        Found found = resolved(json, Map.of("by", "depot"));
        assertThat(found.prompts().getFirst().inWords(ULocale.UK)).isEqualTo("The depot");
        assertThat(resolved(json, Map.of("by", "dept")).problems())
                .containsExactly("/answers/by: found \"dept\", expected one of depot, kind; did you mean \"depot\"?");
    }
}
