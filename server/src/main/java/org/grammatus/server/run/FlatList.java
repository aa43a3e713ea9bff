package org.grammatus.server.run;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;

/**
 * Many small things of one kind as one list of whole numbers, so that what is sent stays small. It says itself which numbers each of them
 * has, so that the order is known in one place alone.
 */
public record FlatList(
        @Schema(description = "What the numbers of each thing are, in their order")
        List<String> names,

        @Schema(description = "The numbers of all things, one thing after the other")
        int[] numbers) {

    static <T> FlatList of(List<String> names, List<T> things, Function<T, int[]> numbers) {
        return new FlatList(
                names, things.stream().map(numbers).flatMapToInt(Arrays::stream).toArray());
    }
}
