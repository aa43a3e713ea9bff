package org.grammatus.core.plan;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.EmptyGroups;
import org.grammatus.core.choice.Footer;
import org.grammatus.core.choice.Header;
import org.grammatus.core.choice.layout.LevelLayout;
import org.grammatus.core.dataset.Coarsening;
import org.grammatus.core.dataset.DatasetModel;
import org.grammatus.core.expression.Expression;
import org.grammatus.core.expression.Typed;
import org.grammatus.core.value.Period;
import org.grammatus.core.value.Scalar;
import org.grammatus.core.value.Type;

/**
 * A level: what its groups are told apart by, what they are called, which of them are shown, in which order, and how they are printed.
 *
 * @param pointer where it stands in the definition
 */
public record LevelPlan(
        String id,
        String name,
        String pointer,
        Keys keys,
        Naming naming,
        Choice choice,
        List<TablePlan.Term> order,
        Print print) {

    /**
     * What groups are told apart by.
     *
     * @param text the key as its author wrote it
     * @param expression the same, parsed
     * @param coarsening of the key, where groups are buckets or classes of it
     * @param asked the days that the answers ask of the key, where a prompt's period narrows it
     * @param listed keys in an order of their own; none where there is no such order
     * @param empty whether keys without rows are shown too, and what stands beside them
     * @param home number of the finest table among the key's fields
     */
    public record Keys(
            String text,
            Expression expression,
            Typed value,
            Optional<Coarsening> coarsening,
            Optional<Period> asked,
            List<Scalar> listed,
            Optional<EmptyGroups> empty,
            int home) {

        /** Type of the keys. */
        public Type type() {
            return coarsening.map(Coarsening::type).orElse(value.type());
        }

        /** Whether there is a group for every value that the data have, in whichever rows. */
        public boolean areAllValues() {
            return empty.isPresent() && coarsening.isEmpty() && listed.isEmpty();
        }
    }

    /**
     * What groups are called.
     *
     * @param text the label as its author wrote it
     * @param label their keys unless given
     * @param codeBehind where the key is a name that several things may share, the field that tells them apart
     */
    public record Naming(Optional<String> text, Optional<Typed> label, Optional<Typed.Field> codeBehind) {}

    /**
     * Which groups are shown.
     *
     * @param having condition that they must meet
     * @param conditions what figures of them must be, besides
     */
    public record Choice(Optional<Typed> having, List<GroupCondition> conditions, Optional<LimitPlan> limit) {}

    /**
     * How groups are printed.
     *
     * @param headerText what their headings say; the group's label unless given
     * @param footerText what their footers call their group
     * @param newPage whether each group begins on a new page
     * @param layout how they stand on pages besides
     */
    public record Print(
            Header header,
            Optional<TablePlan.GroupText> headerText,
            Footer footer,
            Optional<TablePlan.GroupText> footerText,
            boolean newPage,
            LevelLayout layout) {}

    /** The natural order of its groups' labels, where they have one. */
    public Optional<List<String>> naturalOrder(DatasetModel dataset) {
        return keys.coarsening().isPresent()
                ? Optional.empty()
                : dataset.naturalOrder(naming.label().orElse(keys.value()));
    }

    /** Whether a column's value is what its groups are called, or the name of it. */
    public boolean isCalledBy(Typed value) {
        return naming.label()
                .filter(called -> called.equals(value)
                        || (called instanceof Typed.LabelledKey c && c.name().equals(value)))
                .isPresent();
    }

    /** Whether neither headings nor lines nor totals of its groups are printed. */
    public boolean isUnprinted() {
        return print.header() == Header.NONE && print.footer() == Footer.NONE;
    }

    /** The same level in another order. */
    public LevelPlan ordered(List<TablePlan.Term> other) {
        return new LevelPlan(id, name, pointer, keys, naming, choice, other, print);
    }

    /** The same level with every group shown. */
    public LevelPlan whole() {
        Choice all = new Choice(choice.having(), choice.conditions(), Optional.empty());
        return new LevelPlan(id, name, pointer, keys, naming, all, order, print);
    }

    /** The same level with its groups opened and closed in another way. */
    public LevelPlan standing(Header header, Footer footer) {
        return printed(
                new Print(header, print.headerText(), footer, print.footerText(), print.newPage(), print.layout()));
    }

    /** The same level without what only printing needs. */
    LevelPlan unprinted() {
        return printed(new Print(
                print.header(), print.headerText(), print.footer(), print.footerText(), false, LevelLayout.PLAIN));
    }

    private LevelPlan printed(Print other) {
        return new LevelPlan(id, name, pointer, keys, naming, choice, order, other);
    }
}
