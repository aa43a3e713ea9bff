package org.grammatus.core.definition.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.grammatus.core.definition.edit.EditCatalogue;
import org.grammatus.core.definition.edit.EditCatalogue.EditKind;
import org.grammatus.core.definition.edit.EditCatalogue.Property;
import org.grammatus.core.problem.Problem;
import org.grammatus.core.problem.ProblemException;
import tools.jackson.databind.JsonNode;

/** Checks a named edit against the properties that its kind has. */
final class EditCheck {

    private EditCheck() {}

    /**
     * What an edit is.
     *
     * @throws ProblemException with everything that is wrong with it
     */
    static EditKind kindOf(JsonNode document) {
        String name = document.path(EditCatalogue.NAME).asString("");
        EditKind kind = EditCatalogue.find(name)
                .orElseThrow(() -> new ProblemException(Problem.error(
                        "/" + EditCatalogue.NAME,
                        "there is no edit \"" + name + "\"; there are "
                                + EditCatalogue.all().stream()
                                        .map(EditKind::name)
                                        .collect(Collectors.joining(", ")))));
        List<Problem> faults = new ArrayList<>();
        kind.properties().forEach(property -> fault(property, document).ifPresent(faults::add));
        document.propertyNames().stream()
                .filter(found -> !found.equals(EditCatalogue.NAME)
                        && kind.properties().stream()
                                .noneMatch(property -> property.name().equals(found)))
                .forEach(found -> faults.add(Problem.error(
                        "/" + found,
                        name + " has no property \"" + found + "\"; it has "
                                + kind.properties().stream().map(Property::name).collect(Collectors.joining(", ")))));
        if (!faults.isEmpty()) {
            throw new ProblemException(faults);
        }
        return kind;
    }

    private static Optional<Problem> fault(Property property, JsonNode document) {
        JsonNode value = document.path(property.name());
        if (value.isMissingNode() || value.isNull()) {
            return property.required()
                    ? Optional.of(Problem.error("/" + property.name(), "is missing"))
                    : Optional.empty();
        }
        return fits(property, value)
                ? Optional.empty()
                : Optional.of(Problem.error("/" + property.name(), "must be " + wanted(property)));
    }

    private static boolean fits(Property property, JsonNode value) {
        return switch (property.shape()) {
            case TEXT -> value.isString();
            case YES_NO -> value.isBoolean();
            case WORD -> value.isString() && property.words().contains(value.asString());
            case TEXTS -> value.isArray() && value.valueStream().allMatch(JsonNode::isString);
            case DOCUMENT ->
                property.list()
                        ? value.isArray() && value.valueStream().allMatch(JsonNode::isObject)
                        : value.isObject();
        };
    }

    private static String wanted(Property property) {
        return switch (property.shape()) {
            case TEXT -> "a text";
            case YES_NO -> "true or false";
            case WORD -> "one of " + String.join(", ", property.words());
            case TEXTS -> "a list of texts";
            case DOCUMENT -> property.list() ? "a list of parts of a definition" : "a part of a definition";
        };
    }
}
