package org.grammatus.core.definition.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import org.grammatus.core.Samples;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** The definition format: what is read is written back the same, what is wrong is told all at once. */
class DefinitionsTest {

    private final JsonMapper json = new JsonMapper();

    @Test
    void readingAndWritingBackChangesNothing() {
        assertThat(json.readTree(Definitions.write(Definitions.readReport(Samples.REPORT))))
                .isEqualTo(json.readTree(Samples.REPORT));
        assertThat(json.readTree(Definitions.write(Definitions.readDataset(Samples.DATASET))))
                .isEqualTo(json.readTree(Samples.DATASET));
    }

    @Test
    void tellsEveryFaultAtOnceWithItsPointer() {
        String wrong = Samples.REPORT
                .replace("\"Orders\"", "7")
                .replace(
                        "\"o-region\", \"by\": \"SUM(net)\", \"direction\": \"descending\"",
                        "\"o-region\", \"by\": \"SUM(net)\", \"direction\": \"descendign\"")
                .replace("\"locale\": \"en-GB\"", "\"locale\": \"en-GB\", \"colour\": \"red\"")
                .replace("\"A4\"", "\"A9\"");
        ProblemException failure = catchThrowableOfType(ProblemException.class, () -> Definitions.readReport(wrong));
        assertThat(failure.problems())
                .extracting(Problem::toString)
                .containsExactly(
                        "/blocks/0/levels/0/order/0/direction: found \"descendign\", expected one of ascending,"
                                + " descending; did you mean \"descending\"?",
                        "/colour: unknown property \"colour\"",
                        "/page/paper: found \"A9\", expected one of A3, A4, A5, B4, B5, Letter, Legal, Tabloid; did you mean \"A3\"?",
                        "/title: found 7, expected a text");
    }

    @Test
    void aMissingPropertyIsNamed() {
        assertThatThrownBy(() -> Definitions.readReport(Samples.REPORT.replace("\"dataset\": \"lines\",", "")))
                .hasMessage("property \"dataset\" is missing");
    }

    @Test
    void aNewerVersionIsRefusedBeforeAnythingElse() {
        assertThatThrownBy(() -> Definitions.readReport(Samples.REPORT
                        .replace("\"version\": 1", "\"version\": 2")
                        .replace("\"title\"", "\"heading\"")))
                .hasMessage(
                        "/version: found version 2; this program reads up to version 1. Update the program, or save the"
                                + " definition from a program of this version");
    }

    @Test
    void idsAreUniqueAndReferencesLeadSomewhere() {
        String wrong = Samples.REPORT
                .replace("\"id\": \"c-net\"", "\"id\": \"region\"")
                .replace("{\"at\": \"region\"", "{\"at\": \"regoin\"");
        assertThatThrownBy(() -> Definitions.readReport(wrong))
                .hasMessageContaining("/blocks/0/columns/0/id: found \"region\", which /blocks/0/levels/0 has already")
                .hasMessageContaining("/blocks/0/totals/0/column: unknown column \"c-net\"")
                .hasMessageContaining("unknown level \"regoin\", expected one of region, order, report; did you mean"
                        + " \"region\"?");
    }

    @Test
    void whatIsNoJsonIsSaidWithItsPlace() {
        assertThatThrownBy(() -> Definitions.readReport("{\n  \"format\": oops }"))
                .isInstanceOf(ProblemException.class)
                .hasMessageStartingWith("2:");
        assertThatThrownBy(() -> Definitions.readReport("")).isInstanceOf(ProblemException.class);
        assertThatThrownBy(() -> Definitions.readReport("[]")).hasMessageContaining("expected an object");
        assertThatThrownBy(() -> Definitions.readReport("{\"a\":1,\"a\":2}")).hasMessageContaining("uplicate");
    }

    @Test
    void aPeriodFilterNeedsItsFieldAndPrompt() {
        assertThatThrownBy(() -> Definitions.readReport(Samples.REPORT.replace("\"field\": \"ordered_at\", ", "")))
                .hasMessage("/filters/0: property \"field\" is missing: a period filter needs it");
        assertThatThrownBy(() -> Definitions.readReport(
                        Samples.REPORT.replace("\"prompt\": \"period\"", "\"prompt\": \"periode\"")))
                .hasMessageContaining("did you mean \"period\"?");
    }

    @Test
    void aTitleOfTenThousandCharactersIsTooLong() {
        assertThatThrownBy(() -> Definitions.readReport(Samples.REPORT.replace("Orders", "x".repeat(10_000))))
                .hasMessage("/title: found a text of 10000 characters, expected at most 500");
    }

    @Test
    void aNumberThatIsLargerThanAnyIsTold() {
        assertThatThrownBy(() -> Definitions.readReport(Samples.REPORT.replace("\"top\": 15", "\"top\": 1e400")))
                .hasMessage("/page/margins/top: the number is larger than any can be");
        assertThatThrownBy(() -> Definitions.readReport(
                        Samples.REPORT.replace("\"counts\": [\"orders\"", "\"counts\": [-1e999")))
                .hasMessageContaining("/blocks/0/counts/0: the number is larger than any can be");
    }
}
