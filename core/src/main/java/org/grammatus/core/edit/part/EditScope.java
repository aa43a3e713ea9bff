package org.grammatus.core.edit.part;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.Proposals;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.FiguresBlock;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/**
 * The context of an edit: the block that is worked on, the datasets, and the business date.
 *
 * @param block id of the block that is worked on; the first that is switched on unless given
 * @param datasets whose fields are meant
 * @param today the business date
 */
public record EditScope(Optional<String> block, ReportDatasets datasets, LocalDate today) {

    /** The block that is worked on. */
    public ReportBlock worked(Report report) {
        return report.blocks().stream()
                .filter(one -> block.equals(Optional.of(one.id())) && !one.isOff())
                .findFirst()
                .or(() -> report.blocks().stream().filter(one -> !one.isOff()).findFirst())
                .or(() -> report.blocks().stream().findFirst())
                .orElseThrow(() -> problem("the report has no block"));
    }

    /** A report with the table changed that is worked on. */
    public Report table(Report report, UnaryOperator<TableBlock> change) {
        return worked(report) instanceof TableBlock table
                ? replaced(report, change.apply(table))
                : refused("this edit is of a table, and \"" + worked(report).id() + "\" is none");
    }

    /** A report with the key figures changed that are worked on. */
    public Report figures(Report report, UnaryOperator<FiguresBlock> change) {
        return worked(report) instanceof FiguresBlock figures
                ? replaced(report, change.apply(figures))
                : refused("this edit is of key figures, and \"" + worked(report).id() + "\" has none");
    }

    /** A report with the block of the same id in another form. */
    public static Report replaced(Report report, ReportBlock changed) {
        return report.withBlocks(Parts.changed(report.blocks(), ReportBlock::id, changed.id(), before -> changed));
    }

    /** The dataset of the block that is worked on. */
    public DatasetModel dataset(Report report) {
        Optional<String> own = worked(report).dataset();
        return datasets.of(report, own)
                .orElseThrow(() -> problem("the dataset \"" + own.orElse(report.dataset()) + "\" is not there"));
    }

    /** A field, calculated field or measure of the block that is worked on. */
    public Proposals.Subject field(Report report, String id) {
        return field(dataset(report), id);
    }

    /** A field, calculated field or measure of a dataset. */
    public static Proposals.Subject field(DatasetModel dataset, String id) {
        if (dataset.field(id) == null && dataset.named(id) == null) {
            return refused("the dataset has no field \"" + id + "\"");
        }
        return Proposals.Subject.of(id, dataset);
    }

    /**
     * A part by its id.
     *
     * @throws ProblemException if there is none
     */
    public static <T> T part(Collection<T> parts, Function<T, String> id, String wanted) {
        return parts.stream()
                .filter(part -> id.apply(part).equals(wanted))
                .findFirst()
                .orElseThrow(() -> problem("there is no part \"" + wanted + "\" that the edit could be made to"));
    }

    /**
     * Refuses an edit.
     *
     * @throws ProblemException always, with why
     */
    public static <T> T refused(String message) {
        throw problem(message);
    }

    private static ProblemException problem(String message) {
        return new ProblemException(Problem.error("", message));
    }
}
