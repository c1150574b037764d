-- +goose Up
CREATE TABLE bakes (
  id          UUID NOT NULL PRIMARY KEY,
  kitchen_id  UUID NOT NULL,
  revision_id UUID NOT NULL,
  machine_id  UUID NOT NULL,
  shape       INT NOT NULL,
  plan        JSON NOT NULL COMMENT 'as it was on the day; never changes',
  wished_wall VARCHAR(16) NULL COMMENT 'the wished ready time on the kitchen clock',
  wished_zone VARCHAR(64) NOT NULL,
  wished_at   DATETIME(6) NULL COMMENT 'the instant that it resolved to',
  started_at  DATETIME(6) NOT NULL,
  KEY bakes_newest (kitchen_id, started_at),
  CONSTRAINT bakes_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT bakes_revision FOREIGN KEY (revision_id) REFERENCES recipe_revisions (id),
  CONSTRAINT bakes_machine FOREIGN KEY (machine_id) REFERENCES machines (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
