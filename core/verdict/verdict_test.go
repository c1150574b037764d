package verdict_test

import (
	"os"
	"slices"
	"strings"
	"testing"

	"risepan/core/bake"
	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/verdict"
	"risepan/demo"
)

// vocabulary finds the words of a vocabulary in a text, longest first, for some of them hold a comma.
func vocabulary(t *testing.T, text string, words []string) []string {
	t.Helper()
	sorted := slices.Clone(words)
	slices.SortFunc(sorted, func(a, b string) int { return len(b) - len(a) })
	var out []string
	for text = strings.TrimSpace(text); text != ""; text = strings.Trim(text, ", ") {
		n := slices.IndexFunc(sorted, func(w string) bool { return strings.HasPrefix(text, w) })
		if n < 0 {
			t.Fatalf("no such word: %q", text)
		}
		out, text = append(out, sorted[n]), text[len(sorted[n]):]
	}
	return out
}

// Every row of cases.txt: with these signs and this evidence, that cause comes first, and those never.
func TestSignsAndEvidence(t *testing.T) {
	text, err := os.ReadFile("testdata/cases.txt")
	if err != nil {
		t.Fatal(err)
	}
	rows := 0
	for _, row := range strings.Split(strings.TrimSpace(string(text)), "\n") {
		if strings.HasPrefix(row, "#") {
			continue
		}
		c := strings.Split(row, "|")
		if len(c) != 4 {
			t.Fatalf("%d cells: %s", len(c), row)
		}
		rows++
		seen := verdict.Seen{All: true}
		for _, s := range vocabulary(t, c[0], bake.Sign("").Words()) {
			seen.Signs = append(seen.Signs, bake.Sign(s))
		}
		for _, f := range vocabulary(t, c[1], verdict.Fact("").Words()) {
			seen.Facts = append(seen.Facts, verdict.Fact(f))
		}
		may, never := vocabulary(t, c[2], verdict.Cause("").Words()), vocabulary(t, c[3], verdict.Cause("").Words())
		ranked := verdict.Weigh(seen)
		if len(ranked) == 0 {
			t.Errorf("%s\n\tno cause at all", row)
			continue
		}
		if first := string(ranked[0].Cause); !slices.Contains(may, first) || slices.Contains(never, first) {
			t.Errorf("%s\n\tfirst comes %s (%.0f %%), then %s", row, first, 100*ranked[0].Share, ranked[1].Cause)
		}
	}
	if rows < 60 {
		t.Errorf("%d cases, want 60", rows)
	}
}

// A good loaf has no cause to look for, whatever is unusual about it.
func TestAGoodLoafIsLeftAlone(t *testing.T) {
	if got := verdict.Weigh(verdict.Seen{Signs: []bake.Sign{bake.Domed, bake.FineCrumb}, All: true,
		Facts: []verdict.Fact{verdict.YeastHigh, verdict.OldYeast}}); len(got) > 0 {
		t.Errorf("a good loaf is given %v", got)
	}
	if got := verdict.Weigh(verdict.Seen{}); len(got) > 0 {
		t.Errorf("nothing was said of it, and it is given %v", got)
	}
}

// The one change is a small step of the recipe's own amount, in its own measures.
func TestTheOneChange(t *testing.T) {
	white := demo.Recipes()[0] // 1 cup water, 1 1/2 tsp salt, 1 3/4 tsp yeast
	weighed := recipe.New(recipe.Recipe{Name: "Weighed", Kind: recipe.White, Size: measure.LoafPounds(3, 2),
		Standard: measure.US, Lines: []recipe.Line{
			{Ingredient: "water", Amount: measure.Of(250, 1, measure.Gram)}, {Ingredient: "bread-flour",
				Amount: measure.Of(400, 1, measure.Gram)}, {Ingredient: "active-dry-yeast", Amount: measure.Of(6, 1,
				measure.Gram)}}})
	spoons, scale := kitchen.New("Spoons", "UTC"), kitchen.New("Scale", "UTC")
	scale.Scale = true
	for _, c := range []struct {
		k     kitchen.Kitchen
		r     recipe.Recipe
		cause verdict.Cause
		want  string // empty: none
	}{
		{spoons, white, verdict.TooWet, "water 1 cup → 3/4 cup + 3 tbsp"}, {spoons, white, verdict.TooDry,
			"water 1 cup → 1 cup + 1 tbsp"},
		{spoons, white, verdict.MuchYeast, "active dry yeast 1 3/4 tsp → 1 1/2 tsp"},
		{spoons, white, verdict.LittleYeast, "active dry yeast 1 3/4 tsp → 2 tsp"},
		{spoons, white, verdict.MuchSalt, "table salt 1 1/2 tsp → 1 1/4 tsp"}, {spoons, white, verdict.CutHot, ""},
		{spoons, white, verdict.NoPaddle, ""},
		{scale, weighed, verdict.TooWet, "water 250 g → 235 g"}, {scale, weighed, verdict.MuchYeast,
			"active dry yeast 6 g → 5.2 g"}, {scale, weighed, verdict.MuchSalt, ""},
		{spoons, weighed, verdict.MuchYeast, "active dry yeast 2 tsp → 1 3/4 tsp"}, {spoons, weighed, verdict.TooWet,
			"water 1 cup + 1 tbsp → 1 cup"},
	} {
		got := ""
		if change := verdict.Propose(c.k, plan.Plan{}, c.r, c.cause); change != nil {
			got = change.Say()
		}
		if got != c.want {
			t.Errorf("%s, %s: %q, want %q", c.r.Name, c.cause, got, c.want)
		}
	}
}
