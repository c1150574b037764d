package recipe

import (
	"math/rand/v2"
	"os"
	"runtime"
	"strings"
	"sync"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/readtest"
)

// pastedRows are the rows of the pasted cards and of the corpus of cards.
func pastedRows(t *testing.T) (out []string) {
	t.Helper()
	for _, name := range []string{"pasted.txt", "cards.txt"} {
		b, err := os.ReadFile("testdata/" + name)
		if err != nil {
			t.Fatal(err)
		}
		for row := range strings.Lines(string(b)) {
			if row = strings.TrimRight(row, "\n"); len(row) < 200 {
				out = append(out, row)
			}
		}
	}
	return out
}

// odd are signs that slips put in the place of letters.
var odd = []rune("½¼|:;*-()%lO/.,+&<>\t\r")

// garbled is a row as a slip of typing, scanning or copying leaves it.
func garbled(row string, random *rand.Rand) string {
	letters := []rune(row)
	if len(letters) < 2 {
		return row
	}
	at := random.IntN(len(letters) - 1)
	switch random.IntN(8) {
	case 0:
		letters[at], letters[at+1] = letters[at+1], letters[at]
	case 1:
		letters = append(letters[:at], letters[at+1:]...)
	case 2:
		letters = letters[:at]
	case 3:
		letters[at] = odd[random.IntN(len(odd))]
	case 4:
		return string(letters[:at]) + "\n" + string(letters[at:])
	case 5:
		return row + " " + row
	}
	return string(letters)
}

// Of whatever rows a paste is made, and however they are garbled, each is told once, nothing panics, and what is called
// understood can be weighed.
func TestDrawnPastes(t *testing.T) {
	rows := pastedRows(t)
	all := readtest.Draws(2_000, 1_000_000)
	var wait sync.WaitGroup
	for part := range runtime.GOMAXPROCS(0) {
		wait.Go(func() {
			random := rand.New(rand.NewPCG(33, uint64(part)))
			for n := part; n < all; n += runtime.GOMAXPROCS(0) {
				var paste []string
				for range 1 + random.IntN(6) {
					paste = append(paste, garbled(rows[random.IntN(len(rows))], random))
				}
				text := strings.Join(paste, "\n")
				card, err := ReadCard(text, measure.US, larder.Find)
				if err != nil {
					t.Errorf("%q: %v", text, err)
					continue
				}
				everyRowIsTold(t, text, card)
				for _, u := range card.Lines {
					i, ok := larder.Know(u.Line.Ingredient)
					_, err := i.Shaped(u.Line.Note).Weigh(u.Line.Amount)
					if u.Sure == larder.Plainly && !u.Open() && !u.Loose && (err != nil || !ok) {
						t.Errorf("%q: %q is understood as %+v, which cannot be weighed: %v", text, u.Written, u.Line, err)
					}
				}
			}
		})
	}
	wait.Wait()
	t.Logf("%d pastes", all)
}
