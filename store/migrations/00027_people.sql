-- +goose Up
CREATE TABLE IF NOT EXISTS people (
  id           UUID NOT NULL PRIMARY KEY,
  household_id UUID NOT NULL,
  name         VARCHAR(60) NOT NULL,
  role         VARCHAR(10) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'owner or member',
  created_at   DATETIME(6) NOT NULL,
  KEY people_household (household_id),
  CONSTRAINT people_of FOREIGN KEY (household_id) REFERENCES households (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
