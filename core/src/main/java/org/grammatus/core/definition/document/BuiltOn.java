package org.grammatus.core.definition.document;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Problems;

/**
 * Puts the datasets that one is built on into it, so that the rest of the program sees one dataset with everything in it. What
 * the dataset says itself comes first and keeps its places.
 */
public final class BuiltOn {

    private final Function<String, Optional<Dataset>> others;

    private BuiltOn(Function<String, Optional<Dataset>> others) {
        this.others = others;
    }

    /**
     * A dataset with all it is built on; itself where it is built on none.
     *
     * @param others finds a dataset by its id
     * @throws ProblemException if one is unknown, it is built on itself by way of others, or two things have one id
     */
    public static Dataset flattened(Dataset dataset, Function<String, Optional<Dataset>> others) {
        if (dataset.builtOn().isEmpty()) {
            return dataset;
        }
        Dataset flat = joined(dataset, new BuiltOn(others).all(dataset));
        List<Problem> faults = References.of(flat);
        if (!faults.isEmpty()) {
            throw new ProblemException(faults);
        }
        return flat;
    }

    /** Every dataset that one is built on, itself or by way of others; each once, however many share it. */
    private Map<String, Dataset> all(Dataset dataset) {
        Map<String, Dataset> bases = new LinkedHashMap<>();
        Set<String> above = new LinkedHashSet<>(Set.of(dataset.id()));
        List<String> ids = dataset.builtOn().orElse(List.of());
        for (int i = 0; i < ids.size(); i++) {
            collect(ids.get(i), "/builtOn/" + i, above, bases);
        }
        return bases;
    }

    private void collect(String id, String pointer, Set<String> above, Map<String, Dataset> bases) {
        if (bases.containsKey(id)) {
            return;
        }
        Dataset base = others.apply(id)
                .orElseThrow(() -> new ProblemException(
                        Problem.error(pointer, "unknown dataset \"" + id + "\"; take it out, or make it first")));
        if (!above.add(id)) {
            throw new ProblemException(Problem.error(
                    pointer,
                    "these datasets are built on each other in a circle: " + String.join(" on ", above) + " on " + id
                            + "; take one of them out"));
        }
        base.builtOn().orElse(List.of()).forEach(further -> collect(further, pointer, above, bases));
        above.remove(id);
        bases.put(id, base);
    }

    private static Dataset joined(Dataset dataset, Map<String, Dataset> bases) {
        requireOwnIds(dataset, bases);
        List<Dataset.Table> tables = new ArrayList<>(dataset.tables());
        List<Dataset.Join> joins = new ArrayList<>(dataset.joins());
        List<Dataset.Field> fields = new ArrayList<>(dataset.fields());
        List<Dataset.Calculated> calculated =
                new ArrayList<>(dataset.calculated().orElse(List.of()));
        List<Dataset.Measure> measures = new ArrayList<>(dataset.measures().orElse(List.of()));
        Optional<Dataset.Calendar> calendar = dataset.calendar();
        Optional<Dataset.Complete> complete = dataset.complete();
        for (Dataset base : bases.values()) {
            tables.addAll(base.tables());
            joins.addAll(base.joins());
            fields.addAll(base.fields());
            calculated.addAll(base.calculated().orElse(List.of()));
            measures.addAll(base.measures().orElse(List.of()));
            calendar = calendar.or(base::calendar);
            complete = complete.or(base::complete);
        }
        return new Dataset(
                dataset.format(),
                dataset.version(),
                dataset.id(),
                dataset.label(),
                dataset.description(),
                Optional.empty(),
                calendar,
                complete,
                dataset.grain(),
                tables,
                joins,
                fields,
                Optional.of(calculated).filter(list -> !list.isEmpty()),
                Optional.of(measures).filter(list -> !list.isEmpty()));
    }

    private static void requireOwnIds(Dataset dataset, Map<String, Dataset> bases) {
        Problems problems = new Problems();
        Map<String, String> owner = new LinkedHashMap<>();
        ids(dataset).forEach((id, pointer) -> owner.put(id, dataset.label()));
        Map<String, String> own = ids(dataset);
        for (Dataset base : bases.values()) {
            for (String id : ids(base).keySet()) {
                String other = owner.putIfAbsent(id, base.label());
                if (other != null) {
                    problems.error(
                            own.getOrDefault(id, "/builtOn"),
                            "\"" + id + "\" is in \"" + other + "\" and in \"" + base.label()
                                    + "\", which it is built on; give one of them another id");
                }
            }
        }
        problems.throwIfErrors();
    }

    /** Every id in a dataset's own document, with the place where it stands. */
    private static Map<String, String> ids(Dataset dataset) {
        Map<String, String> ids = new LinkedHashMap<>();
        note("/tables", dataset.tables().stream().map(Dataset.Table::id).toList(), ids);
        note("/joins", dataset.joins().stream().map(Dataset.Join::id).toList(), ids);
        note("/fields", dataset.fields().stream().map(Dataset.Field::id).toList(), ids);
        note(
                "/calculated",
                dataset.calculated().orElse(List.of()).stream()
                        .map(Dataset.Calculated::id)
                        .toList(),
                ids);
        note(
                "/measures",
                dataset.measures().orElse(List.of()).stream()
                        .map(Dataset.Measure::id)
                        .toList(),
                ids);
        return ids;
    }

    private static void note(String list, List<String> found, Map<String, String> ids) {
        for (int i = 0; i < found.size(); i++) {
            ids.put(found.get(i), list + "/" + i + "/id");
        }
    }
}
