package org.grammatus.core.definition;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.Bucket;
import org.grammatus.core.choice.EmptyGroups;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.layout.LevelLayout;

/**
 * A group level, outermost first in its list.
 *
 * @param key expression whose value makes the group
 * @param bucket coarsens a date key
 * @param classes coarsens a number key, from the lowest class to the highest; the last takes what is above all others
 * @param listed keys in an order of their own, as files write them; others stand after them
 * @param empty whether keys without rows are shown too, and what stands beside them
 * @param label expression printed for the group; its first row counts
 * @param having condition that a group must meet to be shown
 * @param conditions that a group must meet besides, built rather than typed
 * @param limit how many groups are shown in each parent
 * @param headerText template of the heading; the label unless given
 * @param footerText template of the footer's name; "… total" unless given
 * @param newPage whether each group begins on a new page
 * @param layout how its groups stand on pages
 * @param appears a condition over the answers, without which the level does not apply
 * @param off whether the level is kept but does not apply
 */
@JsonInclude(JsonInclude.Include.NON_ABSENT)
@JsonPropertyOrder({
    "id",
    "name",
    "key",
    "bucket",
    "classes",
    "listed",
    "empty",
    "label",
    "order",
    "having",
    "conditions",
    "limit",
    "header",
    "headerText",
    "footer",
    "footerText",
    "newPage",
    "layout",
    "appears",
    "off"
})
@RecordBuilder
public record ReportLevel(
        String id,
        String name,
        String key,
        Optional<Bucket> bucket,
        Optional<List<NumberClass>> classes,
        Optional<List<String>> listed,
        Optional<EmptyGroups> empty,
        Optional<String> label,
        List<OrderTerm> order,
        Optional<String> having,
        Optional<List<GroupFilter>> conditions,
        Optional<ReportLimit> limit,
        Header header,
        Optional<String> headerText,
        Footer footer,
        Optional<String> footerText,
        Optional<Boolean> newPage,
        Optional<LevelLayout> layout,
        Optional<String> appears,
        Optional<Boolean> off)
        implements ReportLevelBuilder.With {

    /** The same level in another order and with another limit. */
    public ReportLevel with(List<OrderTerm> otherOrder, Optional<ReportLimit> otherLimit) {
        return changed(otherOrder, otherLimit, header, footer, off);
    }

    /** The same level with its groups opened and closed in another way. */
    public ReportLevel standing(Header otherHeader, Footer otherFooter) {
        return changed(order, limit, otherHeader, otherFooter, off);
    }

    /** The same level, kept but without effect. */
    ReportLevel switchedOff() {
        return changed(order, limit, header, footer, Optional.of(true));
    }

    private ReportLevel changed(
            List<OrderTerm> otherOrder,
            Optional<ReportLimit> otherLimit,
            Header otherHeader,
            Footer otherFooter,
            Optional<Boolean> otherOff) {
        return new ReportLevel(
                id,
                name,
                key,
                bucket,
                classes,
                listed,
                empty,
                label,
                otherOrder,
                having,
                conditions,
                otherLimit,
                otherHeader,
                headerText,
                otherFooter,
                footerText,
                newPage,
                layout,
                appears,
                otherOff);
    }

    /** The same with all its texts changed. */
    ReportLevel mapped(DefinitionMapping to) {
        return new ReportLevel(
                to.part(id),
                name,
                to.expression(key),
                bucket,
                classes,
                listed,
                empty,
                to.expression(label),
                to.terms(order),
                to.expression(having),
                conditions.map(all -> all.stream().map(one -> one.mapped(to)).toList()),
                limit.map(most -> most.mapped(to)),
                header,
                to.template(headerText),
                footer,
                to.template(footerText),
                newPage,
                layout,
                to.expression(appears),
                off);
    }
}
