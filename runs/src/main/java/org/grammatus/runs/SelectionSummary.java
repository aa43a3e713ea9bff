package org.grammatus.runs;

import com.ibm.icu.text.DecimalFormat;
import com.ibm.icu.text.DecimalFormatSymbols;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.grammatus.core.address.FigureAddress;
import org.grammatus.core.band.BandTexts;
import org.grammatus.core.band.NumberText;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.group.PrintedRows;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.value.Decimals;
import org.grammatus.core.value.Scalar;

/**
 * Several figures of a run together, exact and not as printed.
 *
 * @param count how many of them are numbers
 * @param sum of these, with all digits that any of them has
 * @param average of these
 */
public record SelectionSummary(int count, String sum, String average) {

    private static final int MOST_DIGITS = 8;

    static SelectionSummary of(RunResult result, List<FigureAddress> figures) {
        List<BigDecimal> numbers = new ArrayList<>();
        Map<TableResult, List<PrintedColumn>> columns = new IdentityHashMap<>();
        for (FigureAddress figure : figures) {
            value(result, figure, columns).ifPresent(numbers::add);
        }
        DecimalFormat format = new DecimalFormat(
                "#,##0.########",
                DecimalFormatSymbols.getInstance(result.grouped().plan().locale()));
        format.setRoundingMode(Decimals.ROUNDING.ordinal());
        BigDecimal sum = numbers.stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        int scale = numbers.stream().mapToInt(BigDecimal::scale).max().orElse(0);
        format.setMinimumFractionDigits(Math.min(scale, 2));
        return new SelectionSummary(
                numbers.size(),
                NumberText.of(sum, format),
                numbers.isEmpty()
                        ? ""
                        : NumberText.of(
                                sum.divide(BigDecimal.valueOf(numbers.size()), MOST_DIGITS, RoundingMode.HALF_UP)
                                        .setScale(Math.max(2, Math.min(scale, MOST_DIGITS)), RoundingMode.HALF_UP),
                                format));
    }

    private static Optional<BigDecimal> value(
            RunResult result, FigureAddress figure, Map<TableResult, List<PrintedColumn>> columns) {
        Optional<Scalar> value = figure.row().isPresent()
                ? result.at(figure.group())
                        .flatMap(at -> ofRow(
                                columns.computeIfAbsent(at.table().grouped(), of -> new BandTexts(of).columns()),
                                figure.row().getAsInt(),
                                figure.part()))
                : result.at(figure.group()).flatMap(at -> ofGroup(at.table().grouped(), at.node(), figure.part()));
        return value.filter(Scalar.Number.class::isInstance).map(n -> ((Scalar.Number) n).value());
    }

    private static Optional<Scalar> ofGroup(TableResult grouped, int node, String total) {
        for (int i = 0; i < grouped.figures().totals().size(); i++) {
            if (grouped.plan().totals().get(i).id().equals(total)) {
                return Optional.of(Scalars.at(grouped.figures().totals().get(i), node));
            }
        }
        return Optional.empty();
    }

    private static Optional<Scalar> ofRow(List<PrintedColumn> columns, int row, String column) {
        for (PrintedColumn printed : columns) {
            Optional<PrintedRows.Values> values = printed.rows()
                    .filter(rows -> printed.id().equals(column)
                            && row >= 0
                            && row < rows.path().length
                            && !rows.repeats().get(row));
            if (values.isPresent()) {
                return values.map(rows -> Scalars.at(rows.values(), rows.path()[row]));
            }
        }
        return Optional.empty();
    }
}
