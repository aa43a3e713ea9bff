package org.grammatus.export;

import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;

/** How values stand in CSV files: figures with all their digits, dates as ISO 8601 has them. */
final class FormulaEscaping {

    private static final String DANGEROUS = "=+-@\t\r\n＝＋－＠";

    private final Cells cells;

    FormulaEscaping(Cells cells) {
        this.cells = cells;
    }

    String value(Scalar value) {
        return value instanceof Scalar.Text text ? text(text.value()) : ScalarText.write(value);
    }

    /** A text that a spreadsheet would take for a formula is put behind an apostrophe, where that was asked for. */
    String text(String text) {
        boolean dangerous = !text.isEmpty() && DANGEROUS.indexOf(text.charAt(0)) >= 0;
        return cells == Cells.PROTECTED && dangerous ? "'" + text : text;
    }
}
