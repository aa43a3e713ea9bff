package org.grammatus.core.edit;

import java.util.Optional;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.ReportCompare;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.definition.edit.TotalEdit.Showing;
import org.grammatus.core.edit.part.EditScope;
import org.grammatus.core.edit.part.PrintedFields;

/** A total that shows something else; a comparison keeps its date, its plan and whether it is cut. */
final class ShownTotal {

    private ShownTotal() {}

    static ReportTotal as(ReportTotal total, Showing as, Optional<String> date, DatasetModel dataset) {
        if (as != Showing.VALUE
                && !PrintedFields.kindOfTotal(total.value(), dataset).isNumber()) {
            return EditScope.refused("shares, ranks, running totals and comparisons are made of numbers");
        }
        ReportTotal plain =
                total.withFormat(Optional.empty()).withShown(Optional.empty()).withCompare(Optional.empty());
        return switch (as) {
            case VALUE -> plain;
            case SHARE_OF_PARENT -> plain.withShown(Optional.of(Shown.SHARE_OF_PARENT));
            case SHARE_OF_REPORT -> plain.withShown(Optional.of(Shown.SHARE_OF_REPORT));
            case RUNNING_IN_PARENT -> plain.withShown(Optional.of(Shown.RUNNING_IN_PARENT));
            case RUNNING_IN_REPORT -> plain.withShown(Optional.of(Shown.RUNNING_IN_REPORT));
            case RANK -> plain.withShown(Optional.of(Shown.RANK));
            case CHANGE -> plain.withShown(Optional.of(Shown.CHANGE));
            case CHANGE_PERCENT -> plain.withShown(Optional.of(Shown.CHANGE_PERCENT));
            case LAST_YEAR_FIGURE -> time(plain, total, ComparedWith.LAST_YEAR, Compared.FIGURE, date);
            case LAST_YEAR_DIFFERENCE -> time(plain, total, ComparedWith.LAST_YEAR, Compared.DIFFERENCE, date);
            case LAST_YEAR_PERCENT -> time(plain, total, ComparedWith.LAST_YEAR, Compared.PERCENT, date);
            case PREVIOUS_PERIOD_FIGURE -> time(plain, total, ComparedWith.PREVIOUS_PERIOD, Compared.FIGURE, date);
            case PREVIOUS_PERIOD_DIFFERENCE ->
                time(plain, total, ComparedWith.PREVIOUS_PERIOD, Compared.DIFFERENCE, date);
            case PREVIOUS_PERIOD_PERCENT -> time(plain, total, ComparedWith.PREVIOUS_PERIOD, Compared.PERCENT, date);
            case PLAN_FIGURE -> plan(plain, total, Compared.FIGURE);
            case PLAN_DIFFERENCE -> plan(plain, total, Compared.DIFFERENCE);
            case PLAN_PERCENT -> plan(plain, total, Compared.PERCENT);
        };
    }

    private static ReportTotal plan(ReportTotal plain, ReportTotal before, Compared shown) {
        String plan =
                before.compare().orElse(null) instanceof ReportCompare.WithPlan kept ? kept.plan() : before.value();
        return plain.withCompare(Optional.of(new ReportCompare.WithPlan(ComparedWith.PLAN, plan, shown)));
    }

    private static ReportTotal time(
            ReportTotal plain, ReportTotal before, ComparedWith with, Compared shown, Optional<String> date) {
        Optional<ReportCompare.WithTime> kept = before.compare()
                .filter(ReportCompare.WithTime.class::isInstance)
                .map(ReportCompare.WithTime.class::cast);
        return plain.withCompare(Optional.of(new ReportCompare.WithTime(
                with,
                kept.map(ReportCompare.WithTime::date)
                        .or(() -> date)
                        .orElseGet(() -> EditScope.refused("the comparison needs the date field that tells the time")),
                kept.flatMap(ReportCompare.WithTime::cut),
                shown)));
    }
}
