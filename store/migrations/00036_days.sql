-- +goose Up
CREATE TABLE IF NOT EXISTS days (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  on_day     VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'by the clock of the kitchen: 2026-11-28',
  head       INT NOT NULL COMMENT 'the number of the newest version',
  loaves     INT NOT NULL COMMENT 'of the newest version',
  created_at DATETIME(6) NOT NULL,
  UNIQUE KEY days_on (kitchen_id, on_day),
  CONSTRAINT days_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
