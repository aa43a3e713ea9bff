package org.grammatus.core.definition.document;

import com.networknt.schema.Error;
import java.util.List;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Puts harmless values where a document breaks its schema, so that the rest of it can be read and checked. It follows the subset of
 * JSON Schema that the published schemas use: types, constants, choices, properties, items and references inside the schema.
 */
final class Mending {

    private final JsonNode schema;
    private final JsonNode document;

    private Mending(JsonNode schema, JsonNode document) {
        this.schema = schema;
        this.document = document;
    }

    /** A copy of a document with harmless values for what is wrong; none where it is no object. */
    static Optional<JsonNode> mended(JsonNode document, JsonNode schema, List<Error> errors) {
        if (!document.isObject()) {
            return Optional.empty();
        }
        Mending mending = new Mending(schema, document.deepCopy());
        errors.forEach(mending::mend);
        return Optional.of(mending.document);
    }

    private void mend(Error error) {
        List<String> path = steps(error.getInstanceLocation().toString());
        switch (error.getKeyword()) {
            case "required" ->
                at(path).filter(JsonNode::isObject)
                        .ifPresent(node -> ((ObjectNode) node)
                                .set(
                                        error.getProperty(),
                                        harmless(schemaAt(path)
                                                .path("properties")
                                                .path(error.getProperty()))));
            case "additionalProperties" ->
                at(path).filter(JsonNode::isObject).ifPresent(node -> ((ObjectNode) node).remove(error.getProperty()));
            case "type", "const", "enum" -> replace(path);
            // A text, list or number of the right type but the wrong size or form can be read.
            default -> {}
        }
    }

    private void replace(List<String> path) {
        if (path.isEmpty()) {
            return;
        }
        List<String> above = path.subList(0, path.size() - 1);
        String last = path.getLast();
        JsonNode instead = harmless(schemaAt(path));
        at(above).ifPresent(parent -> {
            if (parent instanceof ObjectNode object) {
                object.set(last, instead);
            } else if (parent instanceof ArrayNode array) {
                array.set(Integer.parseInt(last), instead);
            }
        });
    }

    private Optional<JsonNode> at(List<String> path) {
        JsonNode node = document;
        for (String step : path) {
            node = node.isArray() ? node.path(Integer.parseInt(step)) : node.path(step);
        }
        return node.isMissingNode() ? Optional.empty() : Optional.of(node);
    }

    private JsonNode schemaAt(List<String> path) {
        JsonNode at = resolved(schema);
        for (String step : path) {
            at = resolved(
                    at.has("items") ? at.path("items") : at.path("properties").path(step));
        }
        return at;
    }

    private JsonNode resolved(JsonNode part) {
        JsonNode at = part;
        while (at.has("$ref")) {
            at = schema.at(at.path("$ref").asString().substring(1));
        }
        return at;
    }

    /** A value that a part of the schema allows, but for sizes and forms. */
    private JsonNode harmless(JsonNode unresolved) {
        JsonNode part = resolved(unresolved);
        JsonNodeFactory nodes = JsonNodeFactory.instance;
        if (part.has("const")) {
            return part.path("const");
        }
        if (part.has("enum")) {
            return part.path("enum").path(0);
        }
        return switch (part.path("type").asString("string")) {
            case "integer", "number" -> nodes.numberNode(part.path("minimum").asInt(0));
            case "boolean" -> nodes.booleanNode(false);
            case "array" -> nodes.arrayNode();
            case "object" -> {
                ObjectNode object = nodes.objectNode();
                part.path("required")
                        .forEach(name -> object.set(
                                name.asString(),
                                harmless(part.path("properties").path(name.asString()))));
                yield object;
            }
            default -> nodes.stringNode("");
        };
    }

    private static List<String> steps(String pointer) {
        return pointer.isEmpty()
                ? List.of()
                : List.of(pointer.substring(1).split("/", -1)).stream()
                        .map(step -> step.replace("~1", "/").replace("~0", "~"))
                        .toList();
    }
}
