package org.grammatus.demo;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Optional;

/** The scenario's rows. Money and rates in integer hundredths. */
public final class Rows {

    private Rows() {}

    public record Apiary(
            int id, String code, String name, String region, String town, String type, String accountManager) {}

    public record Product(int id, String code, String name, String category, long listPrice, long cost) {}

    public record Supplier(int id, String name, String contact) {}

    /** @param apiary id, which no apiary need have */
    public record SalesOrder(
            int id,
            String number,
            LocalDateTime orderedAt,
            Optional<LocalDate> promised,
            int apiary,
            Optional<String> depot,
            Optional<LocalDate> shipped,
            String status,
            long freight) {}

    /** @param order id, which no order need have */
    public record SalesLine(
            int id,
            int order,
            int number,
            int product,
            long quantity,
            String unit,
            long unitPrice,
            long discount,
            long netAmount,
            long shippedQuantity) {}

    public record PurchaseOrder(
            int id,
            String number,
            int revision,
            int supplier,
            String branch,
            Optional<String> depot,
            LocalDate ordered,
            Optional<String> reference,
            String status) {}

    public record PurchaseLine(
            int id,
            int order,
            int number,
            int product,
            long quantity,
            long received,
            long unitCost,
            Optional<LocalDate> expected,
            Optional<LocalDate> receipt,
            long neededQuantity) {}
}
