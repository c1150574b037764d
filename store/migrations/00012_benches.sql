-- +goose Up
CREATE TABLE benches (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  recipe_id  UUID NOT NULL,
  machine_id UUID NOT NULL,
  wish       JSON NOT NULL COMMENT 'as the baker planned it',
  is_over    BOOLEAN NOT NULL DEFAULT FALSE COMMENT 'started or cleared; follows from the happenings',
  created_at DATETIME(6) NOT NULL,
  KEY benches_open (kitchen_id, is_over, created_at),
  CONSTRAINT benches_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT benches_recipe FOREIGN KEY (recipe_id) REFERENCES recipes (id),
  CONSTRAINT benches_machine FOREIGN KEY (machine_id) REFERENCES machines (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
