-- +goose Up
ALTER TABLE bakes
  ADD COLUMN IF NOT EXISTS crust    VARCHAR(20) NOT NULL DEFAULT '' COMMENT 'that was set',
  ADD COLUMN IF NOT EXISTS verdict  JSON NOT NULL DEFAULT '{}' COMMENT 'follows from what happened',
  ADD COLUMN IF NOT EXISTS photo    UUID NULL COMMENT 'the newest; follows from what happened',
  ADD COLUMN IF NOT EXISTS bench_id UUID NULL COMMENT 'that the loaf was measured at',
  ADD COLUMN IF NOT EXISTS rehearsed BOOLEAN NOT NULL DEFAULT FALSE COMMENT 'no flour was used',
  ADD COLUMN IF NOT EXISTS flour     DOUBLE NOT NULL DEFAULT 0 COMMENT 'g',
  ADD COLUMN IF NOT EXISTS sure      VARCHAR(20) NOT NULL DEFAULT '' COMMENT 'how surely its flour was measured',
  ADD COLUMN IF NOT EXISTS ball      VARCHAR(20) NOT NULL DEFAULT '' COMMENT 'as it was seen last; this and the next two follow from what happened',
  ADD COLUMN IF NOT EXISTS doses     JSON NOT NULL DEFAULT '[]',
  ADD COLUMN IF NOT EXISTS probe_off DOUBLE NULL COMMENT 'by how much the dough was warmer than was aimed at, in degrees Celsius',
  ADD COLUMN IF NOT EXISTS used     JSON NOT NULL DEFAULT '[]' COMMENT 'pairs of ingredient and grams';
