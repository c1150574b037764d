-- +goose Up
CREATE TABLE kitchen_versions (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  version    INT NOT NULL,
  doc        JSON NOT NULL,
  created_at DATETIME(6) NOT NULL COMMENT 'when it was replaced',
  UNIQUE KEY kitchen_versions_version (kitchen_id, version),
  CONSTRAINT kitchen_versions_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
