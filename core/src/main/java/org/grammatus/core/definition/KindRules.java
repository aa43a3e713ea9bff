package org.grammatus.core.definition;

import java.util.List;
import java.util.Map;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Problems;
import tools.jackson.databind.JsonNode;
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
    private record Rule(Map<String, String> needs, String by, Map<String, String> unused) {}

    private static final Rule NO_FIELD = new Rule(Map.of(), "", Map.of("field", "only a choice has a field"));

    private static final Rule WITH_TIME = new Rule(
            Map.of("date", ""),
            "a comparison with another time",
            Map.of("plan", "a comparison with another time has no plan"));

    private static final Map<String, Rule> FILTERS = Map.of(
            "period",
            new Rule(
                    Map.of("field", "", "prompt", ""),
                    "a period filter",
                    Map.of(
                            "where", "a period filter has no condition of its own",
                            "comparison", "a period filter compares with its prompt",
                            "values", "a period filter compares with its prompt")),
            "condition",
            new Rule(
                    Map.of("field", "", "comparison", "is"),
                    "a condition",
                    Map.of("where", "a condition is made of a field and values")),
            "expression",
            new Rule(
                    Map.of("where", ""),
                    "an expression filter",
                    Map.of(
                            "field", "an expression filter has no field of its own",
                            "prompt", "an expression filter names prompts in its condition",
                            "comparison", "an expression filter compares in its condition",
                            "values", "an expression filter names values in its condition")));

    private static final Map<String, Rule> PROMPTS =
            Map.of("period", NO_FIELD, "choice", new Rule(Map.of("field", ""), "a choice", Map.of()));

    private static final Map<String, Rule> COMPARISONS = Map.of(
            "plan",
            new Rule(
                    Map.of("plan", ""),
                    "a comparison with a plan",
                    Map.of("date", "a plan is of the same time", "cut", "a plan is of the same time")),
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
        each(report.path("filters"), "/filters", "kind", FILTERS);
        JsonNode blocks = report.path("blocks");
        for (int i = 0; i < blocks.size(); i++) {
            each(blocks.path(i).path("filters"), "/blocks/" + i + "/filters", "kind", FILTERS);
            JsonNode totals = blocks.path(i).path("totals");
            for (int j = 0; j < totals.size(); j++) {
                String at = "/blocks/" + i + "/totals/" + j + "/compare";
                if (totals.path(j).path("compare") instanceof ObjectNode compare) {
                    part(compare, at, COMPARISONS.get(compare.path("with").asString()));
                }
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
        for (String name : List.of("field", "prompt", "comparison", "where", "plan", "date")) {
            if (rule.needs.containsKey(name) && !part.has(name)) {
                problems.add(Problem.error(pointer, "property \"" + name + "\" is missing: " + rule.by + " needs it"));
                part.put(name, rule.needs.get(name));
            }
        }
    }
}
