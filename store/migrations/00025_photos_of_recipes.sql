-- +goose Up
ALTER TABLE photos
  ADD COLUMN IF NOT EXISTS recipe_id UUID NULL COMMENT 'whose card it shows',
  ADD COLUMN IF NOT EXISTS put_away BOOLEAN NOT NULL DEFAULT FALSE,
  ADD CONSTRAINT FOREIGN KEY IF NOT EXISTS photos_recipe (recipe_id) REFERENCES recipes (id);
