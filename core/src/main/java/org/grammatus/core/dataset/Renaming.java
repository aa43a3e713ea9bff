package org.grammatus.core.dataset;

import java.util.List;
import org.grammatus.core.definition.Dataset;
import org.grammatus.core.definition.OrderTerm;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportBlock;
import org.grammatus.core.definition.ReportColumn;
import org.grammatus.core.definition.ReportCompare;
import org.grammatus.core.definition.ReportFilter;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.ReportLimit;
import org.grammatus.core.definition.ReportPrompt;
import org.grammatus.core.definition.ReportTotal;
import org.grammatus.core.expression.RenamedText;

/**
 * Gives a field, calculated field or measure another id, in the dataset and in all that uses it.
 *
 * @param from the id it has
 * @param to the id it gets
 */
public record Renaming(String from, String to) {

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

    /** A report that stands on the dataset, with the other id wherever it used the one before. */
    public Report in(Report report) {
        return new Report(
                report.format(),
                report.version(),
                report.id(),
                report.title(),
                report.description(),
                report.dataset(),
                report.locale(),
                report.zone(),
                report.prompts().stream().map(this::prompt).toList(),
                report.filters().stream().map(this::filter).toList(),
                report.blocks().stream().map(this::block).toList(),
                report.page());
    }

    private ReportPrompt prompt(ReportPrompt p) {
        return new ReportPrompt(
                p.id(),
                p.name(),
                p.type(),
                p.label(),
                p.help(),
                p.required(),
                p.field().map(this::id),
                p.defaultAnswer());
    }

    private ReportFilter filter(ReportFilter f) {
        return new ReportFilter(
                f.id(),
                f.kind(),
                f.field().map(this::id),
                f.comparison(),
                f.values(),
                f.prompt(),
                f.where().map(this::expression),
                f.off());
    }

    private ReportBlock block(ReportBlock b) {
        return new ReportBlock(
                b.id(),
                b.kind(),
                b.levels().stream().map(this::level).toList(),
                b.columns().stream().map(this::column).toList(),
                b.totals().stream().map(this::total).toList(),
                b.totalsCover(),
                b.rounding(),
                b.counts(),
                b.highlights().stream().map(this::highlight).toList(),
                b.rows().with(b.rows().shown(), terms(b.rows().order())));
    }

    private ReportLevel level(ReportLevel l) {
        return new ReportLevel(
                l.id(),
                l.name(),
                expression(l.key()),
                l.bucket(),
                l.classes(),
                l.listed(),
                l.empty(),
                l.label().map(this::expression),
                terms(l.order()),
                l.having().map(this::expression),
                l.limit().map(this::limit),
                l.header(),
                l.headerText().map(this::template),
                l.footer(),
                l.footerText().map(this::template),
                l.newPage(),
                l.off());
    }

    private List<OrderTerm> terms(List<OrderTerm> terms) {
        return terms.stream()
                .map(term -> new OrderTerm(term.id(), expression(term.by()), term.direction(), term.basis()))
                .toList();
    }

    private ReportColumn column(ReportColumn c) {
        return new ReportColumn(
                c.id(),
                c.label(),
                c.value().map(this::expression),
                c.format(),
                c.unit(),
                c.align(),
                c.width(),
                c.once(),
                c.off());
    }

    private ReportTotal total(ReportTotal t) {
        return new ReportTotal(
                t.id(),
                t.column(),
                expression(t.value()),
                t.shown(),
                t.compare().map(this::compare),
                t.format(),
                t.cells());
    }

    private ReportCompare compare(ReportCompare c) {
        return new ReportCompare(c.with(), c.date().map(this::id), c.plan().map(this::expression), c.cut(), c.shown());
    }

    private ReportLimit limit(ReportLimit l) {
        return new ReportLimit(l.keep(), expression(l.by()), l.count(), l.percent(), l.others());
    }

    private ReportHighlight highlight(ReportHighlight h) {
        return new ReportHighlight(h.id(), h.label(), expression(h.when()), h.look(), h.off());
    }

    private String id(String id) {
        return id.equals(from) ? to : id;
    }

    private String expression(String text) {
        return RenamedText.expression(text, from, to);
    }

    private String template(String text) {
        return RenamedText.template(text, from, to);
    }
}
