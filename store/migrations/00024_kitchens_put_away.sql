-- +goose Up
ALTER TABLE kitchens ADD COLUMN IF NOT EXISTS put_away BOOLEAN NOT NULL DEFAULT FALSE COMMENT 'another was restored in its place, or its restoring was undone';
