package org.grammatus.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.definition.FilterComparison;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportPrompt;
import org.junit.jupiter.api.Test;

class PromptEditsTest {

    @Test
    void aPromptComesWithTheFilterThatReadsIt() {
        Report report =
                Edited.sample("{'edit': 'add-prompt', 'field': 'region'}", "{'edit': 'add-prompt', 'field': 'region'}");
        assertThat(report.prompts()).extracting(ReportPrompt::name).containsExactly("period", "region", "region_2");
        assertThat(report.prompts()).extracting(ReportPrompt::type).endsWith(PromptType.CHOICE);
        assertThat(report.filters().getLast()).isInstanceOfSatisfying(ReportFilter.Condition.class, condition -> {
            assertThat(condition.comparison()).isEqualTo(FilterComparison.IS);
            assertThat(condition.prompt()).contains("region_2");
        });
        Report dated =
                Edited.by(Edited.empty(), "{'edit': 'add-prompt', 'field': 'ordered_at', 'answer': 'this month'}");
        assertThat(dated.prompts().getFirst().defaultAnswer()).contains("this month");
        assertThat(dated.filters()).hasOnlyElementsOfType(ReportFilter.OfPeriod.class);
    }

    @Test
    void whatReadsAPromptComparesAsSuitsIt() {
        Report several = Edited.sample(
                "{'edit': 'add-prompt', 'field': 'region'}",
                "{'edit': 'ask-otherwise', 'prompt': 'p-region', 'type': 'text'}");
        assertThat(several.filters().getLast())
                .isInstanceOfSatisfying(
                        ReportFilter.Condition.class,
                        condition -> assertThat(condition.comparison()).isEqualTo(FilterComparison.CONTAINS));
        Report day = Edited.sample("{'edit': 'ask-otherwise', 'prompt': 'p-period', 'type': 'date'}");
        assertThat(day.filters().getFirst()).isInstanceOf(ReportFilter.Condition.class);
        assertThat(day.prompts().getFirst())
                .isInstanceOfSatisfying(
                        ReportPrompt.Value.class,
                        value -> assertThat(value.field()).contains("ordered_at"));
        assertThat(Edited.by(day, "{'edit': 'ask-otherwise', 'prompt': 'p-period', 'type': 'period'}"))
                .isEqualTo(Edited.sample());
        assertThatThrownBy(() -> Edited.sample("{'edit': 'ask-otherwise', 'prompt': 'p-period', 'type': 'text'}"))
                .hasMessageContaining("ordered_at");
    }

    @Test
    void aPromptGoesWithWhatReadsIt() {
        Report report = Edited.sample("{'edit': 'remove-prompt', 'prompt': 'p-period'}");
        assertThat(report.prompts()).isEmpty();
        assertThat(report.filters()).isEmpty();
    }

    @Test
    void aPromptIsOffWhereNothingReadsIt() {
        Report off = Edited.sample("{'edit': 'switch-prompt', 'prompt': 'p-period', 'on': false}");
        assertThat(off.filters()).allMatch(ReportFilter::isOff);
        assertThat(off.filters().getFirst().off()).isEqualTo(Optional.of(true));
        assertThat(Edited.by(off, "{'edit': 'switch-prompt', 'prompt': 'p-period', 'on': true}"))
                .isEqualTo(Edited.sample());
    }

    @Test
    void aPromptMayBeAboutNoField() {
        Report report = Edited.sample(
                "{'edit': 'make-prompt', 'type': 'yes-no', 'label': 'With amounts?'}",
                "{'edit': 'make-prompt', 'type': 'text', 'label': 'With amounts?'}",
                "{'edit': 'make-prompt', 'type': 'date', 'label': '2027'}");
        assertThat(report.prompts())
                .extracting(ReportPrompt::name)
                .containsExactly("period", "with_amounts", "with_amounts_2", "prompt");
        assertThat(report.prompts())
                .extracting(ReportPrompt::type)
                .containsExactly(PromptType.PERIOD, PromptType.YES_NO, PromptType.TEXT, PromptType.DATE);
        assertThat(report.filters()).isEqualTo(Edited.sample().filters());
        assertThatThrownBy(() -> Edited.sample("{'edit': 'make-prompt', 'type': 'choice', 'label': 'Depot'}"))
                .hasMessageContaining("field");
    }
}
