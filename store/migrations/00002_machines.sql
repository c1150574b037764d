-- +goose Up
CREATE TABLE machines (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  name       VARCHAR(120) NOT NULL,
  doc        JSON NOT NULL,
  version    INT NOT NULL,
  created_at DATETIME(6) NOT NULL,
  CONSTRAINT machines_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
