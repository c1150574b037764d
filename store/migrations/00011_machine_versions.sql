-- +goose Up
CREATE TABLE machine_versions (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  machine_id UUID NOT NULL,
  version    INT NOT NULL,
  doc        JSON NOT NULL,
  created_at DATETIME(6) NOT NULL COMMENT 'when it was replaced',
  UNIQUE KEY machine_versions_version (machine_id, version),
  CONSTRAINT machine_versions_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT machine_versions_machine FOREIGN KEY (machine_id) REFERENCES machines (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
