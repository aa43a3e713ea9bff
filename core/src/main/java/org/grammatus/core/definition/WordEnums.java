package org.grammatus.core.definition;

import java.util.Locale;
import org.grammatus.core.choice.Align;
import org.grammatus.core.choice.Basis;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.choice.Compared;
import org.grammatus.core.choice.ComparedWith;
import org.grammatus.core.choice.Cover;
import org.grammatus.core.choice.Direction;
import org.grammatus.core.choice.EmptyGroups;
import org.grammatus.core.choice.FigureUnit;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.LimitEnd;
import org.grammatus.core.choice.Look;
import org.grammatus.core.choice.Orientation;
import org.grammatus.core.choice.PaperSize;
import org.grammatus.core.choice.Place;
import org.grammatus.core.choice.PromptType;
import org.grammatus.core.choice.Rounding;
import org.grammatus.core.choice.Shown;
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
        add(module, PromptType.class);
        add(module, FilterKind.class);
        add(module, FilterComparison.class);
        add(module, Look.class);
        add(module, BlockKind.class);
        add(module, Bucket.class);
        add(module, Direction.class);
        add(module, Header.class);
        add(module, Footer.class);
        add(module, Place.class);
        add(module, Align.class);
        add(module, PaperSize.class);
        add(module, Orientation.class);
        add(module, Basis.class);
        add(module, EmptyGroups.class);
        add(module, LimitEnd.class);
        add(module, Cover.class);
        add(module, Shown.class);
        add(module, ComparedWith.class);
        add(module, Compared.class);
        add(module, FigureUnit.class);
        add(module, Rounding.class);
        add(module, Dataset.Role.class);
        add(module, Dataset.Keep.class);
        add(module, Dataset.YearName.class);
        return module;
    }

    /** The word of a choice. Paper sizes keep the capitals they are known by. */
    static String word(Enum<?> choice) {
        if (choice instanceof PaperSize paper) {
            return paper == PaperSize.A4 ? "A4" : "Letter";
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
