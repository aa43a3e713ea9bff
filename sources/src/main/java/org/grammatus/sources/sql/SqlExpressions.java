package org.grammatus.sources.sql;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.IntPredicate;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.ArithmeticOperator;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.core.value.Kind;
import org.grammatus.core.value.LikePattern;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/**
 * Expressions as SQL. Numbers are whole: counted in units of the last digit of their type, so that no database's own decimals matter.
 * Where cells are not checked before, a value is NULL wherever the database may see a cell otherwise than the engine reads it; every
 * operation on NULL is NULL. What cannot be said so has no SQL: quotients, averages, texts in other cases.
 */
public final class SqlExpressions {

    private static final int MOST_DAYS = 100_000;

    private final DatasetModel dataset;
    private final Dialect dialect;
    private final Function<String, Optional<Map<String, TableShape.Column>>> columns;
    private final IntPredicate inScope;
    private final boolean checked;
    private final Set<Sql> odd = new LinkedHashSet<>();

    /**
     * Expressions over some tables.
     *
     * @param columns finds a table's columns, by name
     * @param inScope whether a table, by number, can be read from
     * @param checked whether nothing is asked of rows that are {@link #odd}
     */
    public SqlExpressions(
            DatasetModel dataset,
            Dialect dialect,
            Function<String, Optional<Map<String, TableShape.Column>>> columns,
            IntPredicate inScope,
            boolean checked) {
        this.dataset = dataset;
        this.dialect = dialect;
        this.columns = columns;
        this.inScope = inScope;
        this.checked = checked;
    }

    /** A table's column as SQL has it; tables go by their numbers. */
    public static String cell(int table, String column) {
        return "t" + table + "." + JdbcView.quoted(column);
    }

    /** Conditions that rows meet in which the database may see a cell, or a number made of some, otherwise than the engine. */
    public Set<Sql> odd() {
        return odd;
    }

    /** An expression that is no condition. */
    public Optional<Sql> value(Typed expression) {
        return switch (expression.unnamed()) {
            case Typed.Constant c -> dialect.bound(c.value()).map(Sql::bound);
            case Typed.Field f -> field(f);
            case Typed.Negate n -> value(n.operand()).map(v -> Sql.of("(-%s)", v));
            case Typed.Arithmetic a -> arithmetic(a);
            case Typed.Concat c -> value(c.left()).flatMap(l -> value(c.right()).map(r -> Sql.of("(%s || %s)", l, r)));
            case Typed.Call c -> call(c);
            case Typed.Extract x -> value(x.value()).flatMap(v -> dialect.part(x.part(), v));
            case Typed.Cast c
            when c.type().equals(Type.DATE) && c.value().type().equals(Type.TIMESTAMP) ->
                value(c.value()).map(dialect::day);
            case Typed.AddDays d
            when d.type().equals(Type.DATE) && Math.abs(d.days()) <= MOST_DAYS ->
                value(d.value()).map(v -> dialect.plusDays(v, d.days()));
            case Typed.DaysBetween d
            when d.left().type().equals(Type.DATE) && d.right().type().equals(Type.DATE) ->
                value(d.left()).flatMap(l -> value(d.right()).map(r -> dialect.daysBetween(l, r)));
            default -> Optional.empty();
        };
    }

    private Optional<Sql> field(Typed.Field field) {
        DatasetModel.FieldInfo info = dataset.field(field.id());
        if (!inScope.test(info.table())) {
            return Optional.empty();
        }
        String cell = cell(info.table(), info.definition().column());
        return column(info)
                .flatMap(column -> dialect.value(cell, column, info.type()))
                .map(value -> unlessOdd(value, dialect.odd(cell, info.type()).map(Sql::of)));
    }

    /** A value that is to be NULL where something is odd, if that is not checked. */
    private Sql unlessOdd(Sql value, Optional<Sql> when) {
        when.ifPresent(odd::add);
        return checked || when.isEmpty() ? value : Sql.of("CASE WHEN NOT (%s) THEN %s END", when.get(), value);
    }

    private Optional<TableShape.Column> column(DatasetModel.FieldInfo field) {
        return columns.apply(dataset.table(field.table()).table())
                .map(all -> all.get(field.definition().column()));
    }

    private Optional<Sql> arithmetic(Typed.Arithmetic a) {
        ArithmeticOperator operator = a.operator();
        return switch (operator) {
            case ADD, SUBTRACT ->
                scaled(a.left(), a.type().scale())
                        .flatMap(l -> scaled(a.right(), a.type().scale())
                                .map(r -> computed(l, operator == ArithmeticOperator.ADD ? "+" : "-", r)));
            case MULTIPLY -> value(a.left()).flatMap(l -> value(a.right()).map(r -> computed(l, "*", r)));
            case DIVIDE -> Optional.empty();
        };
    }

    private Sql computed(Sql left, String operator, Sql right) {
        if (checked) {
            dialect.outgrown(left, operator, right).ifPresent(odd::add);
        }
        return dialect.arithmetic(left, operator, right);
    }

    /** A number in units of the last digit of a scale that is no less than its own. */
    private Optional<Sql> scaled(Typed number, int scale) {
        int more = scale - number.type().scale();
        return value(number)
                .map(v -> more == 0
                        ? v
                        : computed(v, "*", Sql.of(BigInteger.TEN.pow(more).toString())));
    }

    private Optional<Sql> call(Typed.Call call) {
        List<Optional<Sql>> arguments =
                call.arguments().stream().map(this::value).toList();
        return arguments.stream().allMatch(Optional::isPresent)
                ? dialect.call(call, arguments.stream().map(Optional::get).toList())
                : Optional.empty();
    }

    /** A condition of which every part is one that the database understands. */
    public Optional<Sql> exact(Typed condition) {
        return switch (condition.unnamed()) {
            case Typed.Logic l ->
                exact(l.left())
                        .flatMap(left -> exact(l.right())
                                .map(right -> Sql.of("(%s " + l.connective().name() + " %s)", left, right)));
            case Typed.Not n -> exact(n.operand()).map(operand -> Sql.of("(NOT %s)", operand));
            default -> condition(condition).map(sql -> Sql.of("(%s)", sql));
        };
    }

    /** A condition that is made of no others. */
    public Optional<Sql> condition(Typed condition) {
        return switch (condition.unnamed()) {
            case Typed.Compare c -> comparison(c);
            case Typed.IsNull n when n.value().unnamed() instanceof Typed.Field field -> isNull(field);
            case Typed.Like l
            when l.pattern().unnamed() instanceof Typed.Constant(Scalar.Text(String pattern)) ->
                Optional.of(LikePattern.of(pattern, l.escape()))
                        .filter(LikePattern::isPortable)
                        .flatMap(parsed -> value(l.value()).map(v -> dialect.like(v, parsed)));
            case Typed.Constant c
            when c.value() instanceof Scalar.Bool truth -> Optional.of(Sql.of(truth.value() ? "TRUE" : "FALSE"));
            default -> Optional.empty();
        };
    }

    private Optional<Sql> isNull(Typed.Field field) {
        DatasetModel.FieldInfo info = dataset.field(field.id());
        return inScope.test(info.table()) && column(info).isPresent()
                ? Optional.of(Sql.of(cell(info.table(), info.definition().column()) + " IS NULL"))
                : Optional.empty();
    }

    private Optional<Sql> comparison(Typed.Compare c) {
        Type left = c.left().type();
        Type right = c.right().type();
        if (left.isNumber() && right.isNumber()) {
            int scale = Math.max(left.scale(), right.scale());
            return scaled(c.left(), scale)
                    .flatMap(l -> scaled(c.right(), scale)
                            .map(r -> dialect.compared(
                                    unlessOdd(l, dialect.tooLarge(l)),
                                    c.operator().symbol(),
                                    unlessOdd(r, dialect.tooLarge(r)),
                                    Kind.DECIMAL)));
        }
        if (left.isTime() && right.isTime() && !left.equals(right)) {
            return moment(c.left())
                    .flatMap(l -> moment(c.right())
                            .map(r -> dialect.compared(l, c.operator().symbol(), r, Kind.TIMESTAMP)));
        }
        boolean alike = left.equals(right) && (left.isTime() || left.equals(Type.TEXT));
        return alike
                ? value(c.left())
                        .flatMap(l -> value(c.right())
                                .map(r -> dialect.compared(l, c.operator().symbol(), r, left.kind())))
                : Optional.empty();
    }

    /** A timestamp, or the beginning of a day. */
    private Optional<Sql> moment(Typed time) {
        return value(time).map(v -> time.type().equals(Type.DATE) ? dialect.beginning(v) : v);
    }

    /** A whole number of units of a scale as the number it stands for. */
    public static BigDecimal number(BigDecimal units, int scale) {
        return units.movePointLeft(scale).setScale(scale);
    }
}
