-- The ten largest of every parent and one line for the others; a line that stands for several is divided no further.
WITH orders AS MATERIALIZED (
  SELECT region, apiary, order_number, SUM(net)::BIGINT AS net FROM line GROUP BY ALL
), apiaries AS MATERIALIZED (
  SELECT region, apiary, SUM(net)::BIGINT AS net FROM orders GROUP BY ALL
), regions AS MATERIALIZED (
  SELECT region, net, LEAST(11, ROW_NUMBER() OVER (ORDER BY net DESC, region)) AS place
  FROM (SELECT region, SUM(net)::BIGINT AS net FROM apiaries GROUP BY ALL)
), a AS MATERIALIZED (
  SELECT r.place AS region_place, region, apiary, a.net,
    LEAST(11, ROW_NUMBER() OVER (PARTITION BY region ORDER BY a.net DESC, apiary)) AS place
  FROM apiaries a JOIN regions r USING (region) WHERE r.place <= 10
), o AS MATERIALIZED (
  SELECT a.region_place, a.place AS apiary_place, region, apiary, order_number, o.net,
    LEAST(11, ROW_NUMBER() OVER (PARTITION BY region, apiary ORDER BY o.net DESC, order_number)) AS place
  FROM orders o JOIN a USING (region, apiary) WHERE a.place <= 10
)
SELECT path, net / 100.0 FROM (
  SELECT region_place AS p1, apiary_place AS p2, place AS p3, SUM(net) AS net,
    region || '|' || apiary || '|' || CASE WHEN place <= 10 THEN MIN(order_number) ELSE 'others' END AS path
  FROM o GROUP BY region_place, apiary_place, place, region, apiary
  UNION ALL
  SELECT region_place, 11, 0, SUM(net), region || '|others' FROM a WHERE place = 11 GROUP BY region_place, region
  UNION ALL
  SELECT 11, 0, 0, SUM(net), 'others' FROM regions WHERE place = 11 HAVING COUNT(*) > 0)
ORDER BY p1, p2, p3
