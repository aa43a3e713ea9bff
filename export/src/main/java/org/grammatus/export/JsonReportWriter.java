package org.grammatus.export;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Iterator;
import java.util.List;
import java.util.concurrent.CancellationException;
import org.grammatus.core.band.AnswerWords;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandMarks;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.FigureCells;
import org.grammatus.core.band.MarkedAlone;
import org.grammatus.core.group.Grouped;
import org.grammatus.core.group.PrintedRows;
import org.grammatus.core.group.tree.GroupTree;
import org.grammatus.core.plan.BlockPlan;
import org.grammatus.core.plan.ColumnPlan;
import org.grammatus.core.plan.FiguresPlan;
import org.grammatus.core.plan.TablePlan;
import org.grammatus.core.plan.TextPlan;
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

    /** Of the form of a result of several blocks. */
    private static final int VERSION_OF_BLOCKS = 3;

    private static final int ASK_EVERY = 1024;

    private JsonGenerator json;
    private Grouped grouped;
    private MarkedAlone shown;
    private BandMarks marks;
    private BandContents contents;
    private WriteProgress progress;

    @Override
    public void write(Printout printout, OutputStream out, WriteProgress progress) throws IOException {
        CallersStream stream = new CallersStream(out);
        try {
            write(printout.blocks(), stream, progress);
        } catch (JacksonException e) {
            stream.rethrowFailure();
            throw e;
        }
    }

    private void write(List<Bands> blocks, CallersStream out, WriteProgress progress) throws IOException {
        this.progress = progress;
        begin(blocks.getFirst());
        JsonFactory factory = JsonFactory.builder()
                .disable(StreamWriteFeature.AUTO_CLOSE_TARGET)
                .enable(StreamWriteFeature.WRITE_BIGDECIMAL_AS_PLAIN)
                .build();
        try (JsonGenerator generator = factory.createGenerator(ObjectWriteContext.empty(), out, JsonEncoding.UTF8)) {
            json = generator;
            json.writeStartObject();
            json.writeStringProperty("format", "grammatus-result");
            boolean table = blocks.size() == 1 && blocks.getFirst().block() instanceof TablePlan;
            json.writeNumberProperty("version", table ? VERSION : VERSION_OF_BLOCKS);
            head(grouped.plan());
            if (table) {
                table();
            } else {
                blocks(blocks);
            }
            json.writeEndObject();
        }
        out.write('\n');
    }

    private void begin(Bands block) {
        this.grouped = block.grouped();
        this.shown = new MarkedAlone(grouped);
        this.marks = new BandMarks(grouped);
        this.contents = new BandContents(block);
    }

    private void blocks(List<Bands> blocks) {
        json.writeArrayPropertyStart("blocks");
        for (Bands block : blocks) {
            begin(block);
            json.writeStartObject();
            json.writeStringProperty("id", grouped.plan().id());
            grouped.plan().title().ifPresent(title -> json.writeStringProperty("title", title));
            block(block.block());
            json.writeEndObject();
        }
        json.writeEndArray();
    }

    private void block(BlockPlan block) {
        json.writeArrayPropertyStart("narrowing");
        block.facts().reach().forEach(json::writeString);
        json.writeEndArray();
        switch (block) {
            case TablePlan table -> {
                json.writeStringProperty("kind", "table");
                table();
            }
            case FiguresPlan figures -> {
                json.writeStringProperty("kind", "figures");
                json.writeNumberProperty("rowsKept", grouped.rowsKept());
                figures(figures);
            }
            case TextPlan text -> {
                json.writeStringProperty("kind", "text");
                paragraphs(text);
            }
        }
    }

    private void figures(FiguresPlan plan) {
        FigureCells cells = contents.figures();
        json.writeArrayPropertyStart("figures");
        for (int i = 0; i < plan.figures().size(); i++) {
            FiguresPlan.Figure figure = plan.figures().get(i);
            json.writeStartObject();
            json.writeStringProperty("id", figure.id());
            json.writeStringProperty("label", cells.label(i));
            marked(marks.ofFigure(figure));
            json.writeName("value");
            value(cells.exact(figure.value()));
            figure.beside().ifPresent(beside -> {
                json.writeStringProperty("with", beside.with());
                json.writeName("other");
                value(cells.exact(beside.other()));
                beside.change().ifPresent(change -> {
                    json.writeName("change");
                    value(cells.exact(change));
                });
            });
            json.writeEndObject();
        }
        json.writeEndArray();
    }

    private void paragraphs(TextPlan plan) {
        json.writeArrayPropertyStart("paragraphs");
        for (int i = 0; i < plan.paragraphs().size(); i++) {
            BandCell.Words words = contents.paragraph(i);
            json.writeStartObject();
            json.writeStringProperty("id", words.part());
            json.writeStringProperty("text", words.text());
            json.writeEndObject();
        }
        json.writeEndArray();
    }

    private void head(TablePlan plan) {
        json.writeStringProperty("report", plan.inputs().report());
        json.writeStringProperty("title", plan.inputs().title());
        json.writeStringProperty("dataset", plan.inputs().dataset());
        json.writeStringProperty("businessDate", plan.context().businessDate().toString());
        json.writeArrayPropertyStart("answers");
        for (int i = 0; i < plan.prompts().size(); i++) {
            ResolvedPrompt prompt = plan.prompts().get(i);
            json.writeStartObject();
            json.writeStringProperty("name", prompt.name());
            json.writeStringProperty("asked", prompt.asked());
            json.writeStringProperty("resolved", prompt.resolved());
            json.writeStringProperty("words", AnswerWords.of(grouped, i));
            json.writeEndObject();
        }
        json.writeEndArray();
    }

    /** A table's groups, with what they are groups of. */
    private void table() {
        json.writeArrayPropertyStart("levels");
        grouped.plan().levels().stream()
                .limit(
                        grouped.plan().printsRows()
                                ? Integer.MAX_VALUE
                                : grouped.plan().innermostPrinted())
                .forEach(level -> json.writeString(level.id()));
        json.writeEndArray();
        json.writeNumberProperty("rowsKept", grouped.rowsKept());
        json.writeName("result");
        node(0);
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
            json.writeStringProperty(
                    "level", grouped.plan().levels().get(depth - 1).id());
            json.writeName("key");
            value(grouped.groups().key(node));
            json.writeStringProperty("label", contents.printed().label(node));
            if (grouped.groups().isOthers(node)) {
                json.writeNumberProperty("others", grouped.groups().others().get(node));
            }
        }
        marked(marks.ofNode(node));
        if (depth > 0) {
            cells(node);
        }
        json.writeObjectPropertyStart("counts");
        for (int i = 0; i < grouped.plan().counted().size(); i++) {
            String table = grouped.plan()
                    .dataset()
                    .table(grouped.plan().counted().get(i))
                    .id();
            json.writeNumberProperty(table, grouped.figures().counts().get(i)[node]);
        }
        json.writeEndObject();
        values("totals", contents.totals(node));
        int next = place + 1;
        if (isFolded(depth)) {
            next = tree.lastPlace(node) + 1;
        } else if (depth < tree.depths() - 1) {
            json.writeArrayPropertyStart("groups");
            while (next <= tree.lastPlace(node)) {
                next = shown.hasPlace(next) ? node(next) : tree.lastPlaceFrom(next) + 1;
            }
            json.writeEndArray();
        } else if (grouped.plan().printsRows()) {
            rows(place);
            otherRows(node);
        }
        json.writeEndObject();
        return next;
    }

    /** Whether nothing is printed of what stands inside the groups of a depth. */
    private boolean isFolded(int depth) {
        return !grouped.plan().printsRows() && depth >= grouped.plan().innermostPrinted();
    }

    private void values(String name, List<BandCell.Value> values) {
        json.writeObjectPropertyStart(name);
        values.forEach(this::cell);
        json.writeEndObject();
    }

    private void cell(BandCell.Value cell) {
        json.writeName(cell.part());
        value(cell.scalar());
    }

    private void cells(int node) {
        List<BandCell.Value> cells = contents.shared(node);
        if (!cells.isEmpty()) {
            values("cells", cells);
        }
    }

    private void otherRows(int node) {
        long count = grouped.rows().othersOf(node);
        if (count == 0 || !shown.hasOthers()) {
            return;
        }
        json.writeObjectPropertyStart("otherRows");
        json.writeNumberProperty("count", count);
        values("totals", contents.otherRowsTotals(node));
        json.writeEndObject();
    }

    private void rows(int place) {
        int node = grouped.tree().nodeAt(place);
        PrintedRows rows = grouped.rows();
        List<ColumnPlan> columns = grouped.plan().columns();
        json.writeArrayPropertyStart("rows");
        for (int i = rows.starts()[place]; i < rows.starts()[place + 1]; i++) {
            if (!shown.hasRow(rows.order()[i], node)) {
                continue;
            }
            json.writeStartObject();
            marked(marks.ofRow(rows.order()[i], node));
            Iterator<BandCell.Value> cells = contents.row(rows.order()[i]).iterator();
            BandCell.Value next = cells.hasNext() ? cells.next() : null;
            for (int column = 0; column < columns.size(); column++) {
                if (next != null && next.column() == column) {
                    cell(next);
                    next = cells.hasNext() ? cells.next() : null;
                } else {
                    // A coarser measure has been written above.
                    json.writeNullProperty(columns.get(column).id());
                }
            }
            json.writeEndObject();
        }
        json.writeEndArray();
    }

    /** What marks a row or a group: the first rule, and all where there are several. */
    private void marked(List<Integer> rules) {
        if (!rules.isEmpty()) {
            json.writeStringProperty("mark", highlight(rules.getFirst()));
        }
        if (rules.size() > 1) {
            json.writeArrayPropertyStart("marks");
            rules.forEach(rule -> json.writeString(highlight(rule)));
            json.writeEndArray();
        }
    }

    private String highlight(int rule) {
        return grouped.plan().highlights().get(rule).id();
    }

    private void value(Scalar value) {
        switch (value) {
            case Scalar.Null n -> json.writeNull();
            case Scalar.Text t -> json.writeString(t.value());
            case Scalar.Number n -> json.writeNumber(n.value());
            case Scalar.Date d -> json.writeString(d.value().toString());
            case Scalar.Timestamp t -> json.writeString(ScalarText.iso(t));
            case Scalar.Bool b -> json.writeBoolean(b.value());
        }
    }
}
