package api_test

import (
	"fmt"
	"testing"

	"github.com/go-json-experiment/json"

	"risepan/core/machine"
	"risepan/usecase"
)

func match(version int) []string { return []string{"If-Match", fmt.Sprintf("%q", fmt.Sprint(version))} }

func TestAMachineIsDescribedChangedAndUndoneAndPastBakesStay(t *testing.T) {
	h := open(t)
	b := h.start("Mooring raisin loaf", "one")
	id := h.shelf().Machines[0].ID
	path := "~/machines/" + id
	var seen, now usecase.MachineRead
	h.must(200, "GET", path, nil, &seen)
	changed := seen.Machine
	changed.Cycles = append([]machine.Cycle{}, seen.Machine.Cycles...)
	changed.Cycles[3].Stages = append([]machine.Stage{}, changed.Cycles[3].Stages...)
	changed.Cycles[3].Name, changed.Cycles[3].Stages[0].Minutes = "Sugar bread", 22
	h.must(200, "PUT", path, changed, &now, match(seen.Version)...)
	if now.Version != seen.Version+1 || now.Machine.Cycles[3].Name != "Sugar bread" {
		t.Fatalf("changed to version %d, %s", now.Version, now.Machine.Cycles[3].Name)
	}
	h.must(412, "PUT", path, changed, nil, match(seen.Version)...)
	h.must(428, "PUT", path, changed, nil)
	var after usecase.BakeView
	h.must(200, "GET", "~/bakes/"+b.ID, nil, &after)
	if after.Plan.Setting.Cycle.Name != "Sweet" || after.Plan.Setting.Total != b.Plan.Setting.Total {
		t.Errorf("the running bake was changed: %+v", after.Plan.Setting.Cycle)
	}
	var p usecase.PlanAnswer
	h.must(200, "POST", "~/plan", h.wish("Mooring raisin loaf"), &p)
	if p.Plan.Setting.Cycle.Name != "Sugar bread" || p.Plan.Setting.Total != b.Plan.Setting.Total+12 {
		t.Errorf("a new plan has %+v, %v", p.Plan.Setting.Cycle, p.Plan.Setting.Total)
	}
	h.must(200, "POST", path+"/undo", nil, &now, match(now.Version)...)
	if now.Machine.Cycles[3].Name != "Sweet" || now.Version != seen.Version+2 {
		t.Errorf("undone: %s at version %d", now.Machine.Cycles[3].Name, now.Version)
	}
	if status, _ := h.ask("POST", path+"/undo", nil, nil, match(1)...); status != 404 && status != 412 {
		t.Errorf("an undo from an old version: %d", status)
	}
}

func TestBadMachinesAreRefusedAtTheFieldAndNothingIsStored(t *testing.T) {
	h := open(t)
	var all usecase.Profiles
	h.must(200, "GET", "~/machines/profiles", nil, &all)
	before := len(h.shelf().Machines)
	n := 0
	for pointer, spoil := range map[string]func(map[string]any){
		"/name":                      func(m map[string]any) { m["name"] = "" },
		"/cycles":                    func(m map[string]any) { m["cycles"] = []any{} },
		"/delay/step":                func(m map[string]any) { m["delay"].(map[string]any)["step"] = 0 },
		"/cycles/0/stages/0/minutes": func(m map[string]any) { stage(m)["minutes"] = -5 },
		"/cycles/0/stages/0/kind":    func(m map[string]any) { stage(m)["kind"] = "fry" },
		"/panel/crust/default":       func(m map[string]any) { m["panel"] = map[string]any{"crust": map[string]any{"default": "burnt"}} },
		"/cycles/0/beeps/0/minutes": func(m map[string]any) {
			m["cycles"].([]any)[0].(map[string]any)["beeps"].([]any)[0].(map[string]any)["minutes"] = 900
		},
		"/vessel/length": func(m map[string]any) { m["vessel"].(map[string]any)["length"] = 1e9 },
		"/colour":        func(m map[string]any) { m["colour"] = "red" },
	} {
		b, _ := json.Marshal(all.Profiles[0])
		var bad map[string]any
		json.Unmarshal(b, &bad)
		spoil(bad)
		n++
		if status, p := h.ask("POST", "~/machines", bad, nil, "Idempotency-Key", fmt.Sprint(n)); status < 400 ||
			status > 422 || p.Pointer != pointer {
			t.Errorf("want a fault at %s, got %d at %q: %s", pointer, status, p.Pointer, p.Detail)
		}
	}
	if got := len(h.shelf().Machines); got != before {
		t.Errorf("%d machines are on the shelf, %d before", got, before)
	}
	var kept usecase.MachineRead
	h.must(201, "POST", "~/machines", all.Profiles[1], &kept, "Idempotency-Key", "good")
	if kept.Panel.Menu.Button != "Menu" || len(kept.Panel.Menu.Values) != len(kept.Machine.Cycles) {
		t.Errorf("its panel in full is %+v", kept.Panel)
	}
}

func stage(m map[string]any) map[string]any {
	return m["cycles"].([]any)[0].(map[string]any)["stages"].([]any)[0].(map[string]any)
}

func TestABakersOwnChoiceIsRememberedForARecipeAndMachine(t *testing.T) {
	h := open(t)
	w := h.wish("Mooring raisin loaf")
	planned := func() usecase.PlanAnswer {
		var p usecase.PlanAnswer
		h.must(200, "POST", "~/plan", w, &p)
		return p
	}
	suggested := planned().Plan.Setting.Cycle.ID
	own := map[string]any{"recipe": w["recipe"], "machine": w["machine"], "cycle": "basic", "crust": "dark"}
	h.must(200, "PUT", "~/habits", own, nil)
	if p := planned(); p.Plan.Setting.Cycle.ID != "basic" || p.Plan.Setting.Crust != "dark" ||
		p.Habit.Cycle != "basic" {
		t.Errorf("chosen basic and dark, planned %+v %s", p.Plan.Setting.Cycle, p.Plan.Setting.Crust)
	}
	for pointer, bad := range map[string]map[string]any{
		"/cycle":   {"recipe": w["recipe"], "machine": w["machine"], "cycle": "none"},
		"/crust":   {"recipe": w["recipe"], "machine": w["machine"], "crust": "burnt"},
		"/recipe":  {"recipe": "x", "machine": w["machine"]},
		"/machine": {"recipe": w["recipe"], "machine": w["recipe"]},
	} {
		if status, p := h.ask("PUT", "~/habits", bad, nil); status < 400 || status > 422 || p.Pointer != pointer {
			t.Errorf("want a fault at %s, got %d at %q", pointer, status, p.Pointer)
		}
	}
	h.must(200, "PUT", "~/habits", map[string]any{"recipe": w["recipe"], "machine": w["machine"]}, nil)
	if got := planned().Plan.Setting.Cycle.ID; got != suggested {
		t.Errorf("with the choice forgotten it is %s, was %s", got, suggested)
	}
}

func TestComparingCyclesRefusesNonsense(t *testing.T) {
	h := open(t)
	path := "~/machines/" + h.shelf().Machines[0].ID + "/compare"
	for n, c := range []struct {
		body    map[string]any
		pointer string
	}{
		{map[string]any{"cycles": []string{"basic"}, "size": "1 lb", "crust": "dark"}, "/cycles"},
		{map[string]any{"cycles": []string{"basic", "gone"}, "size": "1 lb", "crust": "dark"}, "/cycles"},
		{map[string]any{"cycles": []string{"basic", "rapid"}, "size": "9 lb", "crust": "dark"}, "/size"},
		{map[string]any{"cycles": []string{"basic", "rapid"}, "size": "1 lb", "crust": "dark", "recipe": "x"},
			"/recipe"},
	} {
		if status, p := h.ask("POST", path, c.body, nil); status < 400 || status > 422 || p.Pointer != c.pointer {
			t.Errorf("%d: %d at %q, want a fault at %s", n, status, p.Pointer, c.pointer)
		}
	}
	var got usecase.Compared
	h.must(200, "POST", path, map[string]any{"cycles": []string{"basic", "rapid"}, "size": "1 lb", "crust": "dark"},
		&got)
	if len(got.Cycles) != 2 || got.Cycles[1].Beside == "" || got.Longest != got.Cycles[0].Totals.All {
		t.Errorf("compared: %+v", got)
	}
}
