SELECT order_number, count(*) FROM line GROUP BY 1 ORDER BY 2 DESC, 1 LIMIT 200
