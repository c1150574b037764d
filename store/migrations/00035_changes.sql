-- +goose Up
CREATE TABLE IF NOT EXISTS changes (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  topic      VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  number     INT NOT NULL COMMENT 'how often it changed',
  UNIQUE KEY changes_topic (kitchen_id, topic),
  CONSTRAINT changes_of FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
