package org.grammatus.core.definition.document;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problems;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Which properties the kinds of filters, prompts and comparisons need and which say nothing there. A schema says what a property may be;
 * this says for whom it is.
 */
final class KindRules {

    /**
     * A kind of a part.
     *
     * @param needs its properties by name, each with a harmless value for where it is missing
     * @param by what needs them, in words
     * @param unused the properties of other kinds, each with why it says nothing here
     */
    private record Rule(Map<String, ?> needs, String by, Map<String, String> unused) {}

    /** Harmless values of what is no text. */
    private static final JsonNode LIST = JsonNodeFactory.instance.arrayNode();

    private static final JsonNode ONE = JsonNodeFactory.instance.numberNode(1);

    private static final JsonNode NO_ROWS =
            JsonNodeFactory.instance.objectNode().put("shown", false).set("order", LIST);

    private static final Rule WITH_TIME = new Rule(
            Map.of("date", ""),
            "a comparison with another time",
            Map.of("plan", "a comparison with another time has no plan", "prompt", "the other time is not asked for"));

    /** What each kind of filter has; the others have none of it. */
    private static final Map<String, Set<String>> OF_FILTERS = Map.of(
            "period", Set.of("field", "prompt", "also"),
            "condition", Set.of("field", "comparison", "values", "other", "ignoreCase", "prompt", "also"),
            "expression", Set.of("where"),
            "several", Set.of("filters"),
            "top", Set.of("field", "end", "count", "also"),
            "related", Set.of("dataset", "keys", "least", "counted", "filters"));

    private static final Map<String, Rule> FILTERS = Map.of(
            "period",
            filter("period", "a period filter", Map.of("field", "", "prompt", "")),
            "condition",
            filter("condition", "a condition", Map.of("field", "", "comparison", "is")),
            "expression",
            filter("expression", "an expression filter", Map.of("where", "")),
            "all",
            filter("several", "a group of filters", Map.of("filters", LIST)),
            "any",
            filter("several", "a group of filters", Map.of("filters", LIST)),
            "none",
            filter("several", "a group of filters", Map.of("filters", LIST)),
            "top",
            filter("top", "a filter of the first rows", Map.of("field", "", "end", "largest", "count", ONE)),
            "has",
            filter("related", "a filter by another dataset", Map.of("dataset", "", "keys", LIST)),
            "has-none",
            filter("related", "a filter by another dataset", Map.of("dataset", "", "keys", LIST)));

    private static Rule filter(String kind, String words, Map<String, ?> needs) {
        Map<String, String> unused = new HashMap<>();
        OF_FILTERS.values().stream()
                .flatMap(Set::stream)
                .filter(name -> !OF_FILTERS.get(kind).contains(name))
                .forEach(name -> unused.put(name, words + " has no \"" + name + "\""));
        return new Rule(needs, words, Map.copyOf(unused));
    }

    private static final String NO_LIMITS = "only numbers and days have limits";
    private static final String NO_FIELD = "only a choice or a day has a field";
    private static final String NO_PATTERN = "only a text has a pattern";

    private static final String NO_CHOICE = "only a choice offers something in an order";

    private static final Map<String, String> NOT_A_CHOICE = Map.of("listed", NO_CHOICE, "order", NO_CHOICE);
    private static final Map<String, String> UNLIMITED = Map.of("least", NO_LIMITS, "most", NO_LIMITS);
    private static final Map<String, String> WITHOUT_FIELD = Map.of("field", NO_FIELD);
    private static final Map<String, String> WITHOUT_PATTERN = Map.of("pattern", NO_PATTERN);

    private static final Rule OF_CHOICE = without(UNLIMITED, WITHOUT_PATTERN);
    private static final Rule OF_DAYS = without(NOT_A_CHOICE, WITHOUT_PATTERN);
    private static final Rule OF_NUMBER = without(NOT_A_CHOICE, WITHOUT_FIELD, WITHOUT_PATTERN);
    private static final Rule OF_TEXT = without(NOT_A_CHOICE, WITHOUT_FIELD, UNLIMITED);
    private static final Rule OF_ENDS = without(NOT_A_CHOICE, WITHOUT_FIELD, UNLIMITED, WITHOUT_PATTERN);

    private static final Map<String, Rule> PROMPTS = Map.of(
            "period", OF_ENDS,
            "choice", OF_CHOICE,
            "choices", OF_CHOICE,
            "text", OF_TEXT,
            "whole-number", OF_NUMBER,
            "decimal", OF_NUMBER,
            "date", OF_DAYS,
            "yes-no", OF_ENDS,
            "number-range", OF_ENDS,
            "text-range", OF_ENDS);

    private static final Rule TABLE = new Rule(
            Map.of(
                    "levels",
                    LIST,
                    "columns",
                    LIST,
                    "totals",
                    LIST,
                    "counts",
                    LIST,
                    "highlights",
                    LIST,
                    "rows",
                    NO_ROWS),
            "a table",
            Map.of("figures", "a table has columns and totals", "paragraphs", "a table has columns and totals"));

    private static final Rule FIGURES =
            new Rule(Map.of("figures", LIST), "a block of key figures", ofTables("key figures", "paragraphs"));

    private static final Rule TEXT =
            new Rule(Map.of("paragraphs", LIST), "a text", ofTables("paragraphs", "figures", "fields", "highlights"));

    private static final Map<String, Rule> BLOCKS =
            Map.of("table", TABLE, "banded", TABLE, "figures", FIGURES, "text", TEXT);

    private static final Map<String, Rule> PARAGRAPHS = Map.of(
            "words",
            new Rule(
                    Map.of("text", ""), "a paragraph of words", Map.of("lines", "words take the lines that they need")),
            "signature",
            new Rule(
                    Map.of("text", ""),
                    "a line to sign on",
                    Map.of("size", "a line to sign on has one size", "lines", "a line to sign on is one")),
            "lines",
            new Rule(
                    Map.of(),
                    "lines to write on",
                    Map.of(
                            "text", "lines to write on are empty",
                            "size", "lines to write on have one size",
                            "align", "lines to write on take the whole width")));

    /** A kind that needs nothing of its own. */
    @SafeVarargs
    private static Rule without(Map<String, String>... unused) {
        Map<String, String> all = new HashMap<>();
        Stream.of(unused).forEach(all::putAll);
        return new Rule(Map.of(), "", Map.copyOf(all));
    }

    /** What only tables have, and some more, said of a kind that is made of something else. */
    private static Map<String, String> ofTables(String instead, String... more) {
        return Stream.concat(
                        Stream.of(
                                "levels",
                                "columns",
                                "totals",
                                "totalText",
                                "totalsCover",
                                "rounding",
                                "counts",
                                "rows",
                                "layout"),
                        Stream.of(more))
                .collect(Collectors.toMap(name -> name, name -> "this block is made of " + instead));
    }

    private static final Map<String, Rule> COMPARISONS = Map.of(
            "plan",
            new Rule(
                    Map.of("plan", ""),
                    "a comparison with a plan",
                    Map.of(
                            "date", "a plan is of the same time",
                            "cut", "a plan is of the same time",
                            "prompt", "a plan is of the same time")),
            "period",
            new Rule(
                    Map.of("date", "", "prompt", ""),
                    "a comparison with days that are asked for",
                    Map.of("plan", "it has no plan", "cut", "the days are those that are asked for")),
            "last-year",
            WITH_TIME,
            "previous-period",
            WITH_TIME);

    private final Problems problems = new Problems();

    private KindRules() {}

    /**
     * Checks a report.
     *
     * @param checked follows the schema once it is mended; what is wrong is mended there, too
     */
    static Checked<JsonNode> check(Checked<JsonNode> checked) {
        KindRules rules = new KindRules();
        checked.document().ifPresent(rules::report);
        return checked.with(rules.problems.found());
    }

    private void report(JsonNode report) {
        each(report.path("prompts"), "/prompts", "type", PROMPTS);
        filters(report.path("filters"), "/filters");
        JsonNode blocks = report.path("blocks");
        for (int i = 0; i < blocks.size(); i++) {
            block("/blocks/" + i, (ObjectNode) blocks.path(i));
        }
    }

    private void block(String pointer, ObjectNode block) {
        part(block, pointer, BLOCKS.get(block.path("kind").asString()));
        filters(block.path("filters"), pointer + "/filters");
        each(block.path("paragraphs"), pointer + "/paragraphs", "kind", PARAGRAPHS);
        comparisons(block.path("totals"), pointer + "/totals");
        comparisons(block.path("figures"), pointer + "/figures");
    }

    /** Filters, and those that they are made of. */
    private void filters(JsonNode filters, String pointer) {
        each(filters, pointer, "kind", FILTERS);
        for (int i = 0; i < filters.size(); i++) {
            filters(filters.path(i).path("filters"), pointer + "/" + i + "/filters");
        }
    }

    private void comparisons(JsonNode parts, String pointer) {
        for (int i = 0; i < parts.size(); i++) {
            if (parts.path(i).path("compare") instanceof ObjectNode compare) {
                part(
                        compare,
                        pointer + "/" + i + "/compare",
                        COMPARISONS.get(compare.path("with").asString()));
            }
        }
    }

    private void each(JsonNode parts, String pointer, String kind, Map<String, Rule> rules) {
        for (int i = 0; i < parts.size(); i++) {
            part(
                    (ObjectNode) parts.path(i),
                    pointer + "/" + i,
                    rules.get(parts.path(i).path(kind).asString()));
        }
    }

    private void part(ObjectNode part, String pointer, Rule rule) {
        for (String name : List.copyOf(part.propertyNames())) {
            if (rule.unused.containsKey(name)) {
                problems.add(Problem.error(pointer + "/" + name, rule.unused.get(name) + "; remove this property"));
                part.remove(name);
            }
        }
        for (String name : new TreeSet<>(rule.needs.keySet())) {
            if (!part.has(name)) {
                problems.add(Problem.error(pointer, "property \"" + name + "\" is missing: " + rule.by + " needs it"));
                part.set(
                        name,
                        switch (rule.needs.get(name)) {
                            case JsonNode node -> node.deepCopy();
                            case Object text -> JsonNodeFactory.instance.stringNode(text.toString());
                        });
            }
        }
    }
}
