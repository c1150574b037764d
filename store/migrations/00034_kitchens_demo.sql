-- +goose Up
ALTER TABLE kitchens ADD COLUMN IF NOT EXISTS is_demo BOOLEAN NOT NULL DEFAULT FALSE COMMENT 'made to be looked round in';
