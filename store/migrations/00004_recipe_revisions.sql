-- +goose Up
CREATE TABLE recipe_revisions (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  recipe_id  UUID NOT NULL,
  number     INT NOT NULL,
  shape      INT NOT NULL,
  doc        JSON NOT NULL,
  created_at DATETIME(6) NOT NULL,
  UNIQUE KEY recipe_revisions_number (recipe_id, number),
  CONSTRAINT recipe_revisions_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT recipe_revisions_recipe FOREIGN KEY (recipe_id) REFERENCES recipes (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
