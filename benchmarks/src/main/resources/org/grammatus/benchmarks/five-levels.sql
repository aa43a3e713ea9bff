-- Each level is summed from the one below it.
WITH amounts AS MATERIALIZED (
  SELECT region, CASE WHEN net <= 0 THEN 1 WHEN net <= 10000 THEN 2 WHEN net <= 100000 THEN 3 ELSE 4 END AS class,
    apiary, order_number, net AS amount, SUM(net)::BIGINT AS net FROM line GROUP BY ALL
), orders AS MATERIALIZED (
  SELECT region, class, apiary, order_number, SUM(net)::BIGINT AS net FROM amounts GROUP BY ALL
), apiaries AS MATERIALIZED (
  SELECT region, class, apiary, SUM(net)::BIGINT AS net FROM orders GROUP BY ALL
), classes AS MATERIALIZED (
  SELECT region, class, SUM(net)::BIGINT AS net FROM apiaries GROUP BY ALL
), regions AS MATERIALIZED (
  SELECT region, SUM(net)::BIGINT AS net FROM classes GROUP BY ALL
)
SELECT m.region, m.class, m.apiary, m.order_number, m.amount / 100.0, m.net / 100.0
FROM amounts m JOIN orders o USING (region, class, apiary, order_number) JOIN apiaries a USING (region, class, apiary)
  JOIN classes c USING (region, class) JOIN regions r USING (region)
ORDER BY r.net DESC, m.region, c.net DESC, m.class, a.net DESC, m.apiary, o.net DESC, m.order_number, m.net DESC, m.amount
