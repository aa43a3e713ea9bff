package org.grammatus.server.library;

import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Checked;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.plan.style.StyleCheck;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.core.prompt.Answers;
import org.grammatus.server.BusinessDate;
import org.grammatus.server.dataset.Datasets;
import org.grammatus.server.style.LookTrial;
import org.grammatus.server.style.Styles;
import org.springframework.stereotype.Component;

/** Whether a report may be written: it can be loaded again, and it fits its dataset. */
@Component
class ReportCheck {

    private final Datasets datasets;
    private final BusinessDate businessDate;
    private final Styles styles;

    ReportCheck(Datasets datasets, BusinessDate businessDate, Styles styles) {
        this.styles = styles;
        this.datasets = datasets;
        this.businessDate = businessDate;
    }

    /**
     * Reads a report's document and checks it whole, against its dataset too.
     *
     * @throws ProblemException with every fault
     */
    Report read(String document) {
        Checked<Report> checked = Definitions.checkReport(document);
        requireSound(checked);
        return checked.require();
    }

    /** Checks what is to be written just as it is checked when it is loaded, and against its dataset. */
    void requireSound(Report report) {
        requireSound(Definitions.checkReport(Definitions.write(report)));
    }

    private void requireSound(Checked<Report> checked) {
        Report report = checked.document().orElseGet(checked::require);
        ReportDatasets found;
        try {
            found = datasets.of(report);
        } catch (ProblemException e) {
            throw new ProblemException(checked.with(e.problems()).faults());
        }
        Planner.plan(checked, found, Answers.UNASKED, businessDate.of(report));
        if (report.look().isPresent()) {
            StyleCheck.requireLogo(report.look().get());
            LookTrial.require(styles.of(report), report.look());
        }
    }
}
