-- +goose Up
INSERT IGNORE INTO asides (id, kitchen_id, beside_id)
  SELECT away.id, away.id, (SELECT id FROM kitchens WHERE NOT put_away ORDER BY id LIMIT 1) FROM kitchens away
  WHERE away.put_away AND EXISTS (SELECT 1 FROM kitchens WHERE NOT put_away);
