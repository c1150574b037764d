-- +goose Up
CREATE TABLE IF NOT EXISTS pairings (
  id           UUID NOT NULL PRIMARY KEY,
  household_id UUID NOT NULL,
  person_id    UUID NULL COMMENT 'whose further device it is for; empty: somebody new',
  code         BINARY(32) NOT NULL COMMENT 'SHA-256 of the six letters',
  ends_at      DATETIME(6) NOT NULL,
  UNIQUE KEY pairings_code (code),
  UNIQUE KEY pairings_household (household_id),
  CONSTRAINT pairings_of FOREIGN KEY (household_id) REFERENCES households (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
