package org.grammatus.demo;

import java.time.LocalDate;

/**
 * What the scenario is made from. The same size gives the same rows.
 *
 * @param seed of the random numbers
 * @param salesOrders number of sales orders; each has 3.7 lines on average
 * @param lastDay last day with orders, which is the business date
 */
public record ScenarioSize(long seed, int salesOrders, LocalDate lastDay) {

    /** The demo's own: about 6,500 sales orders with 24,000 lines. */
    public static final ScenarioSize DEMO = new ScenarioSize(20, 6_500, LocalDate.of(2026, 11, 20));

    public ScenarioSize {
        if (salesOrders < 0) {
            throw new IllegalArgumentException("A scenario cannot have " + salesOrders + " orders");
        }
    }

    public ScenarioSize withSalesOrders(int orders) {
        return new ScenarioSize(seed, orders, lastDay);
    }

    public ScenarioSize withSeed(long other) {
        return new ScenarioSize(other, salesOrders, lastDay);
    }

    /** First day with orders: the start of the fiscal year two before the last day's. */
    public LocalDate firstDay() {
        LocalDate start = LocalDate.of(lastDay.getYear(), 10, 1);
        return (start.isAfter(lastDay) ? start.minusYears(1) : start).minusYears(2);
    }
}
