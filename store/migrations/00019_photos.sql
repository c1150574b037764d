-- +goose Up
CREATE TABLE IF NOT EXISTS photos (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  bake_id    UUID NULL COMMENT 'that it was taken of',
  width      INT NOT NULL COMMENT 'in points, of the whole picture',
  height     INT NOT NULL,
  picture    MEDIUMBLOB NOT NULL COMMENT 'JPEG',
  small      MEDIUMBLOB NOT NULL COMMENT 'the same for lists',
  created_at DATETIME(6) NOT NULL,
  KEY photos_kitchen (kitchen_id, id),
  CONSTRAINT photos_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT photos_bake FOREIGN KEY (bake_id) REFERENCES bakes (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
