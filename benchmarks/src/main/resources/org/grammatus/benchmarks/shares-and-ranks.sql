WITH orders AS MATERIALIZED (
  SELECT region, apiary, order_number, SUM(net)::BIGINT AS net FROM line GROUP BY ALL
), apiaries AS MATERIALIZED (
  SELECT region, apiary, SUM(net)::BIGINT AS net FROM orders GROUP BY ALL
), regions AS MATERIALIZED (
  SELECT region, SUM(net)::BIGINT AS net FROM apiaries GROUP BY ALL
)
SELECT o.region, o.apiary, o.order_number, o.net / 100.0, o.net / a.net,
  RANK() OVER (PARTITION BY o.region, o.apiary ORDER BY o.net DESC),
  SUM(o.net) OVER (PARTITION BY o.region, o.apiary ORDER BY o.net DESC, o.order_number ROWS UNBOUNDED PRECEDING) / 100.0
FROM orders o JOIN apiaries a USING (region, apiary) JOIN regions r USING (region)
ORDER BY r.net DESC, o.region, a.net DESC, o.apiary, o.net DESC, o.order_number
