-- +goose Up
CREATE TABLE IF NOT EXISTS day_versions (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  owner_id   UUID NOT NULL COMMENT 'the day',
  number     INT NOT NULL,
  shape      INT NOT NULL,
  doc        JSON NOT NULL,
  created_at DATETIME(6) NOT NULL,
  UNIQUE KEY day_versions_number (owner_id, number),
  CONSTRAINT day_versions_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT day_versions_day FOREIGN KEY (owner_id) REFERENCES days (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
