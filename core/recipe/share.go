package recipe

import (
	"regexp"
	"slices"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

// share is a measured part of a line that goes in elsewhere, or at another moment, than the rest.
type share struct {
	amount measure.Amount
	when   When
	part   Part
	note   string
}

var (
	// keptBack is an amount that a note holds back: "hold back 1/4 c. till the first knead is going".
	keptBack = regexp.MustCompile(`(?i)^(?:hold|keep|set|leave)(?:ing)? (?:back|aside|out)\s+(.+)$`)
	// splitUp is a line whose parts stand behind it: "1 cup cheddar, split: 3/4 cup at the beep, 1/4 cup on top".
	splitUp = regexp.MustCompile(
		`(?i)^(.+?)[,(]?\s+(?:split|divided|of which|shared(?: out)?)\s*[:–-]?\s+([\d½⅓⅔¼¾⅛].*)$`)
	shareEnd = regexp.MustCompile(`(?i)\s*(?:;|,|\band\b|&)\s*(?:the (?:rest|remaining|other)\s+)?`)
	divided  = regexp.MustCompile(`(?i)\b(?:divided|split|in two (?:lots|parts))\b`)

	onTop = regexp.MustCompile(`(?i)\b(?:sprinkl\w*|scatter\w*|strew\w*|topping|(?:for|to)(?: the)? (?:top|finish)\w*|` +
		`(?:on|over)(?: the)? (?:top|loaf|rolls|buns|crust)|over when)\b`)
	onto   = regexp.MustCompile(`(?i)\b(?:brush\w*|glaz\w*)\b`)
	within = regexp.MustCompile(`(?i)\b(?:filling|fill(?:ed)? with|spread\w* (?:on|over))\b`)
	cooked = regexp.MustCompile(`(?i)\b(?:stove|hob|saucepan|boil\w*|simmer\w*|microwave|cook\w*)\b`)

	// shareOf is an amount of a food that a sentence takes from a line: "1/2 cup of the water", "the remaining 6 tbsp
	// butter".
	shareOf = regexp.MustCompile(`(?i)(?:^|[\s(])((?:remaining|other|rest of the|reserved) )?` +
		`((?:\d[\d/ ½⅓⅔¼¾⅛.]*|[½⅓⅔¼¾⅛]) ?(?:cups?|c|tbsps?|tablespoons?|tsps?|teaspoons?|grams?|g|ml|oz)\b\.?)` +
		`( of (?:the|this|that))? (\pL[\pL'-]*(?: \pL[\pL'-]*){0,3})`)
)

// placed is a share with where the words about it say it goes.
func placed(amount measure.Amount, words string) share {
	s := share{amount: amount}
	switch {
	case heldBack.MatchString(words), keptBack.MatchString(words) && !onTop.MatchString(words):
		s.when = AtKnead
	case atBeep.MatchString(words):
		s.when = AtBeep
	case onTop.MatchString(words):
		s.part = Topping
	case onto.MatchString(words):
		s.part = Glaze
	case within.MatchString(words):
		s.part = Filling
	case cooked.MatchString(words):
		s.note = "cooked first"
	}
	return s
}

// sharedOut is a line as the shares that it is used in: they and what is left add up to the line. ok is false where the
// shares are not measured as the line is, or are more than it.
func (r reading) sharedOut(u Understood, shares []share) (out []Understood, ok bool) {
	of, known := larder.Know(u.Line.Ingredient)
	all, err := of.Weigh(u.Line.Amount)
	if !known || err != nil || len(shares) == 0 {
		return nil, false
	}
	left, rest := u.Line.Amount, all
	for _, s := range shares {
		g, err := of.Weigh(s.amount)
		if err != nil || g > rest*(1+spilt) {
			return nil, false
		}
		if rest -= g; rest <= all*spilt {
			continue
		}
		if left, err = measure.Parse(left.String()+" less "+s.amount.String(), r.standard); err != nil {
			return nil, false
		}
	}
	if rest > all*spilt {
		first := u
		first.Line.Amount, first.Line.Also, first.Doubt = left, measure.Amount{}, ""
		first.Line.Note = note([]string{divided.ReplaceAllString(u.Line.Note, "")})
		out = append(out, first)
	}
	for _, s := range shares {
		one := u
		one.Line.Amount, one.Line.Also, one.Doubt = s.amount, measure.Amount{}, ""
		one.Line.Note = note([]string{strings.Trim(divided.ReplaceAllString(u.Line.Note, ""), ", "), s.note})
		if s.when != InPan {
			one.Line.When = s.when
		}
		if s.part != InDough {
			one.Line.Part, one.Line.When = s.part, InPan
		}
		out = append(out, one)
	}
	return out, true
}

// spilt is the share of a line by which its parts may miss it: cards round 6 tbsp and 2 tbsp to half a cup.
const spilt = 0.03

// split reads a row that tells its parts behind it.
func (r reading) split(text string) ([]Understood, bool) {
	if !strings.Contains(text, "split") && !strings.Contains(text, "divided") && !strings.Contains(text, "of which") &&
		!strings.Contains(text, "shared") {
		return nil, false
	}
	m := splitUp.FindStringSubmatch(text)
	if m == nil {
		return nil, false
	}
	whole := r.piece(strings.TrimRight(m[1], " ,("))
	if len(whole) != 1 || !whole[0].found() {
		return nil, false
	}
	var shares []share
	for _, piece := range shareEnd.Split(strings.Trim(m[2], ") ."), -1) {
		lead, ok := measure.ReadLead(piece, r.standard)
		if !ok {
			return nil, false
		}
		shares = append(shares, placed(lead.Amount, lead.Rest))
	}
	return r.sharedOut(whole[0], shares)
}

// held is a line of whose amount its note holds a part back.
func (r reading) held(u Understood) ([]Understood, bool) {
	asides := strings.Split(u.Line.Note, ", ")
	for n, aside := range asides {
		m := keptBack.FindStringSubmatch(aside)
		if m == nil {
			continue
		}
		lead, ok := measure.ReadLead(m[1], r.standard)
		if !ok || lead.Amount.Unit == measure.Piece {
			continue
		}
		u.Line.Note = note(slices.Delete(slices.Clone(asides), n, n+1))
		return r.sharedOut(u, []share{placed(lead.Amount, aside)})
	}
	return nil, false
}

// share joins to each line what the method takes of it: "whisk 1/2 cup of the water with 3 tbsp of the flour on the
// stove". A line that several stand for, or that the card has for other sizes, stays as it is.
func (c *Card) share(r reading) {
	if len(c.Columns) > 0 {
		return
	}
	taken := map[larder.ID][]share{}
	for _, sentence := range c.Method {
		for _, m := range shareOf.FindAllStringSubmatch(sentence, -1) {
			lead, ok := measure.ReadLead(m[2]+" "+m[4], r.standard)
			if !ok || m[1] == "" && m[3] == "" {
				continue
			}
			food := r.longest(lead.Rest)
			if n, ok := c.only(r, food); ok {
				s := placed(lead.Amount, sentence)
				if s.part == InDough && s.when == InPan && m[1] != "" {
					s.part = c.partIn(sentence, n)
				}
				if s != (share{amount: s.amount}) || divided.MatchString(c.Lines[n].Line.Note) {
					id := c.Lines[n].Line.Ingredient
					taken[id] = append(taken[id], s)
				}
			}
		}
	}
	for id, shares := range taken {
		n := slices.IndexFunc(c.Lines, func(u Understood) bool { return u.Line.Ingredient == id })
		if out, ok := r.sharedOut(c.Lines[n], shares); ok {
			c.Lines = slices.Replace(c.Lines, n, n+1, out...)
		}
	}
}

// longest is the food that most of the words at the beginning of a text name.
func (r reading) longest(text string) larder.ID {
	words := strings.Fields(text)
	for n := min(len(words), 4); n > 0; n-- {
		if f := r.name(strings.Join(words[:n], " ")); found(f.Sure) {
			return f.Ingredient.ID
		}
	}
	return ""
}

// only is the one line of the dough that a food named in a sentence can mean: "the flour" is the only flour there.
func (c *Card) only(r reading, food larder.ID) (int, bool) {
	named, known := larder.Know(food)
	at, n := -1, 0
	for k, u := range c.Lines {
		i, there := larder.Know(u.Line.Ingredient)
		if !known || !there || u.Open() || u.Loose || u.Line.Part != InDough {
			continue
		}
		if i.ID == food || i.Kind == larder.Flour && named.Kind == larder.Flour {
			at, n = k, n+1
		}
	}
	return at, n == 1
}

// partIn is the part whose lines a sentence names beside the line n.
func (c *Card) partIn(sentence string, n int) Part {
	said := strings.ToLower(sentence)
	for k, u := range c.Lines {
		if k == n || u.Line.Part == InDough {
			continue
		}
		for _, word := range larder.Words(u.Name) {
			if len(word) > 3 && !larder.IsBare(word) && strings.Contains(said, word) {
				return u.Line.Part
			}
		}
	}
	return InDough
}

// heldBeside reads "2 cups bread flour + 1/2 cup held back": the second amount goes in at the first kneading.
func (r reading) heldBeside(text string) []Understood {
	m := shareHeld.FindStringSubmatch(text)
	if m == nil {
		return nil
	}
	lead, ok := measure.ReadLead(m[2], r.standard)
	first := r.piece(m[1])
	if lead.Rest = first[0].Name; !ok || len(first) != 1 || lead.Rest == "" {
		return nil
	}
	second := r.food(lead)
	second.Line.When = AtKnead
	return append(first, second)
}
