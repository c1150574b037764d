-- +goose Up
CREATE TABLE happenings (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  bake_id    UUID NOT NULL,
  seq        INT NOT NULL,
  shape      INT NOT NULL,
  doc        JSON NOT NULL,
  created_at DATETIME(6) NOT NULL,
  UNIQUE KEY happenings_seq (bake_id, seq),
  CONSTRAINT happenings_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT happenings_bake FOREIGN KEY (bake_id) REFERENCES bakes (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
