package recipe_test

import (
	"math"
	"os"
	"slices"
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// wanted is what a careful reader takes from a row.
type wanted struct {
	foods   []string
	amounts []measure.Amount // that say the same; none: no amount that can be measured
	beep    bool
	asked   bool // a careful reader asks, or may
	share   bool // a share of the food's line above it
}

// pasted is a whole card with what a careful reader takes from it.
type pasted struct {
	text string
	want []wanted
}

func pastedCards(t *testing.T) (out []pasted) {
	t.Helper()
	file, err := os.ReadFile("testdata/pasted.txt")
	if err != nil {
		t.Fatal(err)
	}
	for _, block := range strings.Split(string(file), "\n=====\n")[1:] {
		text, truth, ok := strings.Cut(block, "\n-----\n")
		if !ok {
			t.Fatalf("no row of dashes in %.60q", block)
		}
		p := pasted{text: text}
		for _, row := range strings.Split(strings.TrimSpace(truth), "\n") {
			cells := strings.Split(row, " | ")
			w := wanted{foods: strings.Split(cells[0], " or "), beep: slices.Contains(cells[2:], "beep"),
				asked: strings.HasSuffix(cells[1], "?") || slices.Contains(cells[2:], "asked"),
				share: slices.Contains(cells[2:], "share")}
			for _, amount := range strings.Split(strings.TrimSuffix(cells[1], " ?"), " = ") {
				if a, err := measure.Parse(amount, measure.US); err == nil {
					w.amounts = append(w.amounts, a)
				}
			}
			p.want = append(p.want, w)
		}
		out = append(out, p)
	}
	return out
}

// names reports whether a line is of one of the foods, by most of its words.
func (w wanted) names(u recipe.Understood) bool {
	i, _ := larder.Get(u.Line.Ingredient)
	said := u.Name
	if i != nil {
		said += " " + i.Name + " " + strings.Join(i.Names, " ")
	}
	has := larder.Words(said)
	return slices.ContainsFunc(w.foods, func(food string) bool {
		words, there := larder.Words(food), 0
		for _, word := range words {
			if slices.ContainsFunc(has, func(h string) bool { return h == word || alike(h, word) }) {
				there++
			}
		}
		return 2*there > len(words)
	})
}

// alike reports whether two words are one with a slip: three quarters of their letters stand in the same order.
func alike(a, b string) bool {
	if min(len(a), len(b)) < 4 {
		return false
	}
	row := make([]int, len(b)+1) // the longest common run of letters, row by row
	for i := range len(a) {
		before := 0
		for k := range len(b) {
			now := max(row[k+1], row[k])
			if a[i] == b[k] {
				now = before + 1
			}
			before, row[k+1] = row[k+1], now
		}
	}
	return 4*row[len(b)] >= 3*max(len(a), len(b))
}

// middle is an amount's quantity, the middle of a range.
func middle(a measure.Amount) float64 {
	if a.UpTo.Sign() > 0 {
		return (a.Quantity.Float() + a.UpTo.Float()) / 2
	}
	return a.Quantity.Float()
}

// measures reports whether a line's amount is the one that is wanted, to within what cups of two standards differ by.
func (w wanted) measures(u recipe.Understood) bool {
	if len(w.amounts) == 0 {
		return true
	}
	return slices.ContainsFunc(w.amounts, func(a measure.Amount) bool {
		f, g := a.Unit.Facts(), u.Line.Amount.Unit.Facts()
		ounces := a.Unit == measure.FluidOunce && u.Line.Amount.Unit == measure.Ounce
		if f.Dimension != g.Dimension && !ounces {
			return false
		}
		want, got := middle(a)*f.Size, middle(u.Line.Amount)*g.Size
		if ounces {
			want, got = middle(a), middle(u.Line.Amount)
		}
		return math.Abs(got/want-1) < 0.07
	})
}

// tally is what of the cards was read as a careful reader reads it.
type tally struct{ cards, whole, rows, right, asked, wrong, lost, extra int }

// wholePaste is a paste as it is read, with the lines of all recipes that it holds.
func wholePaste(t *testing.T, text string) recipe.Card {
	t.Helper()
	texts := []string{text}
	if several := recipe.Apart(text, measure.US, larder.Find); several != nil {
		texts = nil
		for _, one := range several {
			texts = append(texts, one.Text)
		}
	}
	var all recipe.Card
	for _, text := range texts {
		card, err := recipe.ReadCard(text, measure.US, larder.Find)
		if err != nil {
			t.Errorf("%.60q: %v", text, err)
		}
		all.Lines, all.Columns = append(all.Lines, card.Lines...), append(all.Columns, card.Columns...)
	}
	return all
}

// sharedOut are the lines of a food that are together the amount that is wanted, to within a fiftieth, where there are
// several.
func (w wanted) sharedOut(lines []recipe.Understood) (at []int) {
	sum := map[measure.Dimension]float64{}
	for k, u := range lines {
		if w.names(u) && u.Line.Amount != (measure.Amount{}) {
			f := u.Line.Amount.Unit.Facts()
			at, sum[f.Dimension] = append(at, k), sum[f.Dimension]+middle(u.Line.Amount)*f.Size
		}
	}
	if len(at) > 1 && slices.ContainsFunc(w.amounts, func(a measure.Amount) bool {
		return math.Abs(sum[a.Unit.Facts().Dimension]/(middle(a)*a.Unit.Facts().Size)-1) < 0.02
	}) {
		return at
	}
	return nil
}

// compare counts one card, and tells what is not as it should be.
func (n *tally) compare(t *testing.T, p pasted) {
	card := wholePaste(t, p.text)
	used := map[int]bool{}
	var rest []int // what is left of a line beside its shares
	faults := 0
	for at, w := range p.want {
		n.rows++
		if at+1 < len(p.want) && p.want[at+1].share {
			if shares := w.sharedOut(card.Lines); shares != nil {
				n.right++
				rest = append(rest, shares...)
				continue
			}
		}
		best := -1
		for k, u := range card.Lines {
			if !used[k] && w.names(u) && (best < 0 || w.measures(u) && !w.measures(card.Lines[best])) {
				best = k
			}
		}
		for k, u := range card.Lines { // a name that is asked about
			if best < 0 && !used[k] && u.Asks() && len(w.amounts) > 0 && w.measures(u) {
				best = k
			}
		}
		switch {
		case best < 0:
			n.lost++
			faults++
			t.Logf("%.40q: %v is lost", p.text, w.foods)
			continue
		case w.names(card.Lines[best]) && w.measures(card.Lines[best]) &&
			(!w.beep || card.Lines[best].Line.When == recipe.AtBeep):
			n.right++
		case w.asked && card.Lines[best].Asks():
			n.right++
		case w.measures(card.Lines[best]), card.Lines[best].Asks():
			n.asked++
			faults++
			u := card.Lines[best]
			t.Logf("%.40q: %q is %q (%s), %s, want %v at the beep: %v", p.text, u.Written, u.Name, u.Doubt, u.Line.When,
				w.foods, w.beep)
		default:
			n.wrong++
			faults++
			t.Logf("%.40q: %q is %s, want %v", p.text, card.Lines[best].Written, card.Lines[best].Line.Amount, w.amounts)
		}
		used[best] = true
	}
	for k, u := range card.Lines {
		if !used[k] && !slices.Contains(rest, k) && card.Columns == nil {
			n.extra++
			faults++
			t.Logf("%.40q: %q is no ingredient", p.text, u.Written)
		}
	}
	n.cards++
	if faults == 0 {
		n.whole++
	}
}

// What of cards as people paste them is read as a careful reader reads them. The figures are the least that hold: a
// better reader raises them.
func TestPastedCards(t *testing.T) {
	var n tally
	for _, p := range pastedCards(t) {
		n.compare(t, p)
	}
	t.Logf("%d cards, %d whole; %d rows: %d right or rightly asked, %d asked about without need or with another moment, %d wrong, %d lost, %d more",
		n.cards, n.whole, n.rows, n.right, n.asked, n.wrong, n.lost, n.extra)
	if n.cards < 150 || 100*n.whole < 94*n.cards || 1000*n.right < 990*n.rows || 500*n.wrong > n.rows ||
		100*n.lost > n.rows {
		t.Error("fewer than before")
	}
}

// Every row of a pasted card is told: as an ingredient, the title, a heading, a setting, the method, or as not used; and
// what is not used is on the list of it.
func TestNoRowOfAPastedCardVanishes(t *testing.T) {
	count := map[recipe.Became]int{}
	for _, p := range pastedCards(t) {
		card, _ := recipe.ReadCard(p.text, measure.US, larder.Find)
		aside := strings.ToLower(strings.Join(append(card.Unused, card.Remarks...), "\n"))
		rows, at := strings.Split(p.text, "\n"), 0
		for n, row := range rows {
			if strings.TrimSpace(row) == "" {
				continue
			}
			if card.Rows[at].Row != n+1 {
				t.Fatalf("%.40q: %q is not told", p.text, row)
			}
			as := card.Rows[at].As
			count[as], at = count[as]+1, at+1
			words := larder.Words(row)
			if as == recipe.NotUsed && len(words) > 2 && !strings.Contains(aside, words[len(words)-1]) {
				t.Errorf("%.40q: %q is not used, and on no list of that", p.text, row)
			}
		}
	}
	t.Log(count)
}
