-- +goose Up
CREATE TABLE IF NOT EXISTS addresses (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  what       VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'recipe or calendar',
  thing_id   UUID NOT NULL COMMENT 'the recipe; of a calendar the kitchen',
  token      BINARY(32) NOT NULL COMMENT 'SHA-256 of the secret in the address',
  created_at DATETIME(6) NOT NULL,
  UNIQUE KEY addresses_token (token),
  UNIQUE KEY addresses_thing (kitchen_id, what, thing_id),
  CONSTRAINT addresses_of FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
