package org.grammatus.server.dataset;

import static org.grammatus.server.store.generated.Tables.ACCOUNT;
import static org.grammatus.server.store.generated.Tables.DATASET_REVISION;

import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Renaming;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.BuiltOn;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.demo.Starters;
import org.grammatus.server.account.Account;
import org.grammatus.server.problem.ConflictException;
import org.grammatus.server.problem.NewerRevisionException;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.store.Store;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Component;

/**
 * The datasets that reports can stand on: those that come with the product, as authors have changed them since, and those that authors
 * made. Thread-safe.
 */
@Component
public class Datasets {

    /** Revision of a dataset as it comes with the product. */
    private static final long SHIPPED = 0;

    private final Store store;
    private final Clock clock;
    private final InstallationCalendar calendar;
    private final Map<String, Saved> byId = new ConcurrentHashMap<>();
    private final Map<String, ProblemException> unreadable = new ConcurrentHashMap<>();

    /**
     * A dataset's newest state.
     *
     * @param definition as it was written
     * @param model the same with what it is built on; none where something is wrong with that
     * @param fault what is wrong
     */
    public record Saved(
            Dataset definition, Optional<DatasetModel> model, Optional<ProblemException> fault, long revision) {}

    Datasets(Store store, Clock clock, InstallationCalendar calendar) {
        this.store = store;
        this.clock = clock;
        this.calendar = calendar;
        Set<String> ids = new LinkedHashSet<>(Starters.datasetIds());
        store.read()
                .selectDistinct(DATASET_REVISION.DATASET_ID)
                .from(DATASET_REVISION)
                .forEach(row -> ids.add(row.value1()));
        ids.forEach(this::loadOrSetAside);
        byId.replaceAll((id, saved) -> modelled(saved));
    }

    /** One document that cannot be read never stops a start: it is kept whole, named to administrators, and can be mended. */
    private void loadOrSetAside(String id) {
        try {
            byId.put(id, load(id));
        } catch (ProblemException e) {
            unreadable.put(id, e);
        }
    }

    /** The datasets whose newest document cannot be read, with what is wrong; by id. */
    public Map<String, ProblemException> unreadable() {
        return Map.copyOf(unreadable);
    }

    /**
     * Puts a mended document in the place of one that could not be read.
     *
     * @throws ProblemException with every fault that is left
     * @throws NotFoundException if there is no such dataset
     */
    public synchronized void repair(String id, String document, Account account) {
        if (!unreadable.containsKey(id)) {
            throw new NotFoundException("There is no dataset \"" + id + "\" that cannot be read");
        }
        Dataset mended = read(id, document);
        long newest = store.read()
                .select(DSL.max(DATASET_REVISION.NUMBER))
                .from(DATASET_REVISION)
                .where(DATASET_REVISION.DATASET_ID.eq(id))
                .fetchSingle()
                .value1();
        insert(mended, newest, account);
        unreadable.remove(id);
        byId.replaceAll((other, saved) -> modelled(saved));
    }

    private Saved load(String id) {
        return store.read()
                .select(DATASET_REVISION.DEFINITION, DATASET_REVISION.NUMBER)
                .from(DATASET_REVISION)
                .where(DATASET_REVISION.DATASET_ID.eq(id))
                .orderBy(DATASET_REVISION.NUMBER.desc())
                .limit(1)
                .fetchOptional(row -> written(Definitions.readDataset(row.value1()), row.value2()))
                .orElseGet(() -> written(Starters.dataset(id).orElseThrow(), SHIPPED));
    }

    private static Saved written(Dataset definition, long revision) {
        return new Saved(definition, Optional.empty(), Optional.empty(), revision);
    }

    private Saved modelled(Saved saved) {
        try {
            return new Saved(
                    saved.definition(), Optional.of(model(saved.definition())), Optional.empty(), saved.revision());
        } catch (ProblemException e) {
            return new Saved(saved.definition(), Optional.empty(), Optional.of(e), saved.revision());
        }
    }

    /**
     * A definition with what it is built on, over the installation's calendar where it has none of its own.
     *
     * @throws ProblemException with every fault
     */
    DatasetModel model(Dataset definition) {
        return model(definition, this::definition);
    }

    private DatasetModel model(Dataset definition, Function<String, Optional<Dataset>> others) {
        Dataset flat = BuiltOn.flattened(definition, others);
        return DatasetModel.of(flat.calendar().isPresent() ? flat : flat.over(calendar.get()));
    }

    /**
     * The datasets of a report's blocks, as far as they are there.
     *
     * @throws ProblemException if the report's own is not there, or could not be used
     */
    public ReportDatasets of(Report report) {
        return ReportDatasets.of(report, require(report.dataset()), this::find);
    }

    /** Puts all datasets that have no calendar of their own over another one. */
    synchronized void over(Dataset.Calendar other, Account account) {
        calendar.set(other, account);
        byId.replaceAll((id, saved) -> modelled(saved));
    }

    private Optional<Dataset> definition(String id) {
        return Optional.ofNullable(byId.get(id)).map(Saved::definition);
    }

    public Optional<DatasetModel> find(String id) {
        return Optional.ofNullable(byId.get(id)).flatMap(Saved::model);
    }

    /**
     * A dataset's newest state.
     *
     * @throws NotFoundException if there is none
     */
    public Saved saved(String id) {
        return Optional.ofNullable(byId.get(id))
                .orElseThrow(() -> new NotFoundException("There is no dataset \"" + id + "\""));
    }

    /**
     * The dataset that a report stands on.
     *
     * @throws ProblemException if there is none, or something is wrong with it
     */
    public DatasetModel require(String id) {
        Saved saved = byId.get(id);
        if (unreadable.containsKey(id)) {
            throw new ProblemException(Problem.error(
                    "/dataset",
                    "the dataset \"" + id + "\" was set aside, because its document cannot be read: "
                            + unreadable.get(id).problems().getFirst()
                            + ". An administrator can fix it under Sources"));
        }
        if (saved == null) {
            throw new ProblemException(Problem.error(
                    "/dataset",
                    "unknown dataset \"" + id + "\", expected one of " + String.join(", ", ids())
                            + Suggestion.inWords(id, ids())));
        }
        return saved.model()
                .orElseThrow(() -> new ProblemException(Problem.error(
                        "/dataset",
                        "the dataset \"" + saved.definition().label() + "\" cannot be used: "
                                + saved.fault().orElseThrow().getMessage())));
    }

    public Set<String> ids() {
        return byId.keySet();
    }

    /** Labels of the datasets with tables in a source, in alphabetical order. */
    public List<String> reading(String source) {
        return byId.values().stream()
                .map(Saved::definition)
                .filter(dataset -> dataset.tables().stream()
                        .anyMatch(table -> table.source().equals(Optional.of(source))))
                .map(Dataset::label)
                .sorted()
                .toList();
    }

    /**
     * Reads a changed definition.
     *
     * @throws ProblemException with every fault, among them another id
     */
    public Dataset read(String id, String definition) {
        Dataset dataset = Definitions.readDataset(definition);
        if (!dataset.id().equals(id)) {
            throw new ProblemException(Problem.error(
                    "/id", "found \"" + dataset.id() + "\", expected \"" + id + "\"; a dataset keeps its id"));
        }
        return dataset;
    }

    /**
     * The datasets that a change of one changes, as they would be: itself, and those that are built on it.
     *
     * @return by id; what would be wrong with one stands in place of its model
     */
    public Map<String, Saved> changed(Dataset definition) {
        Map<String, Saved> changed = new TreeMap<>();
        for (String id : builtOn(definition.id())) {
            Saved before = byId.get(id);
            boolean itself = id.equals(definition.id());
            Dataset written = itself ? definition : before.definition();
            Function<String, Optional<Dataset>> others =
                    other -> other.equals(definition.id()) ? Optional.of(definition) : definition(other);
            long revision = before == null ? SHIPPED : before.revision();
            try {
                changed.put(id, new Saved(written, Optional.of(model(written, others)), Optional.empty(), revision));
            } catch (ProblemException e) {
                changed.put(id, new Saved(written, Optional.empty(), Optional.of(e), revision));
            }
        }
        return changed;
    }

    /** A dataset and those that are built on it, itself or by way of others. */
    private Set<String> builtOn(String id) {
        Set<String> found = new LinkedHashSet<>(Set.of(id));
        for (boolean grew = true; grew; ) {
            grew = false;
            for (Saved saved : byId.values()) {
                List<String> bases = saved.definition().builtOn().orElse(List.of());
                grew |= bases.stream().anyMatch(found::contains)
                        && found.add(saved.definition().id());
            }
        }
        return found;
    }

    /**
     * Adds a dataset.
     *
     * @throws ProblemException with every fault of the definition
     * @throws ConflictException if its id is taken
     */
    synchronized void add(Dataset definition, Account account) {
        if (byId.containsKey(definition.id())) {
            throw new ConflictException(
                    "A dataset with the id \"" + definition.id() + "\" is there already; choose another name");
        }
        insert(definition, SHIPPED, account);
    }

    /**
     * Saves a changed dataset as its next revision, for all reports that stand on it.
     *
     * @param base the revision that the changes were made to
     * @return the new revision's number
     * @throws ProblemException with every fault of the definition
     * @throws NewerRevisionException if somebody saved since
     */
    synchronized long save(Dataset definition, long base, Account account) {
        String id = definition.id();
        long newest = saved(id).revision();
        if (newest != base) {
            throw new NewerRevisionException(
                    newest, author(id, newest), "Nothing was saved: make the change to that revision");
        }
        return insert(definition, base, account);
    }

    /** What follows a renaming, in the same transaction. */
    public interface Follower {

        /** @param datasets ids of the dataset and of those that are built on it */
        void follow(DSLContext records, Set<String> datasets);
    }

    /**
     * Gives a field, calculated field or measure another id, here and in all datasets that are built on this one.
     *
     * @param base the revision that the renaming is made to
     * @param follower makes what stands on them follow
     * @return the new revision's number
     * @throws ProblemException if there is no such field, or the new id cannot be had
     * @throws NewerRevisionException if somebody saved since
     */
    public synchronized long rename(String id, Renaming renaming, long base, Account account, Follower follower) {
        Saved before = saved(id);
        if (before.revision() != base) {
            throw new NewerRevisionException(
                    before.revision(), author(id, before.revision()), "Nothing was renamed: look at that revision");
        }
        Dataset renamed = renaming.in(before.definition());
        if (renamed.equals(before.definition())) {
            throw new ProblemException(
                    Problem.error("/from", "the dataset itself has no field \"" + renaming.from() + "\""));
        }
        // By way of the document, so that a wrong or taken id is refused as it is there.
        Dataset checked = Definitions.readDataset(Definitions.write(renamed));
        Map<String, Dataset> all = new TreeMap<>();
        for (String built : builtOn(id)) {
            all.put(
                    built,
                    built.equals(id)
                            ? checked
                            : Definitions.readDataset(Definitions.write(
                                    renaming.in(byId.get(built).definition()))));
        }
        Function<String, Optional<Dataset>> others =
                other -> Optional.ofNullable(all.get(other)).or(() -> definition(other));
        all.values().forEach(dataset -> model(dataset, others));
        store.write().transaction(transaction -> {
            all.forEach((built, dataset) ->
                    write(transaction.dsl(), dataset, byId.get(built).revision(), account));
            follower.follow(transaction.dsl(), all.keySet());
        });
        all.forEach((built, dataset) ->
                byId.computeIfPresent(built, (i, saved) -> written(dataset, saved.revision() + 1)));
        all.keySet().forEach(built -> byId.computeIfPresent(built, (i, saved) -> modelled(saved)));
        return base + 1;
    }

    private long insert(Dataset definition, long base, Account account) {
        // As it will be loaded again.
        model(Definitions.readDataset(Definitions.write(definition)));
        write(store.write(), definition, base, account);
        byId.put(definition.id(), modelled(written(definition, base + 1)));
        List<String> dependents = new ArrayList<>(builtOn(definition.id()));
        dependents.forEach(id -> byId.computeIfPresent(id, (i, saved) -> modelled(saved)));
        return base + 1;
    }

    private void write(DSLContext records, Dataset definition, long base, Account account) {
        records.insertInto(DATASET_REVISION)
                .set(DATASET_REVISION.DATASET_ID, definition.id())
                .set(DATASET_REVISION.NUMBER, base + 1)
                .set(DATASET_REVISION.DEFINITION, Definitions.write(definition))
                .set(DATASET_REVISION.ACCOUNT_ID, account.id())
                .set(DATASET_REVISION.SAVED_AT, clock.millis())
                .execute();
    }

    private String author(String id, long revision) {
        return store.read()
                .select(ACCOUNT.DISPLAY_NAME)
                .from(DATASET_REVISION)
                .join(ACCOUNT)
                .on(ACCOUNT.ID.eq(DATASET_REVISION.ACCOUNT_ID))
                .where(DATASET_REVISION.DATASET_ID.eq(id))
                .and(DATASET_REVISION.NUMBER.eq(revision))
                .fetchOptional(ACCOUNT.DISPLAY_NAME)
                .orElse("Somebody");
    }
}
