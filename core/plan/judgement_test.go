package plan_test

import (
	_ "embed"
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/timetable"
	"risepan/demo"
)

//go:embed testdata/judgements.txt
var judgements string

// What a baker of a thousand loaves would say and choose, case by case.
func TestJudgementsThatAnExperiencedBakerWouldSign(t *testing.T) {
	machines := map[string]machine.Machine{"galley": demo.Galley(), "boatyard": demo.Boatyard()}
	cases, notes, quiet := 0, 0, 0
	for _, row := range strings.Split(judgements, "\n") {
		f := strings.Split(row, " | ")
		if len(f) < 6 || strings.HasPrefix(row, "#") {
			continue
		}
		if len(f) == 6 { // without a ready time the columns close up
			parts := strings.SplitN(row, " | | ", 2)
			f = append(strings.Split(parts[0], " | "), append([]string{""}, strings.Split(parts[1], " | ")...)...)
		}
		cases++
		t.Run(f[0], func(t *testing.T) {
			p, err := judged(f[1], f[2], machines[f[3]], f[4], f[5])
			if err != nil {
				t.Fatal(err)
			}
			for _, want := range strings.Split(f[6], "; ") {
				if problem := signed(p, want, f[6]); problem != "" {
					t.Errorf("%s; said: %+v", problem, p.Cautions)
				}
			}
			for _, c := range p.Cautions {
				if c.Level == plan.Note {
					notes++
				}
			}
			if strings.Contains(f[6], "quiet") {
				quiet++
			}
		})
	}
	t.Logf("%d cases, %d of them to be quiet; %d notes in all", cases, quiet, notes)
	if cases < 50 {
		t.Errorf("only %d cases were found", cases)
	}
}

func judged(kind, size string, m machine.Machine, ready, text string) (plan.Plan, error) {
	card, err := recipe.ReadCard(strings.ReplaceAll(text, "; ", "\n"), measure.US, larder.Find)
	if err != nil {
		return plan.Plan{}, err
	}
	r := card.Recipe()
	r.Name, r.Kind, r.Size, r.Standard = "case", recipe.Kind(kind), measure.LoafPounds(3, 2), measure.US
	s, err := measure.ParseLoafSize(size)
	if err != nil {
		return plan.Plan{}, err
	}
	w := plan.Wish{Loaf: plan.Loaf{Size: s}}
	if ready != "" {
		if w.Ready, err = timetable.ParseWall("2026-05-03T" + ready); err != nil {
			return plan.Plan{}, err
		}
	}
	return plan.Make(plan.Place{Kitchen: kitchen.New("Galley", "UTC"), Zone: time.UTC, Recipe: r, Machine: m, Now: time.Date(2026, 5, 2, 20, 0, 0, 0, time.UTC)}, w)
}

// signed says how a plan is not what a case wants; nothing where it is.
func signed(p plan.Plan, want, all string) string {
	said := func(what string) bool {
		return slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool { return string(c.Level)+"/"+string(c.About) == what })
	}
	key, value, set := strings.Cut(want, "=")
	switch {
	case key == "cycle" && set && p.Setting.Cycle.ID != value:
		return fmt.Sprintf("cycle %s, want %s", p.Setting.Cycle.ID, value)
	case key == "crust" && set && string(p.Setting.Crust) != value:
		return fmt.Sprintf("crust %s, want %s", p.Setting.Crust, value)
	case key == "say" && set && !slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool { return strings.Contains(c.Say, value) }):
		return fmt.Sprintf("nobody says %q", value)
	case want == "quiet":
		for _, c := range p.Cautions {
			if !strings.Contains(all, string(c.Level)+"/"+string(c.About)) {
				return fmt.Sprintf("it is not quiet: %s", c.Say)
			}
		}
	case strings.HasPrefix(want, "-") && said(want[1:]):
		return want[1:] + " is said"
	case !set && strings.Contains(want, "/") && !strings.HasPrefix(want, "-") && !said(want):
		return want + " is not said"
	}
	return ""
}

//go:embed testdata/ordinary.txt
var ordinary string

// Ordinary good recipes are quiet: at most one note in three plans, none about salt that the school allows, and nothing louder.
func TestOrdinaryRecipesAreQuiet(t *testing.T) {
	plans, notes := 0, 0
	for _, row := range strings.Split(ordinary, "\n") {
		f := strings.Split(row, " | ")
		if len(f) != 3 || strings.HasPrefix(row, "#") {
			continue
		}
		plans++
		p, err := judged(f[1], "1 1/2 lb", demo.Galley(), "", f[2])
		if err != nil {
			t.Errorf("%s: %v", f[0], err)
			continue
		}
		for _, c := range p.Cautions {
			switch {
			case c.Level != plan.Note:
				t.Errorf("%s: %s is said: %s", f[0], c.Level, c.Say)
			case strings.Contains(c.Say, "salt") && !slices.ContainsFunc(p.Usual.Against, func(a plan.Against) bool { return a.Of == plan.Salt && a.Verdict.Outside() }):
				t.Errorf("%s: salt is spoken of: %s", f[0], c.Say)
			}
			notes++
			t.Logf("%s: %s: %s", f[0], c.About, c.Say)
		}
	}
	t.Logf("%d notes over %d plans", notes, plans)
	if plans < 40 || notes*3 > plans {
		t.Errorf("%d notes over %d plans, want at most one in three over forty", notes, plans)
	}
}
