CREATE TABLE apiary (
  apiary_id INTEGER PRIMARY KEY, code TEXT NOT NULL UNIQUE, name TEXT NOT NULL, region TEXT NOT NULL,
  town TEXT NOT NULL, customer_type TEXT NOT NULL, account_manager TEXT NOT NULL);
CREATE TABLE product (
  product_id INTEGER PRIMARY KEY, code TEXT NOT NULL UNIQUE, name TEXT NOT NULL, category TEXT NOT NULL,
  list_price INTEGER NOT NULL, cost INTEGER NOT NULL);
CREATE TABLE supplier (supplier_id INTEGER PRIMARY KEY, name TEXT NOT NULL, contact TEXT NOT NULL);
CREATE TABLE sales_order (
  order_id INTEGER PRIMARY KEY, order_number TEXT NOT NULL UNIQUE, ordered_at TEXT NOT NULL, promised_date TEXT,
  apiary_id INTEGER NOT NULL, depot TEXT, ship_date TEXT, status TEXT NOT NULL, freight INTEGER NOT NULL);
CREATE TABLE sales_order_line (
  line_id INTEGER PRIMARY KEY, order_id INTEGER NOT NULL, line_number INTEGER NOT NULL, product_id INTEGER NOT NULL,
  quantity INTEGER NOT NULL, unit TEXT NOT NULL, unit_price INTEGER NOT NULL, discount INTEGER NOT NULL,
  net_amount INTEGER NOT NULL, shipped_quantity INTEGER NOT NULL);
CREATE TABLE purchase_order (
  order_id INTEGER PRIMARY KEY, order_number TEXT NOT NULL UNIQUE, revision INTEGER NOT NULL, supplier_id INTEGER NOT NULL,
  branch TEXT NOT NULL, depot TEXT, order_date TEXT NOT NULL, reference TEXT, status TEXT NOT NULL);
CREATE TABLE purchase_order_line (
  line_id INTEGER PRIMARY KEY, order_id INTEGER NOT NULL, line_number INTEGER NOT NULL, product_id INTEGER NOT NULL,
  quantity INTEGER NOT NULL, received_quantity INTEGER NOT NULL, unit_cost INTEGER NOT NULL, expected_date TEXT,
  receipt_date TEXT, needed_quantity INTEGER NOT NULL);
CREATE TABLE business_date (day TEXT NOT NULL);
