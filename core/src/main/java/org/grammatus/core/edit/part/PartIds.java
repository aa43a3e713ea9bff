package org.grammatus.core.edit.part;

import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import org.grammatus.core.definition.DefinitionMapping;
import org.grammatus.core.definition.Report;

/** Gives parts ids that no part of a report has, each once. */
public final class PartIds {

    private static final int LONGEST_STEM = 50;

    private final Set<String> taken = new HashSet<>();

    /** The ids that a report leaves free. */
    public PartIds(Report report) {
        report.mapped(new DefinitionMapping() {
            @Override
            public String part(String id) {
                taken.add(id);
                return id;
            }
        });
    }

    /** An id made from what the part is about; it is taken from now on. */
    public String free(String about) {
        String plain = about.toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^[^a-z]+", "")
                .replaceAll("-+$", "");
        String cut = plain.substring(0, Math.min(LONGEST_STEM, plain.length()));
        String stem = cut.isEmpty() ? "part" : cut;
        String id = stem;
        for (int i = 2; !taken.add(id); i++) {
            id = stem + "-" + i;
        }
        return id;
    }

    /** An id for a copy of a part: that of the part, its number apart. */
    public String copyOf(String id) {
        return free(id.replaceAll("-\\d+$", ""));
    }
}
