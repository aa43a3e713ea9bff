package org.grammatus.core.prompt;

import java.util.List;
import org.grammatus.core.expression.Names;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;

/** What a prompt was answered, by what it asks for. */
public sealed interface Answer {

    /** Whether nothing was answered, which restricts nothing. */
    boolean isOpen();

    /** Days. */
    record Days(Period period) implements Answer {

        @Override
        public boolean isOpen() {
            return period.isOpen();
        }
    }

    /** One value; NULL of its type where there is none. */
    record One(Scalar value) implements Answer {

        @Override
        public boolean isOpen() {
            return value instanceof Scalar.Null;
        }
    }

    /** Two ends, each NULL of its type where it is open. */
    record Ends(Scalar from, Scalar to) implements Answer {

        @Override
        public boolean isOpen() {
            return from instanceof Scalar.Null && to instanceof Scalar.Null;
        }
    }

    /** Several values of a type. */
    record Several(Names.Chosen chosen) implements Answer {

        /** No answer. */
        static final Several OPEN = new Several(new Names.Chosen(List.of(), false, true));

        @Override
        public boolean isOpen() {
            return equals(OPEN);
        }
    }
}
