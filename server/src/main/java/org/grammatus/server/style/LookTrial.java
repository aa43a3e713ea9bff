package org.grammatus.server.style;

import java.util.Optional;
import org.grammatus.core.definition.style.StyleParts;
import org.grammatus.core.plan.style.HouseLook;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import org.grammatus.runs.StyleTrial;
import org.grammatus.server.run.PageView;

/** Whether a page can be printed and shown in a look, before it is saved: what comes from outside may be sound and still not be drawn. */
public final class LookTrial {

    private static final System.Logger LOG = System.getLogger(LookTrial.class.getName());

    private LookTrial() {}

    /**
     * Prints and shows a small page.
     *
     * @param own what a report says of its look over the style
     * @throws ProblemException if that cannot be done
     */
    public static void require(HouseLook look, Optional<StyleParts> own) {
        try {
            PageView.of(StyleTrial.page(look, own));
        } catch (RuntimeException e) {
            LOG.log(System.Logger.Level.WARNING, "A page could not be printed in a look that was to be saved", e);
            throw new ProblemException(Problem.error(
                    "/look", "no page can be printed in this look; choose another logo or face, saved anew"));
        }
    }
}
