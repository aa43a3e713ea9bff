package org.grammatus.core.group;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.util.ULocale;
import java.lang.reflect.Array;
import java.lang.reflect.RecordComponent;
import java.time.ZoneId;
import java.time.temporal.TemporalAccessor;
import java.util.BitSet;
import java.util.Collection;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.core.Samples;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.typography.Family;
import org.junit.jupiter.api.Test;

/** A result is data: everything in it is a record, a collection or a value, so that it can be written down and read again. */
class ResultIsDataTest {

    private final Set<Object> seen = Collections.newSetFromMap(new IdentityHashMap<>());
    private final Set<String> others = new TreeSet<>();

    /** Values, and three classes that look values up: groups in printed order, the dataset, a family of type. */
    private static final List<Class<?>> DATA = List.of(
            String.class,
            Number.class,
            Boolean.class,
            Enum.class,
            BitSet.class,
            Locale.class,
            TemporalAccessor.class,
            ULocale.class,
            ZoneId.class,
            GroupTree.class,
            Family.class,
            DatasetModel.class);

    private static final Samples ROWS = new Samples()
            .order("S1", "2026-02-01T10:00", "Coast", "2.00")
            .order("S2", "2026-02-02T10:00", "Hills", "3.00")
            .line("S1", "Hives", "10.00")
            .line("S1", "Jars", "60.00")
            .line("S2", "Hives", "200.00");

    private static final Report REPORT = Definitions.readReport(
            Samples.REPORT.replace("\"highlights\": []", """
                    "highlights": [{"id": "h", "label": "Large", "when": "net > 100", "look": "alert"}]""").replace("\"page\": {", """
                    "page": {"lines": {"footer": {"start": "{SUM(net)} of {SUM(net) OVER ()}"}}, """));

    @Test
    void aResultHoldsNothingThatComputes() throws ReflectiveOperationException {
        TableResult result = ROWS.grouped(REPORT, Answers.NONE);
        assertThat(result.rows().ofPages().figures()).hasSize(2);
        assertThat(result.marks().count(0)).isEqualTo(1);

        walk(result);

        assertThat(others).isEmpty();
        assertThat(seen).hasSizeGreaterThan(100);
    }

    private void walk(Object value) throws ReflectiveOperationException {
        switch (value) {
            case null -> {}
            case Optional<?> optional -> walk(optional.orElse(null));
            case Collection<?> all -> walkAll(all);
            case Map<?, ?> map -> {
                walkAll(map.keySet());
                walkAll(map.values());
            }
            case Record record -> walkRecord(record);
            default -> walkOther(value);
        }
    }

    private void walkAll(Collection<?> all) throws ReflectiveOperationException {
        for (Object each : all) {
            walk(each);
        }
    }

    private void walkRecord(Record record) throws ReflectiveOperationException {
        if (seen.add(record)) {
            for (RecordComponent component : record.getClass().getRecordComponents()) {
                component.getAccessor().setAccessible(true);
                walk(component.getAccessor().invoke(record));
            }
        }
    }

    private void walkOther(Object value) throws ReflectiveOperationException {
        if (!value.getClass().isArray()) {
            if (DATA.stream().noneMatch(type -> type.isInstance(value))) {
                others.add(value.getClass().getName());
            }
        } else if (!value.getClass().getComponentType().isPrimitive()) {
            for (int i = 0; i < Array.getLength(value); i++) {
                walk(Array.get(value, i));
            }
        }
    }
}
