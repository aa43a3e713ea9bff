/**
 * Rows become a tree of groups, each level inside its parent, with figures for every group and an order among siblings.
 *
 * <p>Nodes are numbered level by level, the report being node 0. A level's nodes are found at the coarsest table that knows
 * them (an order's region is found once per order, not once per line), and a figure takes each row of its home table once.
 *
 * <p>Then groups are chosen, put in printed order, and only then is made of their figures what depends on other groups. Each step
 * sees what the ones before it left.
 */
package org.grammatus.core.group;
