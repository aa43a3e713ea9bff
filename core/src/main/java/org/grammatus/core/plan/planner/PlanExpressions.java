package org.grammatus.core.plan.planner;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Basis;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.FiscalCalendar;
import org.grammatus.core.dataset.Lookups;
import org.grammatus.core.definition.OrderTerm;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Expressions;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/** Types the expressions of a report; what is wrong with them is noted where they stand. */
final class PlanExpressions {

    /** Stands for an expression that is wrong, so that planning goes on and finds the others. */
    static final Typed NOTHING = new Typed.Constant(new Scalar.Null(Type.TEXT));

    /** Stands for an expression that cannot be parsed. */
    private static final Expression WRONG = Expressions.literal(new Scalar.Null(Type.TEXT));

    private final Names names;
    private final Lookups lookups;
    private final FiscalCalendar calendar;
    private final Problems problems;

    PlanExpressions(Names names, Lookups lookups, FiscalCalendar calendar, Problems problems) {
        this.calendar = calendar;
        this.names = names;
        this.lookups = lookups;
        this.problems = problems;
    }

    Typed typed(String pointer, String text, Typing.Place place) {
        return typed(pointer, parsed(pointer, text), place);
    }

    Typed typed(String pointer, Expression parsed, Typing.Place place) {
        return parsed == WRONG ? NOTHING : problems.collect(pointer, () -> Typing.type(parsed, names, place), NOTHING);
    }

    Expression parsed(String pointer, String text) {
        return problems.collect(pointer, () -> ExpressionParser.parse(text, names.fieldLabels()), WRONG);
    }

    /** The terms of an order of rows. */
    List<TablePlan.Term> rowTerms(String pointer, List<OrderTerm> order) {
        List<TablePlan.Term> terms = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            if (order.get(i).basis().isPresent()) {
                problems.error(pointer + "/" + i + "/basis", "rows are compared by themselves; remove this property");
            }
            Typed by =
                    lookups.shown(typed(pointer + "/" + i + "/by", order.get(i).by(), Typing.Place.ROW));
            terms.add(new TablePlan.Term(
                    by, false, order.get(i).direction(), false, bucket(pointer + "/" + i, order.get(i), by)));
        }
        return List.copyOf(terms);
    }

    /** The terms of an order of the groups at a depth. */
    List<TablePlan.Term> groupTerms(String pointer, List<OrderTerm> order, int depth) {
        List<TablePlan.Term> terms = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            terms.add(groupTerm(pointer + "/" + i, order.get(i), depth));
        }
        return List.copyOf(terms);
    }

    private TablePlan.Term groupTerm(String pointer, OrderTerm term, int depth) {
        boolean across = term.basis().equals(Optional.of(Basis.REPORT));
        boolean[] scope = new boolean[1];
        Typed by = problems.collect(
                pointer + "/by",
                () -> {
                    Expression parsed = ExpressionParser.parse(term.by(), names.fieldLabels());
                    scope[0] = Typing.aggregates(parsed, names);
                    return Typing.type(parsed, names, scope[0] ? Typing.Place.SCOPE : Typing.Place.ROW);
                },
                NOTHING);
        // Across the report a group is taken together with its matchingNodes, which have no parent in common.
        requireAround(pointer + "/by", by, across ? 0 : depth);
        if (by.stepping().findAny().isPresent()) {
            problems.error(pointer + "/by", "an order cannot depend on the order that it makes; leave out ORDER BY");
        }
        return new TablePlan.Term(
                lookups.shown(by), scope[0], term.direction(), across && scope[0], bucket(pointer, term, by));
    }

    /** The span of time by which a term puts dates in order; anything else has none, which is noted. */
    private Optional<DateBucket> bucket(String pointer, OrderTerm term, Typed by) {
        if (term.bucket().isPresent() && by != NOTHING && !by.type().isTime()) {
            problems.error(
                    pointer + "/bucket",
                    "\"" + term.by() + "\" is a " + by.type()
                            + "; only a date or timestamp has a bucket. Remove this property");
        }
        return term.bucket().filter(bucket -> by.type().isTime()).map(bucket -> new DateBucket(bucket, calendar));
    }

    /**
     * Notes an aggregate over the group of a level that is not around the place where it stands.
     *
     * @param depth of the place
     */
    void requireAround(String pointer, Typed value, int depth) {
        List<Names.Level> around = names.levels().subList(0, depth);
        if (!value.levelsAround().allMatch(around::contains)) {
            problems.error(
                    pointer,
                    "an aggregate in it is over groups inside this one; allowed here: " + Typing.overs(around));
        }
        Optional<String> own =
                depth == 0 ? Optional.empty() : Optional.of(around.getLast().id());
        value.stepping()
                .filter(steps -> own.isEmpty() || !steps.level().equals(own))
                .findFirst()
                .ifPresent(steps -> problems.error(
                        pointer,
                        "an aggregate in it steps over \"" + steps.name()
                                + "\", so it has a value beside each of these and nowhere else"));
    }

    /** Notes what depends on other groups where groups are still being chosen: their figures would change with the choice. */
    void requireOwn(String pointer, Typed value, String what) {
        if (value.looksOver()) {
            problems.error(
                    pointer,
                    what
                            + " is decided by the group's own figures; OVER, and with it shares, ranks and running totals, is"
                            + " only known once the groups are chosen");
        }
    }
}
