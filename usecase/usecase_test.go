package usecase_test

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/auth"
	"risepan/core/bake"
	"risepan/core/bench"
	"risepan/core/day"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/schedule"
	"risepan/core/timetable"
	"risepan/core/verdict"
	"risepan/demo"
	"risepan/store"
	"risepan/store/storetest"
	"risepan/usecase"
)

func TestMain(m *testing.M) { storetest.Main(m) }

// morning is the present of these tests, a Tuesday.
var morning = time.Date(2026, 3, 10, 9, 0, 0, 0, time.UTC)

// house is a demo kitchen, worked in without HTTP.
type house struct {
	t       *testing.T
	base    *usecase.Base
	kitchen string
	now     time.Time
}

func open(t *testing.T) *house {
	t.Helper()
	h := &house{t: t, now: morning, base: &usecase.Base{Store: storetest.Open(t), Log: slog.New(slog.DiscardHandler),
		Days: &schedule.Memory{}, FillDemo: demo.Furnish, Samples: demo.Samples(), MoorDemo: demo.Moor}}
	if err := demo.Fill(context.Background(), h.base.Store, h.now); err != nil {
		t.Fatal(err)
	}
	all, err := h.base.Store.Kitchens(context.Background())
	if err != nil {
		t.Fatal(err)
	}
	h.kitchen = all[0].ID
	return h
}

// scope is a request's, by its key.
func (h *house) scope(key string) *usecase.Scope {
	h.t.Helper()
	c, _, err := h.base.Enter(context.Background(), h.kitchen, usecase.Visitor{Address: "192.0.2.1", Key: key}, h.now,
		false)
	if err != nil {
		h.t.Fatal(err)
	}
	return c
}

// makes runs what adds something, under a key.
func (h *house) makes(key string, f func(*usecase.Scope) (string, error)) string {
	h.t.Helper()
	made, err := h.scope(key).Once([]byte(key), "bakes", f)
	if err != nil {
		h.t.Fatal(err)
	}
	return made.Ref
}

func (h *house) changes(f func(*usecase.Scope) error) error { return h.scope("").Change("kitchen", f) }

// fine fails the test for an error.
func fine[T any](t *testing.T) func(T, error) T {
	return func(v T, err error) T {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
		return v
	}
}

// wish is a wish for a recipe of the demo on its first machine.
func (h *house) wish(name string) plan.Wish {
	h.t.Helper()
	shelf := fine[usecase.Shelf](h.t)(h.scope("").Shelf())
	for _, r := range shelf.Recipes {
		if r.Name == name {
			return plan.Wish{RecipeID: r.ID, MachineID: shelf.Machines[0].ID}
		}
	}
	h.t.Fatalf("no recipe %q", name)
	return plan.Wish{}
}

func pointer(err error) string {
	var f *fault.Fault
	if errors.As(err, &f) {
		return f.Pointer
	}
	return fmt.Sprint(err)
}

func TestALoafIsMeasuredStartedAndToldOf(t *testing.T) {
	h := open(t)
	w := h.wish("Towpath white")
	at := h.makes("bench", func(c *usecase.Scope) (string, error) { return c.AddBench(w) })
	view := fine[usecase.BenchView](t)(h.scope("").ShowBench(at))
	if view.Plan.Recipe != "Towpath white" || len(view.Changed) != 0 || view.Passed || view.Refusal != nil {
		t.Errorf("the bench is %+v", view)
	}
	shelf := fine[usecase.Shelf](t)(h.scope("").Shelf())
	if shelf.Bench == nil || shelf.Bench.ID != at {
		t.Errorf("the shelf offers the bench %v, want %s", shelf.Bench, at)
	}
	start := usecase.Start{Wish: view.Wish, Digest: view.Digest, Bench: at}
	early := func() error {
		_, err := h.scope("early").Once([]byte("early"), "bakes", func(c *usecase.Scope) (string,
			error) {
			return c.StartBake(start)
		})
		return err
	}
	for _, step := range view.Steps {
		if step.Holds {
			if err := early(); err == nil {
				t.Errorf("a loaf is started before %s is over", step.ID)
			}
		}
	}
	other := start
	other.Digest = "another"
	_, err := h.scope("other").Once([]byte("other"), "bakes", func(c *usecase.Scope) (string,
		error) {
		return c.StartBake(other)
	})
	var r *usecase.Refusal
	if !errors.As(err, &r) || r.Kind != usecase.Conflict || r.Plan == nil || r.Plan.Digest != view.Digest {
		t.Errorf("a plan that has changed is answered %v", err)
	}
	bake := h.makes("start", func(c *usecase.Scope) (string, error) { return c.StartBake(start) })
	if again := h.makes("start", func(c *usecase.Scope) (string, error) {
		return "",
			errors.New("made twice")
	}); again != bake {
		t.Errorf("the same key made %s, and first %s", again, bake)
	}
	if shelf := fine[usecase.Shelf](t)(h.scope("").Shelf()); shelf.Bench != nil {
		t.Error("a bench whose loaf was started is still offered")
	}
	running := fine[usecase.Log](t)(h.scope("").RunningBakes())
	if len(running.Bakes) != 1 || running.Bakes[0].ID != bake || running.Zone != demo.Zone {
		t.Errorf("what runs is %+v", running)
	}
	told := fine[usecase.BakeTold](t)(h.scope("").ToldBake(bake))
	if told.ID != bake || told.State.Phase != "running" || len(told.Happenings) != 0 {
		t.Errorf("it was told %+v", told)
	}
	if news, err := h.scope("").Unseen(bake, 0); news || err != nil {
		t.Errorf("something happened after nothing: %v, %v", news, err)
	}
	h.makes("moved", func(c *usecase.Scope) (string, error) {
		return c.AddInBake(bake, usecase.Happened{What: "moved", Minutes: 5})
	})
	if news, err := h.scope("").Unseen(bake, 0); !news || err != nil {
		t.Errorf("what happened is not seen: %v, %v", news, err)
	}
}

// A ready time that has passed while the loaf was measured is dropped, and that is said.
func TestABenchOutlivesItsReadyTime(t *testing.T) {
	h := open(t)
	w := h.wish("Towpath white")
	w.Ready = fine[timetable.Wall](t)(timetable.ParseWall("2026-03-10T15:00"))
	at := h.makes("bench", func(c *usecase.Scope) (string, error) { return c.AddBench(w) })
	h.now = h.now.Add(8 * time.Hour)
	v := fine[usecase.BenchView](t)(h.scope("").ShowBench(at))
	if !v.Passed || !v.Wish.Ready.IsZero() {
		t.Errorf("after its ready time the bench wishes for %v (%v)", v.Wish.Ready, v.Passed)
	}
	h.now = h.now.Add(24 * time.Hour)
	if shelf := fine[usecase.Shelf](t)(h.scope("").Shelf()); shelf.Bench != nil {
		t.Error("a bench of the day before is still offered")
	}
}

// Each way out of a slip is shown where it can be gone; one that cannot leaves the others.
func TestAWayOutThatFailsLeavesTheOthers(t *testing.T) {
	h := open(t)
	at := h.makes("bench", func(c *usecase.Scope) (string, error) { return c.AddBench(h.wish("Towpath white")) })
	exits := func(line, amount string) ([]bench.Exit, error) {
		ways, err := h.scope("").WaysOut(at, usecase.SlipOf{Line: line, Amount: amount})
		var out []bench.Exit
		for _, w := range ways.Ways {
			out = append(out, w.Exit)
		}
		return out, err
	}
	// Flour for three times the loaf: nothing fits it and no pan holds what would grow to it.
	much, err := exits("l6", "9 cups")
	if err != nil || !slices.Contains(much, bench.Again) || slices.Contains(much, bench.Exit(bench.Grow)) {
		t.Errorf("nine cups of flour leave %v (%v)", much, err)
	}
	little, err := exits("l4", "2 tsp")
	if err != nil || !slices.Contains(little, bench.Exit(bench.Fit)) || !slices.Contains(little,
		bench.Exit(bench.Grow)) {
		t.Errorf("half a spoon of salt too much leaves %v (%v)", little, err)
	}
	if _, err := exits("l99", "1 cup"); pointer(err) != "/line" {
		t.Errorf("a slip of no line is answered %v", err)
	}
	for _, none := range []string{"0 tsp", "none", "None at all", "0", "nothing", "0.0 g"} {
		if _, err := exits("l4", none); pointer(err) != "/amount" || !strings.Contains(err.Error(), "put it in now") {
			t.Errorf("a slip of %q is answered %v", none, err)
		}
	}
	if _, err := exits("l4", "0.5 tsp"); err != nil {
		t.Errorf("half a spoon is taken for none: %v", err)
	}
	if _, err := exits("l4", "a bit"); pointer(err) != "/amount" {
		t.Errorf("a slip of a bit is answered %v", err)
	}
}

// Loaves of every week count on their weekdays, on days that nobody has touched.
func TestTheWeekCountsLoavesOnTheirDays(t *testing.T) {
	h := open(t)
	w := h.wish("Towpath white")
	settings := fine[usecase.Shelf](t)(h.scope("").Shelf())
	k := settings.Kitchen
	k.Week = "monday"
	k.Regulars = []kitchen.Regular{
		{ID: "a", Recipe: w.RecipeID, Machine: w.MachineID, Size: measure.LoafPounds(3, 2),
			Days: []kitchen.Weekday{"tuesday", "friday"}, By: 420},
		{ID: "b", Recipe: w.RecipeID, Machine: w.MachineID, Size: measure.LoafPounds(1, 1),
			Days: []kitchen.Weekday{"friday"}, By: 720},
	}
	if err := h.changes(func(c *usecase.Scope) error {
		_, err := c.ChangeKitchen(settings.Version,
			k)
		return err
	}); err != nil {
		t.Fatal(err)
	}
	friday := fine[kitchen.Date](t)(kitchen.ParseDate("2026-03-13"))
	loaves := func(of kitchen.Date) string {
		week := fine[usecase.Week](t)(h.scope("").Week(of))
		var out []string
		for _, d := range week.Days {
			out = append(out, fmt.Sprintf("%s %d", string(d.Weekday)[:2], d.Loaves))
		}
		return week.Days[0].Date.String() + " " + week.Today.String() + " " + strings.Join(out, ", ")
	}
	if got := loaves(kitchen.Date{}); got != "2026-03-09 2026-03-10 mo 0, tu 1, we 0, th 0, fr 2, sa 0, su 0" {
		t.Errorf("this week is %s", got)
	}
	if _, err := h.scope("").KeepDay(friday, 0, day.Book{Hands: 1}); err != nil {
		t.Fatal(err)
	}
	if got := loaves(friday.AddDays(2)); got != "2026-03-09 2026-03-10 mo 0, tu 1, we 0, th 0, fr 0, sa 0, su 0" {
		t.Errorf("with an emptied Friday the week is %s", got)
	}
	if got := loaves(friday.AddDays(3)); !strings.HasPrefix(got, "2026-03-16 2026-03-10 mo 0, tu 1") {
		t.Errorf("the next week is %s", got)
	}
	if _, err := h.scope("").KeepDay(friday, 0, day.Book{Hands: 1}); !errors.Is(err, store.ErrStale) {
		t.Errorf("a stale book is answered %v", err)
	}
}

// What is looked for is looked for as it is written: no letter of it stands for others.
func TestASearchTakesItsLettersAsTheyAre(t *testing.T) {
	h := open(t)
	add := func(name string) {
		h.makes(name, func(c *usecase.Scope) (string, error) {
			return c.AddRecipe(usecase.RecipeText{Name: name, Standard: "us", Text: "1 cup water\n3 cups bread " +
				"flour\n2 tsp dry yeast\n1 tsp salt"})
		})
	}
	for _, name := range []string{"Rye_2", "Rye 12", "100% rye", "100 rye", `back\slash`} {
		add(name)
	}
	for words, want := range map[string]string{"Rye_2": "Rye_2", "100%": "100% rye", `back\`: `back\slash`,
		"_": "Rye_2", "%": "100% rye"} {
		found := fine[usecase.Recipes](t)(h.scope("").ListRecipes(store.Search{Words: words}))
		if len(found.Recipes) != 1 || found.Recipes[0].Name != want || found.More {
			t.Errorf("%q finds %+v, want %s", words, found, want)
		}
	}
	if _, err := h.scope("").ListRecipes(store.Search{Words: strings.Repeat("a", 121)}); pointer(err) != "/find" {
		t.Errorf("a search of 121 letters is answered %v", err)
	}
	if _, err := h.scope("").ListRecipes(store.Search{Words: strings.Repeat("a", 120)}); err != nil {
		t.Errorf("a search of 120 letters is answered %v", err)
	}
	if _, err := h.scope("").ListRecipes(store.Search{After: "x"}); pointer(err) != "/after" {
		t.Errorf("a page after nothing is answered %v", err)
	}
}

// The shelf shows forty recipes and says whether there are more; the rest follow the last that was seen.
func TestTheShelfShowsAWindow(t *testing.T) {
	h := open(t)
	have := len(fine[usecase.Shelf](t)(h.scope("").Shelf()).Recipes)
	for n := have; n < 41; n++ {
		name := fmt.Sprintf("Loaf %02d", n)
		h.makes(name, func(c *usecase.Scope) (string, error) {
			return c.AddRecipe(usecase.RecipeText{Name: name, Standard: "us", Text: "1 cup water\n3 cups bread " +
				"flour\n2 tsp dry yeast\n1 tsp salt"})
		})
		shelf := fine[usecase.Shelf](t)(h.scope("").Shelf())
		if want := n+1 > 40; shelf.More != want || len(shelf.Recipes) != min(n+1, 40) {
			t.Fatalf("of %d recipes %d are shown, more %v", n+1, len(shelf.Recipes), shelf.More)
		}
	}
	shelf := fine[usecase.Shelf](t)(h.scope("").Shelf())
	rest := fine[usecase.Recipes](t)(h.scope("").ListRecipes(store.Search{After: shelf.Recipes[39].ID}))
	if len(rest.Recipes) != 1 || rest.More {
		t.Errorf("after forty of forty-one come %d, more %v", len(rest.Recipes), rest.More)
	}
}

// Of two recipes with one name the newest is the one that a card of that name is held beside.
func TestACardIsHeldBesideTheNewestOfItsName(t *testing.T) {
	h := open(t)
	text := "1 cup water\n3 cups bread flour\n2 tsp dry yeast\n1 tsp salt"
	for _, more := range []string{"", "\n2 tbsp sugar"} {
		h.makes("twin"+more, func(c *usecase.Scope) (string, error) {
			return c.AddRecipe(usecase.RecipeText{Name: "Twin", Standard: "us", Text: text + more})
		})
	}
	card := func(text string) usecase.BroughtCard {
		b := fine[usecase.Brought](t)(h.scope("").Bring([]byte("Twin\n" + text)))
		if len(b.Cards) != 1 || b.Cards[0].Twin == nil {
			t.Fatalf("the card is understood as %+v", b)
		}
		return b.Cards[0]
	}
	if !card(text + "\n2 tbsp sugar").Same {
		t.Error("a card that is as the newest of its name is called another")
	}
	if card(text).Same {
		t.Error("a card that is as the older of its name is called the same")
	}
}

// An import is taken back whole: what it made new is put away, what it revised goes back, and what was changed since
// keeps its change.
func TestAnImportIsTakenBack(t *testing.T) {
	h := open(t)
	white := h.wish("Towpath white").RecipeID
	rye := h.wish("Boathook rye").RecipeID
	text := "1 cup water\n3 cups bread flour\n2 tsp dry yeast\n1 tsp salt"
	card := func(name, of string) usecase.CardKept {
		c := usecase.CardKept{Recipe: usecase.RecipeText{Name: name, Standard: "us", Text: text}, Of: of}
		if of != "" {
			c.Seen = fine[usecase.RecipeRead](t)(h.scope("").ShowRecipe(of)).Revision
		}
		return c
	}
	before := fine[usecase.RecipeRead](t)(h.scope("").ShowRecipe(white)).Recipe.Text
	in := usecase.Bringing{Cards: []usecase.CardKept{card("Brand new", ""), card("Towpath white", white),
		card("Boathook rye", rye)}}
	id := h.makes("import", func(c *usecase.Scope) (string, error) { return c.KeepBrought(in) })
	done := fine[usecase.BringDone](t)(h.scope("").BroughtIn(id))
	if len(done.Recipes) != 3 || done.Recipes[0].Revision != 1 || done.Recipes[1].Revision != in.Cards[1].Seen+1 {
		t.Fatalf("the import made %+v", done)
	}
	h.makes("changed since", func(c *usecase.Scope) (string, error) {
		return c.ReviseRecipe(rye, done.Recipes[2].Revision, usecase.RecipeText{Name: "Boathook rye", Standard: "us",
			Text: text + "\n1 tbsp caraway seeds"})
	})
	if err := h.changes(func(c *usecase.Scope) error { _, err := c.UndoBrought(id); return err }); err != nil {
		t.Fatal(err)
	}
	if !fine[usecase.RecipeRead](t)(h.scope("").ShowRecipe(done.Recipes[0].ID)).PutAway {
		t.Error("what the import made new is still on the shelf")
	}
	if now := fine[usecase.RecipeRead](t)(h.scope("").ShowRecipe(white)).Recipe.Text; now != before {
		t.Errorf("what it revised is\n%s\nand was\n%s", now, before)
	}
	if now := fine[usecase.RecipeRead](t)(h.scope("").ShowRecipe(rye)).Recipe.Text; !strings.Contains(now, "caraway") {
		t.Error("what was changed since has lost its change")
	}
	var none usecase.Bringing
	if _, err := h.scope("none").Once(nil, "x", func(c *usecase.Scope) (string,
		error) {
		return c.KeepBrought(none)
	}); pointer(err) != "/cards" {
		t.Errorf("nothing is brought in: %v", err)
	}
	stale := usecase.Bringing{Cards: []usecase.CardKept{{Recipe: in.Cards[1].Recipe, Of: white, Seen: 1 << 20}}}
	if _, err := h.scope("stale").Once(nil, "x", func(c *usecase.Scope) (string,
		error) {
		return c.KeepBrought(stale)
	}); !errors.Is(err, store.ErrStale) {
		t.Errorf("a revision of what nobody saw is answered %v", err)
	}
}

// A recipe's revisions: undone, gone back to, meant, swapped; each by who saw the newest.
func TestRevisionsOfARecipe(t *testing.T) {
	h := open(t)
	id := h.wish("Oat and honey loaf").RecipeID
	newest := func() usecase.RecipeRead { return fine[usecase.RecipeRead](t)(h.scope("").ShowRecipe(id)) }
	n := newest().Revision
	try := func(f func(*usecase.Scope) (string, error)) error {
		_, err := h.scope("try").Once(nil, "recipes", f)
		return err
	}
	for _, to := range []int{0, n, n + 1} {
		if err := try(func(c *usecase.Scope) (string, error) {
			return c.GoBack(id, usecase.Back{Revision: n,
				To: to})
		}); pointer(err) != "/to" {
			t.Errorf("going from %d to %d is answered %v", n, to, err)
		}
	}
	first := fine[usecase.Difference](t)(h.scope("").Difference(id, 1, n))
	if len(first.Changed) == 0 || first.From != 1 || first.To != n || len(first.Figures) != 5 ||
		first.Figures[0].From <= first.Figures[0].To {
		t.Errorf("the first and the newest differ in %+v", first)
	}
	h.makes("back", func(c *usecase.Scope) (string, error) { return c.GoBack(id, usecase.Back{Revision: n, To: 1}) })
	if d := fine[usecase.Difference](t)(h.scope("").Difference(id, 1, n+1)); len(d.Changed) != 0 {
		t.Errorf("gone back, it still differs in %v", d.Changed)
	}
	h.makes("undo", func(c *usecase.Scope) (string, error) {
		return c.UndoRecipe(id, usecase.RecipeKept{Revision: n +
			1})
	})
	if d := fine[usecase.Difference](t)(h.scope("").Difference(id, n, n+2)); len(d.Changed) != 0 {
		t.Errorf("undone, it differs in %v from what it was", d.Changed)
	}
	if err := try(func(c *usecase.Scope) (string, error) {
		return c.UndoRecipe(id,
			usecase.RecipeKept{Revision: n})
	}); !errors.Is(err, store.ErrStale) {
		t.Errorf("undoing what is not the newest is answered %v", err)
	}
	h.makes("meant", func(c *usecase.Scope) (string, error) {
		return c.MeanIt(id, usecase.MeantOf{Revision: n + 2, Figure: plan.Salt})
	})
	if got := newest().Revision; got != n+3 {
		t.Errorf("said to be meant, it is revision %d", got)
	}
	h.makes("meant again", func(c *usecase.Scope) (string, error) {
		return c.MeanIt(id, usecase.MeantOf{Revision: n + 3, Figure: plan.Salt})
	})
	if got := newest().Revision; got != n+3 {
		t.Errorf("said twice, it is revision %d", got)
	}
	if err := try(func(c *usecase.Scope) (string, error) {
		return c.KeepSwaps(id, usecase.SwapsKept{Revision: n +
			3})
	}); pointer(err) != "/swaps" {
		t.Errorf("no swaps are answered %v", err)
	}
	line := usecase.Taught{Line: "l99", Amount: measure.Of(1, 1, measure.Cup), Cause: "too wet"}
	if err := try(func(c *usecase.Scope) (string, error) { return c.Teach(id, n+3, line) }); pointer(err) != "/line" {
		t.Errorf("an amount of no line is answered %v", err)
	}
	story := fine[usecase.Story](t)(h.scope("").Story(id))
	if len(story.Revisions) != n+3 || story.Revisions[0].Number != n+3 || story.Older || len(story.Bakes) != 4 {
		t.Errorf("its story has %d revisions and %d bakes", len(story.Revisions), len(story.Bakes))
	}
	if because := story.Revisions[2].Because; because != "back to version 1" {
		t.Errorf("a revision was made for %q", because)
	}
	fresh := h.wish("Towpath white").RecipeID
	if err := try(func(c *usecase.Scope) (string, error) {
		return c.UndoRecipe(fresh,
			usecase.RecipeKept{Revision: 1})
	}); pointer(err) != "/revision" {
		t.Errorf("undoing the first revision is answered %v", err)
	}
}

func TestTheLogIsLookedThrough(t *testing.T) {
	h := open(t)
	list := func(l usecase.Looking) usecase.Log { return fine[usecase.Log](t)(h.scope("").ListBakes(l, "")) }
	all := list(usecase.Looking{})
	if len(all.Bakes) < 8 || all.Next != "" {
		t.Fatalf("the log has %d bakes and goes on at %q", len(all.Bakes), all.Next)
	}
	for mark, fits := range map[string]func(int) bool{"good": func(m int) bool { return m >= 4 },
		"poor": func(m int) bool { return m > 0 && m <= 2 }} {
		want := 0
		for _, b := range all.Bakes {
			if fits(b.Mark) {
				want++
			}
		}
		if got := list(usecase.Looking{Mark: mark}); len(got.Bakes) != want || want == 0 {
			t.Errorf("%s loaves are %d, want %d", mark, len(got.Bakes), want)
		}
	}
	oldest := all.Bakes[len(all.Bakes)-1]
	from := kitchen.DateOf(oldest.StartedAt, time.UTC)
	if got := list(usecase.Looking{From: from, To: from.AddDays(1)}); len(got.Bakes) != 1 ||
		got.Bakes[0].ID != oldest.ID {
		t.Errorf("on the day of the oldest are %d bakes", len(got.Bakes))
	}
	if got := list(usecase.Looking{From: from.AddDays(1)}); len(got.Bakes) != len(all.Bakes)-1 {
		t.Errorf("from the day after it are %d bakes", len(got.Bakes))
	}
	for field, l := range map[string]usecase.Looking{"/recipe": {Recipe: "x"}, "/machine": {Machine: "x"},
		"/mark": {Mark: "so-so"}} {
		if _, err := h.scope("").ListBakes(l, ""); pointer(err) != field {
			t.Errorf("looking for %+v is answered %v", l, err)
		}
	}
	newest := all.Bakes[0]
	h.makes("crust", func(c *usecase.Scope) (string, error) {
		return c.AddInBake(newest.ID, usecase.Happened{What: bake.Judged, Verdict: bake.Verdict{Mark: 3, Crust: "dark"}})
	})
	if now := list(usecase.Looking{}).Bakes[0]; newest.Crust == "dark" || now.Crust != "dark" {
		t.Errorf("a crust of %s that came out dark is shown as %s", newest.Crust, now.Crust)
	}
	for _, before := range []string{"x", "2026-03-10T20:00:00Z~x", "x~01a231ea-19a1-76ea-9f7f-6c1a6a368147"} {
		if _, err := h.scope("").ListBakes(usecase.Looking{}, before); pointer(err) != "/before" {
			t.Errorf("a page before %q is answered %v", before, err)
		}
	}
	year := fine[usecase.Year](t)(h.scope("").Year(0))
	if year.Year != 2026 || year.Years[0] != 2026 || year.Loaves == 0 || year.Money != "£" || len(year.Unpriced) > 6 {
		t.Errorf("the year is %+v", year)
	}
	if past := fine[usecase.Year](t)(h.scope("").Year(2024)); past.Loaves != 0 {
		t.Errorf("in 2024 there were %d loaves", past.Loaves)
	}
	table := string(fine[[]byte](t)(h.scope("").LogTable(usecase.Looking{})))
	if rows := strings.Count(table, "\n"); rows != len(all.Bakes)+1 {
		t.Errorf("the table has %d rows for %d bakes", rows, len(all.Bakes))
	}
}

// So many tries are let through and no more, each from its own address; the refusal says how long to wait.
func TestTriesAreCounted(t *testing.T) {
	h := open(t)
	from := func(address string) error {
		c := h.base.Outside(context.Background(), usecase.Visitor{Address: address}, h.now)
		_, err := c.Pair(usecase.Pairing{Code: "WRONG1"})
		return err
	}
	for n := range auth.PairingEach {
		if err := from("192.0.2.9"); pointer(err) != "/code" {
			t.Fatalf("try %d is answered %v", n+1, err)
		}
	}
	var r *usecase.Refusal
	if err := from("192.0.2.9"); !errors.As(err, &r) || r.Kind != usecase.TooManyRequests || r.Wait <= 0 ||
		r.Wait > auth.PairingPause {
		t.Errorf("one try too many is answered %v", err)
	}
	if err := from("192.0.2.10"); pointer(err) != "/code" {
		t.Errorf("from elsewhere a try is answered %v", err)
	}
	h.now = h.now.Add(auth.PairingPause)
	if err := from("192.0.2.9"); pointer(err) != "/code" {
		t.Errorf("after the pause a try is answered %v", err)
	}
}

func TestMachinesAreComparedAndRemembered(t *testing.T) {
	h := open(t)
	w := h.wish("Towpath white")
	m := fine[usecase.MachineRead](t)(h.scope("").ShowMachine(w.MachineID))
	var ids []string
	for _, c := range m.Machine.Cycles {
		ids = append(ids, c.ID)
	}
	compare := func(n int) (usecase.Compared, error) {
		return h.scope("").Compare(w.MachineID, usecase.Compare{Cycles: ids[:n], Size: m.Machine.Sizes[0],
			Crust: "medium", Recipe: w.RecipeID})
	}
	for n, field := range map[int]string{1: "/cycles", 2: "<nil>", 6: "<nil>", 7: "/cycles"} {
		if n > len(ids) {
			continue
		}
		got, err := compare(n)
		if pointer(err) != field {
			t.Errorf("comparing %d cycles is answered %v", n, err)
		}
		if err == nil && (len(got.Cycles) != n || got.Cycles[0].Beside != "" || got.Cycles[1].Beside == "" ||
			got.Cycles[0].Reason == "") {
			t.Errorf("%d cycles are compared as %+v", n, got.Cycles)
		}
	}
	for total, field := range map[int]string{9: "/total", 10: "<nil>", 36 * 60: "<nil>", 36*60 + 1: "/total"} {
		in := usecase.Estimate{Character: "basic", Total: machine.Minutes(total)}
		if _, err := h.scope("").Estimate(in); pointer(err) != field {
			t.Errorf("a cycle of %d minutes is answered %v", total, err)
		}
	}
	habit := usecase.HabitOf{Recipe: w.RecipeID, Machine: w.MachineID, Habit: store.Habit{Cycle: ids[1], Crust: "dark"}}
	if err := h.changes(func(c *usecase.Scope) error { _, err := c.SetHabit(habit); return err }); err != nil {
		t.Fatal(err)
	}
	p := fine[usecase.PlanAnswer](t)(h.scope("").MakePlan(w))
	if p.Plan.Setting.Cycle.ID != ids[1] || p.Plan.Setting.Crust != "dark" || p.Habit != habit.Habit {
		t.Errorf("the baker's own choice gives %s, %s", p.Plan.Setting.Cycle.ID, p.Plan.Setting.Crust)
	}
	w.Cycle, w.Crust = ids[0], "light"
	if p := fine[usecase.PlanAnswer](t)(h.scope("").MakePlan(w)); p.Plan.Setting.Cycle.ID != ids[0] ||
		p.Plan.Setting.Crust != "light" {
		t.Errorf("a wish gives %s, %s", p.Plan.Setting.Cycle.ID, p.Plan.Setting.Crust)
	}
	habit.Cycle = "no such"
	if err := h.changes(func(c *usecase.Scope) error {
		_,
			err := c.SetHabit(habit)
		return err
	}); pointer(err) != "/cycle" {
		t.Errorf("a habit of no cycle is answered %v", err)
	}
	version := m.Version
	changed := m.Machine
	changed.Name = "Renamed"
	if err := h.changes(func(c *usecase.Scope) error {
		_, err := c.ChangeMachine(w.MachineID, version,
			changed)
		return err
	}); err != nil {
		t.Fatal(err)
	}
	if err := h.changes(func(c *usecase.Scope) error {
		_, err := c.UndoMachine(w.MachineID, version+
			1)
		return err
	}); err != nil {
		t.Fatal(err)
	}
	if now := fine[usecase.MachineRead](t)(h.scope("").ShowMachine(w.MachineID)); now.Machine.Name != m.Machine.Name ||
		now.Version != version+2 {
		t.Errorf("undone, the machine is %s at version %d", now.Machine.Name, now.Version)
	}
}

// A loaf for which the house has no yeast comes with what can be baked without.
func TestWithoutYeastOtherLoavesAreOffered(t *testing.T) {
	h := open(t)
	s := fine[usecase.Shelf](t)(h.scope("").Shelf())
	k := s.Kitchen
	k.Stock = []kitchen.Stocked{{Ingredient: "active-dry-yeast"}, {Ingredient: "instant-yeast"}}
	if err := h.changes(func(c *usecase.Scope) error {
		_, err := c.ChangeKitchen(s.Version,
			k)
		return err
	}); err != nil {
		t.Fatal(err)
	}
	p := fine[usecase.PlanAnswer](t)(h.scope("").MakePlan(h.wish("Towpath white")))
	if len(p.NoYeast) == 0 {
		t.Error("nothing is offered that needs no yeast")
	}
	for _, r := range p.NoYeast {
		if r.Kind == recipe.White {
			t.Errorf("%s is offered in its place", r.Name)
		}
	}
	if p := fine[usecase.PlanAnswer](t)(h.scope("").MakePlan(h.wish("Boatyard banana bread"))); len(p.NoYeast) != 0 {
		t.Errorf("a loaf without yeast comes with %d others", len(p.NoYeast))
	}
}

// Hours that were brought in go again with their import, and no others.
func TestBroughtHoursAreTakenBack(t *testing.T) {
	h := open(t)
	own := kitchen.Absence{Name: "Market", From: h.now.Add(48 * time.Hour), To: h.now.Add(50 * time.Hour)}
	brought := kitchen.Absence{Name: "Choir", From: h.now.Add(72 * time.Hour), To: h.now.Add(74 * time.Hour)}
	away := func() []kitchen.Absence { return fine[usecase.Shelf](t)(h.scope("").Shelf()).Kitchen.Absences }
	id := h.makes("hours", func(c *usecase.Scope) (string, error) {
		return c.KeepBrought(usecase.Bringing{Absences: []kitchen.Absence{brought}})
	})
	h.makes("own", func(c *usecase.Scope) (string, error) {
		return c.KeepBrought(usecase.Bringing{Absences: []kitchen.Absence{own}})
	})
	if got := away(); len(got) != 2 {
		t.Fatalf("two imports bring %v", got)
	}
	for range 2 { // twice is once
		if err := h.changes(func(c *usecase.Scope) error {
			done, err := c.UndoBrought(id)
			if err == nil && (!done.Undone || done.Hours != 1) {
				t.Errorf("it says %+v", done)
			}
			return err
		}); err != nil {
			t.Fatal(err)
		}
	}
	if got := away(); len(got) != 1 || got[0].Name != "Market" {
		t.Errorf("taken back, these are left: %v", got)
	}
}

// A kitchen's clock is one that can be named, not whichever this computer has.
func TestAKitchenIsMadeOnANamedClock(t *testing.T) {
	h := open(t)
	for zone, want := range map[string]string{"Local": "/zone", "Atlantis/Here": "/zone", "Europe/London": "<nil>",
		"": "<nil>"} {
		_, err := h.scope("k" + zone).MakeKitchen(usecase.NewKitchen{Name: "Mill " + zone, Person: "Ash", Zone: zone,
			Passphrase: "wet heron on a lock gate"})
		if got := pointer(err); got != want {
			t.Errorf("a kitchen on the clock %q is answered %s", zone, got)
		}
	}
}

// Where nothing of a bake tells why its loaf is as it is, no change is asked for, and one thing is named to look at;
// once something is known, its cause is named, and what answers it.
func TestAVerdictThatCannotTellChangesNothing(t *testing.T) {
	h := open(t)
	w := h.wish("Towpath white")
	w.Timing.AtPanel = true
	p := fine[usecase.PlanAnswer](t)(h.scope("").MakePlan(w))
	id := h.makes("start", func(c *usecase.Scope) (string, error) {
		return c.StartBake(usecase.Start{Wish: w, Digest: p.Digest})
	})
	h.now = p.Plan.Timer.Ready.Add(time.Minute)
	say := func(key string, said usecase.Happened) usecase.BakeView {
		h.now = h.now.Add(time.Hour)
		h.makes(key, func(c *usecase.Scope) (string, error) { return c.AddInBake(id, said) })
		return fine[usecase.BakeView](t)(h.scope("").ShowBake(id))
	}
	say("out", usecase.Happened{What: bake.TakenOut})
	gummy := bake.Verdict{Mark: 2, Signs: []bake.Sign{bake.Gummy}}
	v := say("gummy", usecase.Happened{What: bake.Judged, Verdict: gummy})
	if len(v.Why) == 0 || v.Why[0].Strength != verdict.Unclear || v.Why[0].Tell == "" {
		t.Fatalf("a gummy loaf of which nothing is known is explained by %+v", v.Why)
	}
	for _, why := range v.Why {
		if why.Step != nil || why.Choice != nil {
			t.Errorf("a change is asked for %s", why.Cause)
		}
	}
	gummy.Core, _ = measure.ParseTemperature("80 °C")
	v = say("measured", usecase.Happened{What: bake.Judged, Verdict: gummy})
	if v.Why[0].Cause != verdict.UnderBaked || v.Why[0].Strength != verdict.Likely {
		t.Errorf("with 80 °C in its middle it is explained by %+v", v.Why[0])
	}
	gummy.Core, _ = measure.ParseTemperature("140 °C")
	_, err := h.scope("hot").Once([]byte("hot"), "bakes", func(c *usecase.Scope) (string, error) {
		return c.AddInBake(id, usecase.Happened{What: bake.Judged, Verdict: gummy})
	})
	if pointer(err) != "/core" {
		t.Errorf("a middle at 140 °C is answered %v", err)
	}
}

// A name is answered either by what it is or by what it is like, not by both and not by neither.
func TestANameIsAnsweredOneWay(t *testing.T) {
	h := open(t)
	like := &larder.Answer{Like: "walnuts"}
	for _, in := range []struct {
		answer usecase.AnswerOf
		field  string
	}{
		{usecase.AnswerOf{Name: "zorblat", Is: "honey"}, "<nil>"},
		{usecase.AnswerOf{Name: "zorblat", Answer: like}, "<nil>"},
		{usecase.AnswerOf{Name: "zorblat", Is: "honey", Answer: like}, "/is"},
		{usecase.AnswerOf{Name: "zorblat"}, "/is"},
	} {
		err := h.changes(func(c *usecase.Scope) error { _, err := c.AnswerOf(in.answer); return err })
		if pointer(err) != in.field {
			t.Errorf("%+v is answered %v", in.answer, err)
		}
	}
}

// The log as a table is whole where it is longer than what is read at once.
func TestALongLogIsATable(t *testing.T) {
	h := open(t)
	shelf := fine[usecase.Shelf](t)(h.scope("").Shelf())
	var rows strings.Builder
	rows.WriteString("started;recipe;size;machine;panel\n")
	const bakes = 501
	for n := range bakes {
		fmt.Fprintf(&rows, "%s;%s;1 1/2 lb;%s;1\n", morning.AddDate(0, 0, -n-400).Format("2006-01-02T15:04"), "Towpath white",
			shelf.Machines[0].Name)
	}
	before := strings.Count(string(fine[[]byte](t)(h.scope("").LogTable(usecase.Looking{}))), "\n")
	h.makes("long", func(c *usecase.Scope) (string, error) { return c.KeepBrought(usecase.Bringing{Log: rows.String()}) })
	after := strings.Count(string(fine[[]byte](t)(h.scope("").LogTable(usecase.Looking{}))), "\n")
	if after-before != bakes {
		t.Errorf("%d bakes more are %d rows more", bakes, after-before)
	}
}
