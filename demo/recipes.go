package demo

import (
	"fmt"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// line writes one line of a demo recipe; a wrong amount is a mistake in this file.
type line struct {
	amount     string
	ingredient larder.ID
	when       recipe.When
}

func written(name string, kind recipe.Kind, size measure.LoafSize, note string, lines ...line) recipe.Recipe {
	r := recipe.Recipe{Name: name, Kind: kind, Size: size, Standard: measure.US, Note: note}
	for _, l := range lines {
		a, err := measure.Parse(l.amount, measure.US)
		if err != nil {
			panic(fmt.Sprintf("demo: %s: %v", name, err))
		}
		r.Lines = append(r.Lines, recipe.Line{Ingredient: l.ingredient, Amount: a, When: l.when})
	}
	return recipe.New(r)
}

func towpathWhite() recipe.Recipe {
	return written("Towpath white", recipe.White, middle, "The everyday loaf. Slices clean after an hour.",
		line{"1 cup", "water", ""}, line{"1 1/2 tbsp", "butter", ""}, line{"1 tbsp", "sugar", ""},
		line{"1 1/2 tsp", "salt", ""},
		line{"2 tbsp", "dry-milk", ""}, line{"3 cups", "bread-flour", ""}, line{"1 3/4 tsp", "active-dry-yeast", ""})
}

// oatLoaf is the loaf of the demo's story: with 2 1/2 tsp of yeast it kept collapsing.
func oatLoaf(water, yeast string) recipe.Recipe {
	return written("Oat and honey loaf", recipe.White, middle,
		"Oats drink slowly, so wait before correcting the dough ball.",
		line{water, "water", ""}, line{"1 1/2 tbsp", "oil", ""}, line{"1 1/2 tbsp", "honey", ""},
		line{"1 1/2 tsp", "salt", ""},
		line{"2 1/2 cups", "bread-flour", ""}, line{"3/4 cup", "oats", ""}, line{yeast, "active-dry-yeast", ""})
}

// Recipes lists the demo's recipes at their newest.
func Recipes() []recipe.Recipe {
	return append([]recipe.Recipe{towpathWhite(), oatLoaf("1 cup plus 1 tbsp", "1 3/4 tsp")}, otherRecipes()...)
}

func otherRecipes() []recipe.Recipe {
	return []recipe.Recipe{
		written("Lock-keeper's wholemeal", recipe.Wholemeal, middle,
			"Two thirds wholemeal; the gluten gives it a spring.",
			line{"1 cup plus 2 tbsp", "water", ""}, line{"1 1/2 tbsp", "oil", ""}, line{"1 tbsp", "honey", ""},
			line{"1 1/2 tsp", "salt", ""},
			line{"2 cups", "wholemeal-flour", ""}, line{"1 cup", "bread-flour", ""}, line{"1 tbsp", "gluten", ""},
			line{"2 tsp", "active-dry-yeast", ""}),
		written("Sluice-gate egg loaf", recipe.Sweet, middle,
			"Soft and yellow. Milk and egg: never on the delay timer.",
			line{"3/4 cup", "milk", ""}, line{"1", "egg", ""}, line{"1 tsp", "vanilla", ""}, line{"3 tbsp", "butter",
				""},
			line{"1/4 cup", "sugar", ""}, line{"1 1/4 tsp", "salt", ""}, line{"3 cups", "bread-flour", ""},
			line{"2 tsp", "active-dry-yeast", ""}),
		written("Mooring raisin loaf", recipe.Sweet, middle, "Toss the raisins in a little of the flour so that "+
			"they stay apart.",
			line{"1 cup", "water", ""}, line{"2 tbsp", "butter", ""}, line{"3 tbsp", "brown-sugar", ""},
			line{"1 1/4 tsp", "salt", ""},
			line{"1 1/2 tbsp", "dry-milk", ""}, line{"3 cups", "bread-flour", ""}, line{"1 1/2 tsp", "ground-spice",
				""},
			line{"2 tsp", "active-dry-yeast", ""}, line{"2/3 cup", "raisins", recipe.AtBeep},
			line{"1/3 cup", "walnuts", recipe.AtBeep}),
		written("Winding-hole crusty", recipe.Crusty, middle, "Lean and plain; best on the day.",
			line{"1 cup", "water", ""}, line{"2 tsp", "olive-oil", ""}, line{"1 tsp", "sugar", ""},
			line{"1 1/2 tsp", "salt", ""},
			line{"3 cups", "bread-flour", ""}, line{"1 1/4 tsp", "active-dry-yeast", ""}),
		written("Boathook rye", recipe.Rye, small, "Stays a little sticky in the pan: that is rye's way.",
			line{"2/3 cup", "water", ""}, line{"1 tbsp", "oil", ""}, line{"1 tbsp", "molasses", ""},
			line{"1 tsp", "salt", ""},
			line{"1 1/2 cups", "bread-flour", ""}, line{"1/2 cup", "rye-flour", ""}, line{"1 tsp", "ground-spice", ""},
			line{"1 1/4 tsp", "active-dry-yeast", ""}),
		written("Tiller gluten-free loaf", recipe.GlutenFree, middle,
			"A batter rather than a dough: scrape the sides once.",
			line{"1 1/4 cups", "water", ""}, line{"2", "egg", ""}, line{"3 tbsp", "oil", ""}, line{"1 tsp", "vinegar",
				""}, line{"2 tbsp", "sugar", ""},
			line{"1 1/4 tsp", "salt", ""}, line{"2 1/2 cups", "gf-blend", ""}, line{"2 tsp", "xanthan-gum", ""},
			line{"2 tsp", "active-dry-yeast", ""}),
		written("Swing-bridge rolls", recipe.Dough, middle, "Twelve rolls, shaped by hand and baked in the oven.",
			line{"1 cup plus 2 tbsp", "water", ""}, line{"2 tbsp", "olive-oil", ""}, line{"1 tsp", "sugar", ""},
			line{"1 1/2 tsp", "salt", ""},
			line{"3 cups", "bread-flour", ""}, line{"2 tsp", "active-dry-yeast", ""}),
		written("Boatyard banana bread", recipe.QuickBread, middle,
			"No yeast: for the day when the jar is empty. Three ripe bananas make the cup.",
			line{"1 cup", "banana", ""}, line{"1/4 cup", "milk", ""}, line{"2", "egg", ""}, line{"1/3 cup", "oil", ""},
			line{"1/2 cup", "sugar", ""},
			line{"1/2 tsp", "salt", ""}, line{"2 cups", "plain-flour", ""}, line{"2 tsp", "baking-powder", ""},
			line{"1/2 tsp", "baking-soda", ""}, line{"1/3 cup", "walnuts", ""}),
		written("Lift-bridge quick loaf", recipe.Rapid, middle,
			"For when somebody comes at short notice. Instant yeast, and a little more of it.",
			line{"1 cup plus 1 tbsp", "water", ""}, line{"1 1/2 tbsp", "oil", ""}, line{"1 1/2 tbsp", "sugar", ""},
			line{"1 1/4 tsp", "salt", ""},
			line{"3 cups", "bread-flour", ""}, line{"2 1/2 tsp", "instant-yeast", ""}),
		written("Towrope low-carb loaf", recipe.LowCarb, small,
			"Seeds and gluten. It drinks for a long time, and stays close.",
			line{"1 1/4 cups", "water", ""}, line{"2 tbsp", "oil", ""}, line{"1 tsp", "salt", ""},
			line{"3/4 cup", "gluten", ""},
			line{"3/4 cup", "lupin-flour", ""}, line{"1/2 cup", "oat-fibre", ""}, line{"2 tsp", "instant-yeast", ""},
			line{"1/4 cup", "sunflower-seed", ""}),
		written("Reed-bed sprouted loaf", recipe.Sprouted, middle,
			"Sprouted wheat, mashed wet; the held-back flour makes it a ball.",
			line{"1/2 cup", "water", ""}, line{"1 1/4 cups", "sprouted-puree", ""}, line{"1 tbsp", "oil", ""},
			line{"1 tbsp", "honey", ""}, line{"1 1/2 tsp", "salt", ""},
			line{"1 1/2 cups", "bread-flour", ""}, line{"1/2 cup", "bread-flour", recipe.AtKnead},
			line{"2 tsp", "active-dry-yeast", ""}),
		written("Chandler's packet loaf", recipe.Packet, middle,
			"From the shelf of the boat chandler. Its yeast is mixed in.",
			line{"320 ml", "water", ""}, line{"500 g", "bread-mix", ""}),
		with(written("Cinnamon coil", recipe.Filled, middle, "Rolled up with sugar and cinnamon while the machine "+
			"waits.",
			line{"3/4 cup plus 2 tbsp", "water", ""}, line{"3 tbsp", "butter", ""}, line{"3 tbsp", "sugar", ""},
			line{"1 1/4 tsp", "salt", ""},
			line{"2 tbsp", "dry-milk", ""}, line{"3 cups", "bread-flour", ""}, line{"2 tsp", "active-dry-yeast", ""}),
			recipe.Filling, line{"2 tbsp", "butter", ""}, line{"1/3 cup", "brown-sugar", ""},
			line{"1 tbsp", "ground-cinnamon", ""}),
		written("Cabin rye starter", recipe.Starter, small, "Feed it the evening before it is wanted.",
			line{"1 cup", "rye-flour", ""}, line{"1/2 cup", "water", ""}, line{"1 tbsp", "rye-sourdough-starter", ""}),
		written("Cabin sour rye", recipe.Rye, middle,
			"From the cabin starter, which brings flour and water of its own.",
			line{"3/4 cup", "water", ""}, line{"3/4 cup", "rye-sourdough-starter", ""}, line{"1 tbsp", "molasses", ""},
			line{"1 1/2 tsp", "salt", ""},
			line{"1 1/2 cups", "bread-flour", ""}, line{"1 cup", "rye-flour", ""},
			line{"1 1/2 tsp", "active-dry-yeast", ""}),
		written("Lockside egg pasta", recipe.Pasta, small, "A firm dough: it comes together late.",
			line{"3", "egg", ""}, line{"1 tbsp", "water", ""}, line{"1 tsp", "olive-oil", ""},
			line{"2 1/4 cups", "plain-flour", ""}),
		written("Hedgerow jam", recipe.Preserve, middle, "Brambles from the towpath. It thickens as it chills.",
			line{"3 cups", "blackberries", ""}, line{"1 3/4 cups", "sugar", ""}, line{"2 tbsp", "lemon-juice", ""}),
		written("Galley yoghurt", recipe.Yoghurt, middle, "Three spoonfuls of the last one begin the next.",
			line{"4 cups", "milk", ""}, line{"3 tbsp", "yoghurt", ""}),
		with(written("Winter mooring meat loaf", recipe.BakeOnly, middle, "Mixed in a bowl and baked without the "+
			"paddle. Ketchup on top for the last half hour.",
			line{"600 g", "minced-beef", ""}, line{"1/2 cup", "breadcrumbs", ""}, line{"1", "egg", ""},
			line{"1 tsp", "salt", ""}, line{"1 tsp", "dried-herbs", ""}),
			recipe.Glaze, line{"2 tbsp", "tomato-ketchup", ""}),
	}
}

// with is a recipe with lines of another part than its dough.
func with(r recipe.Recipe, part recipe.Part, lines ...line) recipe.Recipe {
	for _, l := range written(r.Name, r.Kind, r.Size, r.Note, lines...).Lines {
		l.Part = part
		r.Lines = append(r.Lines, l)
	}
	return recipe.New(r)
}
