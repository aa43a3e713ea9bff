package org.grammatus.export;

import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.concurrent.CancellationException;
import org.grammatus.core.band.AnswerWords;
import org.grammatus.core.band.Printed;
import org.grammatus.core.columnar.Column;
import org.grammatus.core.columnar.Scalars;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.group.Marks;
import org.grammatus.core.group.select.OtherRows;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TotalPlan;
import org.grammatus.core.prompt.ResolvedPrompt;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.ScalarText;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonEncoding;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.StreamWriteFeature;
import tools.jackson.core.json.JsonFactory;

/**
 * The logical result as JSON (RFC 8259), in the form that {@code docs/result-format.md} describes: groups in printed order
 * with exact figures, as numbers in plain notation with all digits of their scale.
 */
final class JsonReportWriter implements ReportWriter {

    /** Of the form of the result; see its document. */
    private static final int VERSION = 2;

    private static final int ASK_EVERY = 1024;

    private JsonGenerator json;
    private Grouped grouped;
    private Printed printed;
    private List<Column> rowValues;
    private WriteProgress progress;

    @Override
    public void write(Printout printout, OutputStream out, WriteProgress progress) throws IOException {
        CallersStream stream = new CallersStream(out);
        try {
            write(printout.bands().grouped(), stream, progress);
        } catch (JacksonException e) {
            stream.rethrowFailure();
            throw e;
        }
    }

    private void write(Grouped result, CallersStream out, WriteProgress progress) throws IOException {
        this.grouped = result;
        this.printed = new Printed(grouped);
        this.progress = progress;
        TablePlan plan = grouped.plan();
        this.rowValues = plan.printsRows()
                ? plan.columns().stream().map(grouped.behind()::values).toList()
                : List.of();
        JsonFactory factory = JsonFactory.builder()
                .disable(StreamWriteFeature.AUTO_CLOSE_TARGET)
                .enable(StreamWriteFeature.WRITE_BIGDECIMAL_AS_PLAIN)
                .build();
        try (JsonGenerator generator = factory.createGenerator(ObjectWriteContext.empty(), out, JsonEncoding.UTF8)) {
            json = generator;
            json.writeStartObject();
            json.writeStringProperty("format", "grammatus-result");
            json.writeNumberProperty("version", VERSION);
            head(plan);
            json.writeName("result");
            node(0);
            json.writeEndObject();
        }
        out.write('\n');
    }

    private void head(TablePlan plan) {
        json.writeStringProperty("report", plan.inputs().report());
        json.writeStringProperty("title", plan.inputs().title());
        json.writeStringProperty("dataset", plan.inputs().dataset());
        json.writeStringProperty("businessDate", plan.context().businessDate().toString());
        json.writeArrayPropertyStart("answers");
        for (ResolvedPrompt prompt : plan.prompts()) {
            json.writeStartObject();
            json.writeStringProperty("name", prompt.name());
            json.writeStringProperty("asked", prompt.asked());
            json.writeStringProperty("resolved", prompt.resolved());
            json.writeStringProperty("words", AnswerWords.of(prompt, plan, grouped.star()));
            json.writeEndObject();
        }
        json.writeEndArray();
        json.writeArrayPropertyStart("levels");
        plan.levels().forEach(level -> json.writeString(level.id()));
        json.writeEndArray();
        json.writeNumberProperty("rowsKept", grouped.kept().rows().length);
    }

    /** Writes the node at a place with all its descendants, and returns the place after them. */
    private int node(int place) {
        if (place % ASK_EVERY == 0 && !progress.pagesWritten(0)) {
            throw new CancellationException("The export was cancelled");
        }
        GroupTree tree = grouped.tree();
        int node = tree.nodeAt(place);
        int depth = tree.depthOf(node);
        json.writeStartObject();
        if (depth > 0) {
            int within = grouped.within(node);
            json.writeStringProperty(
                    "level", grouped.plan().levels().get(depth - 1).id());
            json.writeName("key");
            value(grouped.keys().get(depth).orElseThrow(), within);
            json.writeStringProperty("label", printed.label(node));
            if (grouped.isOthers(node)) {
                json.writeNumberProperty("others", grouped.others().get(node));
            }
            mark(grouped.marks().ofNode(node));
            cells(depth, within);
        }
        json.writeObjectPropertyStart("counts");
        for (int i = 0; i < grouped.plan().counted().size(); i++) {
            String table = grouped.plan()
                    .dataset()
                    .table(grouped.plan().counted().get(i))
                    .id();
            json.writeNumberProperty(table, grouped.counts().get(i)[node]);
        }
        json.writeEndObject();
        totals(node, depth);
        int next = place + 1;
        if (depth < tree.depths() - 1) {
            json.writeArrayPropertyStart("groups");
            while (next <= tree.lastPlace(node)) {
                next = node(next);
            }
            json.writeEndArray();
        } else if (!rowValues.isEmpty()) {
            rows(place);
            otherRows(node);
        }
        json.writeEndObject();
        return next;
    }

    private void totals(int node, int depth) {
        int level = depth == 0 ? TotalPlan.REPORT_LEVEL : depth - 1;
        json.writeObjectPropertyStart("totals");
        for (int t = 0; t < grouped.plan().totals().size(); t++) {
            TotalPlan total = grouped.plan().totals().get(t);
            if (total.places().containsKey(level)) {
                json.writeName(total.id());
                value(grouped.totals().get(t), node);
            }
        }
        json.writeEndObject();
    }

    private void cells(int depth, int within) {
        List<Column> cells = grouped.cells().get(depth);
        if (cells.isEmpty()) {
            return;
        }
        json.writeObjectPropertyStart("cells");
        for (int c = 0; c < cells.size(); c++) {
            ColumnPlan column = grouped.plan().columns().get(c);
            json.writeName(column.id());
            value(cells.get(c), within);
        }
        json.writeEndObject();
    }

    private void otherRows(int node) {
        if (grouped.otherRows().isEmpty() || grouped.otherRows().get().counts()[node] == 0) {
            return;
        }
        OtherRows others = grouped.otherRows().get();
        json.writeObjectPropertyStart("otherRows");
        json.writeNumberProperty("count", others.counts()[node]);
        json.writeObjectPropertyStart("totals");
        for (int t = 0; t < others.totals().size(); t++) {
            if (others.totals().get(t).isPresent()) {
                json.writeName(grouped.plan().totals().get(t).id());
                value(others.totals().get(t).get(), node);
            }
        }
        json.writeEndObject();
        json.writeEndObject();
    }

    private void rows(int place) {
        json.writeArrayPropertyStart("rows");
        for (int i = grouped.rowStart()[place]; i < grouped.rowStart()[place + 1]; i++) {
            json.writeStartObject();
            mark(grouped.marks().ofRow(grouped.rows()[i]));
            for (int c = 0; c < rowValues.size(); c++) {
                ColumnPlan column = grouped.plan().columns().get(c);
                int row = grouped.rows()[i];
                json.writeName(column.id());
                if (grouped.repeats().get(c).get(row)) {
                    json.writeNull();
                } else {
                    value(rowValues.get(c), grouped.star().path(0, column.home())[row]);
                }
            }
            json.writeEndObject();
        }
        json.writeEndArray();
    }

    private void mark(int highlight) {
        if (highlight != Marks.NONE) {
            json.writeStringProperty(
                    "mark", grouped.plan().highlights().get(highlight).id());
        }
    }

    private void value(Column column, int row) {
        switch (Scalars.at(column, row)) {
            case Scalar.Null n -> json.writeNull();
            case Scalar.Text t -> json.writeString(t.value());
            case Scalar.Number n -> json.writeNumber(n.value());
            case Scalar.Date d -> json.writeString(d.value().toString());
            case Scalar.Timestamp t -> json.writeString(ScalarText.iso(t));
            case Scalar.Bool b -> json.writeBoolean(b.value());
        }
    }
}
