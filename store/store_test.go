package store_test

import (
	"context"
	"errors"
	"fmt"
	"os"
	"reflect"
	"strings"
	"sync"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/kitchen"
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
	all, err := s.Kitchens(ctx)
	if err != nil {
		t.Fatal(err)
	}
	k, err := s.Kitchen(ctx, all[0].ID, 0)
	if err != nil {
		t.Fatal(err)
	}
	return k
}

// shelf lists a kitchen's recipes as they are stored.
func shelf(t *testing.T, s *store.Store, kitchenID string) []store.Recipe {
	t.Helper()
	rows, err := s.Shelf(ctx, kitchenID, store.Search{Most: 1000})
	if err != nil {
		t.Fatal(err)
	}
	var out []store.Recipe
	for _, row := range rows {
		r, err := s.Recipe(ctx, kitchenID, row.ID, 0)
		if err != nil {
			t.Fatal(err)
		}
		out = append(out, r)
	}
	return out
}

func TestTwoProcessesBringTheTablesUpToDateTogether(t *testing.T) {
	dsn := storetest.NewDSN(t)
	var wg sync.WaitGroup
	errs := make([]error, 3)
	for n := range errs {
		wg.Go(func() {
			s, err := store.Open(ctx, dsn)
			if err == nil {
				_, err = s.Kitchens(ctx)
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
	recipes := shelf(t, s, k.ID)
	if len(recipes) != len(demo.Recipes()) {
		t.Fatalf("%d recipes on the shelf, want %d", len(recipes), len(demo.Recipes()))
	}
	for _, want := range demo.Recipes() {
		found := false
		for _, r := range recipes {
			// a revision may have drawn more, and has its reason
			want.Drawn, want.Because = r.Recipe.Drawn, r.Recipe.Because
			found = found || fmt.Sprint(r.Recipe) == fmt.Sprint(want)
		}
		if !found {
			t.Errorf("%s did not come back as it was stored", want.Name)
		}
	}
	bakes, err := s.Glances(ctx, k.ID, store.Page{Most: 100})
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
	first, err := s.AddRecipe(ctx, id, demo.Recipes()[0], true, noon)
	if err != nil {
		t.Fatal(err)
	}
	changed := demo.Recipes()[0]
	changed.Name = "Towpath white, wetter"
	second, err := s.ReviseRecipe(ctx, id, first.ID, 1, changed, true, noon)
	if err != nil || second.Revision != 2 || second.ID != first.ID {
		t.Fatalf("the second revision is %+v (%v)", second, err)
	}
	now, err := s.Recipe(ctx, id, first.ID, 0)
	if err != nil || now.Recipe.Name != changed.Name {
		t.Errorf("the newest is %q (%v)", now.Recipe.Name, err)
	}
	if then, err := s.Recipe(ctx, id, first.ID, 1); err != nil || then.Recipe.Name != "Towpath white" {
		t.Errorf("the first has become %q (%v)", then.Recipe.Name, err)
	}
	if _, err := s.ReviseRecipe(ctx, id, first.ID, 1, changed, true, noon); !errors.Is(err, store.ErrStale) {
		t.Errorf("a revision of an older one: %v", err)
	}
	if _, err := s.ReviseRecipe(ctx, id, store.NewID(), 1, changed, true, noon); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a revision of no recipe: %v", err)
	}
}

func TestTheSameCallSentTwiceCountsOnce(t *testing.T) {
	s := storetest.Open(t)
	id, err := s.AddKitchen(ctx, kitchen.New("K", "UTC"), noon)
	if err != nil {
		t.Fatal(err)
	}
	add := func(q store.Queries) (store.Made, error) {
		r, err := q.AddRecipe(ctx, id, demo.Recipes()[0], true, noon)
		return store.Made{Status: 201, Ref: r.ID}, err
	}
	answers := make([]store.Made, 8)
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
		if a != answers[0] || a.Ref == "" {
			t.Fatalf("different answers to one call: %v", answers)
		}
	}
	if r := shelf(t, s, id); len(r) != 1 {
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
	_, err = s.Once(ctx, id, "key", nil, noon, func(q store.Queries) (store.Made, error) {
		if _, err := q.AddRecipe(ctx, id, demo.Recipes()[0], true, noon); err != nil {
			return store.Made{}, err
		}
		return store.Made{}, broken
	})
	if !errors.Is(err, broken) {
		t.Fatal(err)
	}
	if r := shelf(t, s, id); len(r) != 0 {
		t.Errorf("a call that failed left %d recipes", len(r))
	}
}

func TestManyHandsAddToABakeWithoutLosingAHappening(t *testing.T) {
	s := storetest.Open(t)
	k := heron(t, s)
	bakes, err := s.Glances(ctx, k.ID, store.Page{Most: 1})
	if err != nil {
		t.Fatal(err)
	}
	id := bakes[0].ID
	before, _ := s.BakeHappenings(ctx, k.ID, id)
	var wg sync.WaitGroup
	const hands = 12
	for range hands {
		wg.Go(func() {
			err := s.Do(ctx, func(q store.Queries) error {
				stamp, err := q.Hold(ctx, k.ID, id, noon)
				if err != nil {
					return err
				}
				return q.AddInBake(ctx, k.ID, id, bake.Happening{Stamp: stamp, What: bake.Judged,
					Verdict: bake.Verdict{Mark: 3}}, bake.State{Verdict: bake.Verdict{Mark: 3}, Begin: noon,
					Ready: noon})
			})
			if err != nil {
				t.Error(err)
			}
		})
	}
	wg.Wait()
	after, err := s.BakeHappenings(ctx, k.ID, id)
	if err != nil || len(after) != len(before)+hands {
		t.Fatalf("%d happenings, want %d (%v)", len(after), len(before)+hands, err)
	}
	for n, h := range after {
		if h.Seq != n+1 {
			t.Errorf("happening %d has the number %d", n+1, h.Seq)
		}
	}
	if n, err := s.Newest(ctx, k.ID, id); err != nil || n != len(after) {
		t.Errorf("the newest is said to be %d of %d (%v)", n, len(after), err)
	}
}

func TestAnotherKitchenSeesNothing(t *testing.T) {
	s := storetest.Open(t)
	k := heron(t, s)
	other, err := s.AddKitchen(ctx, kitchen.New("Other", "UTC"), noon)
	if err != nil {
		t.Fatal(err)
	}
	recipes := shelf(t, s, k.ID)
	if _, err := s.Recipe(ctx, other, recipes[0].ID, 0); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another kitchen reads the recipe: %v", err)
	}
	bakes, _ := s.Glances(ctx, k.ID, store.Page{Most: 1})
	if _, err := s.Bake(ctx, other, bakes[0].ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another kitchen reads the bake: %v", err)
	}
	if _, err := s.Newest(ctx, other, bakes[0].ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another kitchen asks what happened in the bake: %v", err)
	}
	if err := s.PutRecipeAway(ctx, other, recipes[0].ID, true); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another kitchen puts the recipe away: %v", err)
	}
}

// Pages of the log follow one another without a gap or an overlap, whatever starts meanwhile.
func TestPagesOfTheLogMeet(t *testing.T) {
	s := storetest.Open(t)
	k := heron(t, s)
	all, err := s.Glances(ctx, k.ID, store.Page{Most: 100})
	if err != nil {
		t.Fatal(err)
	}
	var got []string
	var at time.Time
	id := ""
	for {
		page, err := s.Glances(ctx, k.ID, store.Page{Before: at, ID: id, Most: 2})
		if err != nil {
			t.Fatal(err)
		}
		if len(page) == 0 {
			break
		}
		for _, g := range page {
			got = append(got, g.ID)
		}
		at, id = page[len(page)-1].StartedAt, page[len(page)-1].ID
	}
	for n, g := range all {
		if n >= len(got) || got[n] != g.ID {
			t.Fatalf("page by page the log reads %v, want %d bakes in the order of %v", got, len(all), all)
		}
	}
	if err := s.PutBakeAway(ctx, k.ID, all[0].ID, true); err != nil {
		t.Fatal(err)
	}
	if rest, _ := s.Glances(ctx, k.ID, store.Page{Most: 100}); len(rest) != len(all)-1 || rest[0].ID == all[0].ID {
		t.Error("a bake that was put away is still in the log")
	}
}

func TestLikedDoughsAreTheWellMarkedOfTheirKind(t *testing.T) {
	s := storetest.Open(t)
	k := heron(t, s)
	machines, _, err := s.Machines(ctx, k.ID, false)
	if err != nil {
		t.Fatal(err)
	}
	ofKind := map[recipe.Kind]string{}
	for _, r := range shelf(t, s, k.ID) {
		ofKind[r.Recipe.Kind] = r.ID
	}
	for kind, want := range map[recipe.Kind]int{recipe.White: 2, recipe.Sweet: 2, recipe.Wholemeal: 1,
		recipe.Crusty: 0} {
		around, err := s.Around(ctx, k.ID, ofKind[kind], machines[0].ID, noon)
		liked := around.Liked
		if err != nil || len(liked) != want {
			t.Errorf("%d liked doughs of kind %s, want %d (%v)", len(liked), kind, want, err)
		}
		for _, f := range liked {
			if f := f.Formula; f.Hydration < 50 || f.Salt <= 0 {
				t.Errorf("a liked dough came back as %+v", f)
			}
		}
	}
}

func TestOldKeysAreForgotten(t *testing.T) {
	s := storetest.Open(t)
	k := heron(t, s)
	made := 0
	add := func(at time.Time) {
		_, err := s.Once(ctx, k.ID, "key", nil, at, func(store.Queries) (store.Made, error) {
			made++
			return store.Made{Status: 201, Ref: "x"}, nil
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	add(noon)
	if err := s.Prune(ctx, noon.Add(time.Hour)); err != nil {
		t.Fatal(err)
	}
	add(noon.Add(time.Hour))
	if made != 1 {
		t.Error("an hour old key was forgotten")
	}
	if err := s.Prune(ctx, noon.Add(time.Minute+store.KeysKeep)); err != nil {
		t.Fatal(err)
	}
	if add(noon); made != 2 {
		t.Error("an old key is still known")
	}
}

// What lists show of a bake is filled in for those that were kept before there were such columns.
func TestBakesKeptBeforeTheirListsGrew(t *testing.T) {
	s := storetest.Open(t)
	k := heron(t, s)
	before, err := s.Glances(ctx, k.ID, store.Page{Most: 50})
	if err != nil {
		t.Fatal(err)
	}
	storetest.Run(t, s, `UPDATE bakes SET crust = '', verdict = '{}', used = '[]'`)
	_, fill, found := strings.Cut(fileOf(t, "migrations/00021_bakes_told_before.sql"), "-- +goose Up")
	if !found {
		t.Fatal("the migration has no beginning")
	}
	storetest.Run(t, s, fill)
	after, err := s.Glances(ctx, k.ID, store.Page{Most: 50})
	if err != nil {
		t.Fatal(err)
	}
	for n := range before {
		if !reflect.DeepEqual(before[n].Verdict, after[n].Verdict) || before[n].Crust != after[n].Crust {
			t.Errorf("%s: it was %+v, crust %q, and is filled in as %+v, %q", before[n].Recipe, before[n].Verdict,
				before[n].Crust, after[n].Verdict, after[n].Crust)
		}
	}
}

func fileOf(t *testing.T, name string) string {
	t.Helper()
	b, err := os.ReadFile(name)
	if err != nil {
		t.Fatal(err)
	}
	return string(b)
}
