package larder

import (
	"maps"
	"slices"
	"strings"
	"unicode"
)

// Sure is how surely a name was understood.
type Sure string

const (
	Plainly  Sure = "known"
	Remarked Sure = "understood with a remark"
	NearMiss Sure = "near miss" // one slip of the pen from a name: offered, not taken
	Nowhere  Sure = "unknown"
)

// Found is what a name was understood as.
type Found struct {
	Sure       Sure
	Ingredient Ingredient   // the row; an unnamed ingredient where it is not known
	Grade      string       // organic, ripe, large …: what was read off before the name
	State      string       // chopped, softened …
	Warmth     string       // cold, warm, boiling …
	Remark     string       // what was taken for granted, as a sentence
	Near       []Ingredient // of a near miss: what may be meant
}

// entry is one name of a row, as its words.
type entry struct {
	words []string
	row   int
}

// index finds names by their last word, and words by what is left of them without one letter.
type index struct {
	byHead map[string][]entry
	words  map[string]bool
	slips  map[string][]string
}

var names = func() index {
	x := index{map[string][]entry{}, map[string]bool{}, map[string][]string{}}
	for n, i := range table {
		for _, name := range append([]string{i.Name, strings.ReplaceAll(string(i.ID), "-", " ")}, i.Names...) {
			for _, form := range forms(name) {
				words := Words(form)
				head := words[len(words)-1]
				x.byHead[head] = append(x.byHead[head], entry{words, n})
				for _, w := range words {
					x.words[w] = true
				}
			}
		}
	}
	for w := range modifiers {
		x.words[w] = true
	}
	for _, w := range slices.Sorted(maps.Keys(x.words)) { // in one order, so that a slip is answered alike each time
		if len(w) >= leastSlip {
			for _, s := range without(w) {
				x.slips[s] = append(x.slips[s], w)
			}
		}
	}
	return x
}()

// forms writes a name with and without its word in brackets.
func forms(name string) []string {
	before, rest, ok := strings.Cut(name, "(")
	inside, after, closed := strings.Cut(rest, ")")
	if !ok || !closed {
		return []string{name}
	}
	return []string{before + inside + after, before + after}
}

// Words are the words of a name as the table is searched by them: small letters without accents,
// singular, each in one spelling.
func Words(name string) []string {
	var out []string
	for _, w := range strings.FieldsFunc(plain(name), func(r rune) bool {
		return !unicode.IsLetter(r) &&
			!unicode.IsDigit(r) && r != '%'
	}) {
		w = singular(w)
		if s, ok := spellings[w]; ok {
			w = s
		}
		out = append(out, strings.Fields(w)...)
	}
	for n := 0; n+1 < len(out); n++ {
		if w, ok := pairs[out[n]+" "+out[n+1]]; ok {
			out = slices.Replace(out, n, n+2, strings.Fields(w)...)
		}
	}
	return out
}

// wears reports whether a word before an ingredient's name leaves it what it is: a fried onion is an
// onion, but white flour that is called brown, rice that is cooked and herbs that are fresh are rows of
// their own or none.
func (i Ingredient) wears(word string) bool {
	switch m := modifiers[word]; {
	case m == colour:
		return i.Kind != Flour && i.Kind != DryMilk && i.Kind != Yeast && i.Kind != Syrup
	case m == cooking:
		return i.Spoils
	case word == "dried" || word == "dry" || word == "ground" || word == "powdered" || word == "powder":
		return i.Kind == DryExtra
	case word == "glutenfree":
		return !i.HoldsGluten()
	case word == "dairyfree":
		return !slices.Contains(i.Allergens, Milk)
	case word == "hot" || word == "boiling":
		return i.Kind == Liquid || i.Kind == Puree || i.Kind == Fat
	default:
		return m != 0
	}
}

const mostWords = 14

// match finds the longest name that the words hold, where all that is left over may be read off.
func match(words []string) (found entry, ok bool) {
	if len(words) > mostWords {
		return found, false
	}
	longest, fewest := 0, 0 // words of the name, and words left over inside it
	for end := len(words); end > 0; end-- {
		for _, e := range names.byHead[words[end-1]] {
			if len(e.words) < longest || len(e.words) > end {
				continue
			}
			if gaps, fits := within(e, words, end); fits && (len(e.words) > longest || gaps < fewest) {
				found, ok, longest, fewest = e, true, len(e.words), gaps
			}
		}
	}
	return found, ok
}

// within reports whether a name stands in the words, its last one just before end, with nothing but
// modifiers between and round it; gaps counts those between.
func within(e entry, words []string, end int) (gaps int, fits bool) {
	i := table[e.row]
	next := len(e.words) - 2 // from behind, for the last word is known
	for n := end - 2; n >= 0; n-- {
		switch {
		case next >= 0 && words[n] == e.words[next]:
			next--
		case i.wears(words[n]):
			if next >= 0 {
				gaps++
			}
		default:
			return 0, false
		}
	}
	if next >= 0 {
		return 0, false
	}
	for _, w := range words[end:] {
		if !i.wears(w) {
			return 0, false
		}
	}
	return gaps, true
}

// granted says what is taken for granted with a name that leaves it open.
var granted = map[string]string{
	"flour":       "Taken for plain flour; bread flour rises higher.",
	"white flour": "Taken for plain flour; bread flour rises higher.",
	"wheat flour": "Taken for plain flour; bread flour rises higher.",
	"yeast":       "Taken for active dry yeast.",
}

// Find finds an ingredient by a name as cards have it, by its head noun in whole words: "unsalted
// butter, softened", "3 ripe bananas" without the 3.
func Find(name string) Found {
	words := Words(name)
	f := Found{Sure: Nowhere}
	if e, ok := match(words); ok {
		f.Sure, f.Ingredient = Plainly, table[e.row]
		f.sort(words, e)
		if f.Remark = granted[strings.Join(words, " ")]; f.Remark != "" {
			f.Sure = Remarked
		}
		return f
	}
	f.Ingredient, _ = Unnamed(name)
	if f.Near = near(words); len(f.Near) > 0 {
		f.Sure = NearMiss
	}
	return f
}

// Is finds the row that has just this name, spelling and plural aside.
func Is(name string) (Ingredient, bool) {
	words := Words(name)
	if e, ok := match(words); ok && len(e.words) == len(words) {
		return table[e.row], true
	}
	return Ingredient{}, false
}

// sort puts the words that were read off where they belong, also those that are part of the name that
// the card has but not of the row's own.
func (f *Found) sort(words []string, e entry) {
	add := func(to *string, w string) { *to = strings.TrimSpace(*to + " " + w) }
	own := Words(f.Ingredient.Name)
	for _, w := range words {
		if slices.Contains(own, w) {
			continue
		}
		switch m := modifiers[w]; m {
		case warmth:
			if slices.Contains(e.words, w) {
				continue
			}
			if w = strings.Replace(w, "roomtemperature", "room", 1); w != "at" && w != "hand" && w != "blood" {
				add(&f.Warmth, w)
			} else if w != "at" {
				add(&f.Warmth, "warm")
			}
		case state, cooking:
			add(&f.State, w)
		case grade, colour:
			named := slices.Contains(e.words, w) && f.Ingredient.Kind != Extra
			if !named || m == grade && w != "whole" { // white is no grade of flour, and whole none of wheat
				add(&f.Grade, w)
			}
		}
	}
}

// Bare reads a text that holds nothing but what is read off round a name: "diced", "at room temperature".
// ok is false for one that holds more.
func Bare(text string) (f Found, ok bool) {
	words := Words(text)
	for _, w := range words {
		if modifiers[w] == 0 {
			return f, false
		}
	}
	f.sort(words, entry{})
	return f, len(words) > 0
}

// IsBare reports whether Bare can read the text.
func IsBare(text string) bool {
	_, ok := Bare(text)
	return ok
}

// A slip is looked for in words of so many letters: shorter ones are one slip from too much, and the larder has none
// that are longer.
const leastSlip, mostSlip = 4, 40

// without lists a word and all that it is without one of its letters.
func without(w string) []string {
	r := []rune(w)
	out := []string{w}
	for n := range r {
		out = append(out, string(r[:n])+string(r[n+1:]))
	}
	return out
}

// near lists the rows that a name with one slip of the pen may mean, at most three.
func near(words []string) []Ingredient {
	var out []Ingredient
	for n, w := range words {
		if names.words[w] || len(w) < leastSlip || len(w) > mostSlip || len(words) > mostWords {
			continue
		}
		var tried []string
		for _, s := range without(w) {
			for _, other := range names.slips[s] {
				if slices.Contains(tried, other) || !oneSlip([]rune(w), []rune(other)) {
					continue
				}
				tried = append(tried, other)
				mended := slices.Replace(slices.Clone(words), n, n+1, other)
				if e, ok := match(mended); ok && len(out) < 3 && !slices.ContainsFunc(out,
					func(i Ingredient) bool { return i.ID == table[e.row].ID }) {
					out = append(out, table[e.row])
				}
			}
		}
	}
	return out
}

// oneSlip reports whether one letter too many, too few, wrong or changed with its neighbour makes the
// difference.
func oneSlip(a, b []rune) bool {
	if len(a) > len(b) {
		a, b = b, a
	}
	same := 0
	for same < len(a) && a[same] == b[same] {
		same++
	}
	a, b = a[same:], b[same:]
	switch len(b) - len(a) {
	case 0:
		return len(a) > 0 && (slices.Equal(a[1:], b[1:]) || len(a) > 1 && a[0] == b[1] && a[1] == b[0] &&
			slices.Equal(a[2:], b[2:]))
	case 1:
		return slices.Equal(a, b[1:])
	}
	return false
}
