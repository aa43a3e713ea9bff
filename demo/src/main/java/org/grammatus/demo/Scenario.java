package org.grammatus.demo;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;

/**
 * Makes the scenario's rows from a seed, in the same order each time. Awkward rows are in it on purpose: blank depots,
 * apostrophes and accents, a very long name, a text that starts with an equals sign, a zero price, a negative correction,
 * orders without lines, lines without an order, over-receipts, missing dates, orders at 23:30, a half-posted last day.
 */
public final class Scenario {

    private static final int APIARIES = 140;
    private static final int PURCHASE_ORDERS_OF_DEMO = 900;
    /** Of a thousand orders or lines, how many are awkward in one way. */
    private static final int RARE = 4;

    private final ScenarioSize size;
    private final ScenarioSink sink;
    private final SplittableRandom random;
    private final List<Rows.Product> products = new ArrayList<>();
    private final List<Vocabulary.Category> categoryOf = new ArrayList<>();
    private int lineId;
    private int purchaseLineId;

    private Scenario(ScenarioSize size, ScenarioSink sink) {
        this.size = size;
        this.sink = sink;
        this.random = new SplittableRandom(size.seed());
    }

    /** Makes every row and hands it to the sink. */
    public static void generate(ScenarioSize size, ScenarioSink sink) {
        Scenario scenario = new Scenario(size, sink);
        scenario.apiaries();
        scenario.products();
        scenario.suppliers();
        scenario.salesOrders();
        scenario.purchaseOrders();
    }

    private void apiaries() {
        Set<String> used = new HashSet<>();
        List<String> names = new ArrayList<>();
        for (int id = 1; id <= APIARIES; id++) {
            String region = Vocabulary.REGIONS.get(id % Vocabulary.REGIONS.size());
            String name = apiaryName(id, names, region, used);
            names.add(name);
            sink.apiary(new Rows.Apiary(
                    id,
                    "AP-%04d".formatted(1000 + id * 7),
                    name,
                    region,
                    id == 33 ? "=Brood Hill" : pick(Vocabulary.TOWNS),
                    pick(Vocabulary.CUSTOMER_TYPES),
                    pick(Vocabulary.ACCOUNT_MANAGERS)));
        }
    }

    private String apiaryName(int id, List<String> earlier, String region, Set<String> used) {
        switch (id) {
            case 17:
                return "Beekeeper's Rest";
            case 42:
                return "Rucher de l'Étang";
            case 77:
                return Vocabulary.LONG_NAME;
            case 101:
                return "Großmutters Bienengärtchen";
            default:
                break;
        }
        if (id % 12 == 0 && id > 12) {
            // A namesake in another region.
            String name = earlier.get(id - 12);
            if (used.add(name + region)) {
                return name;
            }
        }
        String name;
        do {
            name = pick(Vocabulary.FIRST) + pick(Vocabulary.SECOND) + " Apiary";
        } while (earlier.contains(name));
        used.add(name + region);
        return name;
    }

    private void products() {
        int id = 0;
        for (Vocabulary.Category category : Vocabulary.CATEGORIES) {
            for (String name : category.products()) {
                id++;
                long span = category.most() - category.least();
                double step = random.nextDouble();
                long price = id == 58 ? 0 : category.least() + Math.round(span * step * step * step);
                long cost = Math.round(price * (0.55 + random.nextDouble() * 0.2));
                Rows.Product product =
                        new Rows.Product(id, "P%03d".formatted(id * 10), name, category.name(), price, cost);
                products.add(product);
                categoryOf.add(category);
                sink.product(product);
            }
        }
    }

    private void suppliers() {
        for (int id = 1; id <= Vocabulary.SUPPLIERS.size(); id++) {
            sink.supplier(new Rows.Supplier(id, Vocabulary.SUPPLIERS.get(id - 1), Vocabulary.CONTACTS.get(id - 1)));
        }
    }

    private void salesOrders() {
        long days = ChronoUnit.DAYS.between(size.firstDay(), size.lastDay()) + 1;
        for (int id = 1; id <= size.salesOrders(); id++) {
            LocalDate day = size.firstDay().plusDays((id - 1) * days / size.salesOrders());
            boolean lastDay = day.equals(size.lastDay());
            int minute = random.nextInt(1000) < 15 ? 23 * 60 + 30 : 7 * 60 + random.nextInt(11 * 60);
            LocalDateTime at = day.atStartOfDay().plusMinutes(minute);
            long age = ChronoUnit.DAYS.between(day, size.lastDay());
            String status = status(age);
            Optional<LocalDate> promised =
                    rare() ? Optional.empty() : Optional.of(day.plusDays(3 + random.nextInt(12)));
            boolean shipped = status.equals("shipped") || status.equals("closed") || status.equals("part shipped");
            Optional<LocalDate> ship = shipped ? Optional.of(day.plusDays(1 + random.nextInt(14))) : Optional.empty();
            Optional<String> depot = rare() || rare() ? Optional.empty() : Optional.of(pick(Vocabulary.DEPOTS));
            // Few large customers and many small ones.
            int apiary = 1 + (int) (APIARIES * Math.pow(random.nextDouble(), 1.8));
            long freight = random.nextInt(5) == 0 ? 0 : 450 + random.nextInt(60) * 55L;
            sink.salesOrder(new Rows.SalesOrder(
                    id, "S%07d".formatted(100_000 + id), at, promised, apiary, depot, ship, status, freight));
            boolean unposted = lastDay && id % 2 == 0;
            int lines = unposted || rare() ? 0 : 1 + random.nextInt(4) + random.nextInt(random.nextBoolean() ? 4 : 3);
            for (int number = 1; number <= lines; number++) {
                salesLine(rare() && rare() ? size.salesOrders() + id : id, number, day, status);
            }
        }
        if (size.salesOrders() > 0) {
            // At least one line whose order is gone, whatever the size.
            salesLine(size.salesOrders() * 2 + 1, 1, size.lastDay(), "open");
        }
    }

    private String status(long age) {
        int dice = random.nextInt(100);
        if (dice < 4) {
            return "cancelled";
        }
        if (age > 90) {
            return dice < 94 ? "closed" : "shipped";
        }
        if (age > 14) {
            return dice < 70 ? "shipped" : dice < 85 ? "part shipped" : "open";
        }
        return dice < 25 ? "shipped" : dice < 40 ? "part shipped" : "open";
    }

    private void salesLine(int order, int number, LocalDate day, String status) {
        int index = seasonalProduct(day.getMonthValue());
        Rows.Product product = products.get(index);
        boolean cheap = product.listPrice() < 500;
        long quantity = cheap ? 10L * (1 + random.nextInt(30)) : 1 + random.nextInt(6);
        if (rare()) {
            quantity = -quantity;
        }
        // Queens are sold off below cost in late autumn.
        boolean soldOff = product.category().equals("Queens & Nuclei") && day.getMonthValue() == 11;
        long price = soldOff ? product.cost() * 8 / 10 : product.listPrice();
        long discount = random.nextInt(4) == 0 ? 5 * (1 + random.nextInt(4)) : 0;
        long net = Math.round(price * quantity * (100 - discount) / 100.0);
        long shipped = switch (status) {
            case "shipped", "closed" -> quantity;
            case "part shipped" -> quantity / 2;
            default -> 0;
        };
        String unit = cheap ? "pack" : "piece";
        sink.salesLine(new Rows.SalesLine(
                ++lineId, order, number, product.id(), quantity, unit, price, discount, net, shipped));
    }

    /** A product whose category is likelier the nearer its busiest month is. */
    private int seasonalProduct(int month) {
        while (true) {
            int index = random.nextInt(products.size());
            int distance = Math.abs(month - categoryOf.get(index).peakMonth());
            int apart = Math.min(distance, 12 - distance);
            if (random.nextInt(10) < 8 - apart) {
                return index;
            }
        }
    }

    private void purchaseOrders() {
        int orders = (int) ((long) PURCHASE_ORDERS_OF_DEMO * size.salesOrders() / ScenarioSize.DEMO.salesOrders());
        long days = ChronoUnit.DAYS.between(size.firstDay(), size.lastDay()) + 1;
        for (int id = 1; id <= orders; id++) {
            LocalDate day = size.firstDay().plusDays((id - 1) * days / orders);
            boolean old = ChronoUnit.DAYS.between(day, size.lastDay()) > 45;
            String status =
                    old && random.nextInt(20) > 0 ? "received" : random.nextInt(3) == 0 ? "part received" : "open";
            sink.purchaseOrder(new Rows.PurchaseOrder(
                    id,
                    "B%06d".formatted(20_000 + id),
                    random.nextInt(8) == 0 ? 1 + random.nextInt(3) : 0,
                    1 + random.nextInt(Vocabulary.SUPPLIERS.size()),
                    pick(Vocabulary.BRANCHES),
                    rare() ? Optional.empty() : Optional.of(pick(Vocabulary.DEPOTS)),
                    day,
                    random.nextInt(10) == 0 ? Optional.empty() : Optional.of("REF-" + (3000 + random.nextInt(6000))),
                    status));
            int lines = 1 + random.nextInt(8);
            for (int number = 1; number <= lines; number++) {
                purchaseLine(id, number, day, status);
            }
        }
    }

    private void purchaseLine(int order, int number, LocalDate day, String status) {
        Rows.Product product = products.get(random.nextInt(products.size()));
        long quantity = 10L * (1 + random.nextInt(40));
        Optional<LocalDate> expected =
                random.nextInt(40) == 0 ? Optional.empty() : Optional.of(day.plusDays(10 + random.nextInt(50)));
        boolean received = status.equals("received") || (status.equals("part received") && number % 2 == 1);
        boolean over = random.nextInt(60) == 0;
        long receivedQuantity = !received ? 0 : over ? quantity + 10 : quantity;
        Optional<LocalDate> receipt = received
                ? Optional.of(expected.orElse(day.plusDays(30)).plusDays(random.nextInt(12) - 3L))
                : Optional.empty();
        long open = Math.max(0, quantity - receivedQuantity);
        long needed = random.nextInt(4) == 0 ? 0 : open * (1 + random.nextInt(4)) / 4;
        sink.purchaseLine(new Rows.PurchaseLine(
                ++purchaseLineId,
                order,
                number,
                product.id(),
                quantity,
                receivedQuantity,
                product.cost(),
                expected,
                receipt,
                needed));
    }

    private boolean rare() {
        return random.nextInt(1000) < RARE;
    }

    private <T> T pick(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }
}
