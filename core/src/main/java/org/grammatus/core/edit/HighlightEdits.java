package org.grammatus.core.edit;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.grammatus.core.choice.Align;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportColumnBuilder;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.TextBlock;
import org.grammatus.core.definition.edit.HighlightEdit;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.PartIds;
import org.grammatus.core.edit.part.Parts;
import org.grammatus.core.edit.part.TotalPositions;
import org.grammatus.core.edit.rule.BuiltRule;
import org.grammatus.core.edit.rule.CountableRule;
import org.grammatus.core.edit.rule.FirstRule;
import org.grammatus.core.edit.rule.ReadyRules;
import org.grammatus.core.edit.rule.RuleChoices;

/** Edits of highlights. */
final class HighlightEdits {

    private static final String USUAL_LOOK = "alert";
    private static final Set<String> OPERATORS = Set.of(">", ">=", "<", "<=", "=", "<>", "IS NULL", "IS NOT NULL");

    private HighlightEdits() {}

    static Report apply(Report report, HighlightEdit edit, EditScope scope) {
        ReportBlock block = scope.worked(report);
        DatasetModel dataset = scope.dataset(report);
        List<ReportHighlight> rules = of(block);
        return switch (edit) {
            case HighlightEdit.AddHighlight add -> {
                FirstRule.Condition first = FirstRule.of(block, add.about(), dataset);
                yield with(
                        report,
                        block,
                        Parts.appended(rules, List.of(rule(report, add.label(), first.when(), first.reach()))));
            }
            case HighlightEdit.AddReadyHighlight add -> {
                ReadyRules.Offer offer = ReadyRules.of(add.about(), block, report, dataset).stream()
                        .filter(one -> one.rule() == add.rule() && one.prompt().equals(add.prompt()))
                        .findFirst()
                        .orElseGet(() -> EditScope.refused("that rule is not offered for \"" + add.about() + "\""));
                yield with(
                        report,
                        block,
                        Parts.appended(rules, List.of(rule(report, add.label(), offer.when(), offer.reach()))));
            }
            case HighlightEdit.RemoveHighlight remove -> {
                EditScope.part(rules, ReportHighlight::id, remove.highlight());
                yield with(report, block, Parts.without(rules, ReportHighlight::id, remove.highlight()));
            }
            case HighlightEdit.CountHighlight count ->
                scope.table(
                        report,
                        table -> counting(
                                table,
                                EditScope.part(rules, ReportHighlight::id, count.highlight()),
                                dataset,
                                new PartIds(report)));
            case HighlightEdit.SetRule set -> {
                UnaryOperator<ReportHighlight> change =
                        rule -> rule.withWhen(built(set, rule, new RuleChoices(report, block, rule, dataset), scope));
                EditScope.part(rules, ReportHighlight::id, set.highlight());
                yield with(report, block, Parts.changed(rules, ReportHighlight::id, set.highlight(), change));
            }
            case HighlightEdit.ReachWithHighlight reach -> {
                EditScope.part(rules, ReportHighlight::id, reach.highlight());
                Optional<ReportHighlight.Place> place = HighlightReach.of(reach, block);
                yield with(
                        report,
                        block,
                        Parts.changed(rules, ReportHighlight::id, reach.highlight(), rule -> rule.withReach(place)));
            }
        };
    }

    static List<ReportHighlight> of(ReportBlock block) {
        return switch (block) {
            case TableBlock table -> table.highlights();
            case FiguresBlock figures -> figures.highlights().orElse(List.of());
            case TextBlock text -> List.of();
        };
    }

    private static Report with(Report report, ReportBlock block, List<ReportHighlight> rules) {
        return EditScope.replaced(
                report,
                switch (block) {
                    case TableBlock table -> table.withHighlights(rules);
                    case FiguresBlock figures ->
                        figures.withHighlights(rules.isEmpty() ? Optional.empty() : Optional.of(rules));
                    case TextBlock text -> EditScope.refused("a text has nothing that could be highlighted");
                });
    }

    private static ReportHighlight rule(
            Report report, String label, String when, Optional<ReportHighlight.Place> reach) {
        return new ReportHighlight(
                new PartIds(report).free("h-" + label),
                label,
                when,
                reach,
                USUAL_LOOK,
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static TableBlock counting(TableBlock table, ReportHighlight rule, DatasetModel dataset, PartIds ids) {
        if (!CountableRule.isCountable(rule, dataset)) {
            return EditScope.refused("only what marks rows, each judged by itself, can be counted in totals");
        }
        ReportColumn column = ReportColumnBuilder.builder()
                .id(ids.free("c-" + rule.id()))
                .label(Optional.of(rule.label()))
                .align(Optional.of(Align.END))
                .build();
        ReportTotal total = new ReportTotal(
                ids.free("t-" + rule.id()),
                column.id(),
                "COUNT(*) FILTER (WHERE " + rule.when() + ")",
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                TotalPositions.everywhere(table));
        return table.withColumns(Parts.appended(table.columns(), List.of(column)))
                .withTotals(Parts.appended(table.totals(), List.of(total)));
    }

    private static String built(HighlightEdit.SetRule set, ReportHighlight rule, RuleChoices choices, EditScope scope) {
        RuleChoices.Choice value = choices.values().stream()
                .filter(choice -> choice.text().equals(set.value()))
                .findFirst()
                .orElseGet(() -> EditScope.refused("a rule cannot be about \"" + set.value() + "\" here"));
        Optional<BuiltRule> now = BuiltRule.of(rule.when(), choices);
        BuiltRule usual = now.filter(one -> one.value().equals(value))
                .orElseGet(() -> BuiltRule.about(value, now, scope.today()));
        String operator = set.operator().orElse(usual.operator());
        if (!OPERATORS.contains(operator)) {
            return EditScope.refused(
                    "\"" + operator + "\" compares nothing; use one of " + String.join(", ", OPERATORS));
        }
        boolean isBlank = set.typed().filter(String::isBlank).isPresent();
        if (!isBlank
                && set.typed()
                        .filter(typed -> !BuiltRule.isValue(typed, value.type()))
                        .isPresent()) {
            // Only the beginning of a value is there yet.
            return rule.when();
        }
        String than = set.typed()
                .map(typed -> isBlank
                        ? BuiltRule.unwritten(value.type(), scope.today())
                        : BuiltRule.literal(typed, value.type()))
                .or(set::than)
                .or(usual::than)
                .orElseGet(() -> BuiltRule.unwritten(value.type(), scope.today()));
        return new BuiltRule(value, operator, Optional.of(than), Optional.empty()).text();
    }
}
