package org.grammatus.core.dataset;

import java.time.LocalDate;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Names;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.expression.Typing;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.value.Scalar;

/** What a dataset knows by name: fields, calculated fields and measures, which may stand on one another. Not thread-safe. */
public final class DatasetNames implements Names {

    /** The most parts that a calculated field or measure may have with all that it uses. */
    private static final int MOST_PARTS = 20_000;

    private final DatasetModel dataset;
    private final LocalDate today;
    /** What is being resolved, the outermost last. */
    private final Deque<String> resolving = new ArrayDeque<>();

    private final Map<String, Typed.Named> resolved = new HashMap<>();

    public DatasetNames(DatasetModel dataset, LocalDate today) {
        this.dataset = dataset;
        this.today = today;
    }

    @Override
    public Optional<Typed> field(String name, boolean quoted) {
        Optional<Typed> field = found(dataset.fields().keySet(), name, quoted)
                .map(id -> new Typed.Field(id, dataset.field(id).type()));
        return field.or(() -> named(name, quoted, false));
    }

    @Override
    public Optional<Typed> measure(String name, boolean quoted) {
        return named(name, quoted, true);
    }

    private Optional<Typed> named(String name, boolean quoted, boolean measure) {
        return found(dataset.named().keySet(), name, quoted)
                .map(dataset::named)
                .filter(value -> value.measure() == measure)
                .map(this::resolve);
    }

    private Typed resolve(DatasetModel.NamedValue value) {
        if (resolving.contains(value.id())) {
            throw new ProblemException(Problem.error("", circle(value.id())));
        }
        Typed.Named known = resolved.get(value.id());
        if (known != null) {
            return known;
        }
        boolean within = !resolving.isEmpty();
        resolving.push(value.id());
        try {
            // What it uses is resolved first, so that a long way from one to the next is no deep way here.
            used(value.value()).forEach(this::resolve);
            Typing.Place place = value.measure() ? Typing.Place.SCOPE : Typing.Place.ROW;
            Typed typed = Typing.type(value.value(), this, place);
            if (left(typed, MOST_PARTS) < 0) {
                throw new ProblemException(Problem.error(
                        "",
                        "has more than " + MOST_PARTS
                                + " parts once all that it uses is written out; make it shorter"));
            }
            Typed.Named named = new Typed.Named(value.id(), typed);
            resolved.put(value.id(), named);
            return named;
        } catch (ProblemException e) {
            Problem fault = e.problems().getFirst();
            // A place in another expression would mislead here.
            throw within && fault.position().isPresent()
                    ? new ProblemException(
                            Problem.error("", "uses \"" + value.id() + "\", which is wrong: " + fault.message()))
                    : e;
        } finally {
            resolving.pop();
        }
    }

    /** The calculated fields and measures that an expression names. */
    private List<DatasetModel.NamedValue> used(Expression expression) {
        List<DatasetModel.NamedValue> used = new ArrayList<>();
        Deque<Expression> open = new ArrayDeque<>(List.of(expression));
        while (!open.isEmpty()) {
            Expression e = open.pop();
            e.operands().forEach(open::push);
            if (e instanceof Expression.Name n
                    && found(dataset.fields().keySet(), n.name(), n.quoted()).isEmpty()) {
                found(dataset.named().keySet(), n.name(), n.quoted())
                        .map(dataset::named)
                        .ifPresent(used::add);
            }
        }
        return used;
    }

    /** How many of so many parts are left over; less than none where an expression has more. */
    private static int left(Typed e, int parts) {
        int left = parts - 1;
        for (Typed operand : e.operands()) {
            left = left < 0 ? left : left(operand, left);
        }
        return left;
    }

    /** "margin" uses "cost", which uses "margin". */
    private String circle(String id) {
        List<String> way = new ArrayList<>(resolving);
        Collections.reverse(way);
        way = way.subList(way.indexOf(id), way.size());
        StringBuilder words = new StringBuilder("a circle: \"" + way.getFirst() + "\" uses ");
        way.stream().skip(1).forEach(next -> words.append('"').append(next).append("\", which uses "));
        return words.append('"')
                .append(id)
                .append("\"; break it by writing one of them out")
                .toString();
    }

    private static Optional<String> found(Collection<String> ids, String name, boolean quoted) {
        return ids.stream()
                .filter(id -> quoted ? id.equals(name) : id.equalsIgnoreCase(name))
                .findFirst();
    }

    @Override
    public Optional<String> nameOf(String field) {
        return Optional.ofNullable(dataset.fields().get(field))
                .flatMap(info -> info.definition().lookup());
    }

    @Override
    public Map<String, String> fieldLabels() {
        Map<String, String> labels = new LinkedHashMap<>();
        dataset.fields()
                .forEach((id, field) -> labels.put(id, field.definition().label()));
        dataset.named().forEach((id, value) -> labels.put(id, value.label()));
        return labels;
    }

    @Override
    public Optional<Scalar> prompt(String name) {
        return Optional.empty();
    }

    @Override
    public Collection<String> promptNames() {
        return List.of();
    }

    @Override
    public LocalDate currentDate() {
        return today;
    }
}
