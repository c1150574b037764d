package store_test

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"math/rand/v2"
	"os"
	"regexp"
	"slices"
	"strings"
	"testing"
	"time"

	stdjson "encoding/json"

	"github.com/go-json-experiment/json"
	"github.com/santhosh-tekuri/jsonschema/v6"

	"risepan/core/bake"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/readtest"
	"risepan/demo"
	"risepan/store"
	"risepan/store/storetest"
)

// furnished is the demo kitchen with one of everything that a kitchen can keep.
func furnished(t *testing.T, s *store.Store) store.Kitchen {
	t.Helper()
	k := heron(t, s)
	id := ""
	err := s.Do(ctx, func(q store.Queries) error {
		glances, err := q.Glances(ctx, k.ID, store.Page{Most: 2})
		if err != nil {
			return err
		}
		id = glances[1].ID
		b, err := q.Bake(ctx, k.ID, id)
		if err != nil {
			return err
		}
		h := bake.Happening{Stamp: journal.Stamp{Seq: 9, At: noon}, What: bake.Photographed,
			Photo: &bake.Photo{ID: store.NewID(), Width: 2, Height: 1}}
		if err := q.AddInBake(ctx, k.ID, id, h, bake.At(b.Plan, []bake.Happening{h}, noon)); err != nil {
			return err
		}
		if err := q.AddPhoto(ctx, k.ID, store.Photo{ID: h.Photo.ID, BakeID: id, Full: []byte{0xff, 0xd8, 0, 1, 2},
			Small: []byte{0xff, 0xd8}, Width: 2, Height: 1, At: noon}); err != nil {
			return err
		}
		if err := q.SetHabit(ctx, k.ID, b.RecipeID, b.MachineID, store.Habit{Cycle: "basic"}); err != nil {
			return err
		}
		_, err = q.AddImport(ctx, k.ID, store.Imported{Recipes: []store.RecipeMade{{ID: b.RecipeID, Name: "日本 «loaf»",
			Revision: 1}}, Bakes: []string{id}}, noon)
		return err
	})
	if err != nil {
		t.Fatal(err)
	}
	return k
}

func fileOfKitchen(t *testing.T, s *store.Store, id string) (string, store.Count) {
	t.Helper()
	var b bytes.Buffer
	count, err := s.WriteKitchen(ctx, id, &b, noon)
	if err != nil {
		t.Fatal(err)
	}
	return b.String(), count
}

// A kitchen goes into a file and comes back, in the same house beside itself and in another one, to the last detail.
func TestAKitchensFileComesBack(t *testing.T) {
	s := storetest.Open(t)
	k := furnished(t, s)
	file, count := fileOfKitchen(t, s, k.ID)
	for _, table := range []string{"recipes", "recipe_versions", "machines", "bakes", "happenings", "bags", "photos",
		"habits", "imports"} {
		if count[table] == 0 {
			t.Errorf("the file holds no %s", table)
		}
	}
	other := storetest.Open(t)
	id, back, err := other.ReadKitchen(ctx, strings.NewReader(file))
	if err != nil || id != k.ID || fmt.Sprint(back) != fmt.Sprint(count) {
		t.Fatalf("in another house: %v, %v of %v", err, back, count)
	}
	if again, _ := fileOfKitchen(t, other, id); again != file {
		t.Error("what comes out of another house is not what went in")
	}
	id, _, err = s.ReadKitchen(ctx, strings.NewReader(file))
	if err != nil || id == k.ID {
		t.Fatalf("beside itself: %s, %v", id, err)
	}
	beside, _ := fileOfKitchen(t, s, id)
	if plain(beside) != plain(file) {
		t.Error("beside itself it differs in more than its ids")
	}
	for _, old := range anyID.FindAllString(file, -1) {
		if strings.Contains(beside, old) {
			t.Errorf("the copy points at %s, which is the first one's", old)
			break
		}
	}
	recipes, err := s.Shelf(ctx, id, store.Search{Most: 50})
	if err != nil || len(recipes) != len(demo.Recipes()) {
		t.Errorf("%d recipes on the copy's shelf: %v", len(recipes), err)
	}
	glances, err := s.Glances(ctx, id, store.Page{Most: 50})
	if err != nil || len(glances) != 9 || glances[1].Photo == "" {
		t.Fatalf("%d bakes in the copy's log: %v", len(glances), err)
	}
	if jpeg, err := s.Picture(ctx, id, glances[1].Photo, false); err != nil || len(jpeg) != 5 {
		t.Errorf("the copy's photo: %v, %v", jpeg, err)
	}
	if b, err := s.Bake(ctx, id, glances[1].ID); err != nil || b.Plan.Recipe == "" {
		t.Errorf("the copy's bake: %v", err)
	}
}

var anyID = regexp.MustCompile(`[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[0-9a-f]{4}-[0-9a-f]{12}`)

// Files that are read one after another in one transaction share its connection: what wrote the one has let go of it
// before the next is read.
func TestFilesAreReadOneAfterAnother(t *testing.T) {
	s := storetest.Open(t)
	id, err := s.AddKitchen(ctx, kitchen.New("Annexe", "UTC"), noon)
	if err != nil {
		t.Fatal(err)
	}
	file, _ := fileOfKitchen(t, s, id)
	for range 20 {
		err := s.Do(ctx, func(q store.Queries) error {
			for range 10 {
				if _, _, err := q.ReadKitchen(ctx, strings.NewReader(file)); err != nil {
					return err
				}
			}
			return nil
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	if all, err := s.Kitchens(ctx); err != nil || len(all) != 201 {
		t.Errorf("%d kitchens, %v", len(all), err)
	}
}

// plain is a file with ids by their order of first appearance.
func plain(file string) string {
	seen := map[string]string{}
	return anyID.ReplaceAllStringFunc(file, func(id string) string {
		if seen[id] == "" {
			seen[id] = fmt.Sprint("id", len(seen))
		}
		return seen[id]
	})
}

// ofTheHouse are the tables that no kitchen's file holds: who may come in, what was asked, what was put beside what.
var ofTheHouse = []string{"idempotency", "households", "people", "sessions", "pairings", "tries", "addresses",
	"asides", "changes", "goose_db_version", "goose_lock"}

// Every table that belongs to a kitchen is in its file, but for the house's.
func TestNoTableIsForgotten(t *testing.T) {
	s := storetest.Open(t)
	k := furnished(t, s)
	file, _ := fileOfKitchen(t, s, k.ID)
	var whole struct {
		Things map[string][]map[string]any `json:"things"`
	}
	if err := json.Unmarshal([]byte(file), &whole); err != nil {
		t.Fatal(err)
	}
	for _, table := range storetest.Tables(t, s) {
		if _, in := whole.Things[table]; !in && !slices.Contains(ofTheHouse, table) {
			t.Errorf("%s are in no kitchen's file", table)
		}
	}
}

// What is partial, damaged or from the future is refused with what is wrong, and nothing of it is kept.
func TestADamagedFileIsRefused(t *testing.T) {
	s := storetest.Open(t)
	k := furnished(t, s)
	file, _ := fileOfKitchen(t, s, k.ID)
	empty := storetest.Open(t)
	cases := map[string]string{
		"nothing": "", "another JSON": `{"@type":"Recipe"}`, "a list": `[]`,
		"one that says it has more":  strings.Replace(file, `"photos":1`, `"photos":2`, 1),
		"from the future":            strings.Replace(file, `"version":1`, `"version":2`, 1),
		"of tables to come":          regexp.MustCompile(`"tables":\d+`).ReplaceAllString(file, `"tables":9999`),
		"a column that nobody knows": strings.Replace(file, `"put_away"`, `"put_over"`, 1),
		"no id":                      anyID.ReplaceAllString(file, "x"),
		"something behind it":        strings.Replace(file, `"counts"`, `"more":1,"counts"`, 1),
	}
	for _, at := range []int{1, 3, 10, 50, 90, 97} {
		cases[fmt.Sprintf("cut off after %d %%", at)] = file[:len(file)*at/100]
	}
	for name, c := range cases {
		if c == file {
			t.Errorf("%s: the case is the file itself", name)
		}
		if _, _, err := empty.ReadKitchen(ctx, strings.NewReader(c)); err == nil {
			t.Errorf("%s is taken", name)
		} else {
			t.Logf("%s: %v", name, err)
		}
		if k, err := empty.Kitchens(ctx); err != nil || len(k) != 0 {
			t.Fatalf("%s left %d kitchens: %v", name, len(k), err)
		}
	}
	if _, _, err := empty.ReadKitchen(ctx, strings.NewReader("x")); !errors.Is(err, store.ErrNoChest) {
		t.Errorf("a text is answered with %v", err)
	}
	stopped, cancel := context.WithCancel(ctx)
	cancel()
	if _, err := s.WriteKitchen(stopped, k.ID, &bytes.Buffer{}, noon); err == nil {
		t.Error("a stopped writing says nothing")
	}
}

// The schema in docs is what this program writes, and a kitchen with one of everything fits it.
func TestAKitchensFileFitsItsSchema(t *testing.T) {
	s := storetest.Open(t)
	k := furnished(t, s)
	schema, err := s.ChestSchema(ctx)
	if err != nil {
		t.Fatal(err)
	}
	text, err := stdjson.MarshalIndent(schema, "", " ")
	if err != nil {
		t.Fatal(err)
	}
	text = append(text, '\n')
	const path = "../docs/kitchen-file.schema.json"
	if os.Getenv("RISEPAN_GOLDEN") != "" {
		if err := os.WriteFile(path, text, 0o644); err != nil {
			t.Fatal(err)
		}
	}
	if kept := fileOf(t, path); kept != string(text) {
		t.Errorf("%s is stale: RISEPAN_GOLDEN=1 go test ./store -run FitsItsSchema", path)
	}
	doc, err := jsonschema.UnmarshalJSON(bytes.NewReader(text))
	if err != nil {
		t.Fatal(err)
	}
	c := jsonschema.NewCompiler()
	if err := c.AddResource("kitchen.json", doc); err != nil {
		t.Fatal(err)
	}
	compiled, err := c.Compile("kitchen.json")
	if err != nil {
		t.Fatal(err)
	}
	file, _ := fileOfKitchen(t, s, k.ID)
	for name, f := range map[string]struct {
		text string
		fits bool
	}{"the kitchen": {file, true}, "one without its counts": {strings.Replace(file, `"counts"`, `"count"`, 1), false},
		"one with another column": {strings.Replace(file, `"head"`, `"heads"`, 1), false}} {
		v, err := jsonschema.UnmarshalJSON(strings.NewReader(f.text))
		if err == nil {
			err = compiled.Validate(v)
		}
		if (err == nil) != f.fits {
			t.Errorf("%s: %v", name, err)
		}
	}
}

// Random kitchens, with names and notes in any letters, come back field by field.
func TestRandomKitchensComeBack(t *testing.T) {
	from, to := storetest.Open(t), storetest.Open(t)
	texts := []string{"plain", "«quotes» \"and\" 'more'", "back\\slash and \ttab", "日本のパン", "Пекарня", "خبز",
		"emoji 🍞", "a, b; c", "=1+1", "trailing space ", "\u00bd cup", "ends with }", `{"not":"json"}`,
		"0190f3a0-0000-7000-8000-000000000000"}
	for seed := range uint64(12) {
		r := rand.New(rand.NewPCG(seed, 5))
		text := func() string { return texts[r.IntN(len(texts))] }
		id := ""
		err := from.Do(ctx, func(q store.Queries) (err error) {
			k := kitchen.New(strings.TrimSpace(text()), "UTC")
			if id, err = q.AddKitchen(ctx, k, noon); err != nil {
				return err
			}
			for n := range 1 + r.IntN(3) {
				k.Scale = n%2 == 0
				if _, err := q.ChangeKitchen(ctx, id, n+1, k, noon); err != nil {
					return err
				}
			}
			m := []machine.Machine{demo.Galley(), demo.Boatyard()}[r.IntN(2)]
			machineID, err := q.AddMachine(ctx, id, m, noon)
			if err != nil {
				return err
			}
			all := demo.Recipes()
			for range r.IntN(5) {
				one := all[r.IntN(3)]
				one.Name, one.Note = strings.TrimSpace(text()), text()
				kept, err := q.AddRecipe(ctx, id, one, true, noon)
				if err != nil {
					return err
				}
				p, err := plan.Make(plan.Place{Kitchen: k, Zone: time.UTC, Recipe: one, Machine: m, Now: noon},
					plan.Wish{LoafWish: plan.LoafWish{Size: one.Size}, Timing: plan.Timing{AtPanel: true}})
				if err != nil {
					return err
				}
				bakeID, err := q.StartBake(ctx, id, store.Bake{Pins: store.Pins{RecipeID: kept.ID, Revision: 1,
					MachineID: machineID, Machine: 1, Kitchen: 1}, Plan: p,
					StartedAt: noon.Add(time.Duration(r.IntN(1e9)))}, store.Wished{Zone: "UTC"})
				if err != nil {
					return err
				}
				var happened []bake.Happening
				for _, h := range []bake.Happening{{What: bake.TakenOut},
					{What: bake.Judged, Verdict: bake.Verdict{Mark: 1 + r.IntN(5), Note: text(),
						Signs: bake.Signs[:r.IntN(4)], Centre: new(r.IntN(90) - 45), Damp: r.IntN(2) == 0}}} {
					h.Stamp = journal.Stamp{Seq: len(happened) + 1, At: noon.Add(4 * time.Hour)}
					happened = append(happened, h)
					if err := q.AddInBake(ctx, id, bakeID, h, bake.At(p, happened, noon.Add(5*time.Hour))); err != nil {
						return err
					}
				}
				photo := make([]byte, r.IntN(3000))
				for n := range photo {
					photo[n] = byte(r.Uint32())
				}
				if err := q.AddPhoto(ctx, id, store.Photo{ID: store.NewID(), RecipeID: kept.ID, Full: photo,
					Small: photo[:len(photo)/2], Width: 3, Height: 2, At: noon}); err != nil {
					return err
				}
			}
			return nil
		})
		if err != nil {
			t.Fatalf("seed %d: %v", seed, err)
		}
		file, count := fileOfKitchen(t, from, id)
		back, again, err := to.ReadKitchen(ctx, strings.NewReader(file))
		if err != nil || back != id || fmt.Sprint(count) != fmt.Sprint(again) {
			t.Fatalf("seed %d: %v", seed, err)
		}
		if out, _ := fileOfKitchen(t, to, id); out != file {
			t.Errorf("seed %d: the kitchen came back otherwise", seed)
		}
		if _, _, err := to.ReadKitchen(ctx, strings.NewReader(file)); err != nil {
			t.Errorf("seed %d: not beside itself: %v", seed, err)
		}
	}
}

// Whatever stands in a file, it is a kitchen or it is refused, and takes no more than grows with it. The database is
// asked once, for its columns; what it would write is counted.
func FuzzReadKitchen(f *testing.F) {
	s := storetest.Open(f)
	if _, err := s.AddKitchen(ctx, kitchen.New("Small", "UTC"), noon); err != nil {
		f.Fatal(err)
	}
	all, err := s.Kitchens(ctx)
	if err != nil {
		f.Fatal(err)
	}
	var file bytes.Buffer
	if _, err := s.WriteKitchen(ctx, all[0].ID, &file, noon); err != nil {
		f.Fatal(err)
	}
	read, err := s.DryReader(ctx)
	if err != nil {
		f.Fatal(err)
	}
	f.Add(file.String())
	f.Add(`{"risePan":"kitchen","version":1,"tables":1,"things":{"kitchens":[{"id":1}]`)
	f.Fuzz(func(t *testing.T, text string) {
		readtest.Within(t, len(text), func() {
			id, count, rows, err := read(strings.NewReader(text))
			if err == nil && (!store.ValidID(id) || count["kitchens"] != 1 || rows < 1) {
				t.Errorf("a file with %v, of %d rows, is taken for the kitchen %q", count, rows, id)
			}
		})
	})
}
