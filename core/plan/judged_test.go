package plan_test

import (
	"os"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/core/timetable"
	"risepan/demo"
)

// otherwise is a word of a row on the wish, the machine or the kitchen; those of one argument follow in options.
var otherwise = map[string]func(*plantest.Ask, *kitchen.Kitchen){
	"delay":        func(a *plantest.Ask, _ *kitchen.Kitchen) { a.Ready, _ = timetable.ParseWall("2026-03-11T08:00") },
	"away":         func(a *plantest.Ask, _ *kitchen.Kitchen) { a.Away = true },
	"light":        func(a *plantest.Ask, _ *kitchen.Kitchen) { a.Crust = machine.Light },
	"no timer":     func(a *plantest.Ask, _ *kitchen.Kitchen) { a.Machine.Delay = machine.Delay{} },
	"no crusts":    func(a *plantest.Ask, _ *kitchen.Kitchen) { a.Machine.Crusts = nil },
	"two paddles":  func(a *plantest.Ask, _ *kitchen.Kitchen) { a.Machine.Paddles.Count = 2 },
	"yeast box":    func(a *plantest.Ask, _ *kitchen.Kitchen) { a.Machine.YeastBox = true },
	"no dispenser": func(a *plantest.Ask, _ *kitchen.Kitchen) { a.Machine.Dispenser = 0 },
	"no beep": func(a *plantest.Ask, _ *kitchen.Kitchen) {
		a.Machine.Dispenser = 0
		for n := range a.Machine.Cycles {
			a.Machine.Cycles[n].Beeps = nil
		}
	},
	"preheat": func(a *plantest.Ask, _ *kitchen.Kitchen) {
		for n := range a.Machine.Cycles {
			a.Machine.Cycles[n].Stages = append([]machine.Stage{{Kind: machine.Rest, Minutes: 28, Least: 18}},
				a.Machine.Cycles[n].Stages...)
		}
	},
}

// option makes a wish as a word of a row has it.
func option(t *testing.T, word string, a *plantest.Ask, k *kitchen.Kitchen) {
	t.Helper()
	if do, ok := otherwise[word]; ok {
		do(a, k)
		return
	}
	sized := func(s string) measure.LoafSize {
		out, err := measure.ParseLoafSize(s)
		if err != nil {
			t.Fatal(err)
		}
		return out
	}
	first, rest, _ := strings.Cut(word, " ")
	switch first {
	case "no":
		a.Machine.Cycles = slices.DeleteFunc(a.Machine.Cycles,
			func(c machine.Cycle) bool { return string(c.Character) == rest })
	case "on":
		a.Cycle = rest
	case "size":
		a.Size = sized(rest)
	case "sizes":
		a.Machine.Sizes = nil
		for _, s := range strings.Split(rest, " and ") {
			a.Machine.Sizes = append(a.Machine.Sizes, sized(s))
		}
	case "ready":
		at, err := timetable.ParseWall(rest)
		if err != nil {
			t.Fatal(err)
		}
		a.Ready = at
	case "room":
		c, err := measure.ParseTemperature(rest)
		if err != nil {
			t.Fatal(err)
		}
		k.Room = c
	default:
		t.Fatalf("no option %q", word)
	}
}

// unusual plans a row of testdata/judged.txt on the galley machine.
func unusual(t *testing.T, card, kind, options string) plan.Plan {
	t.Helper()
	r := carded(t, strings.ReplaceAll(card, "; ", "\n"))
	if kind != "" {
		r.Kind = recipe.Kind(kind)
	}
	k := heron()
	a := plantest.Ask{Place: plan.Place{Recipe: r, Machine: demo.Galley(), Zone: time.UTC}}
	for _, o := range strings.Split(options, ", ") {
		if o != "" {
			option(t, o, &a, &k)
		}
	}
	p, err := plantest.Make(k, a, evening)
	if err != nil {
		t.Fatalf("%s: %v", card, err)
	}
	return p
}

// against is all that is more than a note.
func against(p plan.Plan) string {
	var out []string
	for _, c := range p.Cautions {
		if said := string(c.Level) + " " + string(c.About); c.Level != plan.Note && !slices.Contains(out, said) {
			out = append(out, said)
		}
	}
	slices.Sort(out)
	return strings.Join(out, "; ")
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
		p := unusual(t, c[0], c[1], c[2])
		cycle := string(p.Setting.Cycle.Name)
		if got := against(p); cycle != c[3] || got != c[4] {
			t.Errorf("%s\n\tcycle %s, against it: %s\n\twant  %s, %s", c[0], cycle, got, c[3], c[4])
		}
	}
	if rows < 40 {
		t.Errorf("%d rows", rows)
	}
}
