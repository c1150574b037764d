package store_test

import (
	"context"
	"errors"
	"fmt"
	"testing"
	"time"

	"github.com/go-sql-driver/mysql"

	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/demo"
	"risepan/store"
	"risepan/store/storetest"
)

// noonOf is the present of these tests.
var noonOf = time.Date(2026, 3, 10, 12, 0, 0, 0, time.UTC)

// demoKitchen is a store with the demo kitchen.
func demoKitchen(t *testing.T) (*store.Store, string) {
	t.Helper()
	s := storetest.Open(t)
	if err := demo.Fill(context.Background(), s, noonOf); err != nil {
		t.Fatal(err)
	}
	all, err := s.Kitchens(context.Background())
	if err != nil {
		t.Fatal(err)
	}
	return s, all[0].ID
}

// A recipe keeps twelve photos of its card; one that is put away makes room.
func TestACardKeepsTwelvePhotos(t *testing.T) {
	ctx := context.Background()
	s, k := demoKitchen(t)
	rows, err := s.Shelf(ctx, k, store.Search{Most: 1})
	if err != nil {
		t.Fatal(err)
	}
	add := func() (string, error) {
		p := store.Photo{ID: store.NewID(), RecipeID: rows[0].ID, At: noonOf,
			Full: []byte("full"), Small: []byte("small"), Width: 3, Height: 2}
		return p.ID, s.AddCardPhoto(ctx, k, p)
	}
	var first string
	for n := range 12 {
		id, err := add()
		if err != nil {
			t.Fatalf("photo %d: %v", n+1, err)
		}
		if n == 0 {
			first = id
		}
	}
	if _, err := add(); !errors.Is(err, store.ErrFull) {
		t.Errorf("a thirteenth is answered %v", err)
	}
	if err := s.PutPhotoAway(ctx, k, first, true); err != nil {
		t.Fatal(err)
	}
	if _, err := add(); err != nil {
		t.Errorf("with one put away another is answered %v", err)
	}
	for small, want := range map[bool]string{false: "full", true: "small"} {
		if jpeg, err := s.Picture(ctx, k, first, small); err != nil || string(jpeg) != want {
			t.Errorf("the picture (small %v) is %q, %v", small, jpeg, err)
		}
	}
	all, err := s.CardPhotos(ctx, k, rows[0].ID)
	if err != nil || len(all) != 12 || all[0].ID == first || all[0].Width != 3 || all[0].Height != 2 {
		t.Errorf("on the card are %d photos, the first %+v (%v)", len(all), all[0], err)
	}
}

// Tries are counted within their window, each scope by itself, and one can be taken back.
func TestTriesWithinTheirWindow(t *testing.T) {
	ctx := context.Background()
	s := storetest.Open(t)
	scope, other := [32]byte{1}, [32]byte{2}
	try := func(of [32]byte, at time.Time) int {
		n, ends, err := s.Try(ctx, of, at, 10*time.Minute)
		if err != nil {
			t.Fatal(err)
		}
		if ends.Before(at) || ends.After(at.Add(10*time.Minute)) {
			t.Errorf("at %s the window ends at %s", at, ends)
		}
		return n
	}
	for n, at := range []time.Duration{0, time.Minute, 10*time.Minute - time.Second} {
		if got := try(scope, noonOf.Add(at)); got != n+1 {
			t.Errorf("after %s it is try %d, want %d", at, got, n+1)
		}
	}
	if got := try(other, noonOf); got != 1 {
		t.Errorf("in another scope it is try %d", got)
	}
	if err := s.Uncount(ctx, scope); err != nil {
		t.Fatal(err)
	}
	if got := try(scope, noonOf.Add(10*time.Minute-time.Second)); got != 3 {
		t.Errorf("with one taken back it is try %d, want 3", got)
	}
	if got := try(scope, noonOf.Add(10*time.Minute)); got != 1 {
		t.Errorf("in the next window it is try %d, want 1", got)
	}
	if err := s.Forgive(ctx, scope); err != nil {
		t.Fatal(err)
	}
	if got := try(scope, noonOf.Add(11*time.Minute)); got != 1 {
		t.Errorf("forgiven, it is try %d", got)
	}
}

// A code pairs once, as long as it is good; so many are good at a time, and a household has one.
func TestCodesPairOnce(t *testing.T) {
	ctx := context.Background()
	s := storetest.Open(t)
	household := func(name string) string {
		k, err := s.AddKitchen(ctx, kitchen.New(name, "UTC"), noonOf)
		if err != nil {
			t.Fatal(err)
		}
		h := store.Household{KitchenID: k, Name: name, Passphrase: "p", MadeKey: name, CreatedAt: noonOf}
		id, _, err := s.AddHousehold(ctx, h, "Wren")
		if err != nil {
			t.Fatal(err)
		}
		return id
	}
	one, two, three := household("One"), household("Two"), household("Three")
	code := func(of string, n byte, ends time.Time) error {
		return s.AddPairing(ctx, store.Pairing{Household: of, EndsAt: ends}, [32]byte{n}, noonOf, 2)
	}
	soon := noonOf.Add(5 * time.Minute)
	for n, of := range []string{one, two} {
		if err := code(of, byte(n+1), soon); err != nil {
			t.Fatal(err)
		}
	}
	if err := code(three, 3, soon); !errors.Is(err, store.ErrTooManyCodes) {
		t.Errorf("a third code of two is answered %v", err)
	}
	if err := code(one, 4, soon); err != nil {
		t.Errorf("a household's next code is answered %v", err)
	}
	take := func(n byte, at time.Time) error {
		_, err := s.TakePairing(ctx, [32]byte{n}, at)
		return err
	}
	for what, c := range map[string]struct {
		n  byte
		at time.Time
	}{"the code before": {1, noonOf}, "one that is over": {2, soon}, "none": {9, noonOf}} {
		if err := take(c.n, c.at); !errors.Is(err, store.ErrNotFound) {
			t.Errorf("%s is answered %v", what, err)
		}
	}
	if err := take(4, soon.Add(-time.Second)); err != nil {
		t.Errorf("a good code is answered %v", err)
	}
	if err := take(4, noonOf); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a used code is answered %v", err)
	}
}

// A key is told from a new one for two days; another request under it is refused.
func TestAKeyIsKeptForTwoDays(t *testing.T) {
	ctx := context.Background()
	s, k := demoKitchen(t)
	runs := 0
	once := func(body string, at time.Time) (string, error) {
		m, err := s.Once(ctx, k, "key", []byte(body), at, func(store.Queries) (store.Made, error) {
			runs++
			return store.Made{Status: 201, Ref: fmt.Sprint(runs)}, nil
		})
		return m.Ref, err
	}
	for n, c := range []struct {
		body  string
		after time.Duration // at which what is old is forgotten before
		want  string
		err   error
	}{
		{"a", 0, "1", nil}, {"a", time.Hour, "1", nil}, {"b", time.Hour, "", store.ErrKeyReused},
		{"a", store.KeysKeep, "1", nil}, {"a", store.KeysKeep + time.Second, "2", nil},
	} {
		at := noonOf.Add(c.after)
		if err := s.Prune(ctx, at); err != nil {
			t.Fatal(err)
		}
		if got, err := once(c.body, at); got != c.want || !errors.Is(err, c.err) {
			t.Errorf("call %d, %s later: made %q (%v), want %q (%v)", n, c.after, got, err, c.want, c.err)
		}
	}
	boom := errors.New("boom")
	fails := func(store.Queries) (store.Made, error) { return store.Made{}, boom }
	if _, err := s.Once(ctx, k, "fails", []byte("x"), noonOf, fails); !errors.Is(err, boom) {
		t.Errorf("what fails is answered %v", err)
	}
	works := func(store.Queries) (store.Made, error) { return store.Made{Ref: "ok"}, nil }
	if m, err := s.Once(ctx, k, "fails", []byte("other"), noonOf, works); err != nil || m.Ref != "ok" {
		t.Errorf("a key whose call failed is kept: %v, %v", m, err)
	}
}

// The shelf is searched by the name's words and by what is in it, in any case, with what is put away apart.
func TestTheShelfIsSearched(t *testing.T) {
	ctx := context.Background()
	s, k := demoKitchen(t)
	names := func(look store.Search) string {
		if look.Most == 0 {
			look.Most = 100
		}
		rows, err := s.Shelf(ctx, k, look)
		if err != nil {
			t.Fatal(err)
		}
		out := ""
		for _, r := range rows {
			out += r.Name + ";"
		}
		return out
	}
	for words, want := range map[string]string{
		"TOWPATH": "Towpath white;", "white towpath": "Towpath white;", "towpath rye": "",
		"raisins": "Mooring raisin loaf;", "\\": "", "%": "", "_": "",
	} {
		if got := names(store.Search{Words: words}); got != want {
			t.Errorf("%q finds %q, want %q", words, got, want)
		}
	}
	if got := names(store.Search{Words: "honey", Kind: recipe.White}); got != "Oat and honey loaf;" {
		t.Errorf("white loaves with honey are %q", got)
	}
	if got := names(store.Search{Words: "honey", Kind: recipe.Rye}); got != "" {
		t.Errorf("rye loaves with honey are %q", got)
	}
	white, err := s.Named(ctx, k, "towpath WHITE")
	if err != nil {
		t.Fatal(err)
	}
	if err := s.PutRecipeAway(ctx, k, white.ID, true); err != nil {
		t.Fatal(err)
	}
	if got := names(store.Search{Away: true}); got != "Towpath white;" {
		t.Errorf("put away are %q", got)
	}
	if got := names(store.Search{Words: "towpath"}); got != "" {
		t.Errorf("what is put away is found as %q", got)
	}
	if _, err := s.Named(ctx, k, "Towpath white"); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("what is put away is found by its name: %v", err)
	}
	row, err := s.OnShelf(ctx, k, white.ID)
	if err != nil || !row.PutAway || row.Size != measure.LoafPounds(3, 2) {
		t.Errorf("put away, it is %+v (%v)", row, err)
	}
	if err := s.PutRecipeAway(ctx, k, store.NewID(), true); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("putting nothing away is answered %v", err)
	}
}

// A transaction is tried again where another came between, and for no other reason.
func TestOnlyAConflictIsTriedAgain(t *testing.T) {
	for number, want := range map[uint16]bool{1205: true, 1213: true, 1020: true, 1062: false, 1204: false, 1214: false,
		1146: false} {
		if got := store.Conflict(fmt.Errorf("writing: %w", &mysql.MySQLError{Number: number})); got != want {
			t.Errorf("error %d is tried again: %v", number, got)
		}
	}
	if store.Conflict(errors.New("something else")) {
		t.Error("any error is tried again")
	}
}

// What a bake used is pairs of a name and grams; a pair that is none is left out.
func TestWhatWasUsedIsReadByPairs(t *testing.T) {
	got, err := store.ReadUsed(`[["water", 240], ["honey", "much"], [3, 4], ["salt", 7.5]]`)
	if err != nil || len(got) != 2 || got[0].Ingredient != "water" || got[1].Grams != 7.5 {
		t.Errorf("%v, %v", got, err)
	}
}
