package org.grammatus.server.run;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.grammatus.core.plan.planner.ReaderView;

/**
 * What a run depends on besides the rows, its answers and its business date. With those it can be made again as it was.
 *
 * @param report revision of the report
 * @param datasets revisions of the datasets that it reads, by id; 0 as they come with the product
 * @param style id of the house style that it is printed in
 * @param styleRevision 0 as it comes with the product
 * @param view how its reader looked at it
 * @param zone IANA name of the time zone
 * @param holidays days on which nobody works, in order
 */
record RecordedInputs(
        long report,
        Map<String, Long> datasets,
        String style,
        long styleRevision,
        ReaderView view,
        String zone,
        List<LocalDate> holidays) {}
