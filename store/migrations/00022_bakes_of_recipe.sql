-- +goose Up
ALTER TABLE bakes ADD INDEX IF NOT EXISTS bakes_of_recipe (kitchen_id, recipe_id, put_away, started_at, id);
