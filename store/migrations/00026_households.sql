-- +goose Up
CREATE TABLE IF NOT EXISTS households (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL COMMENT 'that its people work in',
  name       VARCHAR(60) NOT NULL COMMENT 'by which its people sign in',
  passphrase VARCHAR(200) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'argon2id',
  recovery   BINARY(32) NOT NULL COMMENT 'SHA-256 of the code that was shown for printing',
  made_key   VARCHAR(100) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'the Idempotency-Key of its making',
  created_at DATETIME(6) NOT NULL,
  UNIQUE KEY households_kitchen (kitchen_id),
  UNIQUE KEY households_name (name),
  CONSTRAINT households_of FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
