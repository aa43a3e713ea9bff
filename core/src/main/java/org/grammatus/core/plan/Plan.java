package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.Shown;
import org.grammatus.core.dataset.Coarsening;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportLimit;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/**
 * A report ready to be read and computed. Immutable.
 *
 * @param prompts every prompt with its resolved answer
 * @param filters the conditions that are left once unanswered prompts are removed, in their order
 * @param levels the levels that are switched on, outermost first; columns and highlights likewise
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
        List<Highlight> highlights,
        List<Term> rowOrder,
        Set<String> fields,
        List<Problem> notices) {

    public ReportBlock block() {
        return report.blocks().getFirst();
    }

    /** Whether the rows themselves are printed: a report without columns has nothing to print of them. */
    public boolean printsRows() {
        return block().rows().shown() && !columns.isEmpty();
    }

    /** The same plan with other levels. */
    public Plan withLevels(List<Level> others) {
        return new Plan(
                report,
                dataset,
                context,
                prompts,
                filters,
                others,
                columns,
                totals,
                counted,
                highlights,
                rowOrder,
                fields,
                notices);
    }

    public ULocale locale() {
        return ULocale.forLanguageTag(report.locale());
    }

    /** A condition on rows. */
    public record RowFilter(String id, Typed condition) {}

    /**
     * A level.
     *
     * @param pointer where it stands in the definition
     * @param coarsening of the key, where groups are buckets or classes of it
     * @param asked the days that the answers ask of the key, where a prompt's period narrows it
     * @param listed keys in an order of their own; none where there is no such order
     * @param home number of the finest table among the key's fields
     * @param having condition that its groups must meet
     * @param headerText what its headings say; the group's label unless given
     * @param footerText what its footers call their group
     * @param codeBehindName where the key is a name that several things may share, the field that tells them apart
     */
    public record Level(
            ReportLevel definition,
            String pointer,
            Typed key,
            Optional<Coarsening> coarsening,
            Optional<Period> asked,
            List<Scalar> listed,
            Optional<Typed> label,
            int home,
            List<Term> order,
            Optional<Typed> having,
            Optional<Limit> limit,
            Optional<GroupText> headerText,
            Optional<GroupText> footerText,
            Optional<Typed.Field> codeBehindName) {

        /** The natural order of its groups' labels, where they have one. */
        public Optional<List<String>> naturalOrder(DatasetModel dataset) {
            return coarsening.isPresent() ? Optional.empty() : dataset.naturalOrder(label.orElse(key));
        }

        /** Whether a column's value is what its groups are called, or the name of it. */
        public boolean isCalledBy(Typed value) {
            return label.filter(called -> called.equals(value)
                            || (called instanceof Typed.Called c && c.name().equals(value)))
                    .isPresent();
        }

        /** Whether it shows every value that the data have, in whichever rows. */
        public boolean showsAllValues() {
            return definition.empty().isPresent() && coarsening.isEmpty() && listed.isEmpty();
        }

        /** Type of its groups' keys. */
        public Type keyType() {
            return coarsening.map(Coarsening::type).orElse(key.type());
        }
    }

    /**
     * How many groups of one parent are shown.
     *
     * @param by what is compared; the groups that come first are kept
     */
    public record Limit(Term by, ReportLimit definition) {

        /** How many of so many siblings are kept: a share of a hundred is rounded up. */
        public int keptOf(int siblings) {
            return keptOf(siblings, definition.count(), definition.percent());
        }

        /**
         * How many of so many are kept.
         *
         * @param percent counts where there is no count
         */
        public static int keptOf(int all, Optional<Integer> count, Optional<Integer> percent) {
            return count.map(most -> Math.min(most, all))
                    .orElseGet(() -> Math.toIntExact(Math.ceilDiv((long) percent.orElseThrow() * all, HUNDRED)));
        }

        public boolean others() {
            return definition.others().orElse(false);
        }

        private static final int HUNDRED = 100;
    }

    /** A text about a group, piece by piece. */
    public record GroupText(List<TextPart> parts) {}

    /** A piece of a group's text. */
    public sealed interface TextPart {
        record Literal(String text) implements TextPart {}

        /** The group's own label. */
        record GroupLabel() implements TextPart {}

        /**
         * A value.
         *
         * @param overScope whether it is computed over the group's rows, rather than read from its first row
         */
        record Figure(Typed value, boolean overScope, String format) implements TextPart {}
    }

    /**
     * A rule that marks rows.
     *
     * @param overScope whether it is computed over the rows of a group printed as a line
     */
    public record Highlight(ReportHighlight definition, String pointer, Typed when, boolean overScope) {}

    /**
     * One key of an order.
     *
     * @param overScope whether it is computed over a group's rows, rather than read from its first row
     * @param acrossReport whether it is computed over all groups of a key, whatever their parents
     */
    public record Term(Typed by, boolean overScope, Direction direction, boolean acrossReport) {}

    /**
     * A column.
     *
     * @param pointer where it stands in the definition
     * @param home number of the finest table among its fields
     * @param format CLDR pattern
     * @param onceIn depth of the level in whose groups its value is printed once
     */
    public record Column(
            ReportColumn definition,
            String pointer,
            Typed value,
            int home,
            String format,
            Align align,
            Optional<Integer> onceIn) {

        /** Whether its width is what its figures need and never less. */
        public boolean rigid() {
            return value.type().isNumber() || definition.width().isPresent();
        }
    }

    /**
     * A total.
     *
     * @param shown what is made of the value
     * @param comparison what the value is compared with
     * @param type of what is printed
     * @param column index of the column it stands under
     * @param places by level index, with {@value #REPORT_LEVEL} for the report
     */
    public record Total(
            ReportTotal definition,
            String pointer,
            Typed value,
            Shown shown,
            Optional<Comparison> comparison,
            Type type,
            int column,
            String format,
            Map<Integer, Place> places) {

        /** Stands for the report where a level's index is asked for. */
        public static final int REPORT_LEVEL = -1;

        /** Whether it is of the value's own kind, not a percentage or a place. */
        public boolean isAmount() {
            return comparison
                    .map(c -> c.shown() != Compared.PERCENT)
                    .orElse(
                            switch (shown) {
                                case VALUE, RUNNING_IN_PARENT, RUNNING_IN_REPORT, CHANGE -> true;
                                case SHARE_OF_PARENT, SHARE_OF_REPORT, CHANGE_PERCENT, RANK -> false;
                            });
        }

        /** Depth of the innermost groups beside which it stands; none where it stands nowhere. */
        public Optional<Integer> deepestPlace() {
            return places.keySet().stream().map(level -> level + 1).max(Integer::compare);
        }
    }

    /** What a total is compared with. */
    public sealed interface Comparison {

        Compared shown();

        /** Another aggregate of the same rows. */
        record WithPlan(Typed plan, Compared shown) implements Comparison {}

        /**
         * The same aggregate of another time.
         *
         * @param shift none where the answers leave the other time open
         */
        record WithTime(Optional<Shift> shift, Compared shown) implements Comparison {}
    }

    /**
     * A step in time: rows of another time are taken for rows of this one by moving their dates.
     *
     * @param field id of the date field that is moved
     * @param months how far, in months
     * @param days how far beyond that, in days
     * @param until the last day, once moved, that takes part; none takes all
     */
    public record Shift(String field, int months, int days, Optional<LocalDate> until) {}
}
