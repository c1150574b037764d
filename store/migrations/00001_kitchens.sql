-- +goose Up
CREATE TABLE kitchens (
  id         UUID NOT NULL PRIMARY KEY,
  name       VARCHAR(120) NOT NULL,
  doc        JSON NOT NULL,
  version    INT NOT NULL,
  created_at DATETIME(6) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
