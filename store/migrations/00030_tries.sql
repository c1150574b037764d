-- +goose Up
CREATE TABLE IF NOT EXISTS tries (
  id     UUID NOT NULL PRIMARY KEY,
  scope  BINARY(32) NOT NULL COMMENT 'SHA-256 of what is counted: an address or a name',
  began  DATETIME(6) NOT NULL,
  number INT NOT NULL,
  UNIQUE KEY tries_scope (scope),
  KEY tries_age (began)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_uca1400_ai_ci;
