-- +goose Up
ALTER TABLE recipes ADD COLUMN IF NOT EXISTS holds TEXT NOT NULL DEFAULT '' COMMENT 'what is in it, to look for' AFTER note;
