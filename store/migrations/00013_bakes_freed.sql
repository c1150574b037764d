-- +goose Up
ALTER TABLE bakes ADD COLUMN IF NOT EXISTS freed_at DATETIME(6) NULL COMMENT 'when a dough left the machine' AFTER ended_at;
