SELECT order_number, SUM(net) / 100.0 AS net FROM line GROUP BY order_number ORDER BY net DESC, order_number
