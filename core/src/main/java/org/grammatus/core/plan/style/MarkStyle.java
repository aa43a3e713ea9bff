package org.grammatus.core.plan.style;

/**
 * A look of what highlights mark.
 *
 * @param name what authors choose it by
 * @param sign what stands beside what is marked
 * @param word what it stands for, in the legend; empty for none
 * @param fill behind it, as {@code #rrggbb}; empty where the paper shows
 * @param ink of it, as {@code #rrggbb}; empty where its text keeps its own
 * @param bold whether it is set in the bolder face
 */
public record MarkStyle(String id, String name, String sign, String word, String fill, String ink, boolean bold) {}
