-- +goose Up
CREATE TABLE IF NOT EXISTS machines (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  name       VARCHAR(60) NOT NULL,
  head       INT NOT NULL COMMENT 'the number of the newest version',
  put_away   BOOLEAN NOT NULL DEFAULT FALSE,
  created_at DATETIME(6) NOT NULL,
  KEY machines_shelf (kitchen_id, put_away, id),
  CONSTRAINT machines_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
