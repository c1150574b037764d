package larder

import (
	_ "embed"
	"fmt"
	"regexp"
	"slices"
	"strings"
	"testing"
)

//go:embed testdata/names.txt
var corpus string

var heading = regexp.MustCompile(`^\[(~ )?([^\]]+)\] *(.*)$`)

// group is one entry of the corpus: names in many hands for one thing, with its facts.
type group struct {
	is        string
	near      bool
	spoils    bool
	allergens []string
	names     []string
}

func groups(t *testing.T) []group {
	t.Helper()
	var out []group
	for _, row := range strings.Split(corpus, "\n") {
		if row == "" || strings.HasPrefix(row, "#") {
			continue
		}
		if m := heading.FindStringSubmatch(row); m != nil {
			g := group{is: m[2], near: m[1] != ""}
			if g.near {
				row = m[3]
			} else {
				facts := strings.FieldsFunc(m[3], func(r rune) bool { return r == ',' || r == ' ' })
				if len(facts) > 0 {
					g.spoils, g.allergens = facts[0] == "spoils", facts[1:]
				}
				row = ""
			}
			out = append(out, g)
		}
		g := &out[len(out)-1]
		for _, name := range strings.Split(row, ";") {
			if name = strings.TrimSpace(name); name != "" {
				g.names = append(g.names, name)
			}
		}
	}
	return out
}

// as reports whether a row is what the corpus calls it, or another of the foods that the corpus puts
// together.
func (g group) as(i Ingredient) bool {
	has := func(name string) bool {
		return slices.ContainsFunc(append(slices.Clone(g.names), g.is),
			func(n string) bool { return slices.Equal(Words(n), Words(name)) })
	}
	return has(i.Name) || slices.ContainsFunc(i.Names, has)
}

// Names of foods in many hands are the food; what is no food, or misspelt, is asked about. No food is
// taken for another, nothing that spoils may wait, and no allergen is left out.
func TestNamesAsCardsHaveThem(t *testing.T) {
	var right, all int
	var wrong []string
	for _, g := range groups(t) {
		for _, name := range g.names {
			all++
			f := Find(head(name))
			problem := ""
			switch {
			case g.is == "?":
				if f.Sure == Plainly || f.Sure == Remarked {
					problem = "a thing that is no food is taken for " + f.Ingredient.Name
				}
			case g.near:
				if f.Sure != NearMiss || !slices.ContainsFunc(f.Near,
					func(i Ingredient) bool { return i.ID == Find(g.is).Ingredient.ID }) {
					problem = fmt.Sprintf("a slip is %s, not offered as %s", f.Sure, g.is)
				}
			case f.Sure != Plainly && f.Sure != Remarked:
				problem = fmt.Sprintf("not known (%s), though it is %s", f.Sure, g.is)
			case !g.as(f.Ingredient):
				problem = "read as " + f.Ingredient.Name
				t.Errorf("%q, which is %s, is read as %s", name, g.is, f.Ingredient.Name)
			case g.spoils && !f.Ingredient.Spoils:
				problem = "it spoils"
				t.Errorf("%q (%s) spoils, and may wait in a delay", name, f.Ingredient.Name)
			default:
				for _, a := range g.allergens {
					if !slices.Contains(f.Ingredient.Allergens, Allergen(a)) {
						problem = fmt.Sprintf("%s lacks the allergen %s", f.Ingredient.Name, a)
					}
				}
			}
			if problem != "" {
				wrong = append(wrong, fmt.Sprintf("%q: %s", name, problem))
			} else {
				right++
			}
		}
	}
	t.Logf("%d of %d names right", right, all)
	for _, w := range wrong {
		t.Log("missed: " + w)
	}
	if float64(right) < 0.98*float64(all) {
		t.Errorf("%d of %d names are right, fewer than 98 in 100", right, all)
	}
}

// head is a name without what follows a comma: that is the reader of lines' work.
func head(name string) string {
	before, after, ok := strings.Cut(name, ",")
	if !ok {
		return name
	}
	if f := Find(after + " " + before); f.Sure == Plainly {
		return after + " " + before
	}
	return before
}
