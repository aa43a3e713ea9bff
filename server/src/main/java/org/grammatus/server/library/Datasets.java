package org.grammatus.server.library;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.problem.Suggestion;
import org.grammatus.demo.Starters;
import org.springframework.stereotype.Component;

/** The datasets reports can stand on: those that come with the product. */
@Component
public class Datasets {

    private final Map<String, DatasetModel> byId = Starters.datasetIds().stream()
            .collect(Collectors.toMap(
                    Function.identity(),
                    id -> DatasetModel.of(Starters.dataset(id).orElseThrow())));

    public Optional<DatasetModel> find(String id) {
        return Optional.ofNullable(byId.get(id));
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
}
