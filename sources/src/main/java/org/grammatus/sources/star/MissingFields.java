package org.grammatus.sources.star;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.modelling.TableShape;
import org.grammatus.sources.SourceException;

/** Finds the fields of a dataset that its sources cannot give any more. Used once. */
public final class MissingFields {

    private final DatasetModel dataset;
    private final OpenSources sources;
    private final Map<String, String> missing = new LinkedHashMap<>();
    /** By table, why none of its rows can be read; null where they can. */
    private final List<String> unreadable = new ArrayList<>();

    public MissingFields(DatasetModel dataset, OpenSources sources) {
        this.dataset = dataset;
        this.sources = sources;
    }

    public Map<String, String> find() {
        for (int table = 0; table < dataset.tableCount(); table++) {
            find(table);
        }
        return missing;
    }

    private void find(int number) {
        Dataset.Table table = dataset.table(number);
        boolean grain = number == DatasetModel.GRAIN;
        String before = grain ? null : unreadable.get(dataset.pointedFrom(number));
        OpenSources.Open source = sources.source(table.source());
        Optional<Map<String, TableShape.Column>> columns = source.view().columns(table.table());
        List<String> lost = new ArrayList<>();
        if (before == null && columns.isEmpty()) {
            lost.add(source.source().name() + " has no table " + table.table());
        } else if (before == null) {
            table.key().forEach(column -> note(source, table.table(), columns.get(), column, lost));
        }
        if (before == null && !grain) {
            Dataset.Table from = dataset.table(dataset.pointedFrom(number));
            OpenSources.Open fromSource = sources.source(from.source());
            fromSource
                    .view()
                    .columns(from.table())
                    .ifPresent(pointing -> dataset.join(number)
                            .columns()
                            .forEach(column -> note(fromSource, from.table(), pointing, column, lost)));
        }
        String reason = before != null ? before : lost.isEmpty() ? null : String.join("; ", lost);
        if (grain && reason != null) {
            throw new SourceException(reason + ", by which the rows of the dataset \""
                    + dataset.definition().label() + "\" are read; fix the dataset, or bring it back");
        }
        unreadable.add(reason);
        dataset.fields().forEach((id, field) -> {
            if (field.table() == number) {
                List<String> here = new ArrayList<>();
                if (reason != null) {
                    here.add(reason);
                } else {
                    note(
                            source,
                            table.table(),
                            columns.orElseThrow(),
                            field.definition().column(),
                            here);
                }
                here.forEach(why -> missing.put(id, why));
            }
        });
    }

    private static void note(
            OpenSources.Open source,
            String table,
            Map<String, TableShape.Column> columns,
            String column,
            List<String> lost) {
        if (!columns.containsKey(column)) {
            lost.add(source.source().name() + ", table " + table + ", has no column " + column);
        }
    }
}
