-- +goose Up
CREATE TABLE IF NOT EXISTS happenings (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  journal_id UUID NOT NULL,
  seq        INT NOT NULL,
  shape      INT NOT NULL,
  doc        JSON NOT NULL,
  created_at DATETIME(6) NOT NULL,
  UNIQUE KEY happenings_seq (journal_id, seq),
  CONSTRAINT happenings_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT happenings_journal FOREIGN KEY (journal_id) REFERENCES journals (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
