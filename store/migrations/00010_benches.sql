-- +goose Up
CREATE TABLE IF NOT EXISTS benches (
  id              UUID NOT NULL PRIMARY KEY,
  kitchen_id      UUID NOT NULL,
  recipe_id       UUID NOT NULL,
  recipe_version  INT NOT NULL,
  machine_id      UUID NOT NULL,
  machine_version INT NOT NULL,
  kitchen_version INT NOT NULL,
  shape           INT NOT NULL,
  wish            JSON NOT NULL COMMENT 'as the baker planned it',
  steps           JSON NOT NULL COMMENT 'the ids of its steps; follows from the wish and the happenings',
  is_over         BOOLEAN NOT NULL DEFAULT FALSE COMMENT 'started or cleared; follows from the happenings',
  created_at      DATETIME(6) NOT NULL,
  KEY benches_open (kitchen_id, is_over, created_at),
  CONSTRAINT benches_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT benches_journal FOREIGN KEY (id) REFERENCES journals (id),
  CONSTRAINT benches_recipe FOREIGN KEY (recipe_id) REFERENCES recipes (id),
  CONSTRAINT benches_machine FOREIGN KEY (machine_id) REFERENCES machines (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
