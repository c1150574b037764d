-- +goose Up
CREATE TABLE IF NOT EXISTS habits (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  recipe_id  UUID NOT NULL,
  machine_id UUID NOT NULL,
  shape      INT NOT NULL,
  doc        JSON NOT NULL,
  UNIQUE KEY habits_pair (kitchen_id, recipe_id, machine_id),
  CONSTRAINT habits_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT habits_recipe FOREIGN KEY (recipe_id) REFERENCES recipes (id),
  CONSTRAINT habits_machine FOREIGN KEY (machine_id) REFERENCES machines (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
