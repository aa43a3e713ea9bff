package org.grammatus.core.prompt;

import java.util.List;
import org.grammatus.core.expression.Names;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

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
    record Several(Names.Chosen chosen, Type type) implements Answer {

        private static final Names.Chosen ALL = new Names.Chosen(List.of(), false, true);

        /** No answer. */
        static Several open(Type type) {
            return new Several(ALL, type);
        }

        @Override
        public boolean isOpen() {
            return chosen.equals(ALL);
        }
    }
}
