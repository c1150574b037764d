-- +goose Up
CREATE TABLE IF NOT EXISTS bags (
  id              UUID NOT NULL PRIMARY KEY,
  kitchen_id      UUID NOT NULL,
  recipe_id       UUID NOT NULL,
  recipe_version  INT NOT NULL,
  machine_id      UUID NOT NULL,
  machine_version INT NOT NULL,
  kitchen_version INT NOT NULL,
  made_at         DATETIME(6) NOT NULL,
  made            INT NOT NULL COMMENT 'how many bags',
  bags_left       INT NOT NULL COMMENT 'of them on the shelf',
  shape           INT NOT NULL,
  doc             JSON NOT NULL,
  KEY bags_shelf (kitchen_id, bags_left, made_at),
  CONSTRAINT bags_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT bags_recipe FOREIGN KEY (recipe_id) REFERENCES recipes (id),
  CONSTRAINT bags_machine FOREIGN KEY (machine_id) REFERENCES machines (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
