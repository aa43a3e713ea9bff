package org.grammatus.server.command;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.ReportLevel;
import org.grammatus.core.definition.TableBlock;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.edit.EditCatalogue;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;

/** Edits from scripts: one after the other, into a file that is whole or not touched. */
class EditCommandTest {

    @TempDir
    Path folder;

    private final StringWriter out = new StringWriter();
    private final StringWriter errors = new StringWriter();

    private int edit(String... arguments) {
        return GrammatusCommand.execute(new PrintWriter(out, true), new PrintWriter(errors, true), arguments);
    }

    @Test
    void aScriptEditsAReportStepByStep() throws Exception {
        Path file = folder.resolve("mine.json");
        assertThat(edit("edit", "order-counts", "add-level", "field=depot", "-o", file.toString()))
                .isZero();
        assertThat(edit("edit", file.toString(), "show-rows", "shown=true", "-o", file.toString()))
                .isZero();
        Report edited = Definitions.readReport(Files.readString(file));
        TableBlock table = (TableBlock) edited.blocks().getFirst();
        assertThat(table.levels()).extracting(ReportLevel::id).contains("depot");
        assertThat(table.rows().shown()).isTrue();
        assertThat(errors.toString()).isEmpty();
    }

    @Test
    void whatIsWrongIsSaidAndTheFileStays() throws Exception {
        Path file = folder.resolve("mine.json");
        Files.writeString(file, "untouched");
        assertThat(edit("edit", "order-counts", "add-level", "field=nowhere", "-o", file.toString()))
                .isEqualTo(1);
        assertThat(edit("edit", "order-counts", "show-rows", "shown=perhaps", "-o", file.toString()))
                .isEqualTo(1);
        assertThat(edit("edit", "order-counts", "grow", "-o", file.toString())).isEqualTo(1);
        assertThat(errors.toString())
                .contains("no field \"nowhere\"")
                .contains("/shown: must be true or false")
                .contains("there is no edit \"grow\"");
        assertThat(file).hasContent("untouched");
    }

    @Test
    void everyEditIsListed() {
        assertThat(edit("edit", "order-counts")).isEqualTo(CommandLine.ExitCode.OK);
        assertThat(EditCatalogue.all())
                .allSatisfy(kind ->
                        assertThat(out.toString()).contains(kind.name() + " ").contains(kind.does()));
    }
}
