-- +goose Up
CREATE TABLE idempotency (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  name       VARCHAR(100) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'the Idempotency-Key',
  body_hash  BINARY(32) NOT NULL,
  status     INT NOT NULL,
  response   MEDIUMTEXT NOT NULL,
  created_at DATETIME(6) NOT NULL,
  UNIQUE KEY idempotency_name (kitchen_id, name),
  CONSTRAINT idempotency_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
