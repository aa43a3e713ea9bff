-- Orders inside apiaries inside regions, each level ordered inside its parent by its own sum, largest first. Each level is
-- summed from the one below it, which is the fastest way we found.
WITH orders AS MATERIALIZED (
  SELECT region, apiary, order_number, SUM(net)::BIGINT AS net FROM line GROUP BY region, apiary, order_number
), apiaries AS MATERIALIZED (
  SELECT region, apiary, SUM(net)::BIGINT AS net FROM orders GROUP BY region, apiary
), regions AS MATERIALIZED (
  SELECT region, SUM(net)::BIGINT AS net FROM apiaries GROUP BY region
)
SELECT o.region, o.apiary, o.order_number, o.net
FROM orders o JOIN apiaries a USING (region, apiary) JOIN regions r USING (region)
ORDER BY r.net DESC, o.region, a.net DESC, o.apiary, o.net DESC, o.order_number
