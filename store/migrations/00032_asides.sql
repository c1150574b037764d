-- +goose Up
CREATE TABLE IF NOT EXISTS asides (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL COMMENT 'that was put away',
  beside_id  UUID NOT NULL COMMENT 'that took its place',
  UNIQUE KEY asides_kitchen (kitchen_id),
  KEY asides_beside (beside_id),
  CONSTRAINT asides_of FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT asides_by FOREIGN KEY (beside_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
