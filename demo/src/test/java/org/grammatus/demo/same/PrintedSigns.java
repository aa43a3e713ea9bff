package org.grammatus.demo.same;

import java.util.stream.Collectors;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandKind;
import org.grammatus.core.band.BandMarks;
import org.grammatus.core.band.Bands;
import org.grammatus.core.plan.TablePlan;

/** The signs that pages print beside what is marked. */
final class PrintedSigns {

    private PrintedSigns() {}

    /** The signs at the edge of what is marked as a whole; beside a row a rule's own word may stand. */
    static String atTheEdge(BandContents contents, Bands bands, int band) {
        boolean row = bands.kind(band) == BandKind.DETAIL || bands.kind(band) == BandKind.GROUP_LINE;
        return contents.marksOf(bands, band).stream()
                .filter(BandMarks.Mark::isWhole)
                .map(mark -> {
                    String word =
                            bands.grouped().plan().highlights().get(mark.rule()).word();
                    return row && !word.isEmpty() ? word : sign(bands, mark);
                })
                .distinct()
                .collect(Collectors.joining());
    }

    private static String sign(Bands bands, BandMarks.Mark mark) {
        TablePlan plan = bands.grouped().plan();
        return plan.inputs()
                .style()
                .mark(plan.highlights().get(mark.rule()).look())
                .sign();
    }

    /** A value, and the sign of the first rule that marks its cell. */
    static String marked(BandContents contents, Bands bands, int band, BandCell.Value value) {
        return value.text()
                + contents.marksOf(bands, band).stream()
                        .filter(mark -> mark.isOnly(value.column()))
                        .findFirst()
                        .map(mark -> sign(bands, mark))
                        .orElse("");
    }
}
