package org.grammatus.core.edit;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportCompare;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportFilterConditionBuilder;
import org.grammatus.core.definition.ReportFilterOfPeriodBuilder;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.ReportPromptOfPeriodBuilder;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.definition.edit.PromptEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.edit.part.Parts;

/** Edits of prompts: the filters that read an answer go along with its prompt. */
final class PromptEdits {

    private static final int LONGEST_STEM = 40;

    private PromptEdits() {}

    static Report apply(Report report, PromptEdit edit, EditScope scope) {
        return switch (edit) {
            case PromptEdit.AddPrompt add ->
                added(report, EditScope.field(scope.datasets().main(), add.field()), add.answer());
            case PromptEdit.MakePrompt make -> made(report, make.type(), make.label());
            case PromptEdit.RemovePrompt remove -> {
                ReportPrompt prompt = prompt(report, remove.prompt());
                yield withoutComparisons(eachReading(report, prompt, filter -> List.of()), prompt.name())
                        .withPrompts(Parts.without(report.prompts(), ReportPrompt::id, prompt.id()));
            }
            case PromptEdit.AskOtherwise ask -> asking(report, prompt(report, ask.prompt()), ask.type(), scope);
            case PromptEdit.AddPromptCheck add ->
                report.withPrompts(Parts.changed(
                        report.prompts(),
                        ReportPrompt::id,
                        prompt(report, add.prompt()).id(),
                        one -> checked(one, add.message())));
            case PromptEdit.SwitchPrompt one ->
                eachReading(
                        report,
                        prompt(report, one.prompt()),
                        filter -> List.of(FilterParts.switched(filter, one.on())));
        };
    }

    private static boolean comparesGroups(Report report, String prompt) {
        return report.blocks().stream()
                .filter(TableBlock.class::isInstance)
                .flatMap(block -> ((TableBlock) block).levels().stream())
                .flatMap(level -> level.conditions().orElse(List.of()).stream())
                .anyMatch(condition -> condition.prompt().equals(Optional.of(prompt)));
    }

    /** A report in which no group and no key figure is compared with the answer to a prompt. */
    private static Report withoutComparisons(Report report, String prompt) {
        return report.withBlocks(report.blocks().stream()
                .<ReportBlock>map(block -> switch (block) {
                    case TableBlock table ->
                        table.withLevels(table.levels().stream()
                                .map(level -> withoutConditions(level, prompt))
                                .toList());
                    case FiguresBlock figures ->
                        figures.withFigures(figures.figures().stream()
                                .map(figure -> figure.withCompare(figure.compare()
                                        .filter(compare -> !(compare instanceof ReportCompare.WithPeriod period
                                                && period.prompt().equals(prompt)))))
                                .toList());
                    case TextBlock text -> text;
                })
                .toList());
    }

    private static ReportLevel withoutConditions(ReportLevel level, String prompt) {
        return level.withConditions(level.conditions()
                .map(all -> all.stream()
                        .filter(one -> !one.prompt().equals(Optional.of(prompt)))
                        .toList())
                .filter(left -> !left.isEmpty()));
    }

    private static ReportPrompt prompt(Report report, String id) {
        return EditScope.part(report.prompts(), ReportPrompt::id, id);
    }

    /** A period is asked for dates, else a choice of the field's values. */
    private static Report added(Report report, Proposals.Subject field, Optional<String> answer) {
        PromptType type = PromptTypes.of(field.type().kind()).getFirst();
        String name = freeName(report, field.id());
        PartIds ids = new PartIds(report);
        ReportPrompt plain = ReportPromptOfPeriodBuilder.builder()
                .id(ids.free("p-" + field.id()))
                .name(name)
                .label(field.label())
                .defaultAnswer(answer)
                .build();
        ReportFilter reading = reading(ids.free("f-" + field.id()), field.id(), name, type);
        return report.withPrompts(Parts.appended(
                        report.prompts(), List.of(PromptOfType.of(plain, type, Optional.of(field.id()), answer))))
                .withFilters(Parts.appended(report.filters(), List.of(reading)));
    }

    /** A prompt that nothing reads yet. What is chosen from a list needs a field that has the values. */
    private static Report made(Report report, PromptType type, String label) {
        if (type == PromptType.CHOICE || type == PromptType.CHOICES) {
            return EditScope.refused("a choice offers the values of a field; ask for that field");
        }
        String stem = label.strip()
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "_")
                .replaceAll("_$", "");
        String name = freeName(
                report, stem.matches("[a-z].*") ? stem.substring(0, Math.min(LONGEST_STEM, stem.length())) : "prompt");
        ReportPrompt plain = ReportPromptOfPeriodBuilder.builder()
                .id(new PartIds(report).free("p-" + name))
                .name(name)
                .label(label)
                .build();
        return report.withPrompts(Parts.appended(
                report.prompts(), List.of(PromptOfType.of(plain, type, Optional.empty(), Optional.empty()))));
    }

    /** At first of the ends of a range, or of there being an answer. */
    private static ReportPrompt checked(ReportPrompt prompt, String message) {
        String that = prompt.type().hasEnds()
                ? ":" + prompt.name() + "_from <= :" + prompt.name() + "_to"
                : ":" + prompt.name() + " IS NOT NULL";
        Optional<List<ReportPrompt.Check>> checks = Optional.of(
                Parts.appended(prompt.checks().orElse(List.of()), List.of(new ReportPrompt.Check(that, message))));
        return switch (prompt) {
            case ReportPrompt.OfPeriod period -> period.withChecks(checks);
            case ReportPrompt.Choice choice -> choice.withChecks(checks);
            case ReportPrompt.Value value -> value.withChecks(checks);
            case ReportPrompt.Range range -> range.withChecks(checks);
        };
    }

    private static String freeName(Report report, String field) {
        Set<String> taken = report.prompts().stream().map(ReportPrompt::name).collect(Collectors.toSet());
        String stem = field.replaceAll("[^a-z0-9_]", "_");
        String name = stem;
        for (int i = 2; taken.contains(name); i++) {
            name = stem + "_" + i;
        }
        return name;
    }

    /** The filter that reads the answer to a prompt. */
    static ReportFilter reading(String id, String field, String prompt, PromptType type) {
        return PromptTypes.usualComparison(type)
                .<ReportFilter>map(comparison -> ReportFilterConditionBuilder.builder()
                        .id(id)
                        .field(field)
                        .comparison(comparison)
                        .prompt(Optional.of(prompt))
                        .ignoreCase(comparison.seeksText() ? Optional.of(true) : Optional.empty())
                        .build())
                .orElseGet(() -> ReportFilterOfPeriodBuilder.builder()
                        .id(id)
                        .field(field)
                        .prompt(prompt)
                        .build());
    }

    /** What the prompt was answered with no longer fits; what it lists, and of what field, does where it still asks for one of a list. */
    private static Report asking(Report report, ReportPrompt prompt, PromptType type, EditScope scope) {
        Optional<String> field = fieldOf(prompt)
                .or(() -> readers(report, prompt.name())
                        .flatMap(filter -> FilterParts.field(filter).stream())
                        .findFirst());
        boolean fits = field.flatMap(scope.datasets().main()::typeOf)
                .map(of -> PromptTypes.of(of.kind()).contains(type))
                .orElse(true);
        boolean number = type == PromptType.WHOLE_NUMBER || type == PromptType.DECIMAL;
        if (!number && comparesGroups(report, prompt.name())) {
            return EditScope.refused("a condition of groups compares with the number that it asks for");
        }
        if (!fits) {
            return EditScope.refused("the values of \"" + field.orElseThrow() + "\" cannot be asked for like that");
        }
        ReportPrompt changed = PromptOfType.of(prompt, type, field, Optional.empty());
        Report asking =
                report.withPrompts(Parts.changed(report.prompts(), ReportPrompt::id, prompt.id(), before -> changed));
        return eachReading(asking, prompt, filter -> List.of(readingAs(filter, type)));
    }

    private static ReportFilter readingAs(ReportFilter filter, PromptType type) {
        ReportFilter read = reading(
                filter.id(),
                FilterParts.field(filter).orElseThrow(),
                FilterParts.prompt(filter).orElseThrow(),
                type);
        ReportFilter same =
                read instanceof ReportFilter.Condition condition && filter instanceof ReportFilter.Condition before
                        ? condition.withIgnoreCase(before.ignoreCase())
                        : read;
        return FilterParts.switched(
                FilterParts.elsewhere(FilterParts.reaching(same, filter.blocks()), filter.also()), !filter.isOff());
    }

    private static Optional<String> fieldOf(ReportPrompt prompt) {
        return switch (prompt) {
            case ReportPrompt.Choice choice -> choice.field();
            case ReportPrompt.Value value -> value.field();
            default -> Optional.empty();
        };
    }

    /** The filters, wherever they stand, that read the answer to a prompt. */
    static Stream<ReportFilter> readers(Report report, String name) {
        return Stream.concat(
                        report.filters().stream(),
                        report.blocks().stream().flatMap(block -> block.ownFilters().stream()))
                .flatMap(ReportFilter::withParts)
                .filter(filter -> FilterParts.prompt(filter).equals(Optional.of(name)));
    }

    private static Report eachReading(
            Report report, ReportPrompt prompt, Function<ReportFilter, List<ReportFilter>> change) {
        Function<ReportFilter, Optional<List<ReportFilter>>> where =
                filter -> FilterParts.prompt(filter).equals(Optional.of(prompt.name()))
                        ? Optional.of(change.apply(filter))
                        : Optional.empty();
        return report.withFilters(FilterParts.each(report.filters(), where))
                .withBlocks(report.blocks().stream()
                        .map(block -> FilterParts.withFilters(
                                block, block.filters().map(own -> FilterParts.each(own, where))))
                        .toList());
    }
}
