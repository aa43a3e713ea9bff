package org.grammatus.core.definition;

import java.util.List;
import java.util.Optional;

/**
 * Changes the texts of a definition wherever they stand: each part applies it to all that it has, so that nothing that renames,
 * copies or collects has to know where expressions and references are.
 */
public interface DefinitionMapping {

    /** An expression. */
    default String expression(String text) {
        return text;
    }

    /** A text with expressions in braces. */
    default String template(String text) {
        return text;
    }

    /** A text at the edges of pages: what pages have a word for is no expression. */
    default String pageText(String text) {
        return template(text);
    }

    /** The id of a field, calculated field or measure of the dataset. */
    default String field(String id) {
        return id;
    }

    /** The id of a part of the report, where it is given and where it is referred to. */
    default String part(String id) {
        return id;
    }

    /** The name by which a prompt is referred to outside expressions. */
    default String prompt(String name) {
        return name;
    }

    /** The same for what is over a dataset: a field's id means nothing in another. */
    default DefinitionMapping over(String dataset) {
        return this;
    }

    default Optional<String> expression(Optional<String> text) {
        return text.map(this::expression);
    }

    default Optional<String> template(Optional<String> text) {
        return text.map(this::template);
    }

    /** The terms of an order. */
    default List<OrderTerm> terms(List<OrderTerm> terms) {
        return terms.stream().map(term -> term.mapped(this)).toList();
    }
}
