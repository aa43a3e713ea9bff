package org.grammatus.runs;

import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.dataset.ReportDatasets;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Checked;
import org.grammatus.core.plan.Plan;
import org.grammatus.core.plan.planner.Planner;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.plan.style.HouseLook;
import org.grammatus.core.plan.style.HouseStyles;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;

/**
 * Everything a run's figures depend on but the rows.
 *
 * @param look that it is printed in
 * @param view how its reader looks at the report
 */
public record RunRequest(
        Report report, ReportDatasets datasets, HouseLook look, Answers answers, RunContext context, ReaderView view) {

    /** A report as its reader looks at it, in a style that comes along. */
    public RunRequest(Report report, ReportDatasets datasets, Answers answers, RunContext context, ReaderView view) {
        this(report, datasets, new HouseLook(HouseStyles.shippedFor(report)), answers, context, view);
    }

    /** A report as its author made it. */
    public RunRequest(Report report, ReportDatasets datasets, Answers answers, RunContext context) {
        this(report, datasets, answers, context, ReaderView.PLAIN);
    }

    /** A report over one dataset. */
    public RunRequest(Report report, DatasetModel dataset, Answers answers, RunContext context) {
        this(report, ReportDatasets.of(dataset), answers, context);
    }

    /** A report over one dataset as its reader looks at it. */
    public RunRequest(Report report, DatasetModel dataset, Answers answers, RunContext context, ReaderView view) {
        this(report, ReportDatasets.of(dataset), answers, context, view);
    }

    /**
     * Plans the run.
     *
     * @throws org.grammatus.core.problem.ProblemException with every fault of the answers, the definition or the view
     */
    public Plan plan() {
        return view.applied(Planner.plan(Checked.sound(report), datasets, look, answers, context));
    }
}
