package store_test

import (
	"errors"
	"fmt"
	"math"
	"os"
	"path/filepath"
	"reflect"
	"slices"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/go-json-experiment/json"

	"risepan/core/bag"
	"risepan/core/bake"
	"risepan/core/bench"
	"risepan/core/day"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/readtest"
	"risepan/core/recipe"
	"risepan/core/rehearse"
	"risepan/core/swap"
	"risepan/core/timetable"
	"risepan/core/validate"
	"risepan/demo"
	"risepan/store"
	"risepan/store/storetest"
)

// sample is a stored value with as much in it as it can hold, and what refuses one that cannot be.
type sample struct {
	what  string
	value any
	check func(any) error
}

func checked[T any](what string, v T, check func(T) error) sample {
	return sample{what, v, func(v any) error { return check(v.(T)) }}
}

// samples are the values of the documents that a kitchen keeps.
func samples(t *testing.T) []sample {
	t.Helper()
	date, _ := kitchen.ParseDate("2026-11-25")
	room, _ := measure.ParseTemperature("19 °C")
	ready, _ := timetable.ParseWall("2026-05-03T07:00")
	later, _ := timetable.ParseWall("2026-05-03T09:00")
	k := kitchen.New("Golden", "Europe/London")
	flour, _ := larder.Get("bread-flour")
	k.Facts = []larder.Ingredient{*flour}
	k.Readings = []kitchen.Reading{{Spelling: "spice", Ingredient: "ground-spice"}}
	k.Prefer = []kitchen.Preference{{Ingredient: "bread-flour", Measure: k.Measures[1]}}
	k.Cups = []larder.Cup{{Flour: "bread-flour", Filling: larder.Scooped, Measure: measure.Of(1, 1, measure.Cup),
		Weighings: []measure.Grams{140, 143, 141}}}
	k.Packs = []kitchen.Pack{{Ingredient: "active-dry-yeast", Name: "jar", BestBefore: date, Opened: date}}
	k.Stock = []kitchen.Stocked{{Ingredient: "bread-flour", Grams: 1500}}
	k.Quiet = kitchen.Quiet{From: 22 * 60, To: 6*60 + 30}
	k.Week, k.Regulars = "sunday", []kitchen.Regular{{ID: "r", Recipe: store.NewID(), Machine: store.NewID(),
		Size: measure.LoafPounds(3, 2), Days: []kitchen.Weekday{"tuesday", "friday"}, By: 7 * 60}}
	k.Loading = pan.Manner{Order: pan.Premixed, Salt: pan.SaltWet, Fat: pan.FatMelted, Yeast: pan.YeastTop}

	m := demo.Galley()
	m.Salt, m.Fat, m.KneadRise, m.YeastBox = pan.SaltHigh, pan.FatFloor, 4, true
	m.Delay.First = machine.OneStep
	m.Cycles[0].Own, m.Cycles[0].Restart = true, true
	m.Cycles[0].Stages[0].Least, m.Cycles[0].Stages[0].Warmth = 5, room
	m.Cycles[0].Beeps = append(m.Cycles[0].Beeps, machine.Beep{For: machine.Scrape, By: machine.AfterStart, Minutes: 5,
		UpTo: 8, Pips: 3})
	m.Panel.Crust.Only = map[string][]string{"basic": {"light", "dark"}}

	r := demo.Recipes()[4]
	r.Lines[0].Or, r.Lines[0].Optional, r.Lines[0].Note = []recipe.Choice{{Ingredient: "milk"},
		{Ingredient: "buttermilk", Amount: measure.Of(9, 8, measure.Cup)}}, true, "lukewarm"
	r.Lines[9].Part = recipe.Topping
	r.Lines[5].Also = measure.Of(375, 1, measure.Gram)
	r.Columns = []recipe.Column{{Size: measure.LoafPounds(1, 1),
		Amounts: []measure.Amount{measure.Of(2, 3, measure.Cup), {}}}}
	r.Settings = recipe.Settings{Cycle: "sweet", Crust: "light", Delay: "no"}
	r.Makes, r.Method, r.Open = "12 slices", []string{"Add the fruit at the beep."}, []string{"320 flour"}

	w := plan.Wish{RecipeID: store.NewID(), MachineID: store.NewID(),
		LoafWish: plan.LoafWish{Size: measure.LoafPounds(2, 1), Slices: 10, Eaters: 2, Have: &plan.Have{Line: "l1",
			Amount: measure.Of(1, 1, measure.Cup)},
			Without: []string{"l1"}, Instead: map[string]larder.ID{"l1": "milk"},
			Swaps: []swap.Pick{{Line: "l2", Swap: "butter>oil", Share: 50}}},
		Timing: plan.Timing{Ready: ready, NotYet: true, AtPanel: true, Within: 300, Away: true, Cycle: "basic",
			Crust: machine.Dark, AddIns: plan.InBox},
		Handling: plan.Handling{Closer: 1, NotToHand: []string{"1 cup"},
			Locks: []plan.Lock{{Line: "l3", Amount: measure.Of(3, 2, measure.Tsp)}}, Weigh: []string{"l6"},
			Loading: pan.Manner{Order: pan.DryFirst}, Warmth: plan.Warmth{Room: room, Flour: room,
				Cold: []string{"l1"}}}}
	p, err := plan.Make(plan.Place{Kitchen: kitchen.New("Golden", "UTC"), Zone: time.UTC, Recipe: demo.Recipes()[4],
		Machine: demo.Galley(), Now: noon}, plan.Wish{LoafWish: plan.LoafWish{Size: measure.LoafPounds(2, 1)}})
	if err != nil {
		t.Fatal(err)
	}
	untimed := w
	untimed.Ready = timetable.Wall{}
	batch, err := bag.Pack(p, date)
	if err != nil {
		t.Fatal(err)
	}
	stamp := journal.Stamp{Seq: 2, At: noon}
	over := bake.At(p, []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: noon}, What: bake.TakenOut}}, noon)
	return []sample{
		checked("kitchen", k, kitchen.Kitchen.Check),
		checked("machine", m, machine.Machine.Check),
		checked("recipe", r, func(r recipe.Recipe) error {
			_, err := r.Weigh(larder.Know)
			return validate.First(r.Check(), err)
		}),
		checked("habit", store.Habit{Cycle: "basic", Crust: machine.Light},
			func(h store.Habit) error { return validate.Check(h) }),
		checked("import", store.Imported{Recipes: []store.RecipeMade{{ID: "01a0", Name: "Plain", Revision: 2}},
			Bakes:    []string{"01b0"},
			Absences: []kitchen.Absence{{Name: "Market", From: noon, To: noon.Add(time.Hour)}}},
			func(i store.Imported) error { return validate.Check(i) }),
		checked("wish", w, plan.Wish.Check),
		checked("plan", p, func(p plan.Plan) error { return validate.Check(p) }),
		checked("bag", batch, bag.Batch.Check),
		checked("day", day.Book{Hands: 2, Nights: true, Lent: w.MachineID,
			Away: []day.Hours{{From: ready, To: later, Name: "Market"}},
			Loaves: []day.Loaf{{ID: "a", Wish: untimed, Only: true, When: day.Between, From: ready, By: later,
				Pin: later}},
			Was: map[string]day.Stood{"a": {Machine: w.MachineID, Press: ready, Begin: ready, Done: later}}},
			day.Book.Check),
		checked("rehearsal", rehearse.Rehearsal{Plan: p, Machine: demo.Galley(), Room: 21, Slip: rehearse.DoubleYeast,
			Began: noon}, rehearse.Rehearsal.Check),
		checked("happening in a rehearsal", rehearse.Happening{Stamp: stamp, What: rehearse.Pressed, Button: "Menu",
			Held: true}, func(h rehearse.Happening) error { return rehearse.Check(rehearse.State{}, h) }),
		checked("happening at a bench", bench.Happening{Stamp: stamp, Do: bench.Slip, Step: "measure l1", Line: "l1",
			Amount: measure.Of(5, 4, measure.Cup), Way: bench.Fit,
			In: []plan.Lock{{Line: "l2", Amount: measure.Of(3, 2, measure.Tbsp)}}},
			func(h bench.Happening) error { return bench.Check(bench.Session{}, []string{"measure l1", ""}, h) }),
		checked("happening in a bake", bake.Happening{Stamp: stamp, What: bake.Judged, Verdict: bake.Verdict{Mark: 4,
			Note: "good", Signs: []bake.Sign{bake.Domed}, CutAfter: 60, Weight: 720,
			Helped: bake.Yes, Centre: new(12), Sides: new(-3), Crust: machine.Dark, Room: measure.Reading(24),
			Damp: true, Mishaps: []bake.Mishap{bake.LidOpened}}},
			func(h bake.Happening) error { return bake.Check(over, nil, h) }),
	}
}

// What passes its check and is written comes back the same, whichever of its fields is left out, null or
// empty. (A kitchen without its school of yeast was once stored, and never opened again.)
func TestWhateverCanBeKeptCanBeReadWithAnyFieldEmptied(t *testing.T) {
	for _, s := range samples(t) {
		t.Run(s.what, func(t *testing.T) {
			t.Parallel()
			if err := s.check(s.value); err != nil {
				t.Fatalf("the sample itself is refused: %v", err)
			}
			whole, err := json.Marshal(s.value)
			if err != nil {
				t.Fatal(err)
			}
			tried, kept := 0, 0
			ways := emptied(t, whole)
			slices.SortFunc(ways, func(a, b spoiled) int { return strings.Compare(a.at, b.at) })
			step := 1 + len(ways)/readtest.Draws(2500, math.MaxInt)
			for n := 0; n < len(ways); n += step {
				spoiled := ways[n]
				v := reflect.New(reflect.TypeOf(s.value))
				if json.Unmarshal(spoiled.doc, v.Interface(), json.RejectUnknownMembers(true)) != nil {
					continue
				}
				tried++
				if s.check(v.Elem().Interface()) != nil {
					continue
				}
				kept++
				written, err := json.Marshal(v.Elem().Interface())
				if err != nil {
					t.Errorf("without %s it is kept and cannot be written: %v", spoiled.at, err)
					continue
				}
				back := reflect.New(reflect.TypeOf(s.value))
				if err := json.Unmarshal(written, back.Interface()); err != nil {
					t.Errorf("without %s it is kept and cannot be read: %v", spoiled.at, err)
					continue
				}
				if again, _ := json.Marshal(back.Elem().Interface()); string(again) != string(written) {
					t.Errorf("without %s it is kept as %s and comes back as %s", spoiled.at, written, again)
				}
			}
			t.Logf("%d ways to empty a field, %d of them kept and read", tried, kept)
			if tried < 4 {
				t.Error("hardly a field was emptied")
			}
		})
	}
}

type spoiled struct {
	at  string
	doc []byte
}

// emptied are a document's versions with one value in it left out, null, or empty of its sort.
func emptied(t *testing.T, doc []byte) []spoiled {
	t.Helper()
	var tree any
	if err := json.Unmarshal(doc, &tree); err != nil {
		t.Fatal(err)
	}
	var out []spoiled
	for _, path := range paths(tree, nil) {
		for _, empty := range []any{nil, "", 0.0, false, []any{}, map[string]any{}, "\u200b", 1e308, -1.0, gone} {
			was, ok := replace(tree, path, empty)
			if !ok {
				continue
			}
			b, err := json.Marshal(tree)
			if err != nil {
				t.Fatal(err)
			}
			replace(tree, path, was)
			out = append(out, spoiled{fmt.Sprintf("%s (%v)", strings.Join(path, "/"), empty), b})
		}
	}
	return out
}

// gone stands for a member that is left out.
var gone = new(int)

func paths(tree any, at []string) [][]string {
	var out [][]string
	down := func(key string, v any) {
		path := append(at[:len(at):len(at)], key)
		out = append(append(out, path), paths(v, path)...)
	}
	switch v := tree.(type) {
	case map[string]any:
		for key, member := range v {
			down(key, member)
		}
	case []any:
		for n, member := range v[:min(len(v), 2)] {
			down(strconv.Itoa(n), member)
		}
	}
	return out
}

// replace puts a value where another stands, and hands back that one; an element of a list cannot be left out.
func replace(tree any, path []string, v any) (was any, ok bool) {
	for ; len(path) > 1; path = path[1:] {
		switch in := tree.(type) {
		case map[string]any:
			tree = in[path[0]]
		case []any:
			n, _ := strconv.Atoi(path[0])
			tree = in[n]
		}
	}
	switch in := tree.(type) {
	case map[string]any:
		was = in[path[0]]
		if in[path[0]] = v; v == any(gone) {
			delete(in, path[0])
		}
	case []any:
		if v == any(gone) {
			return nil, false
		}
		n, _ := strconv.Atoi(path[0])
		was, in[n] = in[n], v
	}
	return was, true
}

// Of every shape that was ever stored there is a golden file, and it is still read. With RISEPAN_GOLDEN=1
// the files of the present shapes are written; old ones never change.
func TestEveryShapeEverStoredIsStillRead(t *testing.T) {
	docs := store.Documents()
	for _, s := range samples(t) {
		d := docs[s.what]
		delete(docs, s.what)
		name := func(shape int) string {
			return filepath.Join("testdata", fmt.Sprintf("%s-%d.json", strings.ReplaceAll(s.what, " ", "-"), shape))
		}
		if os.Getenv("RISEPAN_GOLDEN") != "" {
			b, err := json.Marshal(s.value)
			if err == nil {
				err = os.WriteFile(name(d.Shape()), b, 0o644)
			}
			if err != nil {
				t.Fatal(err)
			}
		}
		for shape := 1; shape <= d.Shape(); shape++ {
			b, err := os.ReadFile(name(shape))
			if err != nil {
				t.Errorf("shape %d of a %s has no golden file: %v", shape, s.what, err)
				continue
			}
			v := reflect.New(reflect.TypeOf(s.value))
			if err := d.Decode("golden", shape, string(b), v.Interface()); err != nil {
				t.Error(err)
				continue
			}
			if err := s.check(v.Elem().Interface()); err != nil {
				t.Errorf("shape %d of a %s reads as what cannot be: %v", shape, s.what, err)
			}
			if got, _ := json.Marshal(v.Elem().Interface()); shape == d.Shape() && string(got) != string(b) {
				t.Errorf("a %s of the present shape comes back as\n%s, and was\n%s", s.what, got, b)
			}
		}
	}
	for what := range docs {
		t.Errorf("a %s is stored and has no sample here", what)
	}
}

// A loaf tin of shape 1 had its length in inches; in shape 2 it is in millimetres; in shape 3 it has a
// name. Each is brought to the next on reading, and a shape from the future is refused.
func TestADocumentIsBroughtFromEachShapeToTheNext(t *testing.T) {
	type tin struct {
		Name   string  `json:"name"`
		Length float64 `json:"length"`
	}
	d := store.NewDocument("tin", 3, map[int]func(map[string]any) error{
		1: func(doc map[string]any) error {
			inches, ok := doc["inches"].(float64)
			if !ok {
				return errors.New("it has no inches")
			}
			delete(doc, "inches")
			doc["length"] = inches * 25.4
			return nil
		},
		2: func(doc map[string]any) error { doc["name"] = "tin"; return nil },
	})
	for _, c := range []struct {
		shape int
		doc   string
		want  tin
		fault string
	}{
		{1, `{"inches":10}`, tin{"tin", 254}, ""}, {2, `{"length":254}`, tin{"tin", 254}, ""},
		{3, `{"name":"blue","length":200}`, tin{"blue", 200}, ""},
		{1, `{}`, tin{}, "from shape 1: it has no inches"}, {4, `{}`, tin{}, "shape 4"}, {0, `{}`, tin{}, "shape 0"},
		{3, `{"length":`, tin{}, "cannot be read"},
	} {
		var got tin
		err := d.Decode("t1", c.shape, c.doc, &got)
		var u *store.Unreadable
		switch {
		case c.fault == "" && (err != nil || got != c.want):
			t.Errorf("shape %d, %s: %+v (%v), want %+v", c.shape, c.doc, got, err, c.want)
		case c.fault != "" && (!errors.As(err, &u) || !strings.Contains(err.Error(), c.fault)):
			t.Errorf("shape %d, %s: %v, want %q", c.shape, c.doc, err, c.fault)
		}
	}
}

func TestAnOlderProgramDoesNotStartOnANewerDatabase(t *testing.T) {
	for name, spoil := range map[string]string{
		"a newer shape of a document": `UPDATE machine_versions SET shape = 99`,
		"newer tables":                `INSERT INTO goose_db_version (version_id, is_applied) VALUES (9999, TRUE)`,
	} {
		t.Run(name, func(t *testing.T) {
			dsn := storetest.NewDSN(t)
			s, err := store.Open(ctx, dsn)
			if err != nil {
				t.Fatal(err)
			}
			heron(t, s)
			s.Close()
			storetest.RunOn(t, dsn, spoil)
			if _, err := store.Open(ctx, dsn); !errors.Is(err, store.ErrNewer) || strings.Contains(err.Error(), "\n") {
				t.Errorf("it opens with %v", err)
			}
		})
	}
}

func TestADocumentThatCannotBeReadCostsItselfAlone(t *testing.T) {
	s := storetest.Open(t)
	k := heron(t, s)
	before, _, err := s.Machines(ctx, k.ID, false)
	if err != nil {
		t.Fatal(err)
	}
	storetest.Run(t, s, `UPDATE machine_versions SET doc = '{"name": 7}' WHERE owner_id = ?`, before[0].ID)
	after, unreadable, err := s.Machines(ctx, k.ID, false)
	if err != nil || len(after) != len(before)-1 || len(unreadable) != 1 {
		t.Errorf("%d machines are left of %d, %v is said (%v)", len(after), len(before), unreadable, err)
	}
	var u *store.Unreadable
	if _, err := s.Machine(ctx, k.ID, before[0].ID, 0); !errors.As(err, &u) || errors.As(err, new(*fault.Fault)) {
		t.Errorf("the machine itself: %v", err)
	}

	recipes, err := s.Shelf(ctx, k.ID, store.Search{Most: 2})
	if err != nil {
		t.Fatal(err)
	}
	for _, r := range recipes {
		if err := s.SetHabit(ctx, k.ID, r.ID, before[1].ID, store.Habit{Cycle: "basic",
			Crust: machine.Dark}); err != nil {
			t.Fatal(err)
		}
	}
	storetest.Run(t, s, `UPDATE habits SET doc = '[]' WHERE recipe_id = ?`, recipes[0].ID)
	habits, unreadable, err := s.Habits(ctx, k.ID)
	if kept := habits[[2]string{recipes[1].ID, before[1].ID}]; err != nil || len(habits) != 1 ||
		len(unreadable) != 1 || kept.Cycle != "basic" || kept.Crust != machine.Dark {
		t.Errorf("of two habits %v is read, %v is said (%v)", habits, unreadable, err)
	}
}

// The reason of a revision was one text: a cause, a colon and signs, of which some have commas of their own; or a note.
func TestAReasonInWordsIsReadAsItsParts(t *testing.T) {
	d := store.Documents()["recipe"]
	b, err := os.ReadFile(filepath.Join("testdata", "recipe-2.json"))
	if err != nil {
		t.Fatal(err)
	}
	for text, want := range map[string]recipe.Because{
		"too wet: coarse, holey, sunken top": {Cause: "too wet", Signs: []string{"coarse, holey", "sunken top"}},
		"too much yeast":                     {Cause: "too much yeast"},
		"too dry: ":                          {Cause: "too dry"},
		"back to revision 3":                 {Note: "back to revision 3"},
		"grandmother: she liked it sweeter":  {Note: "grandmother: she liked it sweeter"},
	} {
		var doc map[string]any
		if err := json.Unmarshal(b, &doc); err != nil {
			t.Fatal(err)
		}
		doc["because"] = text
		old, err := json.Marshal(doc)
		if err != nil {
			t.Fatal(err)
		}
		var r recipe.Recipe
		if err := d.Decode("r", 2, string(old), &r); err != nil {
			t.Fatal(err)
		}
		if !r.Because.Equal(want) {
			t.Errorf("%q is read as %+v, want %+v", text, r.Because, want)
		}
	}
}
