package org.grammatus.export;

import org.grammatus.core.band.Bands;
import org.grammatus.core.page.Pages;

/** What is written of a report: its bands, and its pages where a format has them. */
public interface Printout {

    Bands bands();

    /**
     * The bands broken into pages.
     *
     * @throws org.grammatus.core.problem.ProblemException if they do not fit the paper
     */
    Pages pages();
}
