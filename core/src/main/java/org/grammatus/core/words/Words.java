package org.grammatus.core.words;

import com.ibm.icu.util.ULocale;
import java.util.Map;
import java.util.Optional;
import java.util.ResourceBundle;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.grammatus.core.choice.FigureUnit;

/**
 * The words that the program itself puts on pages, in the language of a report: a catalogue each for English, German, French, Spanish,
 * Italian, Dutch and Polish. A report in any other language has the English ones. Thread-safe.
 */
public final class Words {

    /** Stands where a key figure has no value. */
    public static final String NO_FIGURE = "–";

    private static final Map<String, Words> BY_LANGUAGE = new ConcurrentHashMap<>();

    /** Where a value stands in a text. */
    private static final Pattern PLACE = Pattern.compile("\\{(\\d)}");

    private final ResourceBundle catalogue;

    private Words(ResourceBundle catalogue) {
        this.catalogue = catalogue;
    }

    /** The words of a locale's language. */
    public static Words of(ULocale locale) {
        return BY_LANGUAGE.computeIfAbsent(
                locale.getLanguage(),
                language -> new Words(ResourceBundle.getBundle(
                        "org.grammatus.core.words.words",
                        ULocale.forLanguageTag(language).toLocale(),
                        // Never the machine's own language.
                        ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_PROPERTIES))));
    }

    private String text(String key, String... values) {
        return PLACE.matcher(catalogue.getString(key))
                .replaceAll(found -> Matcher.quoteReplacement(Isolated.of(values[Integer.parseInt(found.group(1))])));
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
    public String direction(String key) {
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
    public String heading(String label, Optional<FigureUnit> counted) {
        return counted.map(unit -> switch (unit) {
                    case THOUSANDS -> text("thousands", label);
                    case MILLIONS -> text("millions", label);
                })
                .orElse(label)
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

    /** An answer that leaves nothing out. */
    public String all() {
        return text("all");
    }

    public String allDates() {
        return text("all-dates");
    }

    /** The ends of a span as it is said; empty where it is open. */
    public String span(String from, String to) {
        if (from.equals(to)) {
            return from;
        }
        return to.isEmpty() ? text("from", from) : from.isEmpty() ? text("up-to", to) : text("from-to", from, to);
    }

    public String allBut(String values) {
        return text("all-but", values);
    }

    /** Values that are said, and how many there are besides. */
    public String andMore(String values, int more) {
        return text("and-more", values, Integer.toString(more));
    }

    /**
     * What a figure is compared with.
     *
     * @param key {@code plan}, {@code year}, {@code before}
     * @param cut whether up to the same day only
     */
    public String compared(String key, boolean cut) {
        return text("compared-" + key + (cut ? "-cut" : ""));
    }

    /** What narrows what is printed. */
    public String only(String what) {
        return text("only", what);
    }

    /** What of the report does not narrow a block of it. */
    public String notNarrowedBy(String what) {
        return text("not-narrowed", what);
    }

    /** The group of a level that has no key. */
    public String withoutValue(String level) {
        return text("without-value", level);
    }

    public String markedOnly() {
        return text("marked-only");
    }

    /**
     * A part of what a filter keeps.
     *
     * @param key of the catalogue, without what all keys of filters begin with
     */
    public String filter(String key, String... values) {
        return text("filter." + key, values);
    }
}
