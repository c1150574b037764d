-- +goose Up
CREATE TABLE IF NOT EXISTS journals (
  id         UUID NOT NULL PRIMARY KEY COMMENT 'also of the bench or bake that it belongs to',
  kitchen_id UUID NOT NULL,
  newest     INT NOT NULL DEFAULT 0 COMMENT 'the number of the newest happening',
  CONSTRAINT journals_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
