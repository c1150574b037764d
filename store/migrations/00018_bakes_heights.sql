-- +goose Up
ALTER TABLE bakes ADD COLUMN IF NOT EXISTS heights JSON NOT NULL DEFAULT '[]' COMMENT 'how high it stood, by the minute; follows from what happened';
