-- +goose Up
UPDATE bakes b SET
  crust = COALESCE(JSON_VALUE(plan, '$.setting.crust'), ''),
  flour = COALESCE(JSON_VALUE(plan, '$.formula.flour'), 0),
  sure = COALESCE(JSON_VALUE(plan, '$.formula.sure'), ''),
  verdict = COALESCE((SELECT h.doc FROM happenings h WHERE h.journal_id = b.id AND JSON_VALUE(h.doc, '$.what') = 'judged' ORDER BY h.seq DESC LIMIT 1), '{}'),
  used = COALESCE((SELECT JSON_ARRAYAGG(JSON_ARRAY(l.ingredient, l.grams)) FROM JSON_TABLE(b.plan, '$.lines[*]' COLUMNS (ingredient VARCHAR(120) PATH '$.ingredient', grams DOUBLE PATH '$.exact')) l), '[]')
WHERE crust = '' AND verdict = '{}' AND used = '[]';
