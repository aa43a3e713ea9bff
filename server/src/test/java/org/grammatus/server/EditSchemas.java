package org.grammatus.server;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.media.Schema;
import java.util.List;
import java.util.stream.Stream;
import org.grammatus.core.definition.edit.EditCatalogue;
import org.grammatus.core.definition.edit.EditCatalogue.EditKind;
import org.grammatus.core.definition.edit.EditCatalogue.Property;

/** Describes named edits, by the catalogue that reads them. */
final class EditSchemas {

    private static final String EDIT = "ReportEdit";

    private EditSchemas() {}

    static void describe(OpenAPI description) {
        var schemas = description.getComponents().getSchemas();
        EditCatalogue.all().forEach(kind -> schemas.put(name(kind), schema(kind)));
        schemas.put(
                EDIT,
                new Schema<>()
                        .description("A named edit of a report.")
                        .oneOf(EditCatalogue.all().stream()
                                .map(kind -> new Schema<>().$ref(name(kind)))
                                .map(Schema.class::cast)
                                .toList()));
        property(schemas.get("EditBody"), "edit");
        property(schemas.get("PreviewBody"), "change");
    }

    private static void property(Schema<?> schema, String name) {
        schema.getProperties().put(name, new Schema<>().$ref(EDIT));
    }

    /** {@code add-column} is described as {@code AddColumn}. */
    private static String name(EditKind kind) {
        return kind.type().getSimpleName() + "Edit";
    }

    private static Schema<?> schema(EditKind kind) {
        Schema<Object> schema = typed("object");
        schema.description(kind.does());
        schema.addProperty(EditCatalogue.NAME, words(List.of(kind.name())));
        kind.properties().forEach(property -> schema.addProperty(property.name(), schema(property)));
        schema.setRequired(Stream.concat(
                        Stream.of(EditCatalogue.NAME),
                        kind.properties().stream().filter(Property::required).map(Property::name))
                .toList());
        return schema;
    }

    private static Schema<?> schema(Property property) {
        return switch (property.shape()) {
            case TEXT -> typed("string");
            case YES_NO -> typed("boolean");
            case WORD -> words(property.words());
            case TEXTS -> typed("array").items(typed("string"));
            case DOCUMENT -> property.list() ? typed("array").items(document()) : document();
        };
    }

    /** A part of a definition is described by the definition's own schema, which is published apart. */
    private static Schema<?> document() {
        return new Schema<>().$ref("JsonNode");
    }

    private static Schema<Object> typed(String type) {
        Schema<Object> schema = new Schema<>();
        schema.addType(type);
        return schema;
    }

    private static Schema<?> words(List<String> words) {
        Schema<Object> schema = typed("string");
        schema.setEnum(List.copyOf(words));
        return schema;
    }
}
