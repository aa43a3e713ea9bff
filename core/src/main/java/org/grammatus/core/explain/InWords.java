package org.grammatus.core.explain;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.rows.ComparedDays;
import org.grammatus.core.rows.KeptDays;
import org.grammatus.core.rows.Shift;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/** Expressions and orders in the words of the dataset's dictionary. */
public final class InWords {

    private static final int MONTHS_OF_YEAR = 12;

    private final DatasetModel dataset;

    public InWords(DatasetModel dataset) {
        this.dataset = dataset;
    }

    /** A formula: "sum of Net sales", "Quantity − Received". */
    public String of(Typed e) {
        return switch (e) {
            case Typed.Constant c -> constant(c.value());
            case Typed.Field f -> dataset.field(f.id()).label();
            case Typed.Named n -> dataset.named(n.id()).label();
            case Typed.LabelledKey c -> of(c.name());
            case Typed.SemiJoin h ->
                "has " + (h.least() == 1 ? "" : "at least " + h.least() + " ") + "rows of “" + h.dataset() + "”";
            case Typed.Negate n -> "−" + nested(n.operand());
            case Typed.Arithmetic a ->
                nested(a.left()) + " "
                        + switch (a.operator()) {
                            case ADD -> "+";
                            case SUBTRACT -> "−";
                            case MULTIPLY -> "×";
                            case DIVIDE -> "÷";
                        }
                        + " " + nested(a.right());
            case Typed.AddDays d ->
                nested(d.value())
                        + (d.days() < 0 ? " less " : " plus ")
                        + Math.abs(d.days())
                        + (Math.abs(d.days()) == 1 ? " day" : " days");
            case Typed.AddMonths m ->
                nested(m.value())
                        + (m.months() < 0 ? " less " : " plus ")
                        + Math.abs(m.months())
                        + (Math.abs(m.months()) == 1 ? " month" : " months");
            case Typed.Extract x -> x.part().name().toLowerCase(Locale.ROOT) + " of " + nested(x.value());
            case Typed.Cast c -> nested(c.value()) + " as " + c.type();
            case Typed.Call c -> call(c);
            case Typed.DaysBetween d -> "days from " + nested(d.right()) + " to " + nested(d.left());
            case Typed.Concat c -> of(c.left()) + " joined with " + of(c.right());
            case Typed.Compare c ->
                nested(c.left())
                        + switch (c.operator()) {
                            case EQUAL -> " is ";
                            case NOT_EQUAL -> " is not ";
                            case LESS -> " is less than ";
                            case LESS_OR_EQUAL -> " is at most ";
                            case GREATER -> " is more than ";
                            case GREATER_OR_EQUAL -> " is at least ";
                        }
                        + nested(c.right());
            case Typed.Logic l ->
                part(l, l.left()) + " " + l.connective().name().toLowerCase(Locale.ROOT) + " " + part(l, l.right());
            case Typed.Not n when n.operand() instanceof Typed.IsNull i -> nested(i.value()) + " is not blank";
            case Typed.Not n -> "not " + nested(n.operand());
            case Typed.IsNull n -> nested(n.value()) + " is blank";
            case Typed.Like l -> nested(l.value()) + " is like " + nested(l.pattern());
            case Typed.CaseWhen c -> choice(c);
            case Typed.Aggregate a -> aggregate(a);
            case Typed.Over o ->
                aggregate(o.aggregate())
                        + o.steps()
                                .map(steps -> " up to here, in printed order of " + steps.name())
                                .orElse("")
                        + around(o.around());
            case Typed.WindowFunction s -> standing(s) + around(s.around());
            case Typed.Total t -> "the figure as it is printed";
        };
    }

    private static String around(Optional<Names.Level> around) {
        return around.map(level -> " in its “" + level.name() + "” group").orElse(" in the whole report");
    }

    private String standing(Typed.WindowFunction s) {
        String first = s.descending() ? ", the largest first," : "";
        return switch (s.function()) {
            case RANK -> "rank by " + nested(s.value()) + first;
            case CUME_DIST -> "part of all that come no later by " + nested(s.value()) + first;
            case LAG ->
                nested(s.value()) + " of the one before, in printed order of "
                        + s.steps().name() + ",";
            case ALIKE -> "number of rows with the same " + nested(s.value());
        };
    }

    /** A formula with what its name stands for: "Average order value: sum of Net sales ÷ Number of orders". */
    public String definition(Typed e) {
        return e instanceof Typed.Named n ? of(n) + ": " + of(n.value()) : of(e);
    }

    private String choice(Typed.CaseWhen c) {
        List<String> branches = new ArrayList<>();
        c.branches().forEach(branch -> branches.add(nested(branch.result()) + " if " + of(branch.condition())));
        c.otherwise().ifPresent(otherwise -> branches.add("otherwise " + nested(otherwise)));
        return String.join(", ", branches);
    }

    private String call(Typed.Call c) {
        List<String> values = c.arguments().stream().map(this::nested).toList();
        String first = values.getFirst();
        return switch (c.function()) {
            case UPPER -> first + " in capitals";
            case LOWER -> first + " in small letters";
            case TRIM -> first + " without blanks at its ends";
            case CHAR_LENGTH -> "length of " + first;
            case SUBSTRING ->
                "part of " + first + " from character " + values.get(1)
                        + (values.size() == 3 ? ", " + values.get(2) + " long" : "");
            case POSITION -> "position of " + first + " in " + values.get(1);
            case ABS -> first + " without its sign";
            case FLOOR -> first + " rounded down";
            case CEILING -> first + " rounded up";
            case ROUND -> first + " rounded to " + c.type().scale() + " digits";
            case MOD -> "what is left of " + first + " divided by " + values.get(1);
            case NULLIF -> first + ", blank where it is " + values.get(1);
        };
    }

    private String aggregate(Typed.Aggregate a) {
        String condition = a.filter().map(filter -> " where " + of(filter)).orElse("");
        return taken(a) + condition;
    }

    private String taken(Typed.Aggregate a) {
        if (a.argument().isEmpty()) {
            return "number of " + dataset.table(DatasetModel.GRAIN).noun().other();
        }
        String argument = nested(a.argument().get());
        return switch (a.function()) {
            case COUNT -> (a.distinct() ? "number of different values of " : "number of values of ") + argument;
            case SUM -> (a.distinct() ? "sum of the different values of " : "sum of ") + argument;
            case AVG -> (a.distinct() ? "average of the different values of " : "average of ") + argument;
            case MIN -> "smallest " + argument;
            case MAX -> "largest " + argument;
            case MEDIAN -> (a.distinct() ? "median of the different values of " : "median of ") + argument;
            case FIRST -> argument + " of the first row";
            case LAST -> argument + " of the last row";
        };
    }

    /** A condition among others that are joined to it in the same way needs no brackets. */
    private String part(Typed.Logic whole, Typed part) {
        return part instanceof Typed.Logic l && l.connective() == whole.connective() ? of(part) : nested(part);
    }

    private String nested(Typed e) {
        return switch (e) {
            case Typed.Constant c -> of(c);
            case Typed.Field f -> of(f);
            case Typed.Named n -> of(n);
            case Typed.LabelledKey c -> of(c);
            case Typed.Aggregate a -> of(a);
            default -> "(" + of(e) + ")";
        };
    }

    private static String constant(Scalar value) {
        return switch (value) {
            case Scalar.Null n -> "blank";
            case Scalar.Text t -> "“" + t.value() + "”";
            default -> ScalarText.write(value);
        };
    }

    /** What a total shows, in words: "share of its parent, of sum of Net". */
    public String made(TotalPlan total, TablePlan plan) {
        String value = definition(total.value());
        if (total.comparison().isPresent()) {
            return compared(total.comparison().get(), value, plan);
        }
        return switch (total.shown()) {
            case VALUE -> value;
            case SHARE_OF_PARENT -> "share of the group around it: " + value;
            case SHARE_OF_REPORT -> "share of the whole report: " + value;
            case RUNNING_IN_PARENT -> "running total among its siblings, in printed order: " + value;
            case RUNNING_IN_REPORT -> "running total through the report, in printed order: " + value;
            case RANK -> "rank among its siblings, largest first: " + value;
            case CHANGE -> "change from the sibling printed before it: " + value;
            case CHANGE_PERCENT -> "change from the sibling printed before it, in percent: " + value;
        };
    }

    private String compared(TablePlan.Comparison comparison, String value, TablePlan plan) {
        String other = switch (comparison) {
            case TablePlan.Comparison.WithPlan with -> definition(with.plan());
            case TablePlan.Comparison.WithTime time -> {
                ComparedDays days = ComparedDays.of(plan, time.date());
                yield days.shift(time)
                        .map(shift -> value + ", " + earlier(shift)
                                + (days.from().isEmpty() ? ", inside groups that are spans of it" : ""))
                        .orElse("no figure, since the period has no start");
            }
            case TablePlan.Comparison.WithPeriod period ->
                KeptDays.of(period.conditions(), period.date()).from().isEmpty()
                        ? "no figure, since no other days were asked for"
                        : value + ", where "
                                + period.conditions().stream()
                                        .map(FilterPlan::words)
                                        .collect(Collectors.joining(" and "));
        };
        return switch (comparison.shown()) {
            case FIGURE -> other;
            case DIFFERENCE -> value + ", less " + other;
            case PERCENT -> "difference in percent: " + value + ", from " + other;
        };
    }

    /** When rows of another time were, seen from theirs. */
    private String earlier(Shift shift) {
        String step = shift.days() > 0
                ? shift.days() + " days"
                : shift.months() == MONTHS_OF_YEAR
                        ? "a year"
                        : shift.months() + (shift.months() == 1 ? " month" : " months");
        String until = shift.until()
                .map(day -> ", up to the day that answers to " + ScalarText.write(new Scalar.Date(day)))
                .orElse("");
        return step + " earlier by " + dataset.field(shift.field()).label() + until;
    }

    /** An order in words: "by Net sales, largest first, then by name". */
    public String order(LevelPlan level, List<TotalPlan> totals) {
        List<String> terms = new ArrayList<>();
        for (TablePlan.Term term : level.order()) {
            boolean natural = dataset.naturalOrder(term.by()).isPresent();
            boolean down = term.direction() == Direction.DESCENDING;
            terms.add("by " + bucket(term) + term(term.by(), totals) + ", "
                    + (natural
                            ? down ? "in its own order reversed" : "in its own order"
                            : direction(term.by().type(), term.direction()))
                    + (term.acrossReport() ? ", across the whole report" : ""));
        }
        terms.add(byName(level));
        return String.join(", then ", terms);
    }

    private static String bucket(TablePlan.Term term) {
        return term.bucket()
                .map(of -> of.bucket().name().toLowerCase(Locale.ROOT).replace('_', ' ') + " of ")
                .orElse("");
    }

    private String byName(LevelPlan level) {
        if (level.keys().coarsening().isPresent()) {
            return level.keys().coarsening().get() instanceof DateBucket ? "by time" : "from the lowest class up";
        }
        if (!level.keys().listed().isEmpty()) {
            return "in the order given, others after it";
        }
        return level.naturalOrder(dataset).isPresent() ? "in its own order" : "by name";
    }

    /** A measure is called as the column it is printed in, where there is one. */
    private String term(Typed by, List<TotalPlan> totals) {
        Optional<String> column = totals.stream()
                .filter(total -> total.value().equals(by))
                .findFirst()
                .flatMap(total -> by instanceof Typed.Aggregate a ? a.argument().map(this::of) : Optional.empty());
        return column.orElseGet(() -> of(by));
    }

    public static String direction(Type type, Direction direction) {
        boolean down = direction == Direction.DESCENDING;
        return switch (type.kind()) {
            case INTEGER, DECIMAL -> down ? "largest first" : "smallest first";
            case DATE, TIMESTAMP -> down ? "newest first" : "oldest first";
            case TEXT -> down ? "Z to A" : "A to Z";
            case BOOLEAN -> down ? "yes first" : "no first";
        };
    }
}
