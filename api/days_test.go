package api_test

import (
	"strings"
	"testing"
	"time"

	"risepan/core/day"
	"risepan/core/kitchen"
	"risepan/usecase"
)

// tomorrow is the date after the house's, as a path has it.
func (h *house) tomorrow() string { return h.now.AddDate(0, 0, 1).Format(time.DateOnly) }

func (h *house) loafOf(id, recipe, by string) map[string]any {
	return map[string]any{"id": id, "wish": h.wish(recipe), "when": "by", "by": h.tomorrow() + "T" + by}
}

// A day is put together, changed by two, undone, and tells how it moved; nothing stale takes its place.
func TestADayIsPutTogether(t *testing.T) {
	h := open(t)
	at := "~/days/" + h.tomorrow()
	var v usecase.DayView
	h.must(200, "GET", at, nil, &v)
	if v.Version != 0 || len(v.Book.Loaves) != 0 || v.Day.Say != "All on time." {
		t.Fatalf("an untouched day is %+v", v)
	}
	book := map[string]any{"hands": 1, "loaves": []any{h.loafOf("a", "Towpath white", "12:00")}}
	h.must(200, "PUT", at, book, &v, "If-Match", "0")
	if l := v.Day.Loaves[0]; v.Version != 1 || l.Standing != day.ToCome || l.Late > 0 || l.Was != nil ||
		l.Wish == nil || len(l.Presses) == 0 {
		t.Fatalf("one loaf stands so: %+v", l)
	}
	book["loaves"] = append(book["loaves"].([]any), h.loafOf("b", "Oat and honey loaf", "12:00"))
	h.must(412, "PUT", at, book, nil, "If-Match", "0")
	var two usecase.DayView
	h.must(200, "PUT", at, book, &two, "If-Match", "1")
	if len(two.Day.Loaves) != 2 || two.Day.Cost.Without != 0 || two.Version != 2 {
		t.Fatalf("two loaves at noon come out so: %s", two.Day.Say)
	}
	var again usecase.DayView
	h.must(200, "GET", at, nil, &again)
	if again.Day.Loaves[0].Was != nil || again.Day.Loaves[0].Press != two.Day.Loaves[0].Press {
		t.Errorf("looked at again, the day has moved: %+v", again.Day.Loaves[0])
	}
	h.must(200, "POST", at+"/undo", nil, &v, "If-Match", "2")
	if len(v.Book.Loaves) != 1 || v.Version != 3 {
		t.Errorf("undone, the day holds %d loaves", len(v.Book.Loaves))
	}
	h.must(200, "POST", at+"/undo", nil, &v, "If-Match", "3")
	if len(v.Book.Loaves) != 2 {
		t.Errorf("undone once more, the day holds %d loaves", len(v.Book.Loaves))
	}
	var needs day.Needs
	h.must(200, "GET", at+"/needs", nil, &needs)
	if len(needs.Shopping) < 5 || len(needs.Weigh) == 0 || len(needs.Weigh[0].Each) != 2 {
		t.Errorf("two loaves want %+v", needs)
	}
	var next usecase.NextOfDays
	h.must(200, "GET", "~/days/next", nil, &next)
	if next.Moment == nil || next.Moment.Does != day.Loads || next.Moment.At != two.Day.Hands[0].At {
		t.Errorf("the next thing to do is %+v", next)
	}
	var week usecase.Week
	h.must(200, "GET", "~/days?of="+h.tomorrow(), nil, &week)
	loaves := 0
	for _, d := range week.Days {
		loaves += d.Loaves
	}
	if len(week.Days) != 7 || week.Days[0].Weekday != "monday" || loaves != 2 {
		t.Errorf("the week is %+v", week)
	}
	_, body, _ := h.file("GET", "/days/"+h.tomorrow()+"/calendar", nil)
	if strings.Count(body, "BEGIN:VALARM") != len(two.Day.Hands) || !strings.Contains(body, "Load the pan") {
		t.Errorf("the calendar has %d alarms for %d moments", strings.Count(body, "BEGIN:VALARM"), len(two.Day.Hands))
	}
}

func TestABadDayIsRefusedAtItsField(t *testing.T) {
	h := open(t)
	at := "~/days/" + h.tomorrow()
	for pointer, change := range map[string]func(l, book map[string]any){
		"/loaves/0/by":   func(l, _ map[string]any) { delete(l, "by") },
		"/loaves/0/when": func(l, _ map[string]any) { l["when"] = "soon" },
		"/loaves/0/id":   func(l, _ map[string]any) { l["id"] = "" },
		"/hands":         func(_, b map[string]any) { b["hands"] = 0 },
		"/loaves/0/from": func(l, _ map[string]any) { l["when"] = "between" },
		"/loaves/0/pin":  func(l, _ map[string]any) { l["pin"] = "2026-01-01T12:00" },
		"/away/0/to": func(_, b map[string]any) {
			b["away"] = []any{map[string]any{"from": "2026-11-28T12:00", "to": "2026-11-28T11:00"}}
		},
		"/loaves/0/wish/time/ready": func(l, _ map[string]any) {
			l["wish"].(map[string]any)["time"] = map[string]any{"ready": h.tomorrow() + "T12:00"}
		},
	} {
		l := h.loafOf("a", "Towpath white", "12:00")
		book := map[string]any{"hands": 1, "loaves": []any{l}}
		change(l, book)
		if status, problem := h.ask("PUT", at, book, nil, "If-Match", "0"); status != 422 && status != 400 ||
			problem.Pointer != pointer {
			t.Errorf("%s: %d at %q: %s", pointer, status, problem.Pointer, problem.Detail)
		}
	}
	if status, _ := h.ask("GET", "~/days/2026-13-01", nil, nil); status != 422 {
		t.Errorf("a date that is none: %d", status)
	}
}

// A loaf that cannot be on time says why and what would mend it; a mend that is taken is what was promised.
func TestALateLoafIsMended(t *testing.T) {
	h := open(t)
	at := "~/days/" + h.tomorrow()
	book := map[string]any{"hands": 1, "loaves": []any{h.loafOf("a", "Sluice-gate egg loaf", "18:00")},
		"away": []any{map[string]any{"from": h.tomorrow() + "T08:00", "to": h.tomorrow() + "T17:00", "name": "Market"}}}
	var v usecase.DayView
	h.must(200, "PUT", at, book, &v, "If-Match", "0")
	l := v.Day.Loaves[0]
	if !strings.Contains(l.Say, "nobody is free") {
		t.Fatalf("a loaf with fresh eggs and nobody home: %+v", l)
	}
	var m usecase.Mends
	h.must(200, "GET", at+"/mends?loaf=a", nil, &m)
	if len(m.Mends) == 0 {
		t.Fatal("nothing would mend it")
	}
	for _, mend := range m.Mends {
		if mend.Book == nil {
			continue
		}
		var then usecase.DayView
		h.must(200, "PUT", at, mend.Book, &then, "If-Match", "1")
		if mend.Cost.Less(then.Day.Cost) {
			t.Errorf("%q promised %q and gives %q", mend.Say, mend.Then, then.Day.Say)
		}
		break
	}
}

// A bake that was started for a loaf of the day is shown in its place, and the rest is planned around it.
func TestADayIsPlannedAroundWhatRuns(t *testing.T) {
	h := open(t)
	at := "~/days/" + h.tomorrow()
	loaf := func(id, recipe string) map[string]any {
		l := h.loafOf(id, recipe, "12:00")
		l["only"] = true
		return l
	}
	var v usecase.DayView
	h.must(200, "PUT", at, map[string]any{"hands": 1, "loaves": []any{loaf("a", "Towpath white"),
		loaf("b", "Oat and honey loaf")}}, &v, "If-Match", "0")
	var p usecase.PlanAnswer
	w := h.wish("Towpath white")
	w["time"] = map[string]any{"atPanel": true}
	h.must(200, "POST", "~/plan", w, &p)
	var b usecase.BakeView
	h.must(201, "POST", "~/bakes", map[string]any{"wish": w, "digest": p.Digest}, &b, "Idempotency-Key", "go")
	h.must(200, "GET", at, nil, &v)
	a, other := v.Day.Loaves[0], v.Day.Loaves[1]
	if a.Standing != day.Running || a.Bake != b.ID || other.Standing != day.ToCome ||
		other.Press.Before(a.Taken.Add(25*time.Minute)) {
		t.Errorf("the started one is %+v, the other %+v", a, other)
	}
	h.must(201, "POST", "~/bakes/"+b.ID+"/happenings", map[string]any{"what": "abandoned"}, nil, "Idempotency-Key",
		"stop")
	h.must(200, "GET", at, nil, &v)
	if a = v.Day.Loaves[0]; a.Standing == day.Running {
		t.Errorf("given up, it is still %s", a.Standing)
	}
}

// Loaves of every week come by themselves on their days, and tell how long the flour lasts.
func TestLoavesOfEveryWeek(t *testing.T) {
	h := open(t)
	var s usecase.Shelf
	h.must(200, "GET", "~", nil, &s)
	w := h.wish("Towpath white")
	date, _ := kitchen.ParseDate(h.tomorrow())
	s.Kitchen.Regulars = []kitchen.Regular{{ID: "r", Recipe: w["recipe"].(string), Machine: w["machine"].(string),
		Size: s.Machines[0].Sizes[0], Days: []kitchen.Weekday{kitchen.WeekdayOf(date)}, By: 12 * 60}}
	s.Kitchen.Week = "sunday"
	s.Kitchen.Stock = []kitchen.Stocked{{Ingredient: "bread-flour", Grams: 1000}}
	h.must(200, "PUT", "~", s.Kitchen, nil, "If-Match", "1")
	var v usecase.DayView
	h.must(200, "GET", "~/days/"+h.tomorrow(), nil, &v)
	if len(v.Day.Loaves) != 1 || v.Day.Loaves[0].Standing != day.ToCome || v.Version != 0 {
		t.Fatalf("on its day stand %+v", v.Day.Loaves)
	}
	h.must(200, "PUT", "~/days/"+h.tomorrow(), map[string]any{"hands": 1, "loaves": []any{}}, &v, "If-Match", "0")
	if len(v.Day.Loaves) != 0 || len(v.Usual) != 1 {
		t.Errorf("taken off, it is offered again: %+v", v.Usual)
	}
	var week usecase.Week
	h.must(200, "GET", "~/days?of="+h.tomorrow(), nil, &week)
	var log usecase.Log
	h.must(200, "GET", "~/bakes", nil, &log)
	if week.Days[0].Weekday != "sunday" || log.Week != week.Days[0].Date || len(log.Bakes) == 0 ||
		kitchen.WeekdayOf(log.Bakes[0].Week) != "sunday" {
		t.Errorf("weeks from Sunday: the days begin with %s, the log's week on %s", week.Days[0].Weekday, log.Week)
	}
	var r day.Regular
	h.must(200, "GET", "~/regulars", nil, &r)
	if len(r.Loaves) != 1 || r.Loaves[0].Next != date || len(r.Stock) != 2 {
		t.Fatalf("the regular loaves: %+v", r)
	}
	flour := r.Stock[0]
	if flour.Has == "" || flour.Until.IsZero() || flour.Buy == "" {
		t.Errorf("a kilogram of flour for a loaf a week: %+v", flour)
	}
}
