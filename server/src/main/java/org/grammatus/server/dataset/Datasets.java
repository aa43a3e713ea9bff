package org.grammatus.server.dataset;

import static org.grammatus.server.store.generated.Tables.ACCOUNT;
import static org.grammatus.server.store.generated.Tables.DATASET_REVISION;

import java.time.Clock;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Definitions;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.demo.Starters;
import org.grammatus.server.account.Account;
import org.grammatus.server.problem.NewerRevisionException;
import org.grammatus.server.problem.NotFoundException;
import org.grammatus.server.store.Store;
import org.springframework.stereotype.Component;

/** The datasets that reports can stand on: those that come with the product, as authors have changed them since. Thread-safe. */
@Component
public class Datasets {

    /** Revision of a dataset as it comes with the product. */
    private static final long SHIPPED = 0;

    private final Store store;
    private final Clock clock;
    private final Map<String, Saved> byId = new ConcurrentHashMap<>();

    /** A dataset's newest state. */
    public record Saved(DatasetModel model, long revision) {}

    Datasets(Store store, Clock clock) {
        this.store = store;
        this.clock = clock;
        Starters.datasetIds().forEach(id -> byId.put(id, load(id)));
    }

    private Saved load(String id) {
        return store.read()
                .select(DATASET_REVISION.DEFINITION, DATASET_REVISION.NUMBER)
                .from(DATASET_REVISION)
                .where(DATASET_REVISION.DATASET_ID.eq(id))
                .orderBy(DATASET_REVISION.NUMBER.desc())
                .limit(1)
                .fetchOptional(row -> new Saved(DatasetModel.of(Definitions.readDataset(row.value1())), row.value2()))
                .orElseGet(() -> new Saved(DatasetModel.of(Starters.dataset(id).orElseThrow()), SHIPPED));
    }

    public Optional<DatasetModel> find(String id) {
        return Optional.ofNullable(byId.get(id)).map(Saved::model);
    }

    /**
     * A dataset's newest state.
     *
     * @throws NotFoundException if there is none
     */
    Saved saved(String id) {
        return Optional.ofNullable(byId.get(id))
                .orElseThrow(() -> new NotFoundException("There is no dataset \"" + id + "\""));
    }

    /**
     * The dataset that a report stands on.
     *
     * @throws ProblemException if there is none
     */
    public DatasetModel require(String id) {
        return find(id).orElseThrow(() -> new ProblemException(Problem.error(
                "/dataset",
                "unknown dataset \"" + id + "\", expected one of " + String.join(", ", ids())
                        + Suggestion.inWords(id, ids()))));
    }

    public Set<String> ids() {
        return byId.keySet();
    }

    /**
     * Reads a changed definition.
     *
     * @throws ProblemException with every fault, among them another id
     */
    public static DatasetModel read(String id, String definition) {
        Dataset dataset = Definitions.readDataset(definition);
        if (!dataset.id().equals(id)) {
            throw new ProblemException(Problem.error(
                    "/id", "found \"" + dataset.id() + "\", expected \"" + id + "\"; a dataset keeps its id"));
        }
        return DatasetModel.of(dataset);
    }

    /**
     * Saves a changed dataset as its next revision, for all reports that stand on it.
     *
     * @param base the revision that the changes were made to
     * @return the new revision's number
     * @throws NewerRevisionException if somebody saved since
     */
    synchronized long save(DatasetModel model, long base, Account account) {
        String id = model.definition().id();
        long newest = saved(id).revision();
        if (newest != base) {
            throw new NewerRevisionException(
                    newest, author(id, newest), "Nothing was saved: make the change to that revision");
        }
        store.write()
                .insertInto(DATASET_REVISION)
                .set(DATASET_REVISION.DATASET_ID, id)
                .set(DATASET_REVISION.NUMBER, base + 1)
                .set(DATASET_REVISION.DEFINITION, Definitions.write(model.definition()))
                .set(DATASET_REVISION.ACCOUNT_ID, account.id())
                .set(DATASET_REVISION.SAVED_AT, clock.millis())
                .execute();
        byId.put(id, new Saved(model, base + 1));
        return base + 1;
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
