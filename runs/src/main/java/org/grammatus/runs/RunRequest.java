package org.grammatus.runs;

import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.prompt.RunContext;

/** Everything a run's figures depend on but the rows. */
public record RunRequest(Report report, DatasetModel dataset, Answers answers, RunContext context) {}
