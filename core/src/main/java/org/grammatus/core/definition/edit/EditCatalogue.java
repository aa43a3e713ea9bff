package org.grammatus.core.definition.edit;

import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.grammatus.core.choice.ChoiceWord;
import org.grammatus.core.definition.ReportField;

/** Every named edit with its properties, as documents, scripts and the HTTP interface write them. */
public final class EditCatalogue {

    /** The property that has an edit's name. */
    public static final String NAME = "edit";

    private static final List<EditKind> KINDS = leaves(ReportEdit.class)
            .map(EditCatalogue::kind)
            .sorted(Comparator.comparing(EditKind::name))
            .toList();

    private EditCatalogue() {}

    /** What the value of a property is. */
    public enum Shape {
        TEXT,
        YES_NO,
        /** One of some words. */
        WORD,
        TEXTS,
        /** A part of a definition, or several, as the definition's schema describes it. */
        DOCUMENT
    }

    /**
     * A property of an edit.
     *
     * @param words what it may be, where it is one of some words
     * @param schema of a part of a definition, its name in the published schema of reports
     * @param list whether it is a list of such parts
     */
    public record Property(
            String name, Shape shape, boolean required, List<String> words, Optional<String> schema, boolean list) {}

    /**
     * A named edit.
     *
     * @param does what it does, in one sentence
     */
    public record EditKind(String name, String does, List<Property> properties, Class<? extends ReportEdit> type) {}

    /** All of them, by name. */
    public static List<EditKind> all() {
        return KINDS;
    }

    public static Optional<EditKind> find(String name) {
        return KINDS.stream().filter(kind -> kind.name().equals(name)).findFirst();
    }

    /** The name of an edit. */
    public static String nameOf(ReportEdit edit) {
        return edit.getClass().getAnnotation(NamedEdit.class).value();
    }

    private static Stream<Class<?>> leaves(Class<?> type) {
        return type.isSealed()
                ? Arrays.stream(type.getPermittedSubclasses()).flatMap(EditCatalogue::leaves)
                : Stream.of(type);
    }

    private static EditKind kind(Class<?> type) {
        NamedEdit named = type.getAnnotation(NamedEdit.class);
        return new EditKind(
                named.value(),
                named.does(),
                Arrays.stream(type.getRecordComponents())
                        .map(EditCatalogue::property)
                        .toList(),
                type.asSubclass(ReportEdit.class));
    }

    private static Property property(RecordComponent component) {
        boolean optional = component.getType() == Optional.class;
        Type type = optional ? argument(component.getGenericType()) : component.getGenericType();
        boolean list = type instanceof ParameterizedType;
        Class<?> of = (Class<?>) (list ? argument(type) : type);
        Shape shape = shape(of, list);
        return new Property(
                component.getName(),
                shape,
                !optional,
                shape == Shape.WORD ? words(of) : List.of(),
                shape == Shape.DOCUMENT ? Optional.of(schema(of)) : Optional.empty(),
                list);
    }

    private static Type argument(Type type) {
        return ((ParameterizedType) type).getActualTypeArguments()[0];
    }

    private static Shape shape(Class<?> type, boolean list) {
        if (type == String.class) {
            return list ? Shape.TEXTS : Shape.TEXT;
        }
        if (type == boolean.class || type == Boolean.class) {
            return Shape.YES_NO;
        }
        return type.isEnum() ? Shape.WORD : Shape.DOCUMENT;
    }

    private static List<String> words(Class<?> type) {
        return Arrays.stream(type.getEnumConstants())
                .map(choice -> ChoiceWord.of((Enum<?>) choice))
                .toList();
    }

    /** {@code ReportColumn} is the schema's {@code column}. */
    private static String schema(Class<?> type) {
        return type == ReportField.class
                ? "fieldInReport"
                : type.getSimpleName().substring("Report".length()).toLowerCase(Locale.ROOT);
    }
}
