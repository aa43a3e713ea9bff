package org.grammatus.server.bench;

import java.util.List;
import java.util.Optional;
import org.grammatus.core.choice.ChoiceWord;
import org.grammatus.core.definition.ReportHighlight;
import org.grammatus.core.edit.EditOffers;
import org.grammatus.core.edit.part.LevelChoices;
import org.grammatus.core.edit.rule.BuiltRule;
import org.grammatus.core.edit.rule.ReadyRules;
import org.grammatus.core.edit.rule.RuleChoices;
import org.grammatus.core.value.Kind;

/**
 * What can be done next with the block that is worked on.
 *
 * @param ready by column, total or key figure: the rules that are ready for it
 * @param rules by highlight: what its rule can be about, and what it is compared with
 * @param totals by total or key figure, where its aggregates take the same rows: which those are
 * @param columns by column: the totals that can be made of what it shows
 * @param levels how each level can name and coarsen its groups
 * @param reaches what its highlights can mark
 * @param filters by filter over a field: the fields that it can be compared with
 * @param measures what groups can be compared and ordered by
 */
record OffersView(
        List<Ready> ready,
        List<Rule> rules,
        List<EditOffers.Filtered> totals,
        List<EditOffers.Column> columns,
        List<Level> levels,
        List<MarkedPart> reaches,
        List<EditOffers.Compared> filters,
        List<EditOffers.Measure> measures) {

    /** @param part id of the column, total or key figure */
    record Ready(String part, List<ReadyRule> rules) {}

    /**
     * @param rule its word, as {@code add-ready-highlight} asks for it
     * @param prompt name of the prompt whose answer it compares with
     * @param of name of the level within whose groups it compares
     */
    record ReadyRule(String rule, Optional<String> prompt, Optional<String> of) {}

    /**
     * @param highlight its id
     * @param built the comparison that it is; none where it says more
     * @param than what the value of that comparison can be compared with, besides one that is written
     * @param countable whether what it marks can be counted in totals
     */
    record Rule(String highlight, List<Choice> values, Optional<Built> built, List<Choice> than, boolean countable) {}

    /**
     * @param text its expression
     * @param name of the column, field, prompt or level that it is about
     */
    record Choice(String text, RuleChoices.About about, Optional<String> name, Kind type) {}

    /** @param typed the value that it is compared with, as people write it */
    record Built(String value, String operator, Optional<String> than, Optional<String> typed) {}

    /**
     * @param level its id
     * @param heading how its groups say their names, by its word in {@code name-groups}
     * @param headings how they can
     * @param buckets the spans of time that its key can be coarsened to, by their words in {@code coarsen-level}
     * @param classes whether its key can be coarsened to classes of numbers
     */
    record Level(String level, String heading, List<String> headings, List<String> buckets, boolean classes) {}

    /**
     * @param of its word in {@code reach-with-highlight}
     * @param level id of the level whose groups are marked, or {@code report}
     * @param figure id of the key figure that is marked
     */
    record MarkedPart(String of, Optional<String> level, Optional<String> figure) {}

    static OffersView of(EditOffers offers) {
        return new OffersView(
                offers.ready().stream()
                        .map(ready -> new Ready(
                                ready.part(),
                                ready.rules().stream().map(OffersView::ready).toList()))
                        .toList(),
                offers.highlights().stream().map(OffersView::rule).toList(),
                offers.totals(),
                offers.columns(),
                offers.levels().stream().map(OffersView::level).toList(),
                offers.reaches().stream().map(OffersView::markedPart).toList(),
                offers.filters(),
                offers.measures());
    }

    private static Level level(LevelChoices level) {
        return new Level(
                level.level(),
                ChoiceWord.of(level.heading()),
                level.headings().stream().map(ChoiceWord::of).toList(),
                level.buckets().stream().map(ChoiceWord::of).toList(),
                level.classes());
    }

    private static MarkedPart markedPart(ReportHighlight.Place place) {
        return new MarkedPart(ChoiceWord.of(place.of()), place.level(), place.figure());
    }

    private static ReadyRule ready(ReadyRules.Offer offer) {
        return new ReadyRule(ChoiceWord.of(offer.rule()), offer.prompt(), offer.of());
    }

    private static Rule rule(EditOffers.Rule rule) {
        return new Rule(
                rule.highlight(),
                rule.values().stream().map(OffersView::choice).toList(),
                rule.built().map(OffersView::built),
                rule.than().stream().map(OffersView::choice).toList(),
                rule.countable());
    }

    private static Choice choice(RuleChoices.Choice choice) {
        return new Choice(choice.text(), choice.about(), choice.name(), choice.type());
    }

    private static Built built(BuiltRule built) {
        return new Built(built.value().text(), built.operator(), built.than(), built.typed());
    }
}
