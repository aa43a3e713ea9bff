package org.grammatus.runs.profile;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DatasetNames;
import org.grammatus.core.dataset.RepeatedAmount;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.expression.References;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.profile.FieldProfile;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Kind;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.sources.DatasetReader;

/**
 * What a calculated field or measure gives over the dataset's rows.
 *
 * @param type of its values
 * @param home what it has one value for: "line", "order"; none for a measure
 * @param samples a calculated field's most frequent values, as printed; a measure's one figure over all rows
 * @param blank how many rows of the home table have no value
 * @param advice what its author may not have meant
 */
public record NamedValueCheck(
        Kind type, Optional<String> home, List<String> samples, int blank, Optional<String> advice) {

    private static final int SAMPLES = 5;

    /** A report of one total, over all rows. */
    private static final String REPORT = """
            {"format": "grammatus-report", "version": 1, "id": "figure", "title": "Figure", "dataset": "%s",
             "locale": "en-GB", "prompts": [], "filters": [],
             "blocks": [{"id": "main", "kind": "banded", "levels": [],
               "columns": [{"id": "column", "label": "", "value": "''"}],
               "totals": [{"id": "total", "column": "column", "value": "%s",
                 "cells": [{"at": "report", "in": "footer"}]}],
               "counts": [], "highlights": [], "rows": {"shown": false, "order": []}}],
             "page": {"paper": "A4", "orientation": "portrait",
                      "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
            """;

    /** Computes a value of a sound dataset. */
    public static NamedValueCheck of(DatasetReader reader, DatasetModel dataset, String id, RunContext context) {
        return dataset.named(id).measure()
                ? measure(reader, dataset, id, context)
                : calculated(reader, dataset, id, context);
    }

    private static NamedValueCheck calculated(
            DatasetReader reader, DatasetModel dataset, String id, RunContext context) {
        FieldColumn column = FieldColumn.read(reader, dataset, id, context.businessDate());
        FieldProfile profile = FieldProfile.of(column.values(), column.rows());
        return new NamedValueCheck(
                column.values().type().kind(),
                Optional.of(dataset.table(column.home()).noun().one()),
                profile.values().mostFrequent().stream()
                        .limit(SAMPLES)
                        .map(value -> column.labels().of(profile.values().values(), value))
                        .toList(),
                profile.blank(),
                RepeatedAmount.in(
                        new DatasetNames(dataset, context.businessDate())
                                .field(id, true)
                                .orElseThrow(),
                        dataset));
    }

    private static NamedValueCheck measure(DatasetReader reader, DatasetModel dataset, String id, RunContext context) {
        Typed typed = new DatasetNames(dataset, context.businessDate())
                .measure(id, true)
                .orElseThrow();
        String value = References.to(id).replace("\"", "\\\"");
        RunRequest request = new RunRequest(
                Definitions.readReport(REPORT.formatted(dataset.definition().id(), value)),
                dataset,
                Answers.NONE,
                context);
        String figure = new RunEngine(RunLimits.DEFAULT)
                .run(request, reader, progress -> {}, () -> false)
                .grandTotals()
                .getFirst()
                .figure();
        return new NamedValueCheck(typed.type().kind(), Optional.empty(), List.of(figure), 0, Optional.empty());
    }
}
