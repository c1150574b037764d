-- +goose Up
CREATE TABLE recipes (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  name       VARCHAR(120) NOT NULL,
  head       INT NOT NULL COMMENT 'the number of the newest revision',
  created_at DATETIME(6) NOT NULL,
  CONSTRAINT recipes_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
