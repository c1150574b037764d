package larder

// The working values of a home kitchen. Grams are for one US cup (236.588 ml), filled lightly and
// levelled; a row given by the spoon is multiplied up (48 tsp or 16 tbsp to the cup). Shares are
// grams per 100 g, from usual food composition figures, rounded to what a home kitchen can tell
// apart. A cup of flour is the least certain figure here: see Cup.
const (
	tsp  = 48 // teaspoons in a cup
	tbsp = 16 // tablespoons in a cup
)

var (
	wheat = []Allergen{Wheat}
	milk  = []Allergen{Milk}
	egg   = []Allergen{Eggs}
	nuts  = []Allergen{Nuts}
)

var table = []Ingredient{
	{ID: "water", Name: "water", Names: []string{"tap water", "warm water", "lukewarm water"}, Kind: Liquid, PerCup: 236.6, Shares: Shares{Water: 100}},
	{ID: "milk", Name: "whole milk", Names: []string{"milk", "full-fat milk"}, Kind: Liquid, PerCup: 244, Shares: Shares{Water: 88, Fat: 3.3, Sugar: 5, Salt: 0.1, Protein: 3.3}, Spoils: true, Milky: true, Allergens: milk},
	{ID: "skimmed-milk", Name: "skimmed milk", Names: []string{"skim milk", "low-fat milk"}, Kind: Liquid, PerCup: 245, Shares: Shares{Water: 91, Fat: 0.2, Sugar: 5, Salt: 0.1, Protein: 3.4}, Spoils: true, Milky: true, Allergens: milk},
	{ID: "half-cream", Name: "half cream", Names: []string{"half-and-half", "single cream"}, Kind: Liquid, PerCup: 242, Shares: Shares{Water: 80, Fat: 11.5, Sugar: 4.3, Salt: 0.1, Protein: 3}, Spoils: true, Milky: true, Allergens: milk},
	{ID: "buttermilk", Name: "buttermilk", Kind: Liquid, PerCup: 245, Shares: Shares{Water: 90, Fat: 1, Sugar: 4.8, Salt: 0.2, Protein: 3.3}, Spoils: true, Milky: true, Allergens: milk},
	{ID: "yoghurt", Name: "plain yoghurt", Names: []string{"yoghurt", "yogurt", "plain yogurt"}, Kind: Liquid, PerCup: 245, Shares: Shares{Water: 88, Fat: 3.3, Sugar: 4.8, Salt: 0.1, Protein: 3.5}, Spoils: true, Milky: true, Allergens: milk},
	{ID: "soured-cream", Name: "soured cream", Names: []string{"sour cream"}, Kind: Liquid, PerCup: 230, Shares: Shares{Water: 73, Fat: 19, Sugar: 4, Salt: 0.1, Protein: 2.5}, Spoils: true, Milky: true, Allergens: milk},
	{ID: "cottage-cheese", Name: "cottage cheese", Kind: Liquid, PerCup: 225, Shares: Shares{Water: 80, Fat: 4.3, Sugar: 2.7, Salt: 0.9, Protein: 11}, Spoils: true, Milky: true, Allergens: milk},
	{ID: "cream-cheese", Name: "cream cheese", Kind: Fat, PerCup: 232, Shares: Shares{Water: 54, Fat: 34, Sugar: 3.5, Salt: 0.8, Protein: 6}, Spoils: true, Milky: true, Allergens: milk, State: Softened},
	{ID: "orange-juice", Name: "orange juice", Names: []string{"juice of an orange"}, Kind: Liquid, PerCup: 248, Each: 80, Shares: Shares{Water: 88, Sugar: 8.5, Protein: 0.7}},
	{ID: "apple-juice", Name: "apple juice", Kind: Liquid, PerCup: 248, Shares: Shares{Water: 88, Sugar: 10}},
	{ID: "lemon-juice", Name: "lemon juice", Kind: Liquid, PerCup: 244, Shares: Shares{Water: 92, Sugar: 2.5}},
	{ID: "vinegar", Name: "vinegar", Names: []string{"cider vinegar"}, Kind: Liquid, PerCup: 239, Shares: Shares{Water: 94, Sugar: 0.4}},
	{ID: "vanilla", Name: "vanilla extract", Names: []string{"vanilla"}, Kind: Liquid, PerCup: 4.2 * tsp, Shares: Shares{Water: 50, Sugar: 12}},

	{ID: "egg", Name: "large egg", Names: []string{"egg", "eggs", "large eggs"}, Kind: Egg, Shell: true, PerCup: 50 / 3.25 * tbsp, Each: 50, Shares: Shares{Water: 76, Fat: 9.5, Sugar: 0.4, Salt: 0.35, Protein: 12.5}, Spoils: true, Allergens: egg},
	{ID: "egg-medium", Name: "medium egg", Names: []string{"medium eggs"}, Kind: Egg, Shell: true, PerCup: 50 / 3.25 * tbsp, Each: 44, Shares: Shares{Water: 76, Fat: 9.5, Sugar: 0.4, Salt: 0.35, Protein: 12.5}, Spoils: true, Allergens: egg},
	{ID: "egg-extra-large", Name: "extra large egg", Names: []string{"extra large eggs"}, Kind: Egg, Shell: true, PerCup: 50 / 3.25 * tbsp, Each: 56, Shares: Shares{Water: 76, Fat: 9.5, Sugar: 0.4, Salt: 0.35, Protein: 12.5}, Spoils: true, Allergens: egg},
	{ID: "egg-white", Name: "egg white", Names: []string{"egg whites"}, Kind: Egg, PerCup: 243, Each: 33, Shares: Shares{Water: 88, Fat: 0.2, Sugar: 0.7, Salt: 0.4, Protein: 11}, Spoils: true, Allergens: egg},
	{ID: "egg-yolk", Name: "egg yolk", Names: []string{"egg yolks"}, Kind: Egg, PerCup: 243, Each: 17, Shares: Shares{Water: 52, Fat: 27, Sugar: 0.6, Salt: 0.12, Protein: 16}, Spoils: true, Allergens: egg},
	{ID: "dried-egg", Name: "dried egg", Names: []string{"egg powder"}, Kind: DryExtra, PerCup: 85, Shares: Shares{Water: 4, Fat: 41, Sugar: 3, Salt: 1.3, Protein: 48}, Allergens: egg},

	{ID: "butter", Name: "butter", Names: []string{"unsalted butter"}, Kind: Fat, PerCup: 227, Shares: Shares{Water: 16, Fat: 81, Sugar: 0.1, Protein: 0.9}, Milky: true, Allergens: milk, State: Softened},
	{ID: "salted-butter", Name: "salted butter", Kind: Fat, PerCup: 227, Shares: Shares{Water: 16, Fat: 81, Sugar: 0.1, Salt: 1.7, Protein: 0.9}, Milky: true, Allergens: milk, State: Softened},
	{ID: "margarine", Name: "margarine", Kind: Fat, PerCup: 227, Shares: Shares{Water: 16, Fat: 81, Salt: 1}, State: Softened},
	{ID: "oil", Name: "vegetable oil", Names: []string{"oil", "sunflower oil", "rapeseed oil"}, Kind: Fat, PerCup: 218, Shares: Shares{Fat: 100}},
	{ID: "olive-oil", Name: "olive oil", Kind: Fat, PerCup: 216, Shares: Shares{Fat: 100}},

	{ID: "honey", Name: "honey", Names: []string{"runny honey", "clear honey"}, Kind: Syrup, PerCup: 340, Shares: Shares{Water: 17, Sugar: 82}},
	{ID: "molasses", Name: "molasses", Names: []string{"black treacle", "treacle"}, Kind: Syrup, PerCup: 337, Shares: Shares{Water: 22, Sugar: 75, Salt: 0.1}},
	{ID: "maple-syrup", Name: "maple syrup", Kind: Syrup, PerCup: 322, Shares: Shares{Water: 32, Sugar: 67}},
	{ID: "sugar", Name: "sugar", Names: []string{"white sugar", "caster sugar", "granulated sugar"}, Kind: Sugar, PerCup: 200, Shares: Shares{Sugar: 100}},
	{ID: "brown-sugar", Name: "brown sugar", Names: []string{"light brown sugar", "packed brown sugar"}, Kind: Sugar, PerCup: 213, Shares: Shares{Water: 1.5, Sugar: 97, Salt: 0.1}},

	{ID: "dark-brown-sugar", Name: "dark brown sugar", Names: []string{"muscovado sugar"}, Kind: Sugar, PerCup: 220, Shares: Shares{Water: 2, Sugar: 96, Salt: 0.1}},

	{ID: "salt", Name: "table salt", Names: []string{"salt"}, Kind: Salt, PerCup: 6 * tsp, Shares: Shares{Salt: 100}},
	{ID: "sea-salt", Name: "fine sea salt", Names: []string{"sea salt"}, Kind: Salt, PerCup: 5.46 * tsp, Shares: Shares{Salt: 100}},
	{ID: "coarse-salt", Name: "coarse salt", Names: []string{"flaky salt"}, Kind: Salt, PerCup: 4 * tsp, Shares: Shares{Salt: 100}},
	{ID: "garlic-salt", Name: "garlic salt", Kind: Salt, PerCup: 5 * tsp, Shares: Shares{Water: 2, Salt: 70, Starch: 15, Sugar: 2}},

	{ID: "dry-milk", Name: "instant dry milk", Names: []string{"dry milk", "milk powder", "powdered milk"}, Kind: DryMilk, PerCup: 68, Shares: Shares{Water: 3, Fat: 1, Sugar: 52, Salt: 1.3, Protein: 36}, Milky: true, Allergens: milk},
	{ID: "dry-milk-fine", Name: "fine dry milk", Names: []string{"fine milk powder"}, Kind: DryMilk, PerCup: 120, Shares: Shares{Water: 3, Fat: 1, Sugar: 52, Salt: 1.3, Protein: 36}, Milky: true, Allergens: milk},

	{ID: "bread-flour", Name: "bread flour", Names: []string{"strong flour", "strong white flour", "white bread flour"}, Kind: Flour, Strength: Strong, PerCup: 125, FlourPart: 1, Shares: Shares{Water: 12, Fat: 1, Sugar: 1, Protein: 12.5, Starch: 69, Fibre: 3}, Allergens: wheat},
	{ID: "plain-flour", Name: "plain flour", Names: []string{"all-purpose flour", "white flour", "flour"}, Kind: Flour, Strength: Plain, PerCup: 122, FlourPart: 1, Shares: Shares{Water: 12, Fat: 1, Sugar: 1, Protein: 10, Starch: 72, Fibre: 3}, Allergens: wheat},
	{ID: "self-raising-flour", Name: "self-raising flour", Names: []string{"self-rising flour"}, Kind: Flour, Strength: SelfRaising, PerCup: 122, FlourPart: 1, Shares: Shares{Water: 12, Fat: 1, Sugar: 1, Salt: 1, Protein: 9.5, Starch: 71, Fibre: 3}, Allergens: wheat},
	{ID: "cake-flour", Name: "cake flour", Names: []string{"soft flour", "sponge flour"}, Kind: Flour, Strength: Soft, PerCup: 114, FlourPart: 1, Shares: Shares{Water: 12, Fat: 1, Sugar: 1, Protein: 8, Starch: 75, Fibre: 2}, Allergens: wheat},
	{ID: "wholemeal-flour", Name: "wholemeal flour", Names: []string{"whole wheat flour", "wholemeal bread flour", "wholewheat flour"}, Kind: Flour, PerCup: 118, FlourPart: 1, Grain: true, Shares: Shares{Water: 12, Fat: 2, Sugar: 1, Protein: 13, Starch: 60, Fibre: 10}, Allergens: wheat},
	{ID: "rye-flour", Name: "rye flour", Names: []string{"rye"}, Kind: Flour, PerCup: 104, FlourPart: 1, Grain: true, Shares: Shares{Water: 12, Fat: 2, Sugar: 1, Protein: 9, Starch: 61, Fibre: 14}, Allergens: []Allergen{Rye}},
	{ID: "spelt-flour", Name: "spelt flour", Names: []string{"spelt"}, Kind: Flour, PerCup: 112, FlourPart: 1, Shares: Shares{Water: 12, Fat: 2, Sugar: 1, Protein: 14, Starch: 62, Fibre: 8}, Allergens: wheat},
	{ID: "sprouted-flour", Name: "sprouted wheat flour", Names: []string{"sprouted flour"}, Kind: Flour, PerCup: 118, FlourPart: 1, Grain: true, Shares: Shares{Water: 12, Fat: 2, Sugar: 3, Protein: 13, Starch: 58, Fibre: 10}, Allergens: wheat},
	{ID: "wheat-berries", Name: "wheat berries", Names: []string{"wheat grain", "whole wheat grain"}, Kind: Flour, PerCup: 185, FlourPart: 0.93, Grain: true, Shares: Shares{Water: 12, Fat: 2, Sugar: 2, Protein: 13, Starch: 59, Fibre: 11}, Allergens: wheat},
	{ID: "oats", Name: "rolled oats", Names: []string{"oats", "porridge oats"}, Kind: Flour, PerCup: 90, FlourPart: 1, Grain: true, Shares: Shares{Water: 10, Fat: 7, Sugar: 1, Protein: 13, Starch: 58, Fibre: 10}, Allergens: []Allergen{Oats}},
	{ID: "oat-flour", Name: "oat flour", Kind: Flour, PerCup: 92, FlourPart: 1, Grain: true, Shares: Shares{Water: 10, Fat: 9, Sugar: 1, Protein: 14, Starch: 58, Fibre: 7}, Allergens: []Allergen{Oats}},
	{ID: "cornmeal", Name: "cornmeal", Names: []string{"polenta", "maize meal"}, Kind: Flour, PerCup: 145, FlourPart: 1, Shares: Shares{Water: 10, Fat: 4, Sugar: 1, Protein: 8, Starch: 70, Fibre: 7}},
	{ID: "semolina", Name: "semolina", Kind: Flour, PerCup: 165, FlourPart: 1, Shares: Shares{Water: 12, Fat: 1, Sugar: 1, Protein: 12.5, Starch: 69, Fibre: 4}, Allergens: wheat},
	{ID: "gf-blend", Name: "gluten-free flour blend", Names: []string{"gluten-free blend", "gluten-free flour"}, Kind: Flour, PerCup: 150, FlourPart: 1, Shares: Shares{Water: 11, Fat: 1, Sugar: 1, Protein: 5, Starch: 78, Fibre: 3}},
	{ID: "lupin-flour", Name: "lupin flour", Kind: Flour, PerCup: 120, FlourPart: 1, Shares: Shares{Water: 8, Fat: 7, Sugar: 3, Protein: 40, Starch: 1, Fibre: 38}, Allergens: []Allergen{Lupin}},
	{ID: "oat-fibre", Name: "oat fibre", Kind: Flour, PerCup: 75, FlourPart: 1, Shares: Shares{Water: 8, Fibre: 88}, Allergens: []Allergen{Oats}},
	{ID: "wheat-protein", Name: "wheat protein isolate", Kind: Flour, PerCup: 105, FlourPart: 1, Shares: Shares{Water: 8, Fat: 1, Sugar: 1, Protein: 86, Starch: 3}, Allergens: wheat},

	{ID: "gluten", Name: "vital wheat gluten", Names: []string{"gluten", "wheat gluten"}, Kind: DryExtra, Gluten: true, PerCup: 144, Shares: Shares{Water: 8, Fat: 2, Protein: 75, Starch: 13}, Allergens: wheat},
	{ID: "xanthan-gum", Name: "xanthan gum", Kind: DryExtra, PerCup: 2.8 * tsp, Shares: Shares{Water: 10, Fibre: 80}},
	{ID: "dried-herbs", Name: "dried herbs", Names: []string{"dried rosemary", "dried thyme", "dried basil"}, Kind: DryExtra, PerCup: 3 * tbsp, Shares: Shares{Water: 8, Fat: 6, Sugar: 4, Protein: 10, Fibre: 40}},
	{ID: "ground-spice", Name: "ground spice", Names: []string{"mixed spice", "cinnamon", "ground cinnamon", "ground cardamom"}, Kind: DryExtra, PerCup: 7 * tbsp, Shares: Shares{Water: 10, Fat: 4, Sugar: 4, Protein: 5, Fibre: 45}},
	{ID: "cocoa", Name: "cocoa powder", Names: []string{"cocoa"}, Kind: DryExtra, PerCup: 86, Shares: Shares{Water: 4, Fat: 12, Sugar: 2, Protein: 20, Starch: 12, Fibre: 32}},
	{ID: "citrus-zest", Name: "grated citrus zest", Names: []string{"orange zest", "lemon zest", "zest"}, Kind: DryExtra, PerCup: 2 * tsp, Each: 6, Shares: Shares{Water: 70, Sugar: 5, Fibre: 11}},

	{ID: "active-dry-yeast", Name: "active dry yeast", Names: []string{"dry yeast", "dried yeast", "yeast"}, Kind: Yeast, PerCup: 3.1 * tsp, AsDry: 1, Shares: Shares{Water: 5, Protein: 40, Fibre: 27}},
	{ID: "instant-yeast", Name: "instant yeast", Names: []string{"rapid-rise yeast", "bread machine yeast", "fast-action yeast"}, Kind: Yeast, Rapid: true, PerCup: 3.1 * tsp, AsDry: 1 / 0.8, Shares: Shares{Water: 5, Protein: 40, Fibre: 27}},
	{ID: "fresh-yeast", Name: "fresh yeast", Names: []string{"cake yeast"}, Kind: Yeast, PerCup: 9 * tbsp, AsDry: 1 / 2.5, Shares: Shares{Water: 70, Protein: 12, Fibre: 8}},
	{ID: "baking-powder", Name: "baking powder", Kind: Leavening, Raising: 1, PerCup: 4.6 * tsp, Shares: Shares{Water: 5, Starch: 30}},
	{ID: "baking-soda", Name: "baking soda", Names: []string{"bicarbonate of soda"}, Kind: Leavening, PerCup: 5.5 * tsp},

	{ID: "raisins", Name: "raisins", Names: []string{"sultanas", "currants", "dried fruit"}, Kind: Extra, PerCup: 150, Shares: Shares{Water: 15, Sugar: 62, Protein: 3, Fibre: 5}, Dispenser: true, Prep: "Toss them in a little of the flour, so that they stay apart; drain what was soaked."},
	{ID: "walnuts", Name: "chopped walnuts", Names: []string{"walnuts", "chopped nuts"}, Kind: Extra, PerCup: 115, Shares: Shares{Water: 4, Fat: 65, Sugar: 3, Protein: 15, Fibre: 7}, Allergens: nuts, Dispenser: true, Prep: "Chop large pieces small."},
	{ID: "sunflower-seed", Name: "sunflower seed", Names: []string{"sunflower seeds", "seeds"}, Kind: Extra, PerCup: 140, Shares: Shares{Water: 5, Fat: 51, Sugar: 3, Protein: 21, Fibre: 9}, Dispenser: true},
	{ID: "hard-cheese", Name: "grated hard cheese", Names: []string{"hard cheese", "grated cheese"}, Kind: Extra, PerCup: 100, Shares: Shares{Water: 30, Fat: 28, Salt: 2.5, Protein: 32}, Spoils: true, Milky: true, Allergens: milk, Prep: "Grate it, and let it lose the chill of the fridge."},
	{ID: "dried-tomato", Name: "dried tomato", Names: []string{"sun-dried tomato"}, Kind: Extra, PerCup: 55, Shares: Shares{Water: 15, Fat: 3, Sugar: 38, Salt: 0.6, Protein: 14, Fibre: 12}, Dispenser: true, Prep: "Chop it small; drain and pat dry what lay in oil."},
	{ID: "olives", Name: "olives", Names: []string{"drained olives"}, Kind: Extra, PerCup: 135, Shares: Shares{Water: 75, Fat: 11, Salt: 3, Protein: 1, Fibre: 3}, Prep: "Drain them, pat them dry and halve them."},

	{ID: "banana", Name: "mashed banana", Names: []string{"banana"}, Kind: Puree, PerCup: 228, Each: 115, Shares: Shares{Water: 75, Sugar: 12, Starch: 5, Protein: 1, Fibre: 3}, Spoils: true},
	{ID: "pumpkin", Name: "pumpkin purée", Names: []string{"pumpkin puree", "pumpkin"}, Kind: Puree, PerCup: 240, Shares: Shares{Water: 90, Sugar: 3, Protein: 1, Fibre: 3}, Spoils: true},
	{ID: "sprouted-puree", Name: "sprouted-grain purée", Names: []string{"sprouted-grain puree", "sprouted grain"}, Kind: Puree, PerCup: 250, FlourPart: 0.5, Grain: true, Shares: Shares{Water: 55, Sugar: 1, Protein: 7, Starch: 28, Fibre: 6}, Spoils: true, Allergens: wheat},
}
