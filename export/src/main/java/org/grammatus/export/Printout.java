package org.grammatus.export;

import java.util.List;
import org.grammatus.core.band.Bands;
import org.grammatus.core.page.Pages;

/** What is written of a report: the bands of its blocks, and its pages where a format has them. */
public interface Printout {

    /** The bands of its blocks, in reading order. */
    List<Bands> blocks();

    /**
     * The bands broken into pages.
     *
     * @throws org.grammatus.core.problem.ProblemException if they do not fit the paper
     */
    Pages pages();
}
