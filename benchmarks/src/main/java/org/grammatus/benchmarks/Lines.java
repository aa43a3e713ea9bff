package org.grammatus.benchmarks;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.grammatus.demo.Rows;
import org.grammatus.demo.Scenario;
import org.grammatus.demo.ScenarioSink;
import org.grammatus.demo.ScenarioSize;

/**
 * The scenario's order lines as four flat columns: region, apiary, order and net amount in hundredths.
 *
 * @param regions codes into {@code regionNames}, by line; likewise the others
 */
record Lines(
        int[] regions,
        int[] apiaries,
        int[] orders,
        long[] net,
        String[] regionNames,
        String[] apiaryCodes,
        String[] orderNumbers) {

    private static final double LINES_OF_AN_ORDER = 3.7;

    /** Makes at least so many lines and keeps exactly so many. */
    static Lines generate(int count) {
        Collector collector = new Collector(count);
        Scenario.generate(ScenarioSize.DEMO.withSalesOrders((int) (count / LINES_OF_AN_ORDER)), collector);
        return collector.lines();
    }

    int count() {
        return net.length;
    }

    /** The same lines in an order of chance. */
    Lines shuffled() {
        SplittableRandom random = new SplittableRandom(7);
        int[] from = new int[count()];
        Arrays.setAll(from, i -> i);
        for (int i = from.length - 1; i > 0; i--) {
            int j = random.nextInt(i + 1);
            int swapped = from[i];
            from[i] = from[j];
            from[j] = swapped;
        }
        int[] r = new int[from.length];
        int[] a = new int[from.length];
        int[] o = new int[from.length];
        long[] n = new long[from.length];
        for (int i = 0; i < from.length; i++) {
            r[i] = regions[from[i]];
            a[i] = apiaries[from[i]];
            o[i] = orders[from[i]];
            n[i] = net[from[i]];
        }
        return new Lines(r, a, o, n, regionNames, apiaryCodes, orderNumbers);
    }

    private static final class Collector implements ScenarioSink {
        private final int[] regions;
        private final int[] apiaries;
        private final int[] orders;
        private final long[] net;
        private final List<String> regionNames = new ArrayList<>();
        private final List<String> apiaryCodes = new ArrayList<>();
        private final List<String> orderNumbers = new ArrayList<>();
        private final Map<Integer, Integer> regionOfApiary = new HashMap<>();
        private int apiary;
        private int size;

        Collector(int count) {
            regions = new int[count];
            apiaries = new int[count];
            orders = new int[count];
            net = new long[count];
        }

        @Override
        public void apiary(Rows.Apiary a) {
            if (!regionNames.contains(a.region())) {
                regionNames.add(a.region());
            }
            regionOfApiary.put(a.id(), regionNames.indexOf(a.region()));
            apiaryCodes.add(a.code());
        }

        @Override
        public void salesOrder(Rows.SalesOrder o) {
            apiary = o.apiary();
            orderNumbers.add(o.number());
        }

        @Override
        public void salesLine(Rows.SalesLine l) {
            if (size < net.length) {
                regions[size] = regionOfApiary.get(apiary);
                apiaries[size] = apiary - 1;
                orders[size] = orderNumbers.size() - 1;
                net[size++] = l.netAmount();
            }
        }

        @Override
        public void product(Rows.Product p) {}

        @Override
        public void supplier(Rows.Supplier s) {}

        @Override
        public void purchaseOrder(Rows.PurchaseOrder o) {}

        @Override
        public void purchaseLine(Rows.PurchaseLine l) {}

        Lines lines() {
            return new Lines(
                    Arrays.copyOf(regions, size),
                    Arrays.copyOf(apiaries, size),
                    Arrays.copyOf(orders, size),
                    Arrays.copyOf(net, size),
                    regionNames.toArray(String[]::new),
                    apiaryCodes.toArray(String[]::new),
                    orderNumbers.toArray(String[]::new));
        }
    }
}
