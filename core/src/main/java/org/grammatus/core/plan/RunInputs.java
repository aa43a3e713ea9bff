package org.grammatus.core.plan;

import com.ibm.icu.util.ULocale;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.plan.style.PrintStyle;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.prompt.RunContext;
import org.grammatus.core.typography.Family;

/**
 * What all blocks of a report are made with. Immutable.
 *
 * @param dataset id of the dataset that it is over
 * @param datasets those that it reads
 * @param beside ids of the fields whose values stand beside the report, to be ticked
 * @param prompts every prompt with its resolved answer
 * @param style how its pages look
 * @param family what its texts are set in
 */
public record RunInputs(
        Identity report,
        String dataset,
        ReportDatasets datasets,
        List<String> beside,
        ULocale locale,
        RunContext context,
        List<ResolvedPrompt> prompts,
        PagePlan page,
        PrintStyle style,
        Family family) {

    /**
     * Which report it is.
     *
     * @param id the report's id
     * @param fingerprint tells apart documents that say different things
     */
    public record Identity(String id, String title, Optional<String> description, String fingerprint) {}
}
