-- +goose Up
CREATE TABLE IF NOT EXISTS idempotency (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  name       VARCHAR(100) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'the Idempotency-Key',
  body_hash  BINARY(32) NOT NULL,
  status     INT NOT NULL,
  ref        VARCHAR(200) NOT NULL COMMENT 'what was made, for the answer to be made of again',
  created_at DATETIME(6) NOT NULL,
  UNIQUE KEY idempotency_name (kitchen_id, name),
  KEY idempotency_age (created_at),
  CONSTRAINT idempotency_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
