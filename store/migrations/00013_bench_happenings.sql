-- +goose Up
CREATE TABLE bench_happenings (
  id         UUID NOT NULL PRIMARY KEY,
  kitchen_id UUID NOT NULL,
  bench_id   UUID NOT NULL,
  seq        INT NOT NULL,
  doc        JSON NOT NULL,
  created_at DATETIME(6) NOT NULL,
  UNIQUE KEY bench_happenings_seq (bench_id, seq),
  CONSTRAINT bench_happenings_kitchen FOREIGN KEY (kitchen_id) REFERENCES kitchens (id),
  CONSTRAINT bench_happenings_bench FOREIGN KEY (bench_id) REFERENCES benches (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4;
