package recipe

import (
	"fmt"
	"regexp"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

// number gives the lines ids in their order.
func (c *Card) number() {
	for n := range c.Lines {
		c.Lines[n].Line.ID = fmt.Sprintf("l%d", n+1)
	}
}

// dough is what a card's dough weighs of what a guess and a question need.
type dough struct {
	flour, whole, lowCarb, wheat, sugar, fat, salt, water, yeast, powder measure.Grams
}

func (c Card) dough() dough {
	var d dough
	for _, u := range c.Lines {
		i, ok := larder.Get(u.Line.Ingredient)
		g, err := i.Weigh(u.Line.Amount)
		if !ok || err != nil || u.Line.Part != InDough || u.Open() || u.Loose {
			continue
		}
		flour := g * measure.Grams(i.FlourPart)
		d.flour += flour
		if i.Whole {
			d.whole += flour
		}
		if i.HoldsGluten() {
			d.wheat += flour
		}
		if i.Shares.Starch < 25 || i.Gluten {
			d.lowCarb += flour
		}
		if i.Gluten && g > 30 {
			d.lowCarb += g
		}
		d.salt += g * measure.Grams(i.Shares.Salt) / 100
		d.yeast += g * measure.Grams(i.AsDry)
		d.powder += g * measure.Grams(i.Raising)
		if i.Kind != larder.Flour && i.Kind != larder.Extra {
			d.water += g * measure.Grams(i.Shares.Water) / 100
			d.fat += g * measure.Grams(i.Shares.Fat) / 100
			if !i.Milky {
				d.sugar += g * measure.Grams(i.Shares.Sugar) / 100
			}
		}
	}
	return d
}

// kindOf are the kinds that a card's cycle names.
var kindOf = map[string]Kind{
	"basic": White, "wholemeal": Wholemeal, "crusty": Crusty, "sweet": Sweet, "gluten-free": GlutenFree, "low-carb": LowCarb, "quick bread": QuickBread, "dough": Dough, "pasta dough": Dough,
}

// kind guesses what sort of bread a card is for: by its cycle, then by what is in it.
func (c Card) kind() Kind {
	d := c.dough()
	share := func(g measure.Grams) float64 {
		if d.flour == 0 {
			return 0
		}
		return float64(g / d.flour)
	}
	k, said := kindOf[c.Settings.Cycle]
	switch {
	case said && k != White && k != Wholemeal:
		return k
	case d.yeast == 0 && (d.powder > 0 || share(d.flour) == 0 && said):
		return QuickBread
	case share(d.lowCarb) >= 0.5:
		return LowCarb
	case d.flour > 0 && d.wheat == 0:
		return GlutenFree
	case share(d.whole) >= 0.5:
		return Wholemeal
	case share(d.sugar) >= 0.08:
		return Sweet
	}
	return White
}

// mentions finds amounts in a method's sentence.
var mentions = regexp.MustCompile(`(?:^|[\s(])((?:\d[\d/ ½⅓⅔¼¾⅛.]*|[½⅓⅔¼¾⅛]) ?(?:cups?|c|tbsp|tablespoons?|tsp|teaspoons?|g|grams?|ml|oz|T|t)\b\.?(?: of)? \pL[\pL '-]*)`)

// compare asks about a line whose amount the method gives otherwise.
func (c *Card) compare(r reading) {
	for _, s := range c.Method {
		for _, m := range mentions.FindAllStringSubmatch(s, -1) {
			lead, ok := measure.ReadLead(m[1], r.standard)
			if !ok {
				continue
			}
			c.disagree(r, lead)
		}
	}
}

func (c *Card) disagree(r reading, lead measure.Lead) {
	words := strings.Fields(lead.Rest)
	var f larder.Found
	for n := min(len(words), 4); n > 0 && f.Sure != larder.Plainly && f.Sure != larder.Remarked; n-- {
		f = r.name(strings.Join(words[:n], " "))
	}
	said, err := f.Ingredient.Weigh(lead.Amount)
	if err != nil || f.Sure != larder.Plainly && f.Sure != larder.Remarked {
		return
	}
	only := -1
	for n, u := range c.Lines {
		if u.Line.Ingredient != f.Ingredient.ID || u.Open() || u.Loose {
			continue
		}
		listed, err := f.Ingredient.Weigh(u.Line.Amount)
		if err != nil || only >= 0 || said < listed && said*3 >= listed { // a part of it, or two lines of it
			return
		}
		if said <= listed*apartMost && said*apartMost >= listed {
			return
		}
		only = n
	}
	if only >= 0 && c.Lines[only].Doubt == "" {
		c.Lines[only].Doubt = fmt.Sprintf("%s in the list, %s in the method. Which is right?", c.Lines[only].Line.Amount, lead.Amount)
	}
}

// What no loaf holds, as shares of its flour (the implausible edges of a yeast loaf, with room for a
// cup's uncertainty).
const (
	saltyMost  = 0.045
	yeastyMost = 0.07
	drestLeast = 0.36
)

// question asks about amounts that are implausible for the flour.
func (c *Card) question() {
	d := c.dough()
	if d.flour == 0 || d.yeast == 0 || c.Kind == Dough || c.Kind == QuickBread || c.Kind == LowCarb {
		return
	}
	ask := func(what func(larder.Ingredient) bool, say string) {
		most := -1
		var grams measure.Grams
		for n, u := range c.Lines {
			i, ok := larder.Get(u.Line.Ingredient)
			g, err := i.Weigh(u.Line.Amount)
			if ok && err == nil && what(i) && g > grams && u.Line.Part == InDough && !u.Loose {
				most, grams = n, g
			}
		}
		if most >= 0 && c.Lines[most].Doubt == "" {
			l := c.Lines[most]
			i, _ := larder.Get(l.Line.Ingredient)
			c.Lines[most].Doubt = fmt.Sprintf(say, l.Line.Amount, i.Name)
		}
	}
	if d.salt > d.flour*saltyMost {
		ask(func(i larder.Ingredient) bool { return i.Kind == larder.Salt }, "%s of %s is far more than this flour takes: a tablespoon for a teaspoon?")
	}
	if d.yeast > d.flour*yeastyMost {
		ask(func(i larder.Ingredient) bool { return i.Kind == larder.Yeast }, "%s of %s is far more than this flour takes: a tablespoon for a teaspoon?")
	}
	if d.water < d.flour*drestLeast {
		ask(func(i larder.Ingredient) bool { return i.Kind == larder.Liquid }, "%s of %s is very little for this flour: is a whole cup missing?")
	}
}
