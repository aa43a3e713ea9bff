package org.grammatus.core.definition;

import java.util.Locale;
import org.grammatus.core.value.Kind;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.module.SimpleModule;

/** Choices stand in documents as small words joined by hyphens: {@code FISCAL_YEAR} is {@code fiscal-year}. */
final class WordEnums {

    private WordEnums() {}

    static SimpleModule module() {
        SimpleModule module = new SimpleModule("words");
        add(module, Kind.class);
        add(module, Report.PromptType.class);
        add(module, Report.FilterKind.class);
        add(module, Report.Comparison.class);
        add(module, Report.Look.class);
        add(module, Report.BlockKind.class);
        add(module, Report.Bucket.class);
        add(module, Report.Direction.class);
        add(module, Report.Header.class);
        add(module, Report.Footer.class);
        add(module, Report.Place.class);
        add(module, Report.Align.class);
        add(module, Report.Paper.class);
        add(module, Report.Orientation.class);
        add(module, Report.Basis.class);
        add(module, Report.Empty.class);
        add(module, Report.End.class);
        add(module, Report.Cover.class);
        add(module, Report.Shown.class);
        add(module, Report.ComparedWith.class);
        add(module, Report.Compared.class);
        add(module, Report.Unit.class);
        add(module, Report.Rounding.class);
        add(module, Dataset.Role.class);
        add(module, Dataset.Keep.class);
        add(module, Dataset.YearName.class);
        return module;
    }

    /** The word of a choice. Paper sizes keep the capitals they are known by. */
    static String word(Enum<?> choice) {
        if (choice instanceof Report.Paper paper) {
            return paper == Report.Paper.A4 ? "A4" : "Letter";
        }
        return choice.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static <E extends Enum<E>> void add(SimpleModule module, Class<E> type) {
        module.addSerializer(type, new ValueSerializer<E>() {
            @Override
            public void serialize(E value, JsonGenerator out, SerializationContext context) {
                out.writeString(word(value));
            }
        });
        module.addDeserializer(type, new ValueDeserializer<E>() {
            @Override
            public E deserialize(JsonParser in, DeserializationContext context) {
                String found = in.getString();
                for (E choice : type.getEnumConstants()) {
                    if (word(choice).equals(found)) {
                        return choice;
                    }
                }
                // The schema lists the same words and is checked first.
                throw new IllegalStateException("No " + type.getSimpleName() + " is called " + found);
            }
        });
    }
}
