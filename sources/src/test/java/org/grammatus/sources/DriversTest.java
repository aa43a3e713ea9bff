package org.grammatus.sources;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Driver;
import java.util.jar.JarEntry;
import java.util.jar.JarOutputStream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Drivers that do not come with the product are found in a folder, also once the server runs. */
class DriversTest {

    private static final String URL = "jdbc:tarn:deep";

    @TempDir
    Path folder;

    @Test
    void withoutADriverItIsSaidWhereOneCanBePut() {
        Drivers drivers = Drivers.with(folder.resolve("nowhere"));
        assertThatThrownBy(() -> drivers.require(URL, "Tarn"))
                .isInstanceOf(SourceException.class)
                .hasMessageContaining("The driver of Tarn is not installed here")
                .hasMessageContaining("\"drivers\"");
    }

    @Test
    void anArchiveThatIsPutIntoTheFolderIsTakenAtOnce() throws Exception {
        Drivers drivers = Drivers.with(folder);
        assertThatThrownBy(() -> drivers.require(URL, "Tarn")).isInstanceOf(SourceException.class);
        archive(folder.resolve("tarn.jar"));
        Driver driver = drivers.require(URL, "Tarn");
        assertThat(driver.acceptsURL(URL)).isTrue();
        assertThat(driver.getClass().getName()).isEqualTo("TarnDriver");
        assertThatThrownBy(() -> drivers.require("jdbc:fell:high", "Fell")).hasMessageContaining("Fell");
    }

    @Test
    void whatCameWithTheProductNeedsNoFolder() {
        assertThat(Drivers.own().require("jdbc:sqlite::memory:", "SQLite")).isNotNull();
    }

    private void archive(Path jar) throws IOException {
        Path source = folder.resolve("TarnDriver.java");
        Files.writeString(source, """
                public class TarnDriver implements java.sql.Driver {
                    public java.sql.Connection connect(String url, java.util.Properties info) { return null; }
                    public boolean acceptsURL(String url) { return url.startsWith("jdbc:tarn:"); }
                    public java.sql.DriverPropertyInfo[] getPropertyInfo(String url, java.util.Properties info) {
                        return new java.sql.DriverPropertyInfo[0];
                    }
                    public int getMajorVersion() { return 1; }
                    public int getMinorVersion() { return 0; }
                    public boolean jdbcCompliant() { return false; }
                    public java.util.logging.Logger getParentLogger() { return null; }
                }
                """);
        assertThat(ToolProvider.getSystemJavaCompiler().run(null, null, null, source.toString()))
                .isZero();
        try (JarOutputStream out = new JarOutputStream(Files.newOutputStream(jar))) {
            out.putNextEntry(new JarEntry("TarnDriver.class"));
            out.write(Files.readAllBytes(folder.resolve("TarnDriver.class")));
            out.putNextEntry(new JarEntry("META-INF/services/java.sql.Driver"));
            out.write("TarnDriver".getBytes(java.nio.charset.StandardCharsets.UTF_8));
        }
    }
}
