package org.grammatus.core.address;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.grammatus.core.address.GroupAddress.Step;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FigureAddressTest {

    @Test
    void anAddressReadsAsPeopleWouldWriteIt() {
        GroupAddress town = new GroupAddress(
                "lines",
                List.of(
                        new Step("region", Optional.of("Lakeside"), false),
                        new Step("depot", Optional.empty(), false),
                        new Step("town", Optional.empty(), true)));
        assertThat(town).hasToString("lines/region:Lakeside/depot/town*");
        assertThat(FigureAddress.of(town, "t-net")).hasToString("lines/region:Lakeside/depot/town*#t-net");
        assertThat(FigureAddress.parse("lines@12#c-net").row()).hasValue(12);
    }

    /** Whatever a key is called, its address reads back as it was, in a list of addresses, too. */
    @Test
    void everyKeyComesThrough() {
        Random random = new Random(7);
        String signs = "aZ 0%/#,:*@+&=?é\"'\\\n😀";
        for (int i = 0; i < 2_000; i++) {
            List<Step> down = new ArrayList<>();
            for (int depth = random.nextInt(4); depth > 0; depth--) {
                StringBuilder key = new StringBuilder();
                for (int length = random.nextInt(6); length > 0; length--) {
                    key.appendCodePoint(signs.codePointAt(
                            signs.offsetByCodePoints(0, random.nextInt(signs.codePointCount(0, signs.length())))));
                }
                boolean others = random.nextInt(5) == 0;
                boolean blank = others || random.nextInt(5) == 0;
                down.add(new Step("level-" + depth, blank ? Optional.empty() : Optional.of(key.toString()), others));
            }
            FigureAddress address = FigureAddress.of(new GroupAddress("b_1", down), "t");
            assertThat(FigureAddress.parse(address.toString())).isEqualTo(address);
            assertThat(address.toString()).doesNotContain(",");
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "lines",
                "#t",
                "lines#",
                "lines//town:a#t",
                "/region#t",
                "lines@#c",
                "lines@-1#c",
                "a/b:%zz#t"
            })
    void whatIsNoAddressIsRefused(String text) {
        assertThatIllegalArgumentException().isThrownBy(() -> FigureAddress.parse(text));
    }
}
