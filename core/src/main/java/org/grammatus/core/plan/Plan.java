package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.DateBucket;
import org.grammatus.core.definition.Report;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;

/**
 * A report ready to be read and computed. Immutable.
 *
 * @param prompts every prompt with its resolved answer
 * @param filters the conditions that are left once unanswered prompts are removed, in their order
 * @param counted numbers of the tables whose rows are counted beside totals
 * @param fields ids of the fields that must be read
 * @param notices what the reader should know
 */
public record Plan(
        Report report,
        DatasetModel dataset,
        RunContext context,
        List<ResolvedPrompt> prompts,
        List<RowFilter> filters,
        List<Level> levels,
        List<Column> columns,
        List<Total> totals,
        List<Integer> counted,
        List<Term> rowOrder,
        Set<String> fields,
        List<Problem> notices) {

    public Report.Block block() {
        return report.blocks().getFirst();
    }

    public ULocale locale() {
        return ULocale.forLanguageTag(report.locale());
    }

    /** A condition on rows. */
    public record RowFilter(String id, Typed condition) {}

    /**
     * A level.
     *
     * @param home number of the finest table among the key's fields
     */
    public record Level(
            Report.Level definition,
            Typed key,
            Optional<DateBucket> bucket,
            Optional<Typed> label,
            int home,
            List<Term> order) {}

    /**
     * One key of an order.
     *
     * @param overScope whether it is computed over a group's rows, rather than read from its first row
     */
    public record Term(Typed by, boolean overScope, Report.Direction direction) {}

    /**
     * A column.
     *
     * @param home number of the finest table among its fields
     * @param format CLDR pattern
     * @param alignEnd whether its cells end at the column's right edge
     */
    public record Column(Report.Column definition, Typed value, int home, String format, boolean alignEnd) {}

    /**
     * A total.
     *
     * @param column index of the column it stands under
     * @param places by level index, with {@value #REPORT_LEVEL} for the report
     */
    public record Total(
            Report.Total definition, Typed value, int column, String format, Map<Integer, Report.Place> places) {

        /** Stands for the report where a level's index is asked for. */
        public static final int REPORT_LEVEL = -1;
    }
}
