-- +goose Up
CREATE TABLE IF NOT EXISTS imports (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  made       JSON NOT NULL COMMENT 'what it brought: recipes, revisions and bakes',
  undone     BOOLEAN NOT NULL DEFAULT FALSE,
  created_at DATETIME(6) NOT NULL,
  KEY imports_newest (kitchen_id, created_at),
  CONSTRAINT imports_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
