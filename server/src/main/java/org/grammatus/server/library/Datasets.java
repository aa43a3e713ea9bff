package org.grammatus.server.library;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.grammatus.core.dataset.DatasetModel;
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

    public Set<String> ids() {
        return byId.keySet();
    }
}
