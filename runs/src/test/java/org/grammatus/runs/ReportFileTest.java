package org.grammatus.runs;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.grammatus.export.Format;
import org.grammatus.export.ReportWriter;
import org.grammatus.export.ReportWriter.WriteProgress;
import org.grammatus.sources.DatasetReader;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.mockito.ArgumentMatchers;

/** A file is written whole or not at all. */
class ReportFileTest {

    @TempDir
    Path folder;

    private RunResult result;

    @BeforeEach
    void run() {
        DatasetReader reader = mock(DatasetReader.class);
        when(reader.read(ArgumentMatchers.any(), ArgumentMatchers.any())).thenReturn(RunServiceTest.STAR);
        result = new RunEngine(RunLimits.DEFAULT).run(RunServiceTest.request(), reader, progress -> {}, () -> false);
    }

    @Test
    void aDiskThatFillsUpLeavesWhatWasThere() throws IOException {
        Path file = Files.writeString(folder.resolve("report.pdf"), "the one before");
        ReportWriter full = (pages, out, progress) -> {
            out.write(new byte[100_000]);
            throw new IOException("No space left on device");
        };
        assertThatThrownBy(() -> ReportFile.write(result, full, file, WriteProgress.SILENT))
                .hasMessage("No space left on device");
        assertThat(file).hasContent("the one before");
        assertThat(folder).isDirectoryNotContaining(path -> path.toString().endsWith(".part"));
    }

    /** Libraries wrap such a failure or pass over it; every writer tells it as what it is. */
    @ParameterizedTest
    @EnumSource(Format.class)
    void everyWriterTellsThatTheDiskIsFull(Format format) {
        OutputStream full = new OutputStream() {
            private int room = 5;

            @Override
            public void write(int b) throws IOException {
                if (--room < 0) {
                    throw new IOException("No space left on device");
                }
            }
        };
        assertThatThrownBy(() -> format.writer().write(result, full, WriteProgress.SILENT))
                .isInstanceOf(IOException.class)
                .hasMessage("No space left on device");
    }

    @Test
    void theSameResultGivesTheSameBytes() throws IOException {
        for (Format format : Format.values()) {
            Path a = folder.resolve("a." + format.word());
            Path b = folder.resolve("b." + format.word());
            ReportFile.write(result, format.writer(), a, WriteProgress.SILENT);
            ReportFile.write(result, format.writer(), b, WriteProgress.SILENT);
            assertThat(a).hasSameBinaryContentAs(b);
        }
    }

    @Test
    void aCancelledExportLeavesNothing() {
        Path file = folder.resolve("report.pdf");
        assertThatThrownBy(() -> ReportFile.write(result, Format.PDF.writer(), file, pages -> false))
                .isInstanceOf(java.util.concurrent.CancellationException.class);
        assertThat(folder).isEmptyDirectory();
    }
}
