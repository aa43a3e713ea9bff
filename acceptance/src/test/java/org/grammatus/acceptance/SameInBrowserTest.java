package org.grammatus.acceptance;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.gson.JsonObject;
import com.google.gson.JsonParser;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.grammatus.core.plan.planner.ReaderView;
import org.grammatus.core.value.FoldedText;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** The two rules that the screen applies by itself, since it answers while somebody types or drags, are the server's. */
class SameInBrowserTest {

    @RegisterExtension
    static final Product PRODUCT = new Product();

    private static final Path WEB = Path.of("../web/src");
    private static final Path SCHEMA =
            Path.of("../core/src/main/resources/org/grammatus/core/definition/report.schema.json");

    @Test
    void textsAreFoundWithoutCaseAndAccentsAlike() throws IOException {
        String source = Files.readString(WEB.resolve("shell/folded.ts"));
        String function = source.substring(source.indexOf("function folded"))
                .replace("(text: string): string", "(text)")
                .replace("function folded", "function");
        Page page = PRODUCT.signedIn("author", "/");
        for (String text : new String[] {
            "Åkesson",
            "  Ölmühle ",
            "İzmir",
            "Straße",
            "ΣΊΣΥΦΟΣ",
            "e\u0301te\u0301",
            "Łódź",
            "Æther",
            "ﬁg",
            "日本 ",
            "\u00a0x\u00a0y"
        }) {
            assertThat(page.evaluate("(" + function + ")", text)).as(text).isEqualTo(FoldedText.of(text));
        }
    }

    @Test
    void columnsMayBeAsNarrowAndAsWide() throws IOException {
        assertThat(Files.readString(WEB.resolve("paper/columnWidth.ts")))
                .contains("LEAST_POINTS = " + ReaderView.Width.LEAST + "\n")
                .contains("MOST_POINTS = " + ReaderView.Width.MOST + "\n");
        JsonObject width = JsonParser.parseString(Files.readString(SCHEMA))
                .getAsJsonObject()
                .getAsJsonObject("$defs")
                .getAsJsonObject("column")
                .getAsJsonObject("properties")
                .getAsJsonObject("width");
        assertThat(width.get("minimum").getAsInt()).isEqualTo(ReaderView.Width.LEAST);
        assertThat(width.get("maximum").getAsInt()).isEqualTo(ReaderView.Width.MOST);
    }
}
