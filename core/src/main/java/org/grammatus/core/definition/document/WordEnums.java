package org.grammatus.core.definition.document;

import org.grammatus.core.choice.ChoiceWord;
import org.grammatus.core.choice.PaperSize;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.BeanDescription;
import tools.jackson.databind.DeserializationConfig;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JavaType;
import tools.jackson.databind.SerializationConfig;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.deser.ValueDeserializerModifier;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.ser.ValueSerializerModifier;

/** Choices stand in documents as small words joined by hyphens: {@code FISCAL_YEAR} is {@code fiscal-year}. */
final class WordEnums {

    private WordEnums() {}

    static SimpleModule module() {
        return new SimpleModule("words")
                .setSerializerModifier(new ValueSerializerModifier() {
                    @Override
                    public ValueSerializer<?> modifyEnumSerializer(
                            SerializationConfig config,
                            JavaType type,
                            BeanDescription.Supplier bean,
                            ValueSerializer<?> usual) {
                        return new Words();
                    }
                })
                .setDeserializerModifier(new ValueDeserializerModifier() {
                    @Override
                    public ValueDeserializer<?> modifyEnumDeserializer(
                            DeserializationConfig config,
                            JavaType type,
                            BeanDescription.Supplier bean,
                            ValueDeserializer<?> usual) {
                        return new Choices(type.getRawClass());
                    }
                });
    }

    /** The word of a choice. Paper sizes keep the capitals they are known by. */
    static String word(Enum<?> choice) {
        if (choice instanceof PaperSize paper) {
            return paper.word();
        }
        return ChoiceWord.of(choice);
    }

    private static final class Words extends ValueSerializer<Enum<?>> {
        @Override
        public void serialize(Enum<?> value, JsonGenerator out, SerializationContext context) {
            out.writeString(word(value));
        }
    }

    private static final class Choices extends ValueDeserializer<Object> {
        private final Class<?> type;

        Choices(Class<?> type) {
            this.type = type;
        }

        @Override
        public Object deserialize(JsonParser in, DeserializationContext context) {
            String found = in.getString();
            for (Object choice : type.getEnumConstants()) {
                if (word((Enum<?>) choice).equals(found)) {
                    return choice;
                }
            }
            // The schema lists the same words and is checked first.
            throw new IllegalStateException("No " + type.getSimpleName() + " is called " + found);
        }
    }
}
