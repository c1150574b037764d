package formats_test

import (
	"fmt"
	"strings"
	"testing"

	"risepan/formats"
)

// What pages have for JSON-LD where a machine can tell how it is meant: each is read as the same loaf.
func TestFaultyDataIsMendedWhereOneCanTellHow(t *testing.T) {
	const loaf = `{"@context":"https://schema.org","@type":"Recipe","name":"Lock loaf","recipeIngredient":["1 cup water",` +
		`"3 cups bread flour","2 tsp yeast"],"recipeInstructions":["Bake it on basic."]}`
	script := func(data string) string {
		return `<!doctype html><html><head><script type="application/ld+json">` + data + `</script></head><body>x</body></html>`
	}
	for name, text := range map[string]string{
		"whole":                loaf,
		"a trailing comma":     strings.Replace(loaf, `"2 tsp yeast"]`, `"2 tsp yeast",]`, 1),
		"a comma at the end":   loaf[:len(loaf)-1] + ",}",
		"a comment":            strings.Replace(loaf, `"name"`, `/* the name */ "name"`, 1),
		"entities":             strings.ReplaceAll(loaf, `"`, "&quot;"),
		"a bare quotation":     strings.Replace(loaf, "Bake it on basic.", `Bake it on "basic", 1 1/2 lb.`, 1),
		"line ends":            strings.Replace(loaf, "Bake it", "Bake\nit", 1),
		"in a script":          script(loaf),
		"in CDATA":             script("//<![CDATA[\n" + loaf + "\n//]]>"),
		"in commented CDATA":   script("/* <![CDATA[ */" + loaf + "/* ]]> */"),
		"in a comment of HTML": script("<!-- " + loaf + " -->"),
		"steps by their ids": `{"@context":"https://schema.org","@graph":[{"@type":"Recipe","name":"Lock loaf","recipeIngredient":` +
			`["1 cup water","3 cups bread flour","2 tsp yeast"],"recipeInstructions":[{"@id":"#s1"}]},{"@id":"#s1","@type":` +
			`"HowToStep","text":"Bake it on basic."}]}`,
		"prefixed": `{"@graph":[{"@type":"schema:Recipe","schema:name":"Lock loaf","schema:recipeIngredient":["1 cup water",` +
			`"3 cups bread flour","2 tsp yeast"],"schema:recipeInstructions":"Bake it on basic."}]}`,
		"expanded": `[{"@type":["http://schema.org/Recipe"],"http://schema.org/name":[{"@value":"Lock loaf"}],` +
			`"http://schema.org/recipeIngredient":[{"@value":"1 cup water"},{"@value":"3 cups bread flour"},` +
			`{"@value":"2 tsp yeast"}],"http://schema.org/recipeInstructions":[{"@value":"Bake it on basic."}]}]`,
		"a page saved in one file": "From: <Saved by a browser>\r\nMIME-Version: 1.0\r\nContent-Type: multipart/related; " +
			"type=\"text/html\"; boundary=\"edge\"\r\n\r\n--edge\r\nContent-Type: text/html\r\nContent-Transfer-Encoding: " +
			"quoted-printable\r\n\r\n" + strings.ReplaceAll(script(loaf), "=", "=3D") + "\r\n--edge--\r\n",
	} {
		cards, err := formats.Cards(text)
		if err != nil || len(cards) != 1 {
			t.Errorf("%s: %d cards, %v", name, len(cards), err)
			continue
		}
		for _, row := range []string{"Lock loaf", "1 cup water", "3 cups bread flour", "2 tsp yeast", "Bake it on"} {
			if !strings.Contains(cards[0].Text, row) {
				t.Errorf("%s: %q is not in\n%s", name, row, cards[0].Text)
			}
		}
	}
	for name, text := range map[string]string{"not whole": loaf[:60], "a loop of ids": `{"@type":"Recipe","name":"x",` +
		`"recipeIngredient":[{"@id":"a"}],"@graph":[{"@id":"a","item":{"@id":"a"}}]}`} {
		if cards, err := formats.Cards(text); err == nil && len(cards) == 1 && strings.Contains(cards[0].Text, "flour") {
			t.Errorf("%s: %+v", name, cards)
		}
	}
	if _, err := formats.Cards(fmt.Sprintf(`{"a":%s1%s}`, strings.Repeat("[", 80), strings.Repeat("]", 80))); err == nil {
		t.Error("what is nested too deep is read")
	}
}
