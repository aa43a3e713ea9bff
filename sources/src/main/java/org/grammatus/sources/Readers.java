package org.grammatus.sources;

/** Hands out readers of rows, each for one person. What a person may not see, that person's reader does not read. */
@FunctionalInterface
public interface Readers {

    /** The reader of a person's rows. */
    DatasetReader of(Person person);
}
