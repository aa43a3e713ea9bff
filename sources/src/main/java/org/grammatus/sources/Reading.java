package org.grammatus.sources;

import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.plan.FilterPlan;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.TablePlan;

/**
 * What is to be read of a dataset. Immutable.
 *
 * @param fields ids of the fields that are needed
 * @param tables numbers of the tables whose rows are needed even without a field of theirs
 * @param conditions rows that do not meet all of them are not wanted, but may be given
 * @param others the datasets that conditions look into, by id
 * @param zone in which moments with a zone are told; the installation's unless given
 * @param wholeTables whether rows are needed, too, that no row of the grain leads to
 */
public record Reading(
        DatasetModel dataset,
        Set<String> fields,
        Set<Integer> tables,
        List<Typed> conditions,
        Map<String, DatasetModel> others,
        Optional<ZoneId> zone,
        boolean wholeTables) {

    public Reading {
        fields = Set.copyOf(fields);
        tables = Set.copyOf(tables);
        conditions = List.copyOf(conditions);
        others = Map.copyOf(others);
    }

    /** Rows that meet conditions which look into no other dataset. */
    public Reading(
            DatasetModel dataset,
            Set<String> fields,
            Set<Integer> tables,
            List<Typed> conditions,
            Optional<ZoneId> zone,
            boolean wholeTables) {
        this(dataset, fields, tables, conditions, Map.of(), zone, wholeTables);
    }

    /** All rows of all tables that are needed. */
    public Reading(DatasetModel dataset, Set<String> fields, Set<Integer> tables) {
        this(dataset, fields, tables, List.of(), Optional.empty(), true);
    }

    /** What a plan needs of each of its datasets. */
    public static List<Reading> allOf(Plan plan) {
        return plan.datasets().stream().map(dataset -> of(plan, dataset)).toList();
    }

    /**
     * What the blocks of a plan need together of a dataset: rows are left out only where every block leaves them out, and none where rows
     * are looked for among all.
     */
    public static Reading of(Plan plan, DatasetModel dataset) {
        Stream<Reading> looks = plan.looks().stream()
                .filter(has -> plan.lookedInto(has).asRead().equals(dataset.asRead()))
                .map(has -> new Reading(
                        dataset,
                        has.otherFields(),
                        Set.of(),
                        List.of(),
                        Optional.of(plan.inputs().context().zone()),
                        false));
        List<Reading> each = Stream.concat(plan.over(dataset).stream().map(block -> of(block.facts())), looks)
                .toList();
        Reading all = each.stream().reduce(Reading::with).orElseThrow();
        List<Typed> common = each.getFirst().conditions.stream()
                .filter(condition -> each.stream().allMatch(one -> one.conditions.contains(condition)))
                .toList();
        Map<String, DatasetModel> others = common.stream()
                .flatMap(Typed::looks)
                .collect(Collectors.toMap(Typed.SemiJoin::dataset, plan::lookedInto, (one, same) -> one));
        return new Reading(all.dataset, all.fields, all.tables, common, others, all.zone, all.wholeTables);
    }

    /** What a table needs and no more. */
    public static Reading of(TablePlan plan) {
        boolean allValues =
                plan.levels().stream().anyMatch(level -> level.keys().areAllValues());
        // A group without rows is called as its key is wherever the data have it.
        boolean withoutRows =
                plan.levels().stream().anyMatch(level -> level.keys().empty().isPresent());
        return new Reading(
                plan.dataset(),
                plan.fields(),
                Set.copyOf(plan.counted()),
                allValues ? List.of() : conditions(plan),
                Optional.of(plan.context().zone()),
                withoutRows);
    }

    private static List<Typed> conditions(TablePlan plan) {
        return plan.filters().stream()
                .map(FilterPlan::condition)
                .filter(condition -> otherTimes(plan).noneMatch(date -> reads(condition, date)))
                .filter(condition -> otherDays(plan).allMatch(others -> others.contains(condition)))
                .toList();
    }

    /** Rows of another time than the one that was asked for are wanted where figures are compared with theirs. */
    private static Stream<String> otherTimes(TablePlan plan) {
        return plan.totals().stream()
                .flatMap(total -> total.comparison().stream())
                .flatMap(comparison -> comparison instanceof TablePlan.Comparison.WithTime time
                        ? Stream.of(time.date())
                        : Stream.empty());
    }

    /** By comparison with other days, the conditions on their rows. */
    private static Stream<List<Typed>> otherDays(TablePlan plan) {
        return plan.totals().stream()
                .flatMap(total -> total.comparison().stream())
                .flatMap(comparison -> comparison instanceof TablePlan.Comparison.WithPeriod days
                        ? Stream.of(days.conditions())
                        : Stream.empty())
                .map(conditions ->
                        conditions.stream().map(FilterPlan::condition).toList());
    }

    private static boolean reads(Typed expression, String field) {
        return expression instanceof Typed.Field f && f.id().equals(field)
                || expression.anyOperand(operand -> reads(operand, field));
    }

    /** The same, whatever rows are wanted. */
    public Reading ofAllRows() {
        return conditions.isEmpty() ? this : new Reading(dataset, fields, tables, List.of(), zone, wholeTables);
    }

    /** The same with the rows, too, that do not meet some conditions. */
    public Reading without(List<Typed> some) {
        List<Typed> left =
                conditions.stream().filter(one -> !some.contains(one)).toList();
        return new Reading(dataset, fields, tables, left, others, zone, wholeTables);
    }

    /** The same, moments told in a zone unless it says one itself. */
    public Reading in(ZoneId usual) {
        return zone.isPresent()
                ? this
                : new Reading(dataset, fields, tables, conditions, others, Optional.of(usual), wholeTables);
    }

    /** The same rows with the fields of another reading. */
    public Reading ofFields(Reading other) {
        return new Reading(dataset, other.fields, tables, conditions, others, zone, wholeTables);
    }

    /** The same rows with some fields more. */
    public Reading andFields(Set<String> more) {
        Set<String> all = new TreeSet<>(fields);
        all.addAll(more);
        return new Reading(dataset, all, tables, conditions, others, zone, wholeTables);
    }

    /** The same without rows that no row of the grain leads to. */
    public Reading ofRowsLedTo() {
        return new Reading(dataset, fields, tables, conditions, others, zone, false);
    }

    /** The same, all rows of the tables included. */
    public Reading ofWholeTables() {
        return new Reading(dataset, fields, tables, conditions, others, zone, true);
    }

    /** All of a dataset. */
    public static Reading all(DatasetModel dataset) {
        Set<Integer> tables = new TreeSet<>();
        for (int table = 0; table < dataset.tableCount(); table++) {
            tables.add(table);
        }
        return new Reading(dataset, dataset.fields().keySet(), tables);
    }

    /** Whatever is at hand of a dataset. */
    public static Reading ofAnything(DatasetModel dataset) {
        return new Reading(dataset, Set.of(), Set.of(), List.of(), Optional.empty(), false);
    }

    /** All of a dataset that does not need some of its fields, or a table of which none can be read. */
    public static Reading allBut(DatasetModel dataset, Set<String> missing) {
        Set<String> fields = new TreeSet<>(dataset.fields().keySet());
        fields.removeAll(missing);
        Set<Integer> tables = new TreeSet<>();
        fields.forEach(field -> tables.add(dataset.field(field).table()));
        return new Reading(dataset, fields, tables);
    }

    /** This and another of the same dataset. */
    public Reading with(Reading other) {
        Set<String> allFields = new TreeSet<>(fields);
        allFields.addAll(other.fields);
        Set<Integer> allTables = new TreeSet<>(tables);
        allTables.addAll(other.tables);
        return new Reading(dataset, allFields, allTables, List.of(), zone, wholeTables || other.wholeTables);
    }

    /** Whether rows read for this one serve another, too. */
    public boolean covers(Reading other) {
        return zone.equals(other.zone)
                && (conditions.isEmpty() || conditions.equals(other.conditions))
                && (wholeTables || !other.wholeTables)
                && fields.containsAll(other.fields)
                && tables.containsAll(other.tables);
    }
}
