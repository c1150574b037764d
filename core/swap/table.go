package swap

import (
	"slices"
	"strings"

	"risepan/core/larder"
)

// ID names a swap: "milk>dry-milk".
type ID string

// match is what the new ingredient must bring as much of as the old one did.
type match func(*larder.Ingredient) float64

// What a swap goes by, per gram of the ingredient.
func byFat(i *larder.Ingredient) float64   { return i.Shares.Fat }
func bySugar(i *larder.Ingredient) float64 { return i.Shares.Sugar } // milk sugar too
func bySalt(i *larder.Ingredient) float64  { return i.Shares.Salt }
func byYeast(i *larder.Ingredient) float64 { return i.AsDry }
func byFlour(i *larder.Ingredient) float64 { return i.FlourPart }
func byGrams(*larder.Ingredient) float64   { return 1 }

// row is one swap that a kitchen can make.
type row struct {
	from, to larder.ID // to is empty for what is left out
	by       match
	name     string // of what goes in instead, where it is more than the new ingredient
	tag      string // tells rows of the same two ingredients apart
	says     string // what it changes, beside the formula
	shares   []int  // of the line, per cent, where not all of it is swapped
	drinks   int    // 1 where the new flour drinks more, -1 where it drinks less
	gluten   bool   // and gluten goes in, or comes out with it
	except   string // what the swap does not keep, and why
}

func (r row) id() ID { return ID(string(r.from) + ">" + string(r.to) + r.tag) }

const (
	dryMilk    = "water and dry milk"
	keeps      = "Keeps through a delay. Booklets often take 2 tbsp of dry milk to the cup: that is a thinner milk."
	softer     = "The crumb is a little less soft; the water makes up for what the butter holds."
	eggless    = "Paler and less tender, for an egg's protein is not made up. Keeps through a delay."
	drinksMore = "Wholemeal drinks more, so 13 points of water go in for all of the flour, in proportion for a part " +
		"of it. Shorter and fuller in taste."
	drinksLess = "White flour drinks less, so 13 points of water come out for all of the flour, in proportion for a " +
		"part of it. Taller and milder."
	glutenIn   = " A little gluten lifts it."
	glutenOut  = " The gluten that lifted the wholemeal comes out with it."
	waterRises = "Water rises on purpose: wholemeal drinks more."
	moreYeast  = "The yeast rises on purpose: a rapid cycle wants more of it."
	waterFalls = "Water falls on purpose: white flour drinks less."
	sproutWait = "Soak, rinse, sprout, dry and mill: begin days ahead. Drying and milling lose about 7 % of the weight."
)

// rapidYeast tells the swaps of yeast that are for a rapid cycle: the same weight of a faster yeast, or by another
// school a quarter more of it.
const (
	rapidYeast   = "+rapid"
	rapidQuarter = "+rapid+quarter"
)

// ForRapid reports whether a swap is made for a rapid cycle.
func ForRapid(id ID) bool {
	r, ok := find(id)
	return ok && strings.HasPrefix(r.tag, rapidYeast)
}

// aQuarterMore is by what the new yeast goes in where a school takes a quarter more of it.
func aQuarterMore(i *larder.Ingredient) float64 {
	if i.Rapid {
		return 0.8
	}
	return 1
}

// WithGluten adds gluten to a line of wholemeal flour.
const WithGluten ID = "wholemeal-flour>wholemeal-flour+gluten"

// LiftedByGluten reports whether gluten can be swapped into a flour.
func LiftedByGluten(flour larder.ID) bool {
	r, ok := find(WithGluten)
	return ok && r.from == flour
}

// table lists every swap. Rows in both directions undo one another.
var table = slices.Concat(
	// Milk and what stands in for it.
	[]row{
		{from: "milk", to: "dry-milk", by: bySugar, name: dryMilk, says: keeps},
		{from: "skimmed-milk", to: "dry-milk", by: bySugar, name: dryMilk, says: keeps},
		{from: "half-cream", to: "dry-milk", by: bySugar, name: dryMilk, says: keeps},
		{from: "buttermilk", to: "dry-milk", by: bySugar, name: dryMilk, says: "Milder: its sourness is lost. " +
			keeps},
		{from: "yoghurt", to: "dry-milk", by: bySugar, name: dryMilk, says: "Milder: its sourness is lost. " + keeps},
		{from: "soured-cream", to: "dry-milk", by: bySugar, name: dryMilk, says: "Milder: its sourness is lost. " +
			keeps},
		{from: "cottage-cheese", to: "dry-milk", by: bySugar, name: dryMilk,
			says: "Plainer: the cheese's taste and moist crumb are lost. " + keeps},
		{from: "cream-cheese", to: "dry-milk", by: bySugar, name: dryMilk,
			says: "Plainer: the cheese's taste is lost. " + keeps},
		{from: "dry-milk", to: "milk", by: bySugar, says: "Fresh milk spoils: not on the delay timer."},
		{from: "dry-milk", to: "skimmed-milk", by: bySugar, says: "Fresh milk spoils: not on the delay timer."},
		{from: "dry-milk-fine", to: "milk", by: bySugar, says: "Fresh milk spoils: not on the delay timer."},
		{from: "half-cream", to: "milk", by: bySugar, name: "milk and butter", tag: "+butter",
			says: "The butter makes up for the cream."},
	},
	both(row{from: "milk", to: "half-cream", by: byFat, says: "Thinned with water to the richness of milk."},
		"Needs little water elsewhere: milk brings much of its own."),
	both(row{from: "milk", to: "skimmed-milk", by: bySugar, says: "The fat makes up for the cream that is not there."},
		"Richer milk, so less other fat."),
	both(row{from: "dry-milk", to: "dry-milk-fine", by: bySugar, says: "A fine powder is nearly twice as heavy by " +
		"the spoon."}, "Flakes are lighter by the spoon."),
	// Fats.
	both(row{from: "butter", to: "oil", by: byFat, says: softer},
		"Milk fat tastes of butter; it holds water, so less goes in beside it."),
	both(row{from: "butter", to: "olive-oil", by: byFat, says: softer},
		"Milk fat tastes of butter; it holds water, so less goes in beside it."),
	both(row{from: "butter", to: "margarine", by: byFat, says: "Tastes less of butter."}, "Tastes of butter."),
	both(row{from: "butter", to: "salted-butter", by: byFat, says: "Its salt is taken off the salt."},
		"The salt that it lacks is added."),
	both(row{from: "oil", to: "olive-oil", by: byFat, says: "Tastes of olive."}, "Milder."),
	both(row{from: "margarine", to: "oil", by: byFat, says: softer}, "It holds water, so less goes in beside it."),
	// Sugars.
	both(row{from: "sugar", to: "honey", by: bySugar, says: "Browns sooner and stays moist; it holds water, so less " +
		"goes in beside it."}, "Plainer; water makes up for what honey holds."),
	both(row{from: "sugar", to: "brown-sugar", by: bySugar, says: "Darker, with a taste of molasses."},
		"Plainer and paler."),
	both(row{from: "brown-sugar", to: "dark-brown-sugar", by: bySugar, says: "Darker and stronger."},
		"Lighter and milder."),
	both(row{from: "sugar", to: "maple-syrup", by: bySugar, says: "It holds water, so less goes in beside it."},
		"Plainer; water makes up for what the syrup holds."),
	both(row{from: "honey", to: "molasses", by: bySugar, says: "Darker and bitter-sweet."},
		"Lighter and sweeter to taste."),
	both(row{from: "honey", to: "maple-syrup", by: bySugar, says: "Milder."}, "Stronger in taste."),
	// Yeasts, 1 : 0.8 : 2.5 by weight.
	both(row{from: "active-dry-yeast", to: "instant-yeast", by: byYeast, says: "Starts sooner; needs no warm liquid " +
		"to wake it."}, "Starts a little later."),
	both(row{from: "active-dry-yeast", to: "fresh-yeast", by: byYeast, says: "It holds water, so less goes in " +
		"beside it. Crumble it. Not for a long delay."}, "Keeps; water makes up for what fresh yeast holds."),
	both(row{from: "instant-yeast", to: "fresh-yeast", by: byYeast, says: "It holds water, so less goes in beside " +
		"it. Crumble it. Not for a long delay."}, "Keeps and starts fast; water makes up for what fresh yeast holds."),
	[]row{
		{from: "active-dry-yeast", to: "instant-yeast", by: byGrams, tag: rapidYeast,
			name: "instant yeast, the same weight", says: "For a rapid cycle, which has no time to lose.",
			except: moreYeast},
		{from: "active-dry-yeast", to: "instant-yeast", by: aQuarterMore, tag: rapidQuarter,
			name: "instant yeast, a quarter more", says: "For a rapid cycle, by the school that likes it taller; it " +
				"may fall if the kitchen is warm.", except: moreYeast},
	},
	// Flours.
	[]row{
		{from: "bread-flour", to: "wholemeal-flour", by: byFlour, shares: []int{25, 50}, drinks: 1, gluten: true,
			tag: "+gluten", name: "wholemeal flour and gluten", says: drinksMore + glutenIn, except: waterRises},
		{from: "bread-flour", to: "wholemeal-flour", by: byFlour, shares: []int{25, 50}, drinks: 1, says: drinksMore,
			except: waterRises},
		{from: "wholemeal-flour", to: "wholemeal-flour", by: byFlour, gluten: true, tag: "+gluten",
			name: "wholemeal flour with a little gluten", says: "Lifts the loaf: a fortieth of the wholemeal."},
		{from: "wholemeal-flour", to: "bread-flour", by: byFlour, shares: []int{50, 100}, drinks: -1, gluten: true,
			tag: "+gluten", says: drinksLess + glutenOut, except: waterFalls},
		{from: "wholemeal-flour", to: "bread-flour", by: byFlour, shares: []int{50, 100}, drinks: -1, says: drinksLess,
			except: waterFalls},
	},
	both(row{from: "plain-flour", to: "bread-flour", by: byFlour, says: "Stronger: it rises taller and drinks a " +
		"little more. Look at the dough ball."}, "Weaker: it rises less. Look at the dough ball, which may be slack."),
	both(row{from: "sprouted-flour", to: "wheat-berries", by: byFlour, says: sproutWait}, "Ready milled."),
	// Eggs and cheese.
	[]row{
		{from: "egg", to: "oil", by: byFat, name: "water and oil", says: eggless},
		{from: "egg-medium", to: "oil", by: byFat, name: "water and oil", says: eggless},
		{from: "egg-extra-large", to: "oil", by: byFat, name: "water and oil", says: eggless},
		{from: "hard-cheese", says: "Plainer. What is not there cannot spoil in a delay."},
	},
	both(row{from: "egg", to: "dried-egg", by: byFat, name: "water and dried egg", says: "Keeps through a delay."},
		"Fresh egg spoils: not on the delay timer."),
	// Salts.
	both(row{from: "salt", to: "sea-salt", by: bySalt, says: "A spoon of it is a little lighter."},
		"A spoon of it is a little heavier."),
	both(row{from: "salt", to: "coarse-salt", by: bySalt, says: "A spoon of it is a third lighter; brands differ, " +
		"so weigh it."}, "A spoon of it is half as heavy again."),
)

// both is a swap and the way back.
func both(r row, back string) []row {
	return []row{r, {from: r.to, to: r.from, by: r.by, says: back}}
}
