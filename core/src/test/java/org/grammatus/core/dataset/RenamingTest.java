package org.grammatus.core.dataset;

import static org.assertj.core.api.Assertions.assertThat;

import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.expression.RenamedText;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A new name stands wherever the old one meant the field, and nowhere else. */
class RenamingTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '→',
            quoteCharacter = '`',
            value = {
                "net → total",
                "Net +  NET * 2 → total +  total * 2",
                "`\"net\"` → total",
                "`\"Net\"` → `\"Net\"`",
                "'net' || net → 'net' || total",
                "network + :net → network + :net",
                "SUM(net) FILTER (WHERE net > 0 OR net IS NULL) → SUM(total) FILTER (WHERE total > 0 OR total IS NULL)",
                "CASE net WHEN 1 THEN (net) ELSE -net END → CASE total WHEN 1 THEN (total) ELSE -total END",
                "net + → net +"
            })
    void inExpressions(String before, String after) {
        assertThat(RenamedText.expression(before, "net", "total")).isEqualTo(after);
    }

    @Test
    void aNameThatWouldBeReadAsSomethingElseIsQuoted() {
        assertThat(RenamedText.expression("net + 1", "net", "net-total")).isEqualTo("\"net-total\" + 1");
        assertThat(RenamedText.expression("net + 1", "net", "sum")).isEqualTo("\"sum\" + 1");
        assertThat(RenamedText.expression("net + 1", "net", "year")).isEqualTo("year + 1");
    }

    @Test
    void inTemplatesOnlyBetweenTheBraces() {
        assertThat(RenamedText.template("net {net}, {{net}} {SUM(net)}", "net", "total"))
                .isEqualTo("net {total}, {{net}} {SUM(total)}");
        assertThat(RenamedText.template("net {net", "net", "total")).isEqualTo("net {net");
    }

    @Test
    void inADatasetAndInEveryPlaceOfAReport() {
        Dataset dataset = Definitions.readDataset("""
                {"format": "grammatus-dataset", "version": 1, "id": "d", "label": "D", "grain": "l",
                 "tables": [{"id": "l", "table": "line", "key": ["id"], "noun": {"one": "line", "other": "lines"},
                             "code": "net", "name": "net"}],
                 "joins": [], "fields": [{"id": "net", "table": "l", "column": "net", "label": "net", "type": "text",
                 "role": "descriptive"}],
                 "calculated": [{"id": "c", "label": "C", "value": "net || 'net'", "role": "descriptive"}],
                 "measures": [{"id": "m", "label": "M", "value": "COUNT(DISTINCT net)"}]}""");
        Report report = Definitions.readReport("""
                {"format": "grammatus-report", "version": 1, "id": "r", "title": "net", "dataset": "d",
                 "locale": "en-GB",
                 "prompts": [{"id": "p", "name": "net", "type": "choice", "label": "net", "field": "net"}],
                 "filters": [{"id": "f", "kind": "condition", "field": "net", "comparison": "is", "prompt": "net"},
                             {"id": "g", "kind": "expression", "where": "net <> 'net'"}],
                 "blocks": [{"id": "b", "kind": "banded",
                   "levels": [{"id": "l1", "name": "net", "key": "net", "label": "UPPER(net)",
                     "order": [{"id": "o", "by": "COUNT(net)", "direction": "descending"}],
                     "header": "line", "headerText": "net {net}", "footer": "totals", "footerText": "{net} total"}],
                   "columns": [{"id": "c1", "label": "net", "value": "net"}],
                   "totals": [{"id": "t", "column": "c1", "value": "MIN(net)",
                               "cells": [{"at": "l1", "in": "footer"}]}],
                   "counts": ["l"], "highlights": [{"id": "h", "label": "net", "when": "net = 'x'", "look": "note"}],
                   "rows": {"shown": true, "order": [{"id": "ro", "by": "net", "direction": "ascending"}]}}],
                 "page": {"paper": "A4", "orientation": "portrait",
                          "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}""");
        Renaming renaming = new Renaming("net", "code");
        // Once told back and forth, everything is as it was: nothing was lost, and nothing else was changed.
        assertThat(new Renaming("code", "net").in(renaming.in(report))).isEqualTo(report);
        assertThat(new Renaming("code", "net").in(renaming.in(dataset))).isEqualTo(dataset);
        assertThat(Definitions.write(renaming.in(dataset)))
                .contains("\"code\": \"code\"", "\"code || 'net'\"", "\"COUNT(DISTINCT code)\"")
                .contains("\"column\": \"net\"", "\"label\": \"net\"");
        String renamed = Definitions.write(renaming.in(report));
        assertThat(renamed)
                .contains("\"field\": \"code\"", "code <> 'net'", "UPPER(code)", "COUNT(code)", "net {code}")
                .contains("{code} total", "MIN(code)", "code = 'x'", "\"by\": \"code\"", "\"value\": \"code\"")
                .contains("\"title\": \"net\"", "\"prompt\": \"net\"");
    }
}
