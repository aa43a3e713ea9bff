WITH apiaries AS MATERIALIZED (
  SELECT region, apiary, SUM(net)::BIGINT AS net, COUNT(DISTINCT order_number) AS orders FROM line GROUP BY ALL
), regions AS MATERIALIZED (
  SELECT region, SUM(net)::BIGINT AS net FROM apiaries GROUP BY ALL
)
SELECT a.region, a.apiary, a.net / 100.0, a.orders
FROM apiaries a JOIN regions r USING (region)
ORDER BY r.net DESC, a.region, a.net DESC, a.apiary
