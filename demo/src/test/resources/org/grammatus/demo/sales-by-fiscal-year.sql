-- The starter report in plain SQL: every node with its figures, each level ordered inside its parent by net sales, largest
-- first, then by label. Parameters: first day, last day, and whether lines without an order count.
WITH rows_kept AS (
  SELECT l.line_id, l.quantity, l.net_amount, o.order_id, o.order_number, o.freight,
         CASE WHEN o.ordered_at IS NULL THEN '(none)'
              WHEN CAST(strftime('%m', o.ordered_at) AS INTEGER) >= 10
                THEN strftime('%Y', o.ordered_at) || '/' || printf('%02d', (CAST(strftime('%Y', o.ordered_at) AS INTEGER) + 1) % 100)
              ELSE (CAST(strftime('%Y', o.ordered_at) AS INTEGER) - 1) || '/' || printf('%02d', CAST(strftime('%Y', o.ordered_at) AS INTEGER) % 100)
         END AS fiscal_year,
         COALESCE(a.region, '(none)') AS region,
         COALESCE(a.code, '(none)') AS code,
         COALESCE(a.name, '(none)') AS apiary,
         COALESCE(o.order_number, '(none)') AS number
  FROM sales_order_line l
  LEFT JOIN sales_order o ON o.order_id = l.order_id
  LEFT JOIN apiary a ON a.apiary_id = o.apiary_id
  WHERE (o.status IS NULL OR o.status <> 'cancelled')
    AND (date(o.ordered_at) BETWEEN ?1 AND ?2 OR (?3 AND o.order_id IS NULL))
),
orders_kept AS (
  SELECT fiscal_year, region, code, apiary, number, order_id, MAX(freight) AS freight,
         SUM(quantity) AS quantity, SUM(net_amount) AS net, COUNT(*) AS lines
  FROM rows_kept GROUP BY fiscal_year, region, code, apiary, number, order_id
),
years AS (SELECT fiscal_year, SUM(quantity) q, SUM(net) n, SUM(freight) f, COUNT(order_id) o, SUM(lines) l FROM orders_kept GROUP BY 1),
regions AS (SELECT fiscal_year, region, SUM(quantity) q, SUM(net) n, SUM(freight) f, COUNT(order_id) o, SUM(lines) l FROM orders_kept GROUP BY 1, 2),
apiaries AS (SELECT fiscal_year, region, code, apiary, SUM(quantity) q, SUM(net) n, SUM(freight) f, COUNT(order_id) o, SUM(lines) l FROM orders_kept GROUP BY 1, 2, 3, 4),
nodes AS (
  SELECT 0 AS depth, '' AS label, SUM(quantity) q, SUM(net) n, SUM(freight) f, COUNT(order_id) o, COALESCE(SUM(lines), 0) l,
         NULL yn, NULL y, NULL rn, NULL r, NULL an, NULL al, NULL ac, NULL odn, NULL od FROM orders_kept
  UNION ALL
  SELECT 1, fiscal_year, q, n, f, o, l, n, fiscal_year, NULL, NULL, NULL, NULL, NULL, NULL, NULL FROM years
  UNION ALL
  SELECT 2, x.region, x.q, x.n, x.f, x.o, x.l, y.n, y.fiscal_year, x.n, x.region, NULL, NULL, NULL, NULL, NULL
  FROM regions x JOIN years y USING (fiscal_year)
  UNION ALL
  SELECT 3, x.apiary, x.q, x.n, x.f, x.o, x.l, y.n, y.fiscal_year, r.n, r.region, x.n, x.apiary, x.code, NULL, NULL
  FROM apiaries x JOIN years y USING (fiscal_year) JOIN regions r USING (fiscal_year, region)
  UNION ALL
  SELECT 4, x.number, x.quantity, x.net, x.freight, COUNT(x.order_id), x.lines, y.n, y.fiscal_year, r.n, r.region, a.n, a.apiary, a.code, x.net, x.number
  FROM orders_kept x JOIN years y USING (fiscal_year) JOIN regions r USING (fiscal_year, region)
       JOIN apiaries a USING (fiscal_year, region, code)
  GROUP BY x.fiscal_year, x.region, x.code, x.number
)
SELECT depth, label, q, n, f, o, l FROM nodes
ORDER BY yn IS NOT NULL, yn DESC, y, rn IS NOT NULL, rn DESC, r, an IS NOT NULL, an DESC, al COLLATE NOCASE, ac, odn IS NOT NULL, odn DESC, od
