package org.grammatus.core.dataset;

import java.util.Set;
import org.grammatus.core.choice.layout.PageWord;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.DefinitionMapping;
import org.grammatus.core.definition.Report;
import org.grammatus.core.expression.RenamedText;

/**
 * Gives a field, calculated field or measure another id, in the dataset and in all that uses it.
 *
 * @param from the id it has
 * @param to the id it gets
 */
public record Renaming(String from, String to) implements DefinitionMapping {

    /** The dataset with the other id. Also one that is built on it, where the id is only used. */
    public Dataset in(Dataset dataset) {
        return dataset.with(
                        dataset.grain(),
                        dataset.tables().stream().map(this::table).toList(),
                        dataset.joins(),
                        dataset.fields().stream().map(this::field).toList())
                .with(
                        dataset.calculated()
                                .map(list -> list.stream().map(this::calculated).toList()),
                        dataset.measures()
                                .map(list -> list.stream().map(this::measure).toList()));
    }

    private Dataset.Table table(Dataset.Table t) {
        return new Dataset.Table(
                t.id(),
                t.source(),
                t.table(),
                t.key(),
                t.noun(),
                t.code().map(this::id),
                t.name().map(this::id));
    }

    private Dataset.Field field(Dataset.Field f) {
        return new Dataset.Field(
                id(f.id()),
                f.table(),
                f.column(),
                f.label(),
                f.description(),
                f.type(),
                f.scale(),
                f.role(),
                f.format(),
                f.unit(),
                f.order(),
                f.lookup().map(this::id),
                f.hidden());
    }

    private Dataset.Calculated calculated(Dataset.Calculated c) {
        return new Dataset.Calculated(
                id(c.id()),
                c.label(),
                c.description(),
                expression(c.value()),
                c.role(),
                c.format(),
                c.unit(),
                c.order(),
                c.hidden());
    }

    private Dataset.Measure measure(Dataset.Measure m) {
        return new Dataset.Measure(
                id(m.id()), m.label(), m.description(), expression(m.value()), m.format(), m.unit(), m.order());
    }

    /** A report all of whose blocks stand on the dataset, with the other id wherever it used the one before. */
    public Report in(Report report) {
        return report.mapped(this);
    }

    /**
     * A report, with the other id wherever it used the one before of some datasets.
     *
     * @param datasets ids of the dataset and of those that are built on it
     */
    public Report in(Report report, Set<String> datasets) {
        return report.mapped(new DefinitionMapping() {
            @Override
            public DefinitionMapping over(String dataset) {
                return datasets.contains(dataset) ? Renaming.this : new DefinitionMapping() {};
            }
        });
    }

    @Override
    public String pageText(String text) {
        return PageWord.of(from).isPresent() ? text : template(text);
    }

    private String id(String id) {
        return id.equals(from) ? to : id;
    }

    @Override
    public String field(String id) {
        return id(id);
    }

    @Override
    public String expression(String text) {
        return RenamedText.expression(text, from, to);
    }

    @Override
    public String template(String text) {
        return RenamedText.template(text, from, to);
    }
}
