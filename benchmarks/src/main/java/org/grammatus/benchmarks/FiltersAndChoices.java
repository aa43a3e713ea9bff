package org.grammatus.benchmarks;

import java.io.IOException;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.Callable;
import org.grammatus.core.columnar.Star;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.runs.PartCounts;
import org.grammatus.runs.RunEngine;
import org.grammatus.runs.RunLimits;
import org.grammatus.runs.RunRequest;
import org.grammatus.runs.profile.FieldValues;
import org.grammatus.sources.RowsInMemory;

/**
 * What ten conditions keep, each by itself and in turn, once one of them was edited, beside DuckDB's counts of the same rows; and what can be
 * chosen of a field with as many values as there are orders, with its counts, beside the same question there.
 */
final class FiltersAndChoices {

    private static final int BEFORE = 4;
    private static final int COUNT = 9;
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 20);
    /** Of which one is edited. */
    private static final List<String> CONDITIONS = List.of(
            "net >= %d",
            "net < 90000",
            "region <> 'Nowhere'",
            "region IN ('Coast', 'Lakeside', 'Upland', 'Islands', 'Lowland')",
            "apiary <> 'AP-1001'",
            "apiary LIKE 'AP%%'",
            "order_number >= 'S0'",
            "order_number <> 'S0000001'",
            "net <> 13",
            "net + 1 > 2");

    private FiltersAndChoices() {}

    static void run(int[] sizes) throws IOException, SQLException, Exception {
        System.out.printf("%-40s %10s %12s %8s%n", "filters and choices", "ours, ms", "DuckDB, ms", "ratio");
        for (int size : sizes) {
            Lines lines = Lines.generate(size);
            Star star = new OurEngine(lines).star();
            print("%,d lines, ten conditions".formatted(size), counts(star), anchor(lines, "filters.sql"));
            print("%,d lines, every order".formatted(size), choices(star), anchor(lines, "choices.sql"));
        }
    }

    private static void print(String what, double ours, double theirs) {
        System.out.printf("%-40s %10.1f %12.1f %8.2f%n", what, ours, theirs, ours / theirs);
    }

    private static double counts(Star star) throws Exception {
        RunEngine runs = new RunEngine(RunLimits.DEFAULT);
        int[] edit = new int[1];
        return median(() -> {
            List<String> filters = new ArrayList<>();
            for (int i = 0; i < CONDITIONS.size(); i++) {
                filters.add("{\"id\": \"f%d\", \"kind\": \"expression\", \"where\": \"%s\"}"
                        .formatted(i, CONDITIONS.get(i).formatted(++edit[0])));
            }
            RunRequest request = new RunRequest(
                    Definitions.readReport("""
                            {"format": "grammatus-report", "version": 1, "id": "f", "title": "F", "dataset": "lines",
                             "locale": "en-GB", "prompts": [], "filters": [%s],
                             "blocks": [{"id": "k", "kind": "figures",
                               "figures": [{"id": "n", "label": "Lines", "value": "COUNT(*)"}]}],
                             "page": {"paper": "A4", "orientation": "portrait",
                               "margins": {"top": 15, "right": 15, "bottom": 15, "left": 15}}}
                            """.formatted(String.join(",", filters))),
                    star.dataset(),
                    Answers.NONE,
                    RunContext.on(TODAY));
            var result = runs.compute(request, new RowsInMemory(star));
            long start = System.nanoTime();
            if (PartCounts.of(result).filters().size() != CONDITIONS.size()) {
                throw new IllegalStateException("Some conditions were not counted");
            }
            return System.nanoTime() - start;
        });
    }

    private static double choices(Star star) throws Exception {
        FieldValues.Sought all = FieldValues.Sought.of("");
        return median(() -> {
            long start = System.nanoTime();
            if (FieldValues.of(new RowsInMemory(star), star.dataset(), "order_number", all, TODAY)
                            .size()
                    != FieldValues.MOST) {
                throw new IllegalStateException("Some values are missing");
            }
            return System.nanoTime() - start;
        });
    }

    private static double anchor(Lines lines, String question) throws Exception {
        try (DuckDbAnchor anchor = new DuckDbAnchor(lines, question)) {
            return median(() -> {
                long start = System.nanoTime();
                anchor.firstRow();
                return System.nanoTime() - start;
            });
        }
    }

    /** The median of the later ones, in milliseconds: a program that has just been started is slow. */
    private static double median(Callable<Long> timed) throws Exception {
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < BEFORE + COUNT; i++) {
            times.add(timed.call() / 1e6);
        }
        List<Double> warm = new ArrayList<>(times.subList(BEFORE, times.size()));
        Collections.sort(warm);
        return warm.get(warm.size() / 2);
    }
}
