package org.grammatus.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.grammatus.core.expression.Template.Part;
import org.grammatus.core.problem.Problem.Position;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Texts with expressions in braces. */
class TemplateTest {

    @Test
    void takesTextAndExpressionsApart() {
        assertThat(Template.parse("Order {order_number}: {COUNT(*)}").parts())
                .containsExactly(
                        new Part.Literal("Order "),
                        new Part.Slot("order_number", new Position(1, 8)),
                        new Part.Literal(": "),
                        new Part.Slot("COUNT(*)", new Position(1, 24)));
    }

    @Test
    void aDoubledBraceStandsForItself() {
        assertThat(Template.parse("{{{group}}}").parts())
                .containsExactly(
                        new Part.Literal("{"), new Part.Slot("group", new Position(1, 4)), new Part.Literal("}"));
    }

    @Test
    void aBraceInsideAQuotedTextClosesNothing() {
        assertThat(Template.parse("{name || '}'}").parts())
                .containsExactly(new Part.Slot("name || '}'", new Position(1, 2)));
    }

    @ParameterizedTest
    @CsvSource({
        "'Total {group', '1:7 found { without its closing }; write {{ for a brace that is printed'",
        "'Total { }', '1:7 found {} with nothing in it; put an expression between the braces'"
    })
    void saysWhatIsWrongAndWhere(String text, String message) {
        assertThatThrownBy(() -> Template.parse(text)).hasMessage(message);
    }
}
