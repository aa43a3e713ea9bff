package org.grammatus.core.plan;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.EmptyGroups;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.layout.LevelLayout;
import org.grammatus.core.dataset.Coarsening;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/**
 * A level.
 *
 * @param pointer where it stands in the definition
 * @param keyText the key as its author wrote it
 * @param labelText the label as its author wrote it
 * @param coarsening of the key, where groups are buckets or classes of it
 * @param asked the days that the answers ask of the key, where a prompt's period narrows it
 * @param listed keys in an order of their own; none where there is no such order
 * @param empty whether keys without rows are shown too, and what stands beside them
 * @param home number of the finest table among the key's fields
 * @param having condition that its groups must meet
 * @param conditions what figures of its groups must be, besides
 * @param headerText what its headings say; the group's label unless given
 * @param footerText what its footers call their group
 * @param newPage whether each group begins on a new page
 * @param layout how its groups stand on pages besides
 * @param codeBehindName where the key is a name that several things may share, the field that tells them apart
 */
public record LevelPlan(
        String id,
        String name,
        String pointer,
        String keyText,
        Optional<String> labelText,
        Typed key,
        Optional<Coarsening> coarsening,
        Optional<Period> asked,
        List<Scalar> listed,
        Optional<EmptyGroups> empty,
        Optional<Typed> label,
        int home,
        List<TablePlan.Term> order,
        Optional<Typed> having,
        List<GroupCondition> conditions,
        Optional<LimitPlan> limit,
        Header header,
        Optional<TablePlan.GroupText> headerText,
        Footer footer,
        Optional<TablePlan.GroupText> footerText,
        boolean newPage,
        LevelLayout layout,
        Optional<Typed.Field> codeBehindName) {

    /** The natural order of its groups' labels, where they have one. */
    public Optional<List<String>> naturalOrder(DatasetModel dataset) {
        return coarsening.isPresent() ? Optional.empty() : dataset.naturalOrder(label.orElse(key));
    }

    /** Whether a column's value is what its groups are called, or the name of it. */
    public boolean isCalledBy(Typed value) {
        return label.filter(called -> called.equals(value)
                        || (called instanceof Typed.Called c && c.name().equals(value)))
                .isPresent();
    }

    /** Whether neither headings nor lines nor totals of its groups are printed. */
    public boolean isUnprinted() {
        return header == Header.NONE && footer == Footer.NONE;
    }

    /** Whether it shows every value that the data have, in whichever rows. */
    public boolean showsAllValues() {
        return empty.isPresent() && coarsening.isEmpty() && listed.isEmpty();
    }

    /** Type of its groups' keys. */
    public Type keyType() {
        return coarsening.map(Coarsening::type).orElse(key.type());
    }

    /** The same level in another order. */
    public LevelPlan ordered(List<TablePlan.Term> other) {
        return changed(other, limit, header, footer);
    }

    /** The same level with every group shown. */
    public LevelPlan whole() {
        return changed(order, Optional.empty(), header, footer);
    }

    /** The same level with its groups opened and closed in another way. */
    public LevelPlan standing(Header otherHeader, Footer otherFooter) {
        return changed(order, limit, otherHeader, otherFooter);
    }

    /** The same level without what only printing needs. */
    LevelPlan unprinted() {
        return changed(order, limit, header, footer, false, LevelLayout.PLAIN);
    }

    private LevelPlan changed(
            List<TablePlan.Term> otherOrder, Optional<LimitPlan> otherLimit, Header otherHeader, Footer otherFooter) {
        return changed(otherOrder, otherLimit, otherHeader, otherFooter, newPage, layout);
    }

    private LevelPlan changed(
            List<TablePlan.Term> otherOrder,
            Optional<LimitPlan> otherLimit,
            Header otherHeader,
            Footer otherFooter,
            boolean beginsPage,
            LevelLayout otherLayout) {
        return new LevelPlan(
                id,
                name,
                pointer,
                keyText,
                labelText,
                key,
                coarsening,
                asked,
                listed,
                empty,
                label,
                home,
                otherOrder,
                having,
                conditions,
                otherLimit,
                otherHeader,
                headerText,
                otherFooter,
                footerText,
                beginsPage,
                otherLayout,
                codeBehindName);
    }
}
