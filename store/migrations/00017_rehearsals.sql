-- +goose Up
CREATE TABLE IF NOT EXISTS rehearsals (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  shape      INT NOT NULL,
  doc        JSON NOT NULL,
  created_at DATETIME(6) NOT NULL,
  KEY rehearsals_newest (kitchen_id, created_at),
  CONSTRAINT rehearsals_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT rehearsals_journal FOREIGN KEY (id) REFERENCES journals (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
