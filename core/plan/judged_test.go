package plan_test

import (
	"os"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/core/timetable"
	"risepan/demo"
)

// unusual plans a row of testdata/judged.txt on the galley machine, and gives its cycle and what stands against it.
func unusual(t *testing.T, card, kind, options string) (cycle string, against []string) {
	t.Helper()
	r := carded(t, strings.ReplaceAll(card, "; ", "\n"))
	if kind != "" {
		r.Kind = recipe.Kind(kind)
	}
	m := demo.Galley()
	w := plan.Wish{}
	w.Size = r.Size
	for _, o := range strings.Split(options, ", ") {
		switch without, lacks := strings.CutPrefix(o, "no "); {
		case o == "delay":
			w.Ready, _ = timetable.ParseWall(evening.Add(12 * time.Hour).Format("2006-01-02T15:04"))
		case lacks:
			m.Cycles = slices.DeleteFunc(m.Cycles, func(c machine.Cycle) bool { return string(c.Character) == without })
		}
	}
	p, err := plantest.Make(heron(), plantest.Ask{Place: plan.Place{Recipe: r, Machine: m, Zone: time.UTC}, Wish: w},
		evening)
	if err != nil {
		t.Fatalf("%s: %v", card, err)
	}
	for _, c := range p.Cautions {
		if said := string(c.Level) + " " + string(c.About); c.Level != plan.Note && !slices.Contains(against, said) {
			against = append(against, said)
		}
	}
	slices.Sort(against)
	return string(p.Setting.Cycle.Name), against
}

// What an experienced baker asks, warns of and chooses for loaves of unusual kinds: a row holds all that is more than a
// note, so that a false alarm fails as well as silence.
func TestUnusualKindsAreJudgedAsBakersJudgeThem(t *testing.T) {
	text, err := os.ReadFile("testdata/judged.txt")
	if err != nil {
		t.Fatal(err)
	}
	rows := 0
	for _, row := range strings.Split(strings.TrimSpace(string(text)), "\n") {
		if strings.HasPrefix(row, "#") {
			continue
		}
		c := strings.Split(row, " | ")
		if len(c) != 5 {
			t.Fatalf("%d cells: %s", len(c), row)
		}
		rows++
		for n := range c {
			c[n] = strings.TrimSpace(strings.Trim(c[n], "-"))
		}
		cycle, against := unusual(t, c[0], c[1], c[2])
		if got := strings.Join(against, "; "); cycle != c[3] || got != c[4] {
			t.Errorf("%s\n\tcycle %s, against it: %s\n\twant  %s, %s", c[0], cycle, got, c[3], c[4])
		}
	}
	if rows < 40 {
		t.Errorf("%d rows", rows)
	}
}
