-- +goose Up
ALTER TABLE bakes ADD COLUMN mark INT NOT NULL DEFAULT 0 COMMENT 'as judged, 1 to 5; follows from the happenings';
