package plan_test

import (
	_ "embed"
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bench"
	"risepan/core/dough"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/swap"
	"risepan/core/timetable"
	"risepan/demo"
)

//go:embed testdata/judgements.txt
var judgements string

// judgedCases are the rows of the page: name, kind, size, machine, wishes, recipe and what is to be said.
func judgedCases() (rows [][]string) {
	for _, row := range strings.Split(judgements, "\n") {
		f := strings.Split(row, " | ")
		if len(f) < 6 || strings.HasPrefix(row, "#") {
			continue
		}
		if len(f) == 6 { // without a ready time the columns close up
			parts := strings.SplitN(row, " | | ", 2)
			f = append(strings.Split(parts[0], " | "), append([]string{""}, strings.Split(parts[1], " | ")...)...)
		}
		rows = append(rows, f)
	}
	return rows
}

var machinesOfCases = map[string]machine.Machine{"galley": demo.Galley(), "boatyard": demo.Boatyard()}

// What a baker of a thousand loaves would say and choose, case by case.
func TestJudgementsThatAnExperiencedBakerWouldSign(t *testing.T) {
	cases, notes, quiet := 0, 0, 0
	for _, f := range judgedCases() {
		cases++
		t.Run(f[0], func(t *testing.T) {
			p, err := judged(f[1], f[2], machinesOfCases[f[3]], f[4], f[5])
			if wrong, ok := strings.CutPrefix(f[6], "error="); ok {
				if err == nil || !strings.Contains(err.Error(), wrong) {
					t.Errorf("the error is %v, want %q", err, wrong)
				}
				return
			}
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
	if cases < 120 {
		t.Errorf("only %d cases were found", cases)
	}
}

func judged(of, size string, m machine.Machine, ready, text string) (plan.Plan, error) {
	card, err := recipe.ReadCard(strings.ReplaceAll(text, "; ", "\n"), measure.US, larder.Find)
	if err != nil {
		return plan.Plan{}, err
	}
	r := card.Recipe()
	r.Name, r.Kind, r.Size, r.Standard = "case", recipe.Kind(of), measure.LoafPounds(3, 2), measure.US
	s, err := measure.ParseLoafSize(size)
	if err != nil {
		return plan.Plan{}, err
	}
	place := plan.Place{Kitchen: kitchen.New("Galley", "UTC"), Zone: time.UTC, Recipe: r, Machine: m,
		Now: time.Date(2026, 5, 2, 20, 0, 0, 0, time.UTC)}
	w := plan.Wish{LoafWish: plan.LoafWish{Size: s}}
	for _, token := range strings.Fields(ready) {
		if err := wished(&place, &w, token); err != nil {
			return plan.Plan{}, err
		}
	}
	return plan.Make(place, w)
}

// wished puts one word of a case's wishes into its wish or place.
func wished(p *plan.Place, w *plan.Wish, token string) (err error) {
	key, value, _ := strings.Cut(strings.ReplaceAll(token, "_", " "), "=")
	switch key {
	case "now":
		var now timetable.Wall
		now, err = timetable.ParseWall("2026-05-03T" + value)
		p.Now, _ = now.Resolve(time.UTC)
	case "cycle":
		w.Cycle = value
	case "within":
		_, err = fmt.Sscan(value, &w.Within)
	case "order":
		w.Loading.Order = pan.Order(value)
	case "away":
		w.Away = true
	case "beep":
		w.AddIns = plan.WithHands
	case "box":
		w.AddIns = plan.InBox
	case "start":
		w.AddIns = plan.AtStart
	case "reduced":
		p.Kitchen.Salt = kind.Reduced
	case "room":
		p.Kitchen.Liquid = dough.AtRoom
	case "scale":
		p.Kitchen.Scale = true
	case "safe":
		w.Swaps, _ = swap.DelaySafe(p.Recipe, larder.Know)
	case "swap":
		for _, o := range swap.Offers(p.Recipe, larder.Know, "") {
			if string(o.Swap) == value && len(w.Swaps) == 0 {
				w.Swaps = append(w.Swaps, o.Pick)
			}
		}
		if len(w.Swaps) == 0 {
			err = fmt.Errorf("no line offers %s", value)
		}
	default:
		w.Ready, err = timetable.ParseWall("2026-05-03T" + key)
	}
	return err
}

// food is the first line of a plan whose ingredient's name holds a text.
func food(p plan.Plan, name string) plan.Line {
	for _, l := range p.Lines {
		if strings.Contains(l.Name, name) {
			return l
		}
	}
	return plan.Line{}
}

func clockOf(t time.Time) string { return t.UTC().Format("15:04") }

// seen are the figures of a plan that a case may want, of a food or of the whole; lists what it may speak of.
var seen = map[string]func(p plan.Plan, name string) string{
	"into": func(p plan.Plan, name string) string { return string(p.AddIns.Of(food(p, name).ID)) },
	"place": func(p plan.Plan, name string) string {
		for _, l := range p.Pan.Layers {
			if slices.Contains(l.Lines, food(p, name).ID) {
				return string(l.Place)
			}
		}
		return "not in the pan"
	},
	"amount": func(p plan.Plan, name string) string {
		l := food(p, name)
		if l.Fixed {
			return fmt.Sprint(l.Pieces, l.Written)
		}
		return strings.TrimSuffix(l.Measured.String(), "+")
	},
	"weight": func(p plan.Plan, name string) string { return food(p, name).Weight },
}

var lists = map[string]func(plan.Plan) []string{
	"heat":  func(p plan.Plan) []string { return []string{p.Heat.At} },
	"eaten": func(p plan.Plan) []string { return []string{clockOf(p.Eaten)} },
	"done":  func(p plan.Plan) []string { return []string{clockOf(p.Timer.Ready)} },
	"allergens": func(p plan.Plan) []string {
		return []string{strings.Trim(strings.ReplaceAll(fmt.Sprint(p.Allergens), " ", ", "), "[]")}
	},
	"moment": func(p plan.Plan) (out []string) {
		for _, m := range p.Moments {
			out = append(out, m.Say)
		}
		return out
	},
	"way": func(p plan.Plan) (out []string) {
		for _, c := range p.Cautions {
			for _, w := range c.Ways {
				out = append(out, w.Say)
			}
		}
		return out
	},
	"say": func(p plan.Plan) (out []string) {
		for _, c := range p.Cautions {
			out = append(out, c.Say)
		}
		return out
	},
	"step": func(p plan.Plan) (out []string) {
		for _, s := range bench.Steps(kitchen.New("Galley", "UTC"), p, nil) {
			out = append(out, strings.Join([]string{s.Say, s.Into, s.Why, s.Ask, strings.Join(s.List, ", ")}, " "))
		}
		return out
	},
	"fill": func(p plan.Plan) []string {
		f := p.Pan.Fill
		var loaded measure.Millilitres
		for _, l := range p.Pan.Layers {
			loaded += l.Volume
		}
		if f.Low > loaded && f.High <= f.Pan {
			return []string{"risen"}
		}
		return []string{fmt.Sprint(f)}
	},
}

// signed says how a plan is not what a case wants; nothing where it is.
func signed(p plan.Plan, want, all string) string {
	said := func(what string) bool {
		return slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool {
			return string(c.Level)+"/"+
				string(c.About) == what
		})
	}
	key, value, set := strings.Cut(want, "=")
	switch {
	case key == "cycle" && set && p.Setting.Cycle.ID != value:
		return fmt.Sprintf("cycle %s, want %s", p.Setting.Cycle.ID, value)
	case key == "crust" && set && string(p.Setting.Crust) != value:
		return fmt.Sprintf("crust %s, want %s", p.Setting.Crust, value)
	case set && seen[key] != nil:
		what, how, _ := strings.Cut(value, ":")
		if got := seen[key](p, what); !strings.Contains(got, how) || how == "" && strings.Contains(value, ":") &&
			got != "" {
			return fmt.Sprintf("%s is %q, want %q", key+" "+what, got, how)
		}
	case set && strings.HasPrefix(key, "-") && lists[key[1:]] != nil:
		if slices.ContainsFunc(lists[key[1:]](p), func(s string) bool { return strings.Contains(s, value) }) {
			return fmt.Sprintf("%s speaks of %q", key[1:], value)
		}
	case set && lists[key] != nil:
		if all := lists[key](p); !slices.ContainsFunc(all, func(s string) bool { return strings.Contains(s, value) }) {
			return fmt.Sprintf("no %s speaks of %q: %q", key, value, all)
		}
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

// Ordinary good recipes are quiet: at most one note in three plans, none about salt that the school allows, and nothing
// louder.
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
			case strings.Contains(c.Say, "salt") && !slices.ContainsFunc(p.Usual.Against,
				func(a plan.Against) bool { return a.Of == plan.Salt && a.Verdict.Outside() }):
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
