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

	all, rye, sprouted, packet, sweet, fruit, milk, meat measure.Grams
	filled                                               bool
}

func (c Card) dough() dough {
	var d dough
	for _, u := range c.Lines {
		i, ok := larder.Get(u.Line.Ingredient)
		g, err := i.Weigh(u.Line.Amount)
		d.filled = d.filled || u.Line.Part == Filling
		if !ok || err != nil || u.Line.Part != InDough || u.Open() || u.Loose {
			continue
		}
		d.all += g
		d.count(i, g)
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

// count adds what tells apart what is no plain loaf.
func (d *dough) count(i *larder.Ingredient, g measure.Grams) {
	flour := g * measure.Grams(i.FlourPart)
	switch {
	case i.Packet:
		d.packet += flour
		if i.Raising > 0 {
			d.sweet += flour
		}
	case i.Grain == larder.OfRye:
		d.rye += flour
	case i.Kind == larder.Puree && flour > 0 && i.AsDry == 0:
		d.sprouted += flour
	case i.Kind == larder.Extra && i.Spoils && i.Shares.Sugar > 3, i.Kind == larder.Puree && flour == 0:
		d.fruit += g
	case i.Kind == larder.Extra && i.Shares.Protein > 15 && i.Shares.Starch < 4:
		d.meat += g
	case i.Milky:
		d.milk += g
	}
}

// kindOf are the kinds that a card's cycle names.
var kindOf = map[string]Kind{
	"basic": White, "wholemeal": Wholemeal, "crusty": Crusty, "sweet": Sweet, "gluten-free": GlutenFree,
	"low-carb": LowCarb, "quick bread": QuickBread, "dough": Dough,
	"pasta dough": Pasta, "jam": Preserve, "yoghurt": Yoghurt, "starter": Starter, "bake only": BakeOnly,
}

// Words of a card that tell what is no plain loaf.
var (
	ofStarter = regexp.MustCompile(`(?i)\b(?:starter|levain|leaven|poolish|biga|sponge)\b`)
	ofLoaf    = regexp.MustCompile(
		`(?i)\b(?:bread|loaf|rolls?|buns?|cake|pizza|muffins?|pancakes?|waffles?|crackers?)\b`)
	ofPasta = regexp.MustCompile(`(?i)\b(?:pasta|noodles?|ravioli|tagliatelle|lasagne|spaetzle)\b`)
	ofOven  = regexp.MustCompile(
		`(?i)\boven\b|\bbake\b[^.]*\b\d{2,3} ?(?:°|degrees|F\b|C\b)|\bbaking (?:sheet|tray)\b|\bcut into\b`)
	putBack = regexp.MustCompile(
		`(?i)\b(?:return|put|place|lay|lift)\b[^.]*\b(?:back|into the (?:bread )?pan|to the (?:bread )?(?:pan|machine))\b`)
	ryeNamed = regexp.MustCompile(`(?i)\b(?:rye|pumpernickel)\b`)
)

// Shares of the flour, or of all, from which a recipe is of a kind.
const (
	muchRye      = 0.4
	someRye      = 0.25 // where the card's name says so
	muchSprouted = 0.3
	muchPacket   = 0.5
	muchFruit    = 0.3 // of a preserve
	muchMilk     = 0.85
	muchMeat     = 0.3
)

// other is the kind of what is no plain loaf; ok is false where it is one.
func (c Card) other(d dough) (k Kind, ok bool) {
	said := strings.Join(c.Method, " ")
	of := func(part, whole measure.Grams, least float64) bool { return whole > 0 && float64(part/whole) >= least }
	switch bare := d.yeast == 0 && d.powder == 0; {
	case of(d.packet, d.flour, muchPacket):
		if d.sweet > d.packet/2 {
			return QuickBread, true
		}
		return Packet, true
	case d.flour < d.all*0.05 && d.yeast == 0 && of(d.meat, d.all, muchMeat):
		return BakeOnly, true
	case d.flour == 0 && bare && of(d.fruit, d.all, muchFruit):
		return Preserve, true
	case d.flour == 0 && bare && of(d.milk, d.all, muchMilk):
		return Yoghurt, true
	case d.flour > 0 && bare && ofPasta.MatchString(c.Name):
		return Pasta, true
	case d.flour > 0 && ofStarter.MatchString(c.Name) && !ofLoaf.MatchString(c.Name) && d.fat == 0 && d.salt == 0:
		return Starter, true
	case d.filled && d.yeast > 0 && (putBack.MatchString(said) || !ofOven.MatchString(said) &&
		c.Settings.Cycle != "" && c.Settings.Cycle != "dough"):
		return Filled, true
	case of(d.sprouted, d.flour, muchSprouted):
		return Sprouted, true
	case d.yeast > 0 && (of(d.rye, d.flour, muchRye) || of(d.rye, d.flour, someRye) && ryeNamed.MatchString(c.Name)):
		return Rye, true
	}
	return "", false
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
	if other, ok := c.other(d); ok && (!said || k != Dough) {
		return other
	}
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
	case c.Settings.Cycle == "rapid":
		return Rapid
	}
	return White
}

// mentions finds amounts in a method's sentence.
var mentions = regexp.MustCompile(
	`(?:^|[\s(])((?:\d[\d/ ½⅓⅔¼¾⅛.]*|[½⅓⅔¼¾⅛]) ?(?:cups?|c|tbsp|tablespoons?|tsp|teaspoons?|g|grams?|ml|oz|T|` +
		`t)\b\.?(?: of)? \pL[\pL '-]*)`)

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
		c.Lines[only].Doubt = fmt.Sprintf("%s in the list, %s in the method. Which is right?",
			c.Lines[only].Line.Amount, lead.Amount)
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
	if d.flour == 0 || d.yeast == 0 || d.packet > 0 || c.Kind == Starter || c.Kind == Dough || c.Kind == QuickBread ||
		c.Kind == LowCarb {
		return
	}
	ask := func(what func(*larder.Ingredient) bool, say string) {
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
		ask(func(i *larder.Ingredient) bool { return i.Kind == larder.Salt },
			"%s of %s is far more than this flour takes: a tablespoon for a teaspoon?")
	}
	if d.yeast > d.flour*yeastyMost {
		ask(func(i *larder.Ingredient) bool { return i.Kind == larder.Yeast },
			"%s of %s is far more than this flour takes: a tablespoon for a teaspoon?")
	}
	if d.water < d.flour*drestLeast {
		ask(func(i *larder.Ingredient) bool { return i.Kind == larder.Liquid },
			"%s of %s is very little for this flour: is a whole cup missing?")
	}
}
