package org.grammatus.server.run;

import java.util.function.Function;
import org.grammatus.core.address.FigureAddress;
import org.grammatus.core.address.GroupAddress;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;

/** Addresses of groups and figures as parameters of requests. */
final class Addresses {

    private Addresses() {}

    /** @throws ProblemException that names the parameter if the text is no address */
    static GroupAddress group(String parameter, String text) {
        return parse(parameter, text, GroupAddress::parse);
    }

    /** @throws ProblemException that names the parameter if the text is no address */
    static FigureAddress figure(String parameter, String text) {
        return parse(parameter, text, FigureAddress::parse);
    }

    private static <T> T parse(String parameter, String text, Function<String, T> form) {
        try {
            return form.apply(text);
        } catch (IllegalArgumentException e) {
            throw new ProblemException(Problem.error("/" + parameter, e.getMessage()));
        }
    }
}
