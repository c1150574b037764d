package plan_test

import (
	"math"
	"slices"
	"strconv"
	"strings"
	"testing"

	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/recipe/recipetest"
	"risepan/demo"
)

// layersOf writes a pan's layers from its floor upwards, with how each lies.
func layersOf(t *testing.T, r recipe.Recipe, m machine.Machine, order pan.Order) string {
	t.Helper()
	w := wish(t, "Towpath white", m, oneHalf, "")
	w.Recipe, w.Loading.Order = r, order
	p := mustMake(t, w)
	names := map[string]string{}
	for _, l := range p.Lines {
		names[l.ID] = string(l.Ingredient)
	}
	var out []string
	for _, layer := range p.Pan.Layers {
		var in []string
		for _, id := range layer.Lines {
			in = append(in, names[id])
		}
		text := strings.Join(in, " ")
		if layer.Place != "" {
			text += " (" + string(layer.Place) + ")"
		}
		out = append(out, text)
	}
	return strings.Join(out, " | ")
}

// Every kind of recipe in every order, as a baker would lay it: butter in pieces, oil poured, yeast dry,
// leavening never stirred into the liquid, a quick bread a batter whatever the machine.
func TestEveryKindInEveryOrder(t *testing.T) {
	text := func(kind recipe.Kind, lines string) recipe.Recipe {
		l := recipetest.Lines(t, lines)
		return recipe.Recipe{Name: string(kind), Kind: kind, Size: oneHalf, Standard: measure.US, Lines: l}
	}
	batter := "milk | banana | oil | egg | sugar salt | plain-flour | baking-powder baking-soda (in the middle) | " +
		"walnuts"
	for _, c := range []struct {
		recipe                                     recipe.Recipe
		wetFirst, dryFirst, box, bloomed, premixed string
	}{
		{
			named(t, "Towpath white"),
			"water | butter (in pieces) | sugar salt | dry-milk | bread-flour | active-dry-yeast (in a well)",
			"active-dry-yeast | bread-flour | sugar salt | dry-milk | butter (in pieces) | water",
			"active-dry-yeast (in its dispenser) | bread-flour | sugar salt | dry-milk | butter (in pieces) | water",
			"water | active-dry-yeast (stirred in) | butter (in pieces) | dry-milk | bread-flour | sugar salt (in " +
				"the corners)",
			"water | butter (in pieces) | sugar salt dry-milk bread-flour (mixed in a bowl) | active-dry-yeast (in " +
				"the middle)",
		},
		{
			named(t, "Lock-keeper's wholemeal"),
			"water honey | oil | salt | wholemeal-flour bread-flour | gluten | active-dry-yeast (in a well)",
			"active-dry-yeast | wholemeal-flour bread-flour | salt | gluten | oil | water honey",
			"active-dry-yeast (in its dispenser) | wholemeal-flour bread-flour | salt | gluten | oil | water honey",
			"water honey | active-dry-yeast (stirred in) | oil | wholemeal-flour bread-flour | salt (in the " +
				"corners) | gluten",
			"water honey | oil | salt wholemeal-flour bread-flour gluten (mixed in a bowl) | active-dry-yeast (in " +
				"the middle)",
		},
		{
			named(t, "Winding-hole crusty"),
			"water | olive-oil | sugar salt | bread-flour | active-dry-yeast (in a well)",
			"active-dry-yeast | bread-flour | sugar salt | olive-oil | water",
			"active-dry-yeast (in its dispenser) | bread-flour | sugar salt | olive-oil | water",
			"water | active-dry-yeast (stirred in) | olive-oil | bread-flour | sugar salt (in the corners)",
			"water | olive-oil | sugar salt bread-flour (mixed in a bowl) | active-dry-yeast (in the middle)",
		},
		{
			named(t, "Sluice-gate egg loaf"),
			"milk egg vanilla | butter (in pieces) | sugar salt | bread-flour | active-dry-yeast (in a well)",
			"active-dry-yeast | bread-flour | sugar salt | butter (in pieces) | milk egg vanilla",
			"active-dry-yeast (in its dispenser) | bread-flour | sugar salt | butter (in pieces) | milk egg vanilla",
			"milk egg vanilla | active-dry-yeast (stirred in) | butter (in pieces) | bread-flour | sugar salt (in " +
				"the corners)",
			"milk egg vanilla | butter (in pieces) | sugar salt bread-flour (mixed in a bowl) | active-dry-yeast " +
				"(in the middle)",
		},
		{
			named(t, "Tiller gluten-free loaf"),
			"water egg vinegar | oil | sugar salt | gf-blend | xanthan-gum | active-dry-yeast (in a well)",
			"active-dry-yeast | gf-blend | sugar salt | xanthan-gum | oil | water egg vinegar",
			"active-dry-yeast (in its dispenser) | gf-blend | sugar salt | xanthan-gum | oil | water egg vinegar",
			"water egg vinegar | active-dry-yeast (stirred in) | oil | gf-blend | sugar salt (in the corners) | " +
				"xanthan-gum",
			"water egg vinegar | oil | sugar salt gf-blend xanthan-gum (mixed in a bowl) | active-dry-yeast (in the " +
				"middle)",
		},
		{
			text(recipe.LowCarb, "1 cup water; 2 eggs; 2 tbsp olive oil; 1 tsp salt; 1 cup vital wheat gluten; 1/2 "+
				"cup lupin flour; 1/2 cup oat fibre; 2 tsp instant yeast; 1 tsp baking powder"),
			"water egg | olive-oil | salt | lupin-flour oat-fibre | gluten | instant-yeast baking-powder (in a well)",
			"instant-yeast baking-powder | lupin-flour oat-fibre | salt | gluten | olive-oil | water egg",
			"instant-yeast (in its dispenser) | baking-powder | lupin-flour oat-fibre | salt | gluten | olive-oil | " +
				"water egg",
			"water egg | instant-yeast (stirred in) | olive-oil | lupin-flour oat-fibre | salt (in the corners) | " +
				"baking-powder (in the middle) | gluten",
			"water egg | olive-oil | salt gluten lupin-flour oat-fibre baking-powder (mixed in a bowl) | " +
				"instant-yeast (in the middle)",
		},
		{
			text(recipe.Dough, "1 cup water; 2 tbsp butter; 1 tbsp sugar; 1 1/2 tsp salt; 3 cups bread flour; 2 tsp "+
				"active dry yeast"),
			"water | butter (in pieces) | sugar salt | bread-flour | active-dry-yeast (in a well)",
			"active-dry-yeast | bread-flour | sugar salt | butter (in pieces) | water",
			"active-dry-yeast (in its dispenser) | bread-flour | sugar salt | butter (in pieces) | water",
			"water | active-dry-yeast (stirred in) | butter (in pieces) | bread-flour | sugar salt (in the corners)",
			"water | butter (in pieces) | sugar salt bread-flour (mixed in a bowl) | active-dry-yeast (in the middle)",
		},
		{named(t, "Boatyard banana bread"), batter, batter, batter, batter, batter},
	} {
		box := demo.Boatyard()
		box.YeastBox = true
		for _, o := range []struct {
			name    string
			machine machine.Machine
			order   pan.Order
			want    string
		}{
			{"a wet-first machine", demo.Galley(), "", c.wetFirst}, {"a dry-first machine", demo.Boatyard(), "",
				c.dryFirst},
			{"a dry-first machine with a yeast dispenser", box, "", c.box},
			{"bloomed", demo.Galley(), pan.Bloomed, c.bloomed}, {"dry mixed first", demo.Galley(), pan.Premixed,
				c.premixed},
		} {
			if got := layersOf(t, c.recipe, o.machine, o.order); got != o.want {
				t.Errorf("%s, %s:\n got %s\nwant %s", c.recipe.Name, o.name, got, o.want)
			}
		}
	}
}

// Yeast in the machine's own dispenser does not weigh on a scale under the pan, though it is filled first.
func TestTheRunningTotalIsOfThePan(t *testing.T) {
	w := wish(t, "Towpath white", demo.Boatyard(), oneHalf, "")
	w.Loading.Yeast = pan.YeastBox
	p := mustMake(t, w)
	var in measure.Grams
	last := ""
	for _, layer := range p.Pan.Layers {
		for _, id := range layer.Lines {
			l := p.Lines[slices.IndexFunc(p.Lines, func(l plan.Line) bool { return l.ID == id })]
			if layer.Place == pan.OwnBox {
				if l.Running != "" {
					t.Errorf("with %s in its dispenser the scale shows %s", l.Name, l.Running)
				}
				continue
			}
			in, last = in+l.Exact, l.Running
		}
	}
	shown, err := strconv.ParseFloat(strings.TrimSuffix(last, " g"), 64)
	if err != nil || math.Abs(shown-float64(in)) > 3 {
		t.Errorf("the scale shows %q, and %.1f g are in the pan", last, float64(in))
	}
}
