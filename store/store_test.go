package store_test

import (
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"
	"sync"
	"testing"
	"time"

	"github.com/go-json-experiment/json"

	"risepan/core/bake"
	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/demo"
	"risepan/store"
	"risepan/store/storetest"
)

func TestMain(m *testing.M) { storetest.Main(m) }

var (
	ctx  = context.Background()
	noon = time.Date(2026, 5, 2, 12, 0, 0, 0, time.UTC)
)

func heron(t *testing.T, s *store.Store) store.Kitchen {
	t.Helper()
	if err := demo.Fill(ctx, s, noon); err != nil {
		t.Fatal(err)
	}
	k, err := s.FirstKitchen(ctx)
	if err != nil {
		t.Fatal(err)
	}
	return k
}

func TestTwoProcessesBringTheTablesUpToDateTogether(t *testing.T) {
	dsn := storetest.NewDSN(t)
	var wg sync.WaitGroup
	errs := make([]error, 3)
	for n := range errs {
		wg.Go(func() {
			s, err := store.Open(ctx, dsn)
			if err == nil {
				_, err = s.FirstKitchen(ctx)
				if errors.Is(err, store.ErrNotFound) {
					err = nil
				}
				s.Close()
			}
			errs[n] = err
		})
	}
	wg.Wait()
	if err := errors.Join(errs...); err != nil {
		t.Error(err)
	}
}

func TestTheDemoComesBackAsItWasStored(t *testing.T) {
	s := storetest.Open(t)
	k := heron(t, s)
	recipes, err := s.Recipes(ctx, k.ID)
	if err != nil || len(recipes) != len(demo.Recipes()) {
		t.Fatalf("%d recipes on the shelf (%v), want %d", len(recipes), err, len(demo.Recipes()))
	}
	for _, want := range demo.Recipes() {
		found := false
		for _, r := range recipes {
			found = found || fmt.Sprint(r.Recipe) == fmt.Sprint(want)
		}
		if !found {
			t.Errorf("%s did not come back as it was stored", want.Name)
		}
	}
	bakes, err := s.Bakes(ctx, k.ID, 100)
	if err != nil || len(bakes) < 8 {
		t.Fatalf("%d bakes in the log (%v)", len(bakes), err)
	}
	for n := 1; n < len(bakes); n++ {
		if bakes[n].StartedAt.After(bakes[n-1].StartedAt) {
			t.Error("the log is not newest first")
		}
	}
}

func TestARevisionNeverChangesTheOnesBefore(t *testing.T) {
	s := storetest.Open(t)
	id, err := s.AddKitchen(ctx, kitchen.New("K", "UTC"), noon)
	if err != nil {
		t.Fatal(err)
	}
	first, err := s.AddRecipe(ctx, id, demo.Recipes()[0], noon)
	if err != nil {
		t.Fatal(err)
	}
	changed := demo.Recipes()[0]
	changed.Name = "Towpath white, wetter"
	second, err := s.AddRevision(ctx, id, first.ID, changed, noon)
	if err != nil || second.Revision != 2 || second.ID != first.ID {
		t.Fatalf("the second revision is %+v (%v)", second, err)
	}
	now, err := s.Recipe(ctx, id, first.ID)
	if err != nil || now.Recipe.Name != changed.Name {
		t.Errorf("the newest is %q (%v)", now.Recipe.Name, err)
	}
	if _, err := s.AddRevision(ctx, id, store.NewID(), changed, noon); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a revision of no recipe: %v", err)
	}
}

func TestTheSameCallSentTwiceCountsOnce(t *testing.T) {
	s := storetest.Open(t)
	id, err := s.AddKitchen(ctx, kitchen.New("K", "UTC"), noon)
	if err != nil {
		t.Fatal(err)
	}
	add := func(q store.Queries) (store.Answer, error) {
		r, err := q.AddRecipe(ctx, id, demo.Recipes()[0], noon)
		return store.Answer{Status: 201, Body: r.ID}, err
	}
	answers := make([]store.Answer, 8)
	var wg sync.WaitGroup
	for n := range answers {
		wg.Go(func() {
			a, err := s.Once(ctx, id, "key", []byte("body"), noon, add)
			if err != nil {
				t.Error(err)
			}
			answers[n] = a
		})
	}
	wg.Wait()
	for _, a := range answers {
		if a != answers[0] || a.Body == "" {
			t.Fatalf("different answers to one call: %v", answers)
		}
	}
	if r, _ := s.Recipes(ctx, id); len(r) != 1 {
		t.Errorf("one call stored %d recipes", len(r))
	}
	if _, err := s.Once(ctx, id, "key", []byte("other"), noon, add); !errors.Is(err, store.ErrKeyReused) {
		t.Errorf("the key with another body: %v", err)
	}
}

func TestNothingHalfDoneIsStored(t *testing.T) {
	s := storetest.Open(t)
	id, err := s.AddKitchen(ctx, kitchen.New("K", "UTC"), noon)
	if err != nil {
		t.Fatal(err)
	}
	broken := errors.New("broken off")
	_, err = s.Once(ctx, id, "key", nil, noon, func(q store.Queries) (store.Answer, error) {
		if _, err := q.AddRecipe(ctx, id, demo.Recipes()[0], noon); err != nil {
			return store.Answer{}, err
		}
		return store.Answer{}, broken
	})
	if !errors.Is(err, broken) {
		t.Fatal(err)
	}
	if r, _ := s.Recipes(ctx, id); len(r) != 0 {
		t.Errorf("a call that failed left %d recipes", len(r))
	}
}

func TestManyHandsAddToABakeWithoutLosingAHappening(t *testing.T) {
	s := storetest.Open(t)
	k := heron(t, s)
	bakes, err := s.Bakes(ctx, k.ID, 1)
	if err != nil {
		t.Fatal(err)
	}
	id := bakes[0].ID
	before, _ := s.Happenings(ctx, k.ID, id)
	var wg sync.WaitGroup
	const hands = 12
	for range hands {
		wg.Go(func() {
			err := s.Do(ctx, func(q store.Queries) error {
				if err := q.HoldBake(ctx, k.ID, id); err != nil {
					return err
				}
				all, err := q.Happenings(ctx, k.ID, id)
				if err != nil {
					return err
				}
				return q.AddHappening(ctx, k.ID, id, bake.Happening{Seq: len(all[id]) + 1, At: noon, What: bake.Judged, Mark: 3}, 3)
			})
			if err != nil {
				t.Error(err)
			}
		})
	}
	wg.Wait()
	after, err := s.Happenings(ctx, k.ID, id)
	if err != nil || len(after[id]) != len(before[id])+hands {
		t.Fatalf("%d happenings, want %d (%v)", len(after[id]), len(before[id])+hands, err)
	}
	for n, h := range after[id] {
		if h.Seq != n+1 {
			t.Errorf("happening %d has the number %d", n+1, h.Seq)
		}
	}
}

func TestAnotherKitchenSeesNothing(t *testing.T) {
	s := storetest.Open(t)
	k := heron(t, s)
	other, err := s.AddKitchen(ctx, kitchen.New("Other", "UTC"), noon)
	if err != nil {
		t.Fatal(err)
	}
	recipes, _ := s.Recipes(ctx, k.ID)
	if _, err := s.Recipe(ctx, other, recipes[0].ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another kitchen reads the recipe: %v", err)
	}
	bakes, _ := s.Bakes(ctx, k.ID, 1)
	if _, err := s.Bake(ctx, other, bakes[0].ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another kitchen reads the bake: %v", err)
	}
}

// Every shape that was ever stored is kept as a golden file and must still be read. With
// RISEPAN_GOLDEN=1 the files of the present shapes are written; old ones never change.
func TestEveryShapeEverStoredIsStillRead(t *testing.T) {
	p, err := plan.Make(kitchen.New("Golden", "UTC"), plan.Wish{Recipe: demo.Recipes()[4], Machine: demo.Galley(), Size: measure.LoafPounds(2, 1), Zone: time.UTC}, noon)
	if err != nil {
		t.Fatal(err)
	}
	h := bake.Happening{Seq: 2, At: noon, What: bake.Judged, Mark: 4, Note: "good"}
	for name, v := range map[string]any{
		fmt.Sprintf("plan-%d.json", plan.Shape): p, fmt.Sprintf("recipe-%d.json", store.RecipeShape): demo.Recipes()[4], fmt.Sprintf("happening-%d.json", bake.Shape): h,
	} {
		file := filepath.Join("testdata", name)
		if os.Getenv("RISEPAN_GOLDEN") != "" {
			b, err := json.Marshal(v)
			if err == nil {
				err = os.WriteFile(file, b, 0o644)
			}
			if err != nil {
				t.Fatal(err)
			}
		}
		if _, err := os.Stat(file); err != nil {
			t.Errorf("the present shape has no golden file: %v", err)
		}
	}
	read := map[string]func([]byte) error{
		"plan-*.json": func(b []byte) error {
			var p plan.Plan
			if err := json.Unmarshal(b, &p); err != nil {
				return err
			}
			if len(p.Lines) == 0 || p.Setting.Total == 0 || p.Timer.Ready.IsZero() || len(bake.At(p, nil, noon).Moments) == 0 {
				return errors.New("it reads as an empty plan")
			}
			return nil
		},
		"recipe-*.json": func(b []byte) error {
			var r recipe.Recipe
			if err := json.Unmarshal(b, &r); err != nil {
				return err
			}
			_, err := r.Weigh(kitchen.New("K", "UTC").Ingredient)
			return err
		},
		"happening-*.json": func(b []byte) error {
			var h bake.Happening
			if err := json.Unmarshal(b, &h); err != nil {
				return err
			}
			if h.What == "" || h.Seq == 0 {
				return errors.New("it reads as nothing")
			}
			return nil
		},
	}
	for pattern, reader := range read {
		files, _ := filepath.Glob(filepath.Join("testdata", pattern))
		for _, f := range files {
			b, err := os.ReadFile(f)
			if err == nil {
				err = reader(b)
			}
			if err != nil {
				t.Errorf("%s: %v", f, err)
			}
		}
	}
}
