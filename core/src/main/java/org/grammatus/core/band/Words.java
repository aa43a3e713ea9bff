package org.grammatus.core.band;

import com.ibm.icu.util.ULocale;
import java.util.Map;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;
import org.grammatus.core.plan.ColumnPlan;

/**
 * The words that the program itself puts on pages, in the language of a report: a catalogue each for English, German, French, Spanish,
 * Italian, Dutch and Polish. A report in any other language has the English ones. Thread-safe.
 */
public final class Words {

    /** Stands where a key figure has no value. */
    public static final String NO_FIGURE = "–";

    private static final Map<String, Words> BY_LANGUAGE = new ConcurrentHashMap<>();

    private final ResourceBundle catalogue;

    private Words(ResourceBundle catalogue) {
        this.catalogue = catalogue;
    }

    /** The words of a locale's language. */
    public static Words of(ULocale locale) {
        return BY_LANGUAGE.computeIfAbsent(
                locale.getLanguage(),
                language -> new Words(ResourceBundle.getBundle(
                        "org.grammatus.core.band.words",
                        ULocale.forLanguageTag(language).toLocale(),
                        // Never the machine's own language.
                        ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES))));
    }

    private String text(String key, String... values) {
        String text = catalogue.getString(key);
        for (int i = 0; i < values.length; i++) {
            text = text.replace("{" + i + "}", Isolated.of(values[i]));
        }
        return text;
    }

    /** What a group without a key is called. */
    public String none() {
        return text("none");
    }

    public String yesOrNo(boolean yes) {
        return text(yes ? "yes" : "no");
    }

    public String grandTotal() {
        return text("grand-total");
    }

    /** Stands across the pages of a report that is not offered to others yet. */
    public String draft() {
        return text("draft");
    }

    public String total(String group) {
        return text("total", group);
    }

    /** What the heading of a group says where it goes on after a break. */
    public String continued(String heading) {
        return text("continued", heading);
    }

    public String carriedForward() {
        return text("carried-forward");
    }

    public String broughtForward() {
        return text("brought-forward");
    }

    public String notCompared() {
        return text("not-compared");
    }

    public String noRows() {
        return text("no-rows");
    }

    /**
     * Where a figure has gone.
     *
     * @param key {@code unchanged}, {@code better}, {@code worse}, {@code more} or {@code less}
     */
    String direction(String key) {
        return text(key);
    }

    /** What stands in the place of a block that cannot be printed. */
    public String refused(String why) {
        return text("refused", why);
    }

    /** What a report says of groups that it does not show. */
    public String notShown(String level, String groups, String of, boolean covered) {
        return text(covered ? "left-out-covered" : "left-out", level, groups, of);
    }

    /** What a column is called, with what its figures are counted in. */
    public String heading(ColumnPlan column) {
        return column.unit()
                .map(unit -> switch (unit) {
                    case THOUSANDS -> text("thousands", column.label());
                    case MILLIONS -> text("millions", column.label());
                })
                .orElse(column.label())
                .strip();
    }

    /** What stands for the groups that are not shown by themselves. */
    public String others(String count) {
        return text("others", count);
    }

    /** What stands for the rows of a group that are not printed: "12 other lines". */
    public String otherRows(String count, String noun) {
        return text("other-rows", count, noun);
    }

    public String page(int number, int of) {
        return text("page", Integer.toString(number), Integer.toString(of));
    }

    /** What stands below every page unless the report says otherwise. */
    public String source(String datasets, String businessDate) {
        return text("source", datasets, businessDate);
    }
}
