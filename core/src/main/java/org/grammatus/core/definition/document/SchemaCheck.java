package org.grammatus.core.definition.document;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SchemaRegistryConfig;
import com.networknt.schema.SpecificationVersion;
import com.networknt.schema.regex.RegularExpression;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.Suggestion;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Checks a document against a JSON Schema and words each fault: what was found, what was expected. Thread-safe. */
final class SchemaCheck {

    private static final int LONGEST_QUOTE = 60;

    private final Schema schema;
    private final JsonNode text;

    SchemaCheck(String schemaText) {
        this.text = JsonMapper.shared().readTree(schemaText);
        this.schema = SchemaRegistry.withDefaultDialect(
                        SpecificationVersion.DRAFT_2020_12,
                        builder -> builder.schemaRegistryConfig(SchemaRegistryConfig.builder()
                                .regularExpressionFactory(SchemaCheck::wholeText)
                                .build()))
                .getSchema(schemaText);
    }

    /** A pattern as ECMA-262 has it, in which the dollar sign is the very end; in Java's it stands before a last line break, too. */
    private static RegularExpression wholeText(String pattern) {
        Pattern compiled =
                Pattern.compile(pattern.endsWith("$") ? pattern.substring(0, pattern.length() - 1) + "\\z" : pattern);
        return text -> compiled.matcher(text).find();
    }

    /** Every fault, in the order of the document's pointers, and the document with harmless values in their places. */
    Checked<JsonNode> check(JsonNode document) {
        List<Error> errors = schema.validate(document);
        List<Problem> problems = errors.stream()
                .map(SchemaCheck::problem)
                .sorted(Comparator.comparing(Problem::pointer))
                .toList();
        return new Checked<>(
                errors.isEmpty() ? Optional.of(document) : Mending.mended(document, text, errors),
                problems,
                errors.stream().map(SchemaCheck::place).collect(Collectors.toSet()));
    }

    /** The pointer to what is wrong; of a missing property, to where it should be. */
    private static String place(Error error) {
        String pointer = error.getInstanceLocation().toString();
        return switch (error.getKeyword()) {
            case "required", "additionalProperties" -> pointer + "/" + escape(error.getProperty());
            default -> pointer;
        };
    }

    private static Problem problem(Error error) {
        String pointer = error.getInstanceLocation().toString();
        JsonNode found = error.getInstanceNode();
        JsonNode rule = error.getSchemaNode();
        return switch (error.getKeyword()) {
            case "required" -> Problem.error(pointer, "property \"" + error.getProperty() + "\" is missing");
            case "additionalProperties" -> unknownProperty(pointer, error);
            case "type" -> Problem.error(pointer, "found " + quote(found) + ", expected " + article(rule.asString()));
            case "const" -> Problem.error(pointer, "found " + quote(found) + ", expected " + rule);
            case "enum" ->
                Problem.error(
                        pointer,
                        "found " + quote(found) + ", expected one of " + words(rule)
                                + (found.isString() ? Suggestion.inWords(found.asString(), texts(rule)) : ""));
            case "pattern" -> Problem.error(pointer, "found " + quote(found) + ", expected " + pattern(error));
            case "maxLength" ->
                Problem.error(
                        pointer,
                        "found a text of " + found.asString().length() + " characters, expected at most "
                                + rule.asInt());
            case "minLength" ->
                Problem.error(pointer, "found an empty text, expected at least " + rule.asInt() + " character");
            case "maxItems" ->
                Problem.error(pointer, "found a list of " + found.size() + ", expected at most " + rule.asInt());
            case "minItems" ->
                Problem.error(pointer, "found a list of " + found.size() + ", expected at least " + rule.asInt());
            case "minimum" -> Problem.error(pointer, "found " + quote(found) + ", expected at least " + rule.asInt());
            case "maximum" -> Problem.error(pointer, "found " + quote(found) + ", expected at most " + rule.asInt());
            default -> Problem.error(pointer, error.getMessage());
        };
    }

    private static Problem unknownProperty(String pointer, Error error) {
        // The rule that was broken stands beside the list of known properties, one step up in the schema.
        String property = error.getProperty();
        return Problem.error(pointer + "/" + escape(property), "unknown property \"" + property + "\"");
    }

    private static String pattern(Error error) {
        return "a text of the form " + error.getSchemaNode().asString();
    }

    private static String article(String jsonType) {
        return switch (jsonType) {
            case "object" -> "an object";
            case "array" -> "a list";
            case "string" -> "a text";
            case "integer" -> "a whole number";
            case "boolean" -> "true or false";
            default -> jsonType;
        };
    }

    private static String quote(JsonNode node) {
        if (node.isObject()) {
            return "an object";
        }
        if (node.isArray()) {
            return "a list";
        }
        String text = node.toString();
        return text.length() > LONGEST_QUOTE ? text.substring(0, LONGEST_QUOTE) + "…" : text;
    }

    private static List<String> texts(JsonNode list) {
        List<String> texts = new ArrayList<>();
        list.forEach(item -> texts.add(item.asString()));
        return texts;
    }

    private static String words(JsonNode list) {
        return String.join(", ", texts(list));
    }

    private static String escape(String property) {
        return property.replace("~", "~0").replace("/", "~1");
    }
}
