package org.grammatus.server.account;

import java.security.Principal;
import org.grammatus.runs.rowcache.HeldRows;
import org.grammatus.sources.DatasetReader;
import org.grammatus.sources.Person;
import org.grammatus.sources.Readers;
import org.springframework.stereotype.Component;

/**
 * The one door to the rows of datasets: runs, choices, profiles and questions about figures all read for a person. Whoever may use a dataset
 * sees all of its rows.
 */
@Component
public final class RowAccess implements Readers {

    private final DatasetReader all;

    RowAccess(HeldRows all) {
        this.all = all;
    }

    @Override
    public DatasetReader of(Person person) {
        return all;
    }

    /** The reader for whoever is signed in. */
    public DatasetReader of(Principal principal) {
        return of(new Person(principal.getName()));
    }
}
