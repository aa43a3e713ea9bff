package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.FilterKind;
import org.grammatus.core.definition.RelatedFilter;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.document.Checked;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.RunInputs;
import org.grammatus.core.plan.planner.condition.FilterCondition;
import org.grammatus.core.plan.planner.condition.FilterScope;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.value.Scalar;

/** Plans the filters that reach a block; what is wrong with them is noted where it stands. */
final class FilterPlanning {

    private static final Typed TRUE = new Typed.Constant(new Scalar.Bool(true));

    private final Checked<Report> checked;
    private final ReachedFilters reached;
    private final FilterScope scope;
    private final PlanNames names;
    private final RunInputs inputs;
    private final Problems problems;

    FilterPlanning(
            Checked<Report> checked,
            ReachedFilters reached,
            FilterScope scope,
            PlanNames names,
            RunInputs inputs,
            Problems problems) {
        this.checked = checked;
        this.reached = reached;
        this.scope = scope;
        this.names = names;
        this.inputs = inputs;
        this.problems = problems;
    }

    /** The filters that restrict something, in their order. */
    List<FilterPlan> filters() {
        List<FilterPlan> plans = new ArrayList<>();
        requireOneTop();
        for (ReachedFilters.Reached each : reached.filters()) {
            if (isSound(each.pointer(), each.filter()) && each.filter().restricts()) {
                plan(each.filter()).ifPresent(plans::add);
            }
        }
        return List.copyOf(plans);
    }

    /** The first rows are taken of those that all other filters keep: of two such filters neither could be the last. */
    private void requireOneTop() {
        List<ReachedFilters.Reached> tops = reached.filters().stream()
                .filter(each -> each.filter() instanceof ReportFilter.Top
                        && !each.filter().isOff())
                .toList();
        tops.stream()
                .skip(1)
                .forEach(
                        second -> problems.error(
                                second.pointer(),
                                "keeps the first rows of block \"" + reached.block() + "\" as filter \""
                                        + tops.getFirst().filter().id()
                                        + "\" does already; remove or switch off one of the two, or let each reach other blocks"));
    }

    /**
     * The filters where other days are asked for than usual.
     *
     * @param date id of the date field that tells the time
     * @param prompt name of the period prompt that asks
     * @param usual the filters otherwise
     */
    List<FilterPlan> conditions(String date, String prompt, List<FilterPlan> usual) {
        List<FilterPlan> others = new ArrayList<>();
        for (ReportFilter filter : reached.all()) {
            Optional<FilterPlan> plan =
                    usual.stream().filter(one -> one.id().equals(filter.id())).findFirst();
            Optional<ReportFilter> left = withoutDays(filter, date);
            if (left.equals(Optional.of(filter))) {
                plan.ifPresent(others::add);
            } else if (plan.isPresent()) {
                left.flatMap(this::plan).ifPresent(others::add);
            }
        }
        plan(new ReportFilter.OfPeriod(
                        "days-of-" + prompt, date, prompt, Optional.empty(), Optional.empty(), Optional.empty()))
                .ifPresent(others::add);
        return List.copyOf(others);
    }

    /** A filter without what it asks of a date by itself. */
    private static Optional<ReportFilter> withoutDays(ReportFilter filter, String date) {
        return switch (filter) {
            case ReportFilter.OfPeriod period when period.field().equals(date) -> Optional.empty();
            case ReportFilter.Several several
            when several.kind() == FilterKind.ALL ->
                Optional.of(several.of(several.filters().stream()
                        .flatMap(part -> withoutDays(part, date).stream())
                        .toList()));
            default -> Optional.of(filter);
        };
    }

    /** Whether nothing is wrong with a filter; else what is wrong is noted, each at its part. */
    private boolean isSound(String at, ReportFilter filter) {
        if (filter.isOff()) {
            return true;
        }
        if (filter instanceof ReportFilter.Several several) {
            boolean sound = !checked.isWrong(at);
            for (int i = 0; i < several.filters().size(); i++) {
                sound &= isSound(at + "/filters/" + i, several.filters().get(i));
            }
            return sound;
        }
        boolean typed = filter instanceof ReportFilter.Typed;
        boolean whole = !checked.isWrong(at) && (typed || !checked.isWrongInside(at));
        if (!knownFields(at, filter, scope.dataset()) || !whole) {
            return false;
        }
        if (filter instanceof ReportFilter.Condition condition && !condition.hasOperand()) {
            problems.add(Problem.advice(
                    at + "/values", "there is no value to compare with yet, so every row is kept; write one"));
            return true;
        }
        String place = switch (filter) {
            case ReportFilter.Typed t -> at + "/where";
            case ReportFilter.Condition c when c.prompt().isPresent() -> at + "/prompt";
            case ReportFilter.Condition c when c.other().isPresent() -> at + "/other";
            case ReportFilter.OfPeriod p -> at + "/field";
            case ReportFilter.Top t -> at + "/field";
            default -> at;
        };
        Problems own = new Problems();
        own.collect(place, () -> plan(filter), Optional.<FilterPlan>empty());
        // The expression of a built filter is ours: a place in it would tell its author nothing.
        own.found().forEach(problem -> problems.add(typed ? problem : problem.withoutPosition()));
        return !own.hasErrors();
    }

    private boolean knownFields(String at, ReportFilter filter, DatasetModel dataset) {
        return switch (filter) {
            case ReportFilter.Typed t -> true;
            case ReportFilter.OfPeriod p -> known(at + "/field", p.field(), dataset);
            case ReportFilter.Condition c ->
                known(at + "/field", c.field(), dataset)
                        & c.other()
                                .map(other -> known(at + "/other", other, dataset))
                                .orElse(true);
            case ReportFilter.Top t -> known(at + "/field", t.field(), dataset);
            case ReportFilter.Several s -> all(at, s.filters(), dataset);
            case RelatedFilter r ->
                scope.datasets()
                        .byId(r.dataset())
                        .map(other -> knownFields(at, r, dataset, other))
                        .orElse(true);
        };
    }

    private boolean knownFields(String at, RelatedFilter related, DatasetModel dataset, DatasetModel other) {
        boolean known = all(at, related.filters().orElse(List.of()), other);
        for (int i = 0; i < related.keys().size(); i++) {
            String key = at + "/keys/" + i;
            known &= known(key + "/field", related.keys().get(i).field(), other);
            known &= known(key + "/of", related.keys().get(i).of(), dataset);
        }
        return known
                & related.counted()
                        .map(field -> known(at + "/counted", field, other))
                        .orElse(true);
    }

    private boolean all(String at, List<ReportFilter> filters, DatasetModel dataset) {
        boolean known = true;
        for (int i = 0; i < filters.size(); i++) {
            known &= filters.get(i).isOff() || knownFields(at + "/filters/" + i, filters.get(i), dataset);
        }
        return known;
    }

    private boolean known(String at, String field, DatasetModel dataset) {
        return Known.field(at, field, dataset, problems);
    }

    private Optional<FilterPlan> plan(ReportFilter filter) {
        String words = FilterWords.of(filter, scope.dataset(), inputs);
        if (filter instanceof ReportFilter.Top top) {
            return Optional.of(
                    new FilterPlan(top.id(), TRUE, Optional.empty(), words, Optional.empty(), Optional.of(top(top))));
        }
        Optional<String> period =
                filter instanceof ReportFilter.OfPeriod of ? Optional.of(of.prompt()) : Optional.empty();
        return restriction(FilterCondition.of(filter, scope))
                .map(left -> new FilterPlan(filter.id(), left, period, words, parts(filter), Optional.empty()));
    }

    private FilterPlan.TopRows top(ReportFilter.Top top) {
        Typed by = names.field(top.field(), true).orElseThrow();
        if (!by.type().isNumber() && !by.type().isTime()) {
            throw new ProblemException(Problem.error(
                    "",
                    "\"" + top.field() + "\" is " + by.type()
                            + "; the most and the least are of numbers, dates and moments"));
        }
        return new FilterPlan.TopRows(by, top.end(), top.count());
    }

    private Optional<FilterPlan.Parts> parts(ReportFilter filter) {
        return filter instanceof ReportFilter.Several several
                ? Optional.of(new FilterPlan.Parts(
                        FilterPlan.Join.valueOf(several.kind().name()),
                        several.filters().stream()
                                .filter(ReportFilter::restricts)
                                .flatMap(part -> part(part).stream())
                                .toList()))
                : Optional.empty();
    }

    private Optional<FilterPlan.Part> part(ReportFilter part) {
        return restriction(FilterCondition.of(part, scope))
                .map(condition -> new FilterPlan.Part(
                        part.id(),
                        condition,
                        restriction(FilterCondition.excluded(part, scope)).orElse(TRUE),
                        parts(part)));
    }

    private Optional<Typed> restriction(Expression condition) {
        return Typing.restriction(condition, names, Typing.Place.ROW);
    }
}
