-- +goose Up
CREATE TABLE IF NOT EXISTS kitchens (
  id         UUID NOT NULL PRIMARY KEY,
  name       VARCHAR(60) NOT NULL,
  head       INT NOT NULL COMMENT 'the number of the newest version',
  created_at DATETIME(6) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
