-- +goose Up
UPDATE recipes r JOIN recipe_versions v ON v.owner_id = r.id AND v.number = r.head
SET r.holds = COALESCE((SELECT GROUP_CONCAT(REPLACE(REPLACE(l.ingredient, 'unknown:', ''), '-', ' ') SEPARATOR ', ')
	FROM JSON_TABLE(v.doc, '$.lines[*]' COLUMNS (ingredient VARCHAR(200) PATH '$.ingredient')) l), '')
WHERE r.holds = '';
