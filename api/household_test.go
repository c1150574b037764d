package api_test

import (
	"cmp"
	"context"
	"fmt"
	"net/http"
	"net/http/httptest"
	"regexp"
	"runtime"
	"strings"
	"testing"
	"time"

	"risepan/api"
	"risepan/auth"
	"risepan/core/kitchen"
	"risepan/usecase"
)

const (
	right = "wet heron on a lock gate"
	wrong = "dry heron on a lock gate"
)

// openHouse is a server that is open to the house, with two households in it, and their owners' laptops.
func openHouse(t *testing.T) (h *house, ours, theirs *device, opened usecase.Opened) {
	t.Helper()
	h = openTo(t, usecase.House{Open: true, Where: []string{"http://192.0.2.7:8080"}}, "laptop.local")
	ours, theirs = &device{house: h, from: "192.0.2.10"}, &device{house: h, from: "192.0.2.20"}
	for n, d := range []*device{ours, theirs} {
		made := usecase.Opened{}
		d.must(201, "POST", "/api/v1/kitchens", map[string]any{"name": []string{"Wharf House", "Mill Cottage"}[n],
			"person": []string{"Wren", "Ash"}[n], "passphrase": right, "zone": "Europe/London"}, &made,
			"Idempotency-Key", "mine")
		if d.kitchen = made.Kitchen; n == 0 {
			opened = made
		}
	}
	return h, ours, theirs, opened
}

// paired lets another device in by a code that the owner's shows: for somebody new, or the owner's own.
func paired(owner *device, from, name string) *device {
	owner.t.Helper()
	d := &device{house: owner.house, from: from, kitchen: owner.kitchen}
	path := "~/household/devices"
	if name != "" {
		path = "~/household/people"
	}
	var code usecase.PairingCode
	owner.must(200, "POST", path, nil, &code)
	d.must(200, "POST", "/api/v1/session/paired", map[string]any{"code": code.Code, "name": name}, nil)
	return d
}

// Every call of the router is made by nobody, by another household, by a member and by the owner.
func TestNobodyComesInWhoMayNot(t *testing.T) {
	_, ours, theirs, _ := openHouse(t)
	member := paired(ours, "192.0.2.11", "Teal")
	nobody := &device{house: ours.house, from: "192.0.2.66", kitchen: ours.kitchen}
	theirs.kitchen = ours.kitchen
	forged := &device{house: ours.house, from: "192.0.2.67", kitchen: ours.kitchen, cookie: "rise-pan=" +
		auth.NewSecret()}
	public := map[string]bool{"GET /healthz": true, "GET /readyz": true, "GET /house.crt": true,
		"GET /api/v1/health": true, "GET /api/v1/openapi.json": true, "GET /api/v1/kitchens": true,
		"POST /api/v1/kitchens": true,
		"POST /api/v1/session":  true, "POST /api/v1/session/recovered": true, "POST /api/v1/session/ended": true,
		"POST /api/v1/session/paired": true, "GET /api/v1/calendar/:token": true}
	inside := 0
	for _, r := range api.Routes() {
		key := r.Method + " " + r.Path
		if public[key] {
			continue
		}
		if inside++; !strings.HasPrefix(r.Path, "/api/v1/kitchens/:kitchen") {
			t.Errorf("%s is neither public nor in a kitchen", key)
			continue
		}
		path := "~" + regexp.MustCompile(`:\w+`).ReplaceAllString(strings.TrimPrefix(r.Path,
			"/api/v1/kitchens/:kitchen"), "019a0000-0000-7000-8000-000000000000")
		try := func(d *device) int {
			status, _ := d.ask(r.Method, path, "{", nil, "Idempotency-Key", "k", "If-Match", `"1"`)
			return status
		}
		for who, d := range map[string]*device{"nobody": nobody, "a forged secret": forged} {
			if got := try(d); got != 401 {
				t.Errorf("%s as %s: %d", key, who, got)
			}
		}
		if got := try(theirs); got != 404 {
			t.Errorf("%s as another household: %d", key, got)
		}
		if got := try(member); (got == 403) != api.OwnersOnly(key) || got == 401 {
			t.Errorf("%s as a member: %d", key, got)
		}
		if strings.HasSuffix(path, "/others") { // it would sign the member out
			continue
		}
		if got := try(ours); got == 401 || got == 403 {
			t.Errorf("%s as the owner: %d", key, got)
		}
	}
	if inside < 60 {
		t.Errorf("only %d calls were walked", inside)
	}
	// a kitchen that is not there looks like one that is
	for _, other := range []string{"019a0000-0000-7000-8000-000000000000", "x"} {
		nobody.kitchen = other
		if status, p := nobody.ask("GET", "~", nil, nil); status != 401 || p.Detail != "sign in to this kitchen first" {
			t.Errorf("nobody in %q: %d %s", other, status, p.Detail)
		}
	}
}

func TestAnOpenKitchenIsClosedToTheHouse(t *testing.T) {
	h, ours, _, _ := openHouse(t)
	demo := h.kitchen()
	for _, d := range []*device{{house: h}, {house: h, from: "192.0.2.66"}} {
		d.kitchen = demo
		d.must(401, "GET", "~", nil, nil)
		var list usecase.Kitchens
		d.must(200, "GET", "/api/v1/kitchens", nil, &list)
		if len(list.Kitchens) != 0 || !list.Doors || !list.House {
			t.Errorf("nobody is told of %+v", list)
		}
	}
	var list usecase.Kitchens
	ours.must(200, "GET", "/api/v1/kitchens", nil, &list)
	if len(list.Kitchens) != 1 || list.Kitchens[0].Name != "Wharf House" || list.Me.Name != "Wren" {
		t.Errorf("the owner is told of %+v", list)
	}
	ours.must(404, "GET", strings.Replace("/api/v1/kitchens/~", "~", demo, 1), nil, nil)
	for host, want := range map[string]int{"192.0.2.7:8080": 200, "laptop.local": 200, "[2001:db8::1]:8080": 200,
		"elsewhere.example": 421} {
		if got, _ := ours.ask("GET", "/api/v1/kitchens", nil, nil, "Host", host); got != want {
			t.Errorf("called by %s: %d", host, got)
		}
	}
}

func TestSigningInTellsNothingAndIsBounded(t *testing.T) {
	h, _, _, _ := openHouse(t)
	mine := map[string]any{"name": "wharf house", "passphrase": right} // names are the same in small letters
	signIn := func(d *device, name, passphrase string) (int, api.Problem) {
		return d.ask("POST", "/api/v1/session", map[string]any{"name": name, "passphrase": passphrase}, nil)
	}
	var opened usecase.Opened
	(&device{house: h, from: "192.0.2.30"}).must(200, "POST", "/api/v1/session", mine, &opened)
	if opened.Me.Name != "Wren" || opened.Recovery != "" {
		t.Errorf("signed in as %+v", opened)
	}
	guesser := &device{house: h, from: "192.0.2.66"}
	_, there := signIn(guesser, "Wharf House", wrong)
	_, missing := signIn(guesser, "Nowhere", wrong)
	if there.Detail != missing.Detail || there.Status != 401 || missing.Status != 401 {
		t.Errorf("a kitchen that is there answers %+v, one that is not %+v", there, missing)
	}
	// Five hundred wrong ones from one address: refused, soon without being looked at, and nobody else is stopped.
	before := heap()
	tally := map[int]int{}
	for n := range 500 {
		status, _ := signIn(guesser, "Wharf House", fmt.Sprintf("%s %d", wrong, n))
		tally[status]++
		h.later(time.Second / 2)
	}
	if tally[401] > 9 || tally[200] > 0 || tally[401]+tally[429] != 500 {
		t.Errorf("of 500 guesses in 250 s: %v", tally)
	}
	if grown := heap() - before; grown > 4<<20 {
		t.Errorf("500 guesses leave %d bytes", grown)
	}
	if status, p := signIn(guesser, "Wharf House", right); status != 429 || !strings.Contains(p.Detail,
		"try again in") {
		t.Errorf("a guesser who tried too often: %d %s", status, p.Detail)
	}
	if status, p := signIn(&device{house: h, from: "192.0.2.31"}, "Wharf House", right); status != 200 {
		t.Errorf("another device is stopped by a guesser: %d %s", status, p.Detail)
	}
	h.later(door3)
	if status, _ := signIn(guesser, "Wharf House", right); status != 200 {
		t.Errorf("after the pause: %d", status)
	}
	// Signing in to a kitchen of one's own does not wash away what was tried on another.
	_, neighbour, _, _ := openHouse(t)
	for n := range 12 {
		if status, _ := signIn(neighbour, "Wharf House", wrong); n >= auth.SigningEach && status == 401 {
			t.Errorf("guess %d of a neighbour is looked at", n)
		}
		signIn(neighbour, "Mill Cottage", right)
	}
	// Many addresses together: the kitchen itself is closed, and opens again by itself.
	for n := range 40 {
		signIn(&device{house: h, from: fmt.Sprintf("198.51.100.%d", n)}, "Mill Cottage", wrong)
	}
	late := &device{house: h, from: "192.0.2.32"}
	if status, _ := signIn(late, "Mill Cottage", right); status != 429 {
		t.Errorf("a kitchen that 40 addresses try: %d", status)
	}
	h.later(9*time.Minute + time.Second)
	if status, _ := signIn(late, "Mill Cottage", right); status != 200 {
		t.Errorf("nine minutes later: %d", status)
	}
	if strings.Contains(h.log.String(), right) || strings.Contains(h.log.String(), wrong) ||
		!strings.Contains(h.log.String(), "not signed in") {
		t.Error("the log holds a passphrase, or nothing of the tries")
	}
}

const door3 = auth.SigningPause + time.Second

func heap() int64 {
	var m runtime.MemStats
	runtime.GC()
	runtime.ReadMemStats(&m)
	return int64(m.HeapAlloc)
}

func TestAPhoneIsPairedOnce(t *testing.T) {
	h, ours, _, _ := openHouse(t)
	var code usecase.PairingCode
	ours.must(200, "POST", "~/household/devices", nil, &code)
	if len(code.Code) != auth.CodeLength || code.URL != "http://192.0.2.7:8080/pair#"+code.Code || code.QR == nil ||
		code.QR.Side < 29 {
		t.Fatalf("the code shown is %+v", code)
	}
	phone := &device{house: h, from: "192.0.2.12", kitchen: ours.kitchen}
	var in usecase.Opened
	phone.must(200, "POST", "/api/v1/session/paired", map[string]any{"code": " " + strings.ToLower(code.Code[:3]) +
		"-" + code.Code[3:]}, &in, "User-Agent", "Some Mobile browser")
	if in.Me.Name != "Wren" || in.Kitchen != ours.kitchen {
		t.Errorf("paired as %+v", in)
	}
	phone.must(200, "GET", "~", nil, nil)
	again := &device{house: h, from: "192.0.2.13"}
	again.must(422, "POST", "/api/v1/session/paired", map[string]any{"code": code.Code}, nil)

	ours.must(200, "POST", "~/household/people", nil, &code)
	friend := &device{house: h, from: "192.0.2.14", kitchen: ours.kitchen}
	if status, p := friend.ask("POST", "/api/v1/session/paired", map[string]any{"code": code.Code},
		nil); status != 422 || p.Pointer != "/name" {
		t.Errorf("somebody new without a name: %d %+v", status, p)
	}
	friend.must(200, "POST", "/api/v1/session/paired", map[string]any{"code": code.Code, "name": "Teal"}, &in)
	if in.Me.Role != "member" || in.Me.Name != "Teal" {
		t.Errorf("came in as %+v", in.Me)
	}
	ours.must(200, "POST", "~/household/devices", nil, &code)
	h.later(auth.CodeLives)
	again.must(422, "POST", "/api/v1/session/paired", map[string]any{"code": code.Code}, nil)

	// Guesses are bounded by address, and over all addresses.
	tally := map[int]int{}
	for n := range 100 {
		status, _ := (&device{house: h, from: fmt.Sprintf("198.51.100.%d", n)}).ask("POST", "/api/v1/session/paired",
			map[string]any{"code": "222222"}, nil)
		tally[status]++
	}
	if tally[422] > auth.PairingTries || tally[429] < 100-auth.PairingTries {
		t.Errorf("a hundred guesses: %v", tally)
	}
}

func TestDevicesAndPeopleAreEnded(t *testing.T) {
	h, ours, _, opened := openHouse(t)
	phone, teal := paired(ours, "192.0.2.12", ""), paired(ours, "192.0.2.13", "Teal")
	view := func(d *device) (v usecase.Household) { d.must(200, "GET", "~/household", nil, &v); return v }
	v := view(teal)
	if len(v.Devices) != 3 || len(v.People) != 2 || v.Me.Name != "Teal" || v.Name != "Wharf House" {
		t.Fatalf("the household is %+v", v)
	}
	ids := map[string]string{}
	for _, d := range v.Devices {
		ids[d.Person] = d.ID
	}
	teal.must(422, "POST", "~/household/ended", map[string]any{"id": ids["Wren"]}, nil) // not one of Teal's
	for n, by := range []*device{ours, nil} {                                           // the owner ends anybody's, and everybody their own
		sedge := paired(ours, fmt.Sprintf("192.0.2.%d", 20+n), fmt.Sprintf("Sedge %d", n))
		for _, d := range view(sedge).Devices {
			if d.This {
				cmp.Or(by, sedge).must(200, "POST", "~/household/ended", map[string]any{"id": d.ID}, nil)
			}
		}
		sedge.must(401, "GET", "~", nil, nil)
	}
	for _, d := range view(phone).Devices {
		if d.This {
			ours.must(200, "POST", "~/household/ended", map[string]any{"id": d.ID}, nil)
		}
	}
	phone.must(401, "GET", "~", nil, nil)
	teal.must(200, "GET", "~", nil, nil)

	// What Teal does carries the name.
	var bench usecase.BenchView
	var machine usecase.MachineRead
	ours.must(201, "POST", "~/demo", map[string]any{}, nil, "Idempotency-Key", "demo")
	var shelf usecase.Shelf
	teal.must(200, "GET", "~", nil, &shelf)
	teal.must(201, "POST", "~/benches", map[string]any{"recipe": shelf.Recipes[0].ID, "machine": shelf.Machines[0].ID,
		"loaf": map[string]any{"size": "1 lb"}}, &bench, "Idempotency-Key", "b")
	var told usecase.BenchTold
	teal.must(201, "POST", "~/benches/"+bench.ID+"/happenings", map[string]any{"do": "done",
		"step": bench.Steps[0].ID}, &told, "Idempotency-Key", "h")
	happened, err := h.store.BenchHappenings(context.Background(), ours.kitchen, bench.ID)
	if err != nil || len(happened) != 1 || happened[0].By != "Teal" {
		t.Errorf("what happened is %+v (%v)", happened, err)
	}
	_ = machine

	for _, p := range view(ours).People {
		status, _ := ours.ask("POST", "~/household/gone", map[string]any{"id": p.ID}, nil)
		if (p.Role == "owner") != (status == 422) {
			t.Errorf("%s taken out: %d", p.Name, status)
		}
	}
	teal.must(401, "GET", "~", nil, nil)

	phone = paired(ours, "192.0.2.12", "")
	h.later(door3)
	ours.must(422, "PUT", "~/household/passphrase", map[string]any{"before": wrong,
		"passphrase": "grey otter under the sill"}, nil)
	ours.must(422, "PUT", "~/household/passphrase", map[string]any{"before": right, "passphrase": "wharf house"}, nil)
	ours.must(200, "PUT", "~/household/passphrase", map[string]any{"before": right,
		"passphrase": "grey otter under the sill"}, nil)
	phone.must(401, "GET", "~", nil, nil)
	ours.must(200, "GET", "~", nil, nil)
	h.later(door3)
	(&device{house: h, from: "192.0.2.40"}).must(401, "POST", "/api/v1/session", map[string]any{"name": "Wharf House",
		"passphrase": right}, nil)

	// The printed code opens once, and signs everybody out.
	lost := &device{house: h, from: "192.0.2.41", kitchen: ours.kitchen}
	recover := map[string]any{"name": "Wharf House", "code": strings.ToLower(opened.Recovery),
		"passphrase": "three ducks below bridge"}
	lost.must(401, "POST", "/api/v1/session/recovered", map[string]any{"name": "Wharf House", "code": "WRONG",
		"passphrase": "three ducks below bridge"}, nil)
	var in usecase.Opened
	lost.must(200, "POST", "/api/v1/session/recovered", recover, &in)
	if in.Recovery == "" || in.Recovery == opened.Recovery {
		t.Errorf("recovered with %+v", in)
	}
	lost.must(200, "GET", "~", nil, nil)
	ours.must(401, "GET", "~", nil, nil)
	lost.must(401, "POST", "/api/v1/session/recovered", recover, nil)
	var code usecase.Recovery
	lost.must(200, "POST", "~/household/recovery", map[string]any{"before": "three ducks below bridge"}, &code)
	if code.Code == in.Recovery {
		t.Error("the code for recovery is the same")
	}
	lost.must(200, "POST", "~/household/others", nil, nil)
	lost.must(200, "POST", "/api/v1/session/ended", nil, nil)
	lost.must(401, "GET", "~", nil, nil)
}

func TestADeviceStaysSignedInForNinetyDays(t *testing.T) {
	h, ours, _, _ := openHouse(t)
	for range 4 { // used every 60 days it stays
		h.later(60 * 24 * time.Hour)
		ours.must(200, "GET", "~", nil, nil)
	}
	h.later(auth.SessionLives)
	ours.must(401, "GET", "~", nil, nil)
}

// Making a kitchen is answered once more when its answer was lost; nobody else gets in by that.
func TestAKitchenIsMadeOnce(t *testing.T) {
	h := open(t)
	laptop := &device{house: h}
	made := map[string]any{"name": "Wharf House", "person": "Wren", "passphrase": right, "recipes": h.kitchen()}
	var first, second usecase.Opened
	laptop.must(201, "POST", "/api/v1/kitchens", made, &first, "Idempotency-Key", "one")
	laptop.must(201, "POST", "/api/v1/kitchens", made, &second, "Idempotency-Key", "one")
	if first.Kitchen != second.Kitchen || first.Recovery == second.Recovery {
		t.Errorf("pressed twice: %+v and %+v", first, second)
	}
	var shelf usecase.Shelf
	laptop.kitchen = first.Kitchen
	laptop.must(200, "GET", "~", nil, &shelf)
	if demo := h.shelf(); len(shelf.Recipes) != len(demo.Recipes) || len(shelf.Machines) != 0 {
		t.Errorf("%d recipes and %d machines came along", len(shelf.Recipes), len(shelf.Machines))
	}
	other := &device{house: h, from: "127.0.0.2"}
	if status, p := other.ask("POST", "/api/v1/kitchens", made, nil, "Idempotency-Key", "two"); status != 422 ||
		p.Pointer != "/name" {
		t.Errorf("a name that is taken: %d %+v", status, p)
	}
	bad := map[string]string{"name": "", "person": " ", "passphrase": "short", "zone": "Nowhere/Land"}
	for field, v := range bad {
		body := map[string]any{"name": "Other", "person": "Ash", "passphrase": right, field: v}
		d := &device{house: h, from: "127.0.0.3"}
		if status, p := d.ask("POST", "/api/v1/kitchens", body, nil, "Idempotency-Key", field); status != 422 ||
			p.Pointer != "/"+field {
			t.Errorf("%s %q: %d %+v", field, v, status, p)
		}
	}
	// An open kitchen gets its household, with all that is in it.
	claimed := usecase.Opened{}
	demo := &device{house: h, kitchen: h.kitchen()}
	demo.must(201, "POST", "~/household", map[string]any{"name": "The boat", "person": "Ash", "passphrase": right},
		&claimed, "Idempotency-Key", "c")
	demo.must(200, "GET", "~", nil, nil)
	demo.must(409, "POST", "~/household", map[string]any{"name": "Mine", "person": "Ash", "passphrase": right}, nil,
		"Idempotency-Key", "d")
	(&device{house: h, kitchen: demo.kitchen}).must(401, "GET", "~", nil, nil)
	laptop.must(404, "GET", "/api/v1/kitchens/"+demo.kitchen, nil, nil)
}

func TestTheDemoIsMadeAsNew(t *testing.T) {
	h := open(t)
	before := h.kitchen()
	shelf := h.shelf()
	k := shelf.Kitchen
	k.Name = "Changed"
	h.must(200, "PUT", "~", k, nil, "If-Match", `"1"`)
	var back usecase.Restored
	h.must(201, "POST", "~/reset", map[string]any{}, &back, "Idempotency-Key", "r")
	h.must(404, "GET", "/api/v1/kitchens/"+before, nil, nil)
	var list usecase.Kitchens
	h.must(200, "GET", "/api/v1/kitchens", nil, &list)
	if len(list.Kitchens) != 1 || list.Kitchens[0].Name != "Heron Lock" || len(list.Away) != 1 ||
		list.Away[0].Name != "Changed" {
		t.Fatalf("the kitchens are %+v", list)
	}
	h.must(200, "POST", "~/swap", map[string]any{"with": before}, nil)
	if got := h.shelf().Kitchen.Name; got != "Changed" {
		t.Errorf("brought back: %s", got)
	}
	id, err := h.store.AddKitchen(context.Background(), kitchen.New("Own", "UTC"), h.now)
	if err != nil {
		t.Fatal(err)
	}
	(&device{house: h, kitchen: id}).must(409, "POST", "~/reset", map[string]any{}, nil, "Idempotency-Key", "s")
}

// Restoring goes with the household: its devices stay signed in, and another household can bring nothing of it back.
func TestRestoringKeepsTheHousehold(t *testing.T) {
	_, ours, theirs, _ := openHouse(t)
	var file string
	ours.must(200, "GET", "~/file", nil, &file)
	var back usecase.Restored
	ours.must(201, "POST", "~/restore", file, &back, "Idempotency-Key", "restore")
	old := ours.kitchen
	ours.must(404, "GET", "~", nil, nil)
	ours.kitchen = back.Kitchen
	ours.must(200, "GET", "~", nil, nil)
	theirs.must(422, "POST", "~/swap", map[string]any{"with": old}, nil)
	var list usecase.Kitchens
	theirs.must(200, "GET", "/api/v1/kitchens", nil, &list)
	if len(list.Away) != 0 {
		t.Errorf("another household is told of %+v", list.Away)
	}
	ours.must(200, "POST", "~/swap", map[string]any{"with": old}, nil)
}

func TestACalendarIsReadByItsAddress(t *testing.T) {
	h, ours, _, _ := openHouse(t)
	ours.must(201, "POST", "~/demo", map[string]any{}, nil, "Idempotency-Key", "demo")
	var shelf usecase.Shelf
	ours.must(200, "GET", "~", nil, &shelf)
	wish := map[string]any{"recipe": shelf.Recipes[0].ID, "machine": shelf.Machines[0].ID,
		"loaf": map[string]any{"size": "1 lb"}}
	put(wish, "time/atPanel", true)
	var p usecase.PlanAnswer
	ours.must(200, "POST", "~/plan", wish, &p)
	ours.must(201, "POST", "~/bakes", map[string]any{"wish": wish, "digest": p.Digest}, nil, "Idempotency-Key", "b")
	var at usecase.SecretAddress
	ours.must(200, "PUT", "~/calendar", map[string]any{"on": true}, &at)
	if len(at.Whole) != 1 || !strings.HasPrefix(at.Whole[0], "http://192.0.2.7:8080/api/v1/calendar/") {
		t.Fatalf("the address is %+v", at)
	}
	calendar := &device{house: h, from: "192.0.2.50"}
	var text string
	calendar.must(200, "GET", at.Path, nil, &text)
	if strings.Count(text, "BEGIN:VEVENT") < 2 || strings.Count(text, "BEGIN:VALARM") != strings.Count(text,
		"BEGIN:VEVENT") || !strings.Contains(text, "TZID:Europe/London") {
		t.Errorf("the calendar holds %s", text)
	}
	date := h.now.AddDate(0, 0, 2).Format(time.DateOnly)
	planned := map[string]any{"recipe": shelf.Recipes[1].ID, "machine": shelf.Machines[0].ID,
		"loaf": map[string]any{"size": "1 lb"}}
	ours.must(200, "PUT", "~/days/"+date, map[string]any{"hands": 1,
		"loaves": []any{map[string]any{"id": "a", "when": "by", "by": date + "T12:00", "wish": planned}}}, nil,
		"If-Match", "0")
	before := strings.Count(text, "BEGIN:VEVENT")
	calendar.must(200, "GET", at.Path, nil, &text)
	if strings.Count(text, "BEGIN:VEVENT") < before+2 || !strings.Contains(text, "Load the pan") {
		t.Errorf("with a loaf on a day the calendar holds %s", text)
	}
	calendar.must(404, "GET", "/api/v1/calendar/"+auth.NewSecret()+".ics", nil, nil)
	ours.must(200, "PUT", "~/calendar", map[string]any{"on": false}, nil)
	calendar.must(404, "GET", at.Path, nil, nil)
}

func TestARecipeIsCopiedByALink(t *testing.T) {
	_, ours, theirs, _ := openHouse(t)
	ours.must(201, "POST", "~/demo", map[string]any{}, nil, "Idempotency-Key", "demo")
	var shelf usecase.Shelf
	ours.must(200, "GET", "~", nil, &shelf)
	var at usecase.SecretAddress
	link := "~/recipes/" + shelf.Recipes[0].ID + "/link"
	ours.must(200, "PUT", link, map[string]any{"on": true}, &at)
	_, secret, _ := strings.Cut(at.Path, "#")
	var seen usecase.Linked
	theirs.must(200, "POST", "~/links", map[string]any{"secret": secret}, &seen)
	if seen.Kitchen != "Wharf House" || seen.Recipe.Name != shelf.Recipes[0].Name {
		t.Errorf("the link shows %+v", seen)
	}
	theirs.must(201, "POST", "~/recipes/linked", map[string]any{"secret": secret}, nil, "Idempotency-Key", "copy")
	theirs.must(201, "POST", "~/recipes/linked", map[string]any{"secret": secret}, nil, "Idempotency-Key", "copy")
	var now usecase.Shelf
	theirs.must(200, "GET", "~", nil, &now)
	if len(now.Recipes) != 1 || now.Recipes[0].Name != shelf.Recipes[0].Name {
		t.Errorf("%d recipes were copied", len(now.Recipes))
	}
	ours.must(200, "PUT", link, map[string]any{"on": false}, nil)
	theirs.must(422, "POST", "~/links", map[string]any{"secret": secret}, nil)
}

// What one device does, another is told of by its topic.
func TestWhatAnotherDeviceDidIsTold(t *testing.T) {
	_, ours, _, _ := openHouse(t)
	phone := paired(ours, "192.0.2.12", "")
	var before, after usecase.Changes
	phone.must(200, "GET", "~/changes", nil, &before)
	phone.must(304, "GET", fmt.Sprintf("~/changes?after=%d", before.Sum), nil, nil)
	ours.must(201, "POST", "~/demo", map[string]any{}, nil, "Idempotency-Key", "demo")
	ours.must(201, "POST", "~/demo", map[string]any{}, nil, "Idempotency-Key", "demo") // again, and nothing changes
	phone.must(200, "GET", fmt.Sprintf("~/changes?after=%d", before.Sum), nil, &after)
	if after.Topics["demo"] != before.Topics["demo"]+1 || after.Sum != before.Sum+1 {
		t.Errorf("before %+v, after %+v", before, after)
	}
}

// A device's secret goes nowhere but back to this server.
func TestTheSecretIsKeptClose(t *testing.T) {
	h := openTo(t, usecase.House{Open: true, Secure: true})
	r := httptest.NewRequest("POST", "http://127.0.0.1/api/v1/kitchens",
		strings.NewReader(`{"name":"Wharf House","person":"Wren","passphrase":"`+right+`"}`))
	r.Header.Set("Idempotency-Key", "k")
	w := httptest.NewRecorder()
	h.handler.ServeHTTP(w, r)
	if w.Code != 201 {
		t.Fatalf("%d %s", w.Code, w.Body)
	}
	c := w.Result().Cookies()[0]
	if c.Name != "__Host-rise-pan" || !c.HttpOnly || !c.Secure || c.SameSite != http.SameSiteLaxMode ||
		c.Path != "/" || c.MaxAge != 90*24*3600 || len(c.Value) != 43 {
		t.Errorf("the cookie is %+v", c)
	}
	if w.Header().Get("Strict-Transport-Security") == "" || w.Header().Get("Cache-Control") != "no-store" {
		t.Errorf("the answer's headers are %v", w.Header())
	}
	r = httptest.NewRequest("POST", "http://127.0.0.1/api/v1/session/ended", nil)
	r.Header.Set("Origin", "https://elsewhere.example")
	r.Header.Set("Sec-Fetch-Site", "cross-site")
	w = httptest.NewRecorder()
	h.handler.ServeHTTP(w, r)
	if w.Code != 403 {
		t.Errorf("another site signs a device out: %d", w.Code)
	}
}
