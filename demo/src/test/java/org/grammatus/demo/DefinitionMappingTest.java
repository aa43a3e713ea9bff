package org.grammatus.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.grammatus.core.definition.DefinitionMapping;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A mapping reaches every text of a document that it is about, and nothing else. */
class DefinitionMappingTest {

    private static final JsonMapper JSON = JsonMapper.shared();

    /** Where texts of each sort stand, by the list that a part is in and its property. */
    private static final Map<String, String> SORTS = Map.ofEntries(
            Map.entry("filters where", "expression"),
            Map.entry("conditions by", "expression"),
            Map.entry("conditions prompt", "prompt"),
            Map.entry("filters field", "field"),
            Map.entry("filters prompt", "prompt"),
            Map.entry("filters other", "field"),
            Map.entry("filters counted", "field"),
            Map.entry("keys field", "field"),
            Map.entry("keys of", "field"),
            Map.entry("prompts appears", "expression"),
            Map.entry("checks that", "expression"),
            Map.entry("columns appears", "expression"),
            Map.entry("levels appears", "expression"),
            Map.entry("blocks appears", "expression"),
            Map.entry("prompts field", "field"),
            Map.entry("prompts name", "prompt"),
            Map.entry("levels key", "expression"),
            Map.entry("levels label", "expression"),
            Map.entry("levels having", "expression"),
            Map.entry("levels headerText", "template"),
            Map.entry("levels footerText", "template"),
            Map.entry("order by", "expression"),
            Map.entry("limit by", "expression"),
            Map.entry("columns value", "expression"),
            Map.entry("columns once", "part"),
            Map.entry("totals value", "expression"),
            Map.entry("totals column", "part"),
            Map.entry("compare plan", "expression"),
            Map.entry("compare date", "field"),
            Map.entry("cells at", "part"),
            Map.entry("blocks block", "part"),
            Map.entry("fields id", "field"),
            Map.entry("also field", "field"),
            Map.entry("blocks note", "template"),
            Map.entry("blocks totalText", "template"),
            Map.entry("figures value", "expression"),
            Map.entry("paragraphs text", "template"),
            Map.entry("highlights when", "expression"));

    private static final DefinitionMapping MARKING = new DefinitionMapping() {
        @Override
        public String expression(String text) {
            return "expression!" + text;
        }

        @Override
        public String template(String text) {
            return "template!" + text;
        }

        @Override
        public String field(String id) {
            return "field!" + id;
        }

        @Override
        public String part(String id) {
            return "part!" + id;
        }

        @Override
        public String prompt(String name) {
            return "prompt!" + name;
        }
    };

    static List<String> starters() {
        return Starters.reportIds();
    }

    @ParameterizedTest
    @MethodSource("starters")
    void everyTextIsMappedByItsSort(String id) {
        Report report = Starters.report(id).orElseThrow();
        Set<String> wrong = new TreeSet<>();
        compare(
                JSON.readTree(Definitions.write(report)),
                JSON.readTree(Definitions.write(report.mapped(MARKING))),
                "",
                wrong);
        assertThat(wrong).isEmpty();
        assertThat(report.mapped(new DefinitionMapping() {})).isEqualTo(report);
    }

    /** @param inside the list or property that a part stands in */
    private static void compare(JsonNode before, JsonNode after, String inside, Set<String> wrong) {
        assertThat(after.size()).isEqualTo(before.size());
        if (before.isArray()) {
            for (int i = 0; i < before.size(); i++) {
                compare(before.path(i), after.path(i), inside, wrong);
            }
            return;
        }
        for (String name : before.propertyNames()) {
            JsonNode value = before.path(name);
            if (value.isContainer()) {
                compare(value, after.path(name), name, wrong);
            } else if (value.isString()) {
                boolean part = name.equals("id") && !inside.isEmpty() && !inside.equals("fields");
                String sort = part ? "part" : SORTS.getOrDefault(inside + " " + name, "");
                boolean same = sort.isEmpty() || value.asString().equals("report");
                String expected = same ? value.asString() : sort + "!" + value.asString();
                if (!after.path(name).asString().equals(expected)) {
                    wrong.add(inside + " " + name + ": " + after.path(name).asString());
                }
            }
        }
    }
}
