package org.grammatus.core.plan.planner;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.choice.LimitEnd;
import org.grammatus.core.choice.layout.LevelLayout;
import org.grammatus.core.dataset.Coarsening;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.dataset.Homes;
import org.grammatus.core.dataset.Lookups;
import org.grammatus.core.dataset.NumberClasses;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.GroupFilter;
import org.grammatus.core.definition.NumberClass;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportLimit;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.ExpressionParser;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.plan.GroupCondition;
import org.grammatus.core.plan.LevelPlan;
import org.grammatus.core.plan.LimitPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.problem.Problems;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import org.grammatus.core.value.Type;

/** Plans the levels of a report. */
final class LevelPlanning {

    private final DatasetModel dataset;
    private final Names names;
    private final Lookups lookups;
    private final Problems problems;
    private final PlanExpressions expressions;
    private final AskedPeriods asked;
    private final TextPlanning texts;
    private final Homes homes;

    LevelPlanning(
            DatasetModel dataset,
            Names names,
            Lookups lookups,
            Problems problems,
            PlanExpressions expressions,
            AskedPeriods asked) {
        this.dataset = dataset;
        this.names = names;
        this.lookups = lookups;
        this.problems = problems;
        this.expressions = expressions;
        this.asked = asked;
        this.texts = new TextPlanning(names, dataset, problems);
        this.homes = new Homes(dataset);
    }

    LevelPlan level(String pointer, ReportLevel level) {
        Expression parsed = expressions.parsed(pointer + "/key", level.key());
        Typed key = expressions.typed(pointer + "/key", parsed, Typing.Place.ROW);
        int depth = names.levels().stream().map(Names.Level::id).toList().indexOf(level.id()) + 1;
        Optional<Coarsening> coarsening = coarsening(pointer, level, key.type());
        LevelPlan.Keys keys = new LevelPlan.Keys(
                level.key(),
                parsed,
                key,
                coarsening,
                asked.of(key),
                listed(pointer + "/listed", level.listed().orElse(List.of()), key.type()),
                level.empty(),
                homes.orGrain(key));
        LevelPlan.Naming naming = new LevelPlan.Naming(
                level.label(),
                level.label()
                        .map(text -> expressions.typed(pointer + "/label", text, Typing.Place.ROW))
                        .map(label ->
                                coarsening.isPresent() || label.equals(key) ? label : Typed.LabelledKey.of(key, label))
                        .or(() -> lookups.nameOf(key).filter(name -> coarsening.isEmpty())),
                codeBehind(key));
        List<TablePlan.Term> order = expressions.groupTerms(pointer + "/order", level.order(), depth);
        LevelPlan.Choice choice = new LevelPlan.Choice(
                level.having().flatMap(text -> having(pointer + "/having", text)),
                conditions(pointer + "/conditions", level.conditions().orElse(List.of())),
                level.limit().map(limit -> limit(pointer + "/limit", limit)));
        LevelPlan.Print print = new LevelPlan.Print(
                level.header(),
                level.headerText().map(text -> text(pointer + "/headerText", text, depth)),
                level.footer(),
                level.footerText().map(text -> text(pointer + "/footerText", text, depth)),
                level.newPage().orElse(false),
                level.layout().orElse(LevelLayout.PLAIN));
        return new LevelPlan(level.id(), level.name(), pointer, keys, naming, choice, order, print);
    }

    private Optional<Coarsening> coarsening(String pointer, ReportLevel level, Type type) {
        if (level.bucket().isPresent() && !type.isTime()) {
            problems.error(
                    pointer + "/bucket",
                    "the key \"" + level.key() + "\" is a " + type + "; only a date or timestamp has buckets");
        }
        if (level.classes().isPresent() && !type.isNumber()) {
            problems.error(
                    pointer + "/classes",
                    "the key \"" + level.key() + "\" is a " + type + "; only a number has classes");
        }
        return level.bucket()
                .<Coarsening>map(bucket -> new DateBucket(bucket, dataset.calendar()))
                .or(() -> level.classes().map(classes -> classes(pointer + "/classes", classes)));
    }

    private NumberClasses classes(String pointer, List<NumberClass> classes) {
        List<NumberClasses.Entry> entries = new ArrayList<>();
        for (int i = 0; i < classes.size(); i++) {
            Optional<BigDecimal> upTo =
                    number(pointer + "/" + i + "/upTo", classes.get(i).upTo());
            boolean last = i == classes.size() - 1;
            if (last && upTo.isPresent()) {
                problems.error(
                        pointer + "/" + i + "/upTo",
                        "the last class takes all that is above the others; remove this property or add a class");
                upTo = Optional.empty();
            } else if (!last && upTo.isEmpty()) {
                problems.error(pointer + "/" + i, "property \"upTo\" is missing: only the last class takes the rest");
                upTo = Optional.of(BigDecimal.ZERO);
            }
            Optional<BigDecimal> below =
                    i == 0 ? Optional.empty() : entries.getLast().upTo();
            if (upTo.isPresent() && below.isPresent() && upTo.get().compareTo(below.get()) <= 0) {
                problems.error(
                        pointer + "/" + i + "/upTo",
                        "found " + upTo.get().toPlainString() + ", expected more than "
                                + below.get().toPlainString() + ", where the class before ends");
            }
            entries.add(new NumberClasses.Entry(upTo, classes.get(i).label()));
        }
        return new NumberClasses(entries);
    }

    private List<Scalar> listed(String pointer, List<String> keys, Type type) {
        List<Scalar> listed = new ArrayList<>();
        for (int i = 0; i < keys.size(); i++) {
            try {
                Scalar key = ScalarText.parse(keys.get(i), type);
                if (listed.contains(key)) {
                    problems.error(pointer + "/" + i, "\"" + keys.get(i) + "\" is listed twice; remove one");
                }
                listed.add(key);
            } catch (IllegalArgumentException e) {
                problems.error(pointer + "/" + i, e.getMessage());
            }
        }
        return List.copyOf(listed);
    }

    /** What a group must meet to be kept; nothing where the answers leave no condition. */
    private Optional<Typed> having(String pointer, String text) {
        Optional<Typed> condition = problems.collect(
                pointer,
                () -> Typing.restriction(ExpressionParser.parse(text, names.fieldLabels()), names, Typing.Place.SCOPE),
                Optional.empty());
        condition.ifPresent(left -> expressions.requireOwn(pointer, left, "Whether a group is kept"));
        return condition;
    }

    /** The conditions that apply; what compares with a prompt without an answer restricts nothing. */
    private List<GroupCondition> conditions(String pointer, List<GroupFilter> filters) {
        List<GroupCondition> conditions = new ArrayList<>();
        for (int i = 0; i < filters.size(); i++) {
            String at = pointer + "/" + i;
            GroupFilter filter = filters.get(i);
            if (filter.applies()) {
                Typed by = expressions.typed(at + "/by", filter.by(), Typing.Place.SCOPE);
                expressions.requireOwn(at + "/by", by, "Whether a group is kept");
                if (by != PlanExpressions.NOTHING && !by.type().isNumber()) {
                    problems.error(at + "/by", "it is a " + by.type() + "; groups are compared by numbers");
                }
                bound(at, filter)
                        .ifPresent(bound ->
                                conditions.add(new GroupCondition(filter.measure(), by, filter.comparison(), bound)));
            }
        }
        return List.copyOf(conditions);
    }

    /** What a condition compares with; none where nothing was answered, or what is given is wrong. */
    private Optional<BigDecimal> bound(String pointer, GroupFilter filter) {
        if (filter.prompt().isPresent() == filter.value().isPresent()) {
            problems.error(
                    pointer, "a group is compared with a value or with the answer to a prompt; give one of both");
            return Optional.empty();
        }
        if (filter.value().isPresent()) {
            return number(pointer + "/value", filter.value());
        }
        String name = filter.prompt().get();
        Optional<Scalar> answer = names.prompt(name);
        if (answer.isEmpty()) {
            problems.error(
                    pointer + "/prompt",
                    "unknown prompt \"" + name + "\"" + Suggestion.inWords(name, names.promptNames()));
            return Optional.empty();
        }
        if (!answer.get().type().isNumber()) {
            problems.error(pointer + "/prompt", "\"" + name + "\" does not ask for a number; choose one that does");
        }
        return answer.get() instanceof Scalar.Number number ? Optional.of(number.value()) : Optional.empty();
    }

    /** A number of the definition; none where there is none, or it is longer than numbers can be, which is noted. */
    private Optional<BigDecimal> number(String pointer, Optional<String> text) {
        try {
            return text.map(Decimals::parse);
        } catch (IllegalArgumentException e) {
            problems.error(pointer, e.getMessage());
            return Optional.empty();
        }
    }

    private LimitPlan limit(String pointer, ReportLimit limit) {
        Typed by = expressions.typed(pointer + "/by", limit.by(), Typing.Place.SCOPE);
        expressions.requireOwn(pointer + "/by", by, "Which groups are kept");
        Direction direction = limit.keep() == LimitEnd.LARGEST ? Direction.DESCENDING : Direction.ASCENDING;
        return new LimitPlan(
                new TablePlan.Term(by, true, direction, false),
                limit.keep(),
                limit.count(),
                limit.percent(),
                limit.others().orElse(false));
    }

    private TablePlan.GroupText text(String pointer, String text, int depth) {
        TablePlan.GroupText planned = texts.groupText(pointer, text);
        for (TablePlan.TextPart part : planned.parts()) {
            if (part instanceof TablePlan.TextPart.Figure figure) {
                expressions.requireAround(pointer, figure.value(), depth);
            }
        }
        return planned;
    }

    /** Grouping by a name alone puts things of one name together; what tells them apart is read so that this can be said. */
    private Optional<Typed.Field> codeBehind(Typed key) {
        if (!(key instanceof Typed.Field field)) {
            return Optional.empty();
        }
        Dataset.Table table = dataset.table(dataset.field(field.id()).table());
        boolean isName = table.name().filter(field.id()::equals).isPresent();
        return table.code()
                .filter(code -> isName && !code.equals(field.id()))
                .flatMap(code -> names.field(code, true))
                .filter(Typed.Field.class::isInstance)
                .map(Typed.Field.class::cast);
    }
}
