package org.grammatus.export;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Iterator;
import java.util.List;
import org.grammatus.core.band.AnswerWords;
import org.grammatus.core.band.BandCell;
import org.grammatus.core.band.BandContents;
import org.grammatus.core.band.BandMarks;
import org.grammatus.core.band.Bands;
import org.grammatus.core.band.FigureCells;
import org.grammatus.core.band.PrintedColumn;
import org.grammatus.core.band.TableVisitor;
import org.grammatus.core.band.TableWalk;
import org.grammatus.core.group.TableResult;
import org.grammatus.core.plan.BlockPlan;
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

    private JsonGenerator json;
    private TableResult grouped;
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
        json.writeStringProperty("report", plan.inputs().report().id());
        json.writeStringProperty("title", plan.inputs().report().title());
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
        TableWalk walk = TableWalk.printed(grouped);
        json.writeArrayPropertyStart("levels");
        grouped.plan().levels().stream().limit(walk.deepest()).forEach(level -> json.writeString(level.id()));
        json.writeEndArray();
        json.writeNumberProperty("rowsKept", grouped.rowsKept());
        json.writeName("result");
        walk.accept(new NestedGroups(walk));
    }

    /** Writes groups inside one another, as the table is walked through. */
    private final class NestedGroups implements TableVisitor {

        private final TableWalk walk;
        private final StillWanted wanted = new StillWanted(progress);
        private boolean inRows;

        NestedGroups(TableWalk walk) {
            this.walk = walk;
        }

        @Override
        public void open(int node) {
            wanted.line();
            json.writeStartObject();
            head(node);
            if (holdsRows(node)) {
                json.writeArrayPropertyStart("rows");
                inRows = true;
            } else if (holdsGroups(node)) {
                json.writeArrayPropertyStart("groups");
            }
        }

        @Override
        public void row(int node, int row) {
            wanted.line();
            JsonReportWriter.this.row(row, node);
        }

        @Override
        public void otherRows(int node) {
            json.writeEndArray();
            inRows = false;
            JsonReportWriter.this.otherRows(node);
        }

        @Override
        public void close(int node) {
            if (inRows || holdsGroups(node)) {
                json.writeEndArray();
                inRows = false;
            }
            json.writeEndObject();
        }

        private boolean holdsRows(int node) {
            return grouped.plan().printsRows() && isLast(node);
        }

        private boolean holdsGroups(int node) {
            return !isLast(node) && grouped.tree().depthOf(node) < walk.deepest();
        }

        private boolean isLast(int node) {
            return grouped.tree().depthOf(node) == grouped.tree().depths() - 1;
        }
    }

    /** Writes what a group is called, what marks it, what its rows share, and its totals. */
    private void head(int node) {
        int depth = grouped.tree().depthOf(node);
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
        values("totals", contents.cells().totals(node));
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
        List<BandCell.Value> cells = contents.cells().shared(node);
        if (!cells.isEmpty()) {
            values("cells", cells);
        }
    }

    private void otherRows(int node) {
        json.writeObjectPropertyStart("otherRows");
        json.writeNumberProperty("count", grouped.rows().othersOf(node));
        values("totals", contents.cells().otherRowsTotals(node));
        json.writeEndObject();
    }

    private void row(int row, int node) {
        json.writeStartObject();
        marked(marks.ofRow(row, node));
        Iterator<BandCell.Value> cells = contents.cells().row(row, node).iterator();
        BandCell.Value next = cells.hasNext() ? cells.next() : null;
        for (PrintedColumn column : contents.columns()) {
            if (next != null && next.column() == column) {
                cell(next);
                next = cells.hasNext() ? cells.next() : null;
            } else {
                // A coarser measure has been written above.
                json.writeNullProperty(column.id());
            }
        }
        json.writeEndObject();
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
