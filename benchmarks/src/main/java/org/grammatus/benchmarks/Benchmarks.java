package org.grammatus.benchmarks;

import java.util.Arrays;

/**
 * Runs the benchmarks and prints our figure, the anchor's in the same run, and the ratio.
 *
 * <p>Arguments: {@code group}, {@code variants}, {@code read}, {@code edit}, {@code blocks}, {@code filters}, {@code pages} or {@code readers} for one of them, then line counts; 1,000,000 and
 * 10,000,000 unless given. {@code edit}, {@code blocks}, {@code filters}, {@code pages} and {@code readers} have sizes of their own.
 */
public final class Benchmarks {

    private Benchmarks() {}

    public static void main(String[] arguments) throws Exception {
        boolean named = arguments.length > 0 && arguments[0].chars().allMatch(Character::isLetter);
        String name = named ? arguments[0] : "";
        int[] sizes = Arrays.stream(arguments)
                .skip(named ? 1 : 0)
                .mapToInt(text -> Integer.parseInt(text.replace("_", "")))
                .toArray();
        int[] asked = sizes.length == 0 ? new int[] {1_000_000, 10_000_000} : sizes;
        switch (name) {
            case "group" -> GroupAndOrder.run(asked);
            case "variants" -> GroupVariants.run(asked);
            case "read" -> ReadRows.run(asked);
            case "edit" -> EditToPage.run(sizes.length == 0 ? new int[] {24_000, 1_000_000} : sizes);
            case "blocks" -> BlocksTogether.run(sizes.length == 0 ? new int[] {24_000, 1_000_000} : sizes);
            case "filters" -> FiltersAndChoices.run(sizes.length == 0 ? new int[] {370_000, 1_000_000} : sizes);
            case "pages" -> PagesAndPdf.run(sizes.length == 0 ? new int[] {200_000, 1_000_000} : sizes);
            case "readers" -> Readers.run();
            case "" -> {
                GroupAndOrder.run(asked);
                GroupVariants.run(asked);
                ReadRows.run(asked);
                EditToPage.run(new int[] {24_000, 1_000_000});
                Readers.run();
            }
            default ->
                throw new IllegalArgumentException("Unknown benchmark \"" + name
                        + "\"; group, variants, read, edit, blocks, filters, pages and readers are known");
        }
    }
}
