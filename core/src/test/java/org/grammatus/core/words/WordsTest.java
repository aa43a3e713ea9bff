package org.grammatus.core.words;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.util.ULocale;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Properties;
import java.util.regex.Pattern;
import org.grammatus.core.Meaning;
import org.grammatus.core.Samples;
import org.grammatus.core.band.Bands;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.page.Page;
import org.grammatus.core.page.Pages;
import org.grammatus.core.prompt.Answers;
import org.grammatus.core.typography.Face;
import org.grammatus.core.typography.Family;
import org.grammatus.core.typography.Weight;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The words of pages in the languages of reports. */
@Meaning(48)
class WordsTest {

    private static final Face REGULAR = Family.BASE.face(Weight.REGULAR);
    private static final Face SEMIBOLD = Family.BASE.face(Weight.SEMIBOLD);

    private static Properties catalogue(String language) throws IOException {
        String name = "words" + (language.isEmpty() ? "" : "_" + language) + ".properties";
        try (InputStream in = Words.class.getResourceAsStream(name)) {
            Properties words = new Properties();
            words.load(new InputStreamReader(in, StandardCharsets.UTF_8));
            return words;
        }
    }

    private static List<String> places(String text) {
        return Pattern.compile("\\{\\d}")
                .matcher(text)
                .results()
                .map(found -> found.group())
                .sorted()
                .toList();
    }

    /** Every catalogue says everything, with the same places, in letters that the faces have. */
    @ParameterizedTest
    @ValueSource(strings = {"de", "fr", "es", "it", "nl", "pl"})
    void aCatalogueIsWhole(String language) throws IOException {
        Properties all = catalogue("");
        Properties own = catalogue(language);
        assertThat(own.stringPropertyNames()).isEqualTo(all.stringPropertyNames());
        for (String key : all.stringPropertyNames()) {
            String text = own.getProperty(key);
            assertThat(places(text)).as(key).isEqualTo(places(all.getProperty(key)));
            assertThat(REGULAR.isPlain(text)).as(key).isTrue();
            assertThat(SEMIBOLD.isPlain(text)).as(key).isTrue();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "de-AT, Summe Lakeside, Gesamtsumme, Seite 1 von 1, '200,50'",
        "fr-FR, Total Lakeside, Total général, Page 1 sur 1, '200,50'",
        "pl-PL, Suma: Lakeside, Suma końcowa, Strona 1 z 1, '200,50'",
        "en-GB, Lakeside total, Grand total, Page 1 of 1, 200.50",
        "sv-SE, Lakeside total, Grand total, Page 1 of 1, '200,50'"
    })
    void aPageSpeaksTheLanguageOfItsReport(String locale, String total, String grand, String page, String figure) {
        Samples rows = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", "Hives", "200.50");
        String report = Samples.REPORT.replace("\"en-GB\"", "\"" + locale + "\"");
        Page first = Pages.of(Bands.of(rows.grouped(Definitions.readReport(report), Answers.NONE)), () -> false)
                .page(1);
        assertThat(first.texts()).contains(total, grand, page, figure);
    }

    /** What is asked and answered, and what narrows a part, is said in the language of the report, too. */
    @ParameterizedTest
    @CsvSource({
        "en-GB, Ordered: 1 January 2026 to 31 March 2026, Only Region is not Upland",
        "en-US, 'Ordered: January 1, 2026 to March 31, 2026', Only Region is not Upland",
        "de-DE, Ordered: 1. Januar 2026 bis 31. März 2026, Nur Region ist nicht Upland",
        "fr-FR, Ordered: 1 janvier 2026 à 31 mars 2026, Seulement Region n’est pas Upland",
        "es-ES, Ordered: 1 de enero de 2026 a 31 de marzo de 2026, Solo Region no es Upland",
        "it-IT, Ordered: 1 gennaio 2026 – 31 marzo 2026, Solo Region non è Upland",
        "nl-NL, Ordered: 1 januari 2026 tot en met 31 maart 2026, Alleen Region is niet Upland",
        "pl-PL, Ordered: 1 stycznia 2026 do 31 marca 2026, Tylko Region to nie Upland"
    })
    void answersAndConditionsAreSaidInTheLanguageOfTheReport(String locale, String answer, String only) {
        Samples rows = new Samples()
                .order("S1", "2026-01-05T10:00", "Lakeside", "5.00")
                .line("S1", "Hives", "200.50");
        String narrowed =
                "\"kind\": \"banded\", \"filters\": [{\"id\": \"f-own\", \"kind\": \"condition\", \"field\": \"region\","
                        + " \"comparison\": \"is-not\", \"values\": [\"Upland\"]}],";
        String report = Samples.REPORT
                .replace("\"en-GB\"", "\"" + locale + "\"")
                .replaceFirst("\"kind\": \"banded\",", narrowed);
        Answers asked = new Answers(Map.of("period", "2026-01-01/2026-03-31"));
        Page first = Pages.of(Bands.of(rows.grouped(Definitions.readReport(report), asked)), () -> false)
                .page(1);
        assertThat(first.texts()).contains(answer, only);
    }

    @Test
    void theMachinesOwnLanguageIsNone() {
        Locale before = Locale.getDefault();
        try {
            Locale.setDefault(Locale.GERMANY);
            assertThat(Words.of(ULocale.forLanguageTag("fi-FI")).grandTotal()).isEqualTo("Grand total");
            assertThat(Words.of(ULocale.forLanguageTag("cs")).yesOrNo(true)).isEqualTo("yes");
        } finally {
            Locale.setDefault(before);
        }
    }
}
