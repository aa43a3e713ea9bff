package org.grammatus.demo;

/** Takes the scenario's rows as they are made, table by table and parents before children. */
public interface ScenarioSink {

    void apiary(Rows.Apiary apiary);

    void product(Rows.Product product);

    void supplier(Rows.Supplier supplier);

    void salesOrder(Rows.SalesOrder order);

    void salesLine(Rows.SalesLine line);

    void purchaseOrder(Rows.PurchaseOrder order);

    void purchaseLine(Rows.PurchaseLine line);
}
