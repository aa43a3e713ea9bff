package org.grammatus.core.definition.document;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The changes that lead from one document to another, as a JSON Patch (RFC 6902) of {@code add}, {@code remove} and {@code replace}. */
public final class DocumentPatch {

    private final ArrayNode operations = JsonNodeFactory.instance.arrayNode();

    private DocumentPatch() {}

    /** The patch that makes one document of another; empty where they are alike. */
    public static JsonNode between(JsonNode before, JsonNode after) {
        DocumentPatch patch = new DocumentPatch();
        patch.compare("", before, after);
        return patch.operations;
    }

    private void compare(String pointer, JsonNode before, JsonNode after) {
        if (before.equals(after)) {
            return;
        }
        if (before.isObject() && after.isObject()) {
            objects(pointer, before, after);
        } else if (before.isArray() && after.isArray()) {
            arrays(pointer, before, after);
        } else {
            add("replace", pointer, after);
        }
    }

    private void objects(String pointer, JsonNode before, JsonNode after) {
        before.propertyNames().stream()
                .filter(name -> !after.has(name))
                .forEach(name -> operations.add(operation("remove", pointer + "/" + escaped(name))));
        after.properties().forEach(each -> {
            String inside = pointer + "/" + escaped(each.getKey());
            JsonNode had = before.get(each.getKey());
            if (had == null) {
                add("add", inside, each.getValue());
            } else {
                compare(inside, had, each.getValue());
            }
        });
    }

    /** What both begin and end with stays; of what lies between, items are compared as long as both have some. */
    private void arrays(String pointer, JsonNode before, JsonNode after) {
        int start = 0;
        while (start < Math.min(before.size(), after.size())
                && before.get(start).equals(after.get(start))) {
            start++;
        }
        int end = 0;
        while (end < Math.min(before.size(), after.size()) - start
                && before.get(before.size() - 1 - end).equals(after.get(after.size() - 1 - end))) {
            end++;
        }
        int both = Math.min(before.size(), after.size()) - start - end;
        for (int i = start; i < start + both; i++) {
            compare(pointer + "/" + i, before.get(i), after.get(i));
        }
        for (int i = before.size() - end - 1; i >= start + both; i--) {
            operations.add(operation("remove", pointer + "/" + i));
        }
        for (int i = start + both; i < after.size() - end; i++) {
            add("add", pointer + "/" + i, after.get(i));
        }
    }

    private void add(String operation, String pointer, JsonNode value) {
        operations.add(operation(operation, pointer).set("value", value));
    }

    private static ObjectNode operation(String operation, String pointer) {
        return JsonNodeFactory.instance.objectNode().put("op", operation).put("path", pointer);
    }

    /** A property's name as a step of a pointer (RFC 6901). */
    private static String escaped(String name) {
        return name.replace("~", "~0").replace("/", "~1");
    }

    /**
     * A document with a patch made to it.
     *
     * @throws IllegalArgumentException if the patch is of another document
     */
    public static JsonNode applied(JsonNode document, JsonNode patch) {
        JsonNode root = document.deepCopy();
        for (JsonNode operation : patch) {
            String path = operation.path("path").asString();
            JsonNode value = operation.get("value");
            if (path.isEmpty()) {
                root = value;
                continue;
            }
            List<String> steps = steps(path);
            JsonNode parent = root;
            for (String step : steps.subList(0, steps.size() - 1)) {
                parent = parent.isArray() ? parent.path(Integer.parseInt(step)) : parent.path(step);
            }
            change(parent, steps.getLast(), operation.path("op").asString(), value);
        }
        return root;
    }

    private static List<String> steps(String path) {
        List<String> steps = new ArrayList<>();
        for (String step : path.substring(1).split("/", -1)) {
            steps.add(step.replace("~1", "/").replace("~0", "~"));
        }
        return steps;
    }

    private static void change(JsonNode parent, String step, String operation, JsonNode value) {
        switch (parent) {
            case ObjectNode object when operation.equals("remove") -> object.remove(step);
            case ObjectNode object -> object.set(step, value);
            case ArrayNode array when operation.equals("remove") -> array.remove(Integer.parseInt(step));
            case ArrayNode array when operation.equals("add") -> array.insert(Integer.parseInt(step), value);
            case ArrayNode array -> array.set(Integer.parseInt(step), value);
            default -> throw new IllegalArgumentException("The patch is of another document: there is no " + step);
        }
    }
}
