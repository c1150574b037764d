package e2e

import (
	"bytes"
	"context"
	"encoding/json"
	"net/http"
	"net/http/cookiejar"
	"strconv"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/chromedp/chromedp/kb"

	"risepan/e2e/drive"
)

const passphrase = "wet heron on a lock gate"

// device opens the page in a profile of its own, as another device of the house.
func device(t *testing.T, url string, width, height int64) *drive.Page {
	t.Helper()
	p := drive.Apart(kitchen.browser, t, url, width, height)
	t.Cleanup(p.Close)
	return p
}

// ownKitchen makes a kitchen with its owner, and opens the house.
func ownKitchen(t *testing.T, s *drive.Server) (laptop *drive.Page) {
	t.Helper()
	laptop = device(t, s.URL+"/door?do=make", 1280, 800)
	laptop.Type("The kitchen’s name", "Wharf House")
	laptop.Type("Your name", "Wren")
	laptop.Type("A passphrase", passphrase)
	laptop.Click("Copy the recipes of Heron Lock along")
	laptop.Click("Make the kitchen")
	laptop.Sees("Keep this code on paper")
	if err := s.Stop(); err != nil {
		t.Fatal(err)
	}
	if err := s.Start(context.Background(), "--house"); err != nil {
		t.Fatal(err)
	}
	laptop.Click("It is kept; go on")
	laptop.Sees("Wharf House has no machine yet")
	return laptop
}

// pair lets a phone in by a code that the laptop shows.
func pair(t *testing.T, s *drive.Server, laptop *drive.Page, button, name string) (phone *drive.Page) {
	t.Helper()
	laptop.Go(s.URL + "/kitchen?drawer=House")
	laptop.Click(button)
	laptop.Until("a code", "document.querySelector('[data-code]')")
	code := laptop.Text("[data-code]")
	phone = device(t, s.URL+"/pair#"+code, 390, 844)
	phone.Click("Come in")
	if name != "" {
		phone.Type("Your name", name)
		phone.Click("Come in")
	}
	phone.Sees("Wharf House")
	laptop.Click("Done")
	return phone
}

func TestAKitchenGetsAnOwnerAndAPhoneIsPaired(t *testing.T) {
	s := serve(t)
	laptop := ownKitchen(t, s)
	phone := pair(t, s, laptop, "Pair a phone of mine", "")
	laptop.Sees("computer")
	laptop.Until("the phone among the devices", "document.querySelectorAll('[data-device]').length === 2")
	axe(t, laptop, "House")

	// A device that is ended stands at the door.
	laptop.Click("Sign it out")
	laptop.Until("one device", "document.querySelectorAll('[data-device]').length === 1")
	phone.Sees("Use a code")
	axe(t, phone, "The door")

	// Signing in again, with a wrong passphrase first.
	phone.Click("Sign in")
	phone.Type("The kitchen’s name", "wharf house")
	phone.Type("Passphrase", "dry heron on a lock gate")
	phone.Keys(kb.Enter)
	phone.Sees("no kitchen here opens by this name and passphrase")
	phone.Type("Passphrase", passphrase)
	phone.Keys(kb.Enter)
	phone.Sees("Wharf House has no machine yet")

	// The page of another household's kitchen is a closed one.
	other := device(t, s.URL, 390, 844)
	other.Sees("Use a code")
	other.Click("Make a kitchen")
	other.Type("The kitchen’s name", "Wharf House")
	other.Type("Your name", "Ash")
	other.Type("A passphrase", "Wharf House 12")
	other.Click("Make the kitchen")
	other.Sees("this is guessed first")
	other.Type("A passphrase", "grey otter under the sill")
	other.Click("Make the kitchen")
	other.Sees("another kitchen on this server goes by that name")
}

func TestTwoDevicesOfAHouseSeeEachOther(t *testing.T) {
	s := serve(t)
	laptop := ownKitchen(t, s)
	phone := pair(t, s, laptop, "Let somebody else in", "Teal")
	laptop.Go(s.URL + "/kitchen?drawer=House")
	laptop.Sees("bakes here")
	phone.Go(s.URL + "/recipes")
	phone.Sees("Towpath white")

	// Both change one recipe; the later one is asked whose counts.
	laptop.Go(s.URL + "/recipes")
	laptop.Click("Change it: Towpath white")
	laptop.Type("Note", "from the laptop")
	phone.Click("Change it: Towpath white")
	phone.Type("Note", "from the phone")
	phone.Click("Keep as the next revision")
	laptop.Sees("Changed meanwhile on another device")
	axe(t, laptop, "Changed meanwhile")
	laptop.Click("Take theirs; keep mine as the revision before")
	laptop.Until("the plan", "location.pathname === '/'")
	laptop.Go(s.URL + "/recipes")
	laptop.Sees("from the phone")
	phone.Go(s.URL + "/recipes")
	phone.Sees("revision 4")
	if strings.Contains(phone.Text("main"), "from the laptop") {
		t.Error("what was let go stands first")
	}
}

// serviceWorker is there once the browser keeps the program itself.
const programKept = "navigator.serviceWorker.getRegistration().then((r) => !!r?.active)"

// A phone whose server goes away with a bench in hand: it goes on, its page is closed and opened again, and all that was
// tapped is told once, in order, when the server is back. The laptop then sees it.
func TestABenchGoesOnWhileTheServerIsOutOfReach(t *testing.T) {
	s := serve(t)
	phone := device(t, s.URL, 390, 844)
	phone.Sees("To the bench")
	toBench(phone)
	bench := drive.Value[string](phone, "location.href")
	phone.Click("Next")
	on(phone, "tools")
	for !drive.Value[bool](phone, programKept) {
		phone.Until("the browser to look", "true")
	}
	s.Kill()
	tap := func() string {
		before := drive.Value[string](phone, stepNow)
		phone.Click("Next")
		return on(phone, before)
	}
	tap()
	tap()
	phone.Sees("2 presses are kept and will be told")
	phone.Go("about:blank")
	phone.Go(bench)
	phone.Until("the bench again", stepNow)
	phone.Sees("does not answer; asking again")
	last := tap()
	phone.Sees("3 presses are kept and will be told")
	axe(t, phone, "Bench out of reach")
	if err := s.Start(context.Background()); err != nil {
		t.Fatal(err)
	}
	phone.Until("all is told", "JSON.parse(localStorage.outbox).length === 0 && !document.querySelector('[data-answering]')")
	phone.Until("the same step", stepNow+" === "+strconv.Quote(last))
	count := phone.Text("[data-count]")
	laptop := device(t, bench, 1280, 800)
	laptop.Until("the same step on the laptop", stepNow+" === "+strconv.Quote(last))
	if got := laptop.Text("[data-count]"); got != count || !strings.HasPrefix(count, "4 of") {
		t.Errorf("the phone has done %s, the laptop %s", count, got)
	}
}

// A bake that is watched while the server is out of reach: what comes is counted on, a moment is ticked, and told later.
func TestABakeIsWatchedWhileTheServerIsOutOfReach(t *testing.T) {
	s := serve(t)
	phone := device(t, s.URL, 390, 844)
	id := startedAs(t, s, "Mooring raisin loaf", "watched")
	watch := s.URL + "/watch/" + id
	phone.Go(watch)
	phone.Sees("Take the loaf out")
	for !drive.Value[bool](phone, programKept) {
		phone.Until("the browser to look", "true")
	}
	phone.Go("about:blank")
	s.Kill()
	phone.Go(watch)
	phone.Sees("Take the loaf out")
	phone.Sees("What you see is from before")
	if err := s.Start(context.Background()); err != nil {
		t.Fatal(err)
	}
	phone.Until("the server to answer", "!document.querySelector('[data-answering]')")
}

// member is a device that speaks to the API itself.
type member struct {
	t      *testing.T
	client http.Client
}

func newMember(t *testing.T) *member {
	jar, err := cookiejar.New(nil)
	if err != nil {
		t.Fatal(err)
	}
	return &member{t, http.Client{Jar: jar, Timeout: 20 * time.Second}}
}

// ask sends a request until it is answered, by a server that may be coming up again.
func (m *member) ask(method, url string, body any, key string) (status int, answer map[string]any) {
	m.t.Helper()
	text, err := json.Marshal(body)
	if err != nil {
		m.t.Fatal(err)
	}
	r, err := http.NewRequest(method, url, bytes.NewReader(text))
	if err != nil {
		m.t.Fatal(err)
	}
	if key != "" {
		r.Header.Set("Idempotency-Key", key)
	}
	response, err := m.client.Do(r)
	if err != nil {
		return 0, nil
	}
	defer response.Body.Close()
	json.NewDecoder(response.Body).Decode(&answer)
	return response.StatusCode, answer
}

// Two servers of one database are one kitchen: who signs in at one is in at the other, a press that is sent to both counts
// once, tries are counted together, and one of them may die under use. Cookies do not tell ports apart, as with a proxy.
func TestTwoServersAreOneKitchen(t *testing.T) {
	one := serve(t)
	m := newMember(t)
	if status, made := m.ask("POST", one.URL+"/api/v1/kitchens", map[string]any{"name": "Wharf House", "person": "Wren", "passphrase": passphrase}, "made"); status != 201 {
		t.Fatalf("%d %v", status, made)
	}
	if err := one.Stop(); err != nil {
		t.Fatal(err)
	}
	if err := one.Start(context.Background(), "--house"); err != nil {
		t.Fatal(err)
	}
	two, err := drive.Serve(context.Background(), kitchen.program, one.Data, "--house", "--beside")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { two.Stop() })
	m = newMember(t)
	status, in := m.ask("POST", one.URL+"/api/v1/session", map[string]any{"name": "Wharf House", "passphrase": passphrase}, "")
	if status != 200 {
		t.Fatalf("%d %v", status, in)
	}
	at := "/api/v1/kitchens/" + in["kitchen"].(string)
	if status, _ := m.ask("GET", two.URL+at, nil, ""); status != 200 {
		t.Fatalf("signed in at one, and the other answers %d", status)
	}
	recipe := map[string]any{"name": "Twice", "kind": "white", "standard": "us", "text": "1 cup water\n3 cups bread flour\n1 1/2 tsp salt\n2 tsp instant yeast"}
	_, first := m.ask("POST", one.URL+at+"/recipes", recipe, "same")
	_, second := m.ask("POST", two.URL+at+"/recipes", recipe, "same")
	if first["id"] == nil || first["id"] != second["id"] {
		t.Errorf("one press made %v and %v", first["id"], second["id"])
	}
	var both sync.WaitGroup
	made := [8]any{}
	for n := range made {
		both.Go(func() {
			_, answer := m.ask("POST", []string{one.URL, two.URL}[n%2]+at+"/recipes", recipe, "at-once")
			made[n] = answer["id"]
		})
	}
	both.Wait()
	for _, id := range made {
		if id == nil || id != made[0] {
			t.Errorf("one press sent eight times at once made %v", made)
		}
	}
	two.Kill()
	if status, shelf := m.ask("GET", one.URL+at, nil, ""); status != 200 || len(shelf["recipes"].([]any)) != 2 {
		t.Errorf("with the other killed: %d", status)
	}
	if err := two.Start(context.Background(), "--house", "--beside"); err != nil {
		t.Fatal(err)
	}
	one.Kill() // its database goes on
	again(t, two, "the other to go on", func() bool {
		status, _ := m.ask("POST", two.URL+at+"/recipes", recipe, "alone")
		return status == 201
	})
	if err := one.Start(context.Background(), "--house"); err != nil {
		t.Fatal(err)
	}
	guesses := map[int]int{}
	for n := range 12 {
		status, _ := newMember(t).ask("POST", []string{one.URL, two.URL}[n%2]+"/api/v1/session", map[string]any{"name": "Wharf House", "passphrase": "dry heron on a lock gate"}, "")
		guesses[status]++
	}
	if guesses[401] > 4 || guesses[429] < 8 {
		t.Errorf("guesses at two servers in turn: %v", guesses)
	}
}
