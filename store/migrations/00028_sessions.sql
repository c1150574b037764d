-- +goose Up
CREATE TABLE IF NOT EXISTS sessions (
  id           UUID NOT NULL PRIMARY KEY,
  household_id UUID NOT NULL,
  person_id    UUID NOT NULL,
  token        BINARY(32) NOT NULL COMMENT 'SHA-256 of what the device holds',
  device       VARCHAR(60) NOT NULL,
  created_at   DATETIME(6) NOT NULL,
  used_at      DATETIME(6) NOT NULL COMMENT 'noted once an hour',
  ends_at      DATETIME(6) NOT NULL,
  UNIQUE KEY sessions_token (token),
  KEY sessions_household (household_id),
  KEY sessions_age (ends_at),
  CONSTRAINT sessions_of FOREIGN KEY (household_id) REFERENCES households (id),
  CONSTRAINT sessions_person FOREIGN KEY (person_id) REFERENCES people (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
