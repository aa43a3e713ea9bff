package org.grammatus.core.plan.style;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.grammatus.core.definition.Report;
import org.grammatus.core.definition.document.Definitions;
import org.grammatus.core.definition.style.HouseStyle;

/** The house styles that the product brings along. */
public final class HouseStyles {

    /** Says everything; what others leave out is as in it. It is also the style of a report that names none. */
    public static final HouseStyle FOUNDATION = shipped("standard");

    /** All of them, the usual one first. */
    public static final List<HouseStyle> SHIPPED = List.of(FOUNDATION, shipped("ledger"), shipped("black-on-white"));

    private HouseStyles() {}

    /** The style of a report, as far as it comes along. */
    public static HouseStyle shippedFor(Report report) {
        return SHIPPED.stream()
                .filter(style -> report.style().filter(style.id()::equals).isPresent())
                .findFirst()
                .orElse(FOUNDATION);
    }

    private static HouseStyle shipped(String id) {
        try (InputStream in = HouseStyle.class.getResourceAsStream(id + ".style.json")) {
            return Definitions.readStyle(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
