SELECT count(*) FILTER (WHERE net >= 2500),
       count(*) FILTER (WHERE net < 9000000),
       count(*) FILTER (WHERE region <> 'Nowhere'),
       count(*) FILTER (WHERE region IN ('Coast', 'Lakeside', 'Upland', 'Islands', 'Lowland')),
       count(*) FILTER (WHERE apiary <> 'AP-1001'),
       count(*) FILTER (WHERE apiary LIKE 'AP%'),
       count(*) FILTER (WHERE order_number >= 'S0'),
       count(*) FILTER (WHERE order_number <> 'S0000001'),
       count(*) FILTER (WHERE net <> 1300),
       count(*) FILTER (WHERE net + 100 > 200)
FROM line
