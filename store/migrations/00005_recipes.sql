-- +goose Up
CREATE TABLE IF NOT EXISTS recipes (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  name       VARCHAR(120) NOT NULL,
  kind       VARCHAR(20) NOT NULL,
  size       VARCHAR(40) NOT NULL,
  note       TEXT NOT NULL,
  yeasted    BOOLEAN NOT NULL COMMENT 'yeast is among its lines',
  head       INT NOT NULL COMMENT 'the number of the newest revision',
  put_away   BOOLEAN NOT NULL DEFAULT FALSE,
  created_at DATETIME(6) NOT NULL,
  KEY recipes_shelf (kitchen_id, put_away, id),
  KEY recipes_name (kitchen_id, put_away, name, id),
  CONSTRAINT recipes_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
