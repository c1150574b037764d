package e2e

import (
	"bytes"
	"context"
	"crypto/tls"
	"crypto/x509"
	"encoding/json"
	"io"
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
	own, forget := drive.Device(kitchen.browser, t)
	t.Cleanup(forget)
	p := drive.Open(own, t, url, width, height)
	t.Cleanup(p.Close)
	return p
}

// openUp starts the server anew, open to the house.
func openUp(t *testing.T, s *drive.Server, flags ...string) {
	t.Helper()
	if err := s.Stop(); err != nil {
		t.Fatal(err)
	}
	if err := s.Start(context.Background(), append([]string{"--house"}, flags...)...); err != nil {
		t.Fatal(err)
	}
}

// ownKitchen makes a kitchen with its owner, and opens the house.
func ownKitchen(t *testing.T, s *drive.Server) (laptop *drive.Page) {
	t.Helper()
	laptop = device(t, s.URL+"/door?do=make", 1280, 800)
	laptop.Type("The kitchen’s name", "Wharf House")
	laptop.Type("Your name", "Wren")
	laptop.Type("A passphrase", passphrase)
	laptop.Click("Also copy the recipes of Heron Lock")
	laptop.Click("Make the kitchen")
	laptop.Sees("Keep this code on paper")
	openUp(t, s)
	laptop.Click("I’ve saved it; go on")
	laptop.Sees("From a recipe to a loaf")
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
	phone.Click("Use this code")
	if name != "" {
		phone.Type("Your name", name)
		phone.Click("Use this code")
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
	laptop.Click("Sign this device out")
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
	phone.Sees("From a recipe to a loaf")

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
	laptop.Click("Edit: Towpath white")
	laptop.Type("Note", "from the laptop")
	phone.Click("Edit: Towpath white")
	phone.Type("Note", "from the phone")
	phone.Click("Save as new version")
	laptop.Sees("Changed meanwhile on another device")
	axe(t, laptop, "Changed meanwhile")
	laptop.Click("Use theirs; mine stays as the version before")
	laptop.Until("the plan", "location.pathname === '/'")
	laptop.Go(s.URL + "/recipes")
	laptop.Sees("from the phone")
	phone.Go(s.URL + "/recipes")
	phone.Sees("version 4")
	if strings.Contains(phone.Text("main"), "from the laptop") {
		t.Error("what was let go stands first")
	}
}

// serviceWorker is there once the browser keeps the program itself.
const programKept = "navigator.serviceWorker.getRegistration().then((r) => !!r?.active)"

// A phone whose server goes away with a bench in hand: it goes on, its page is closed and opened again, and all that
// was tapped is told once, in order, when the server is back. The laptop then sees it.
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
	phone.Sees("2 changes are waiting to be sent")
	phone.Go("about:blank")
	phone.Go(bench)
	phone.Until("the bench again", stepNow)
	phone.Sees("does not answer; asking again")
	last := tap()
	phone.Sees("3 changes are waiting to be sent")
	axe(t, phone, "Bench out of reach")
	if err := s.Start(context.Background()); err != nil {
		t.Fatal(err)
	}
	phone.Until("all is told", "!Object.keys(localStorage).some((k) => k.startsWith('outbox ')) && "+
		"!document.querySelector('[data-answering]')")
	phone.Until("the same step", stepNow+" === "+strconv.Quote(last))
	count := phone.Text("[data-count]")
	laptop := device(t, bench, 1280, 800)
	laptop.Until("the same step on the laptop", stepNow+" === "+strconv.Quote(last))
	if got := laptop.Text("[data-count]"); got != count || !strings.HasPrefix(count, "4 of") {
		t.Errorf("the phone has done %s, the laptop %s", count, got)
	}
}

// A bake that is watched while the server is out of reach: what comes is counted on, a moment is ticked, and told
// later.
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

// Two servers of one database are one kitchen: who signs in at one is in at the other, a press that is sent to both
// counts once, tries are counted together, and one of them may die under use. Cookies do not tell ports apart, as
// with a proxy.
func TestTwoServersAreOneKitchen(t *testing.T) {
	one := serve(t)
	m := newMember(t)
	if status, made := m.ask("POST", one.URL+"/api/v1/kitchens", map[string]any{"name": "Wharf House",
		"person": "Wren", "passphrase": passphrase}, "made"); status != 201 {
		t.Fatalf("%d %v", status, made)
	}
	openUp(t, one)
	two, err := drive.Serve(context.Background(), kitchen.program, one.Data, "--house", "--beside")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { two.Stop() })
	m = newMember(t)
	status, in := m.ask("POST", one.URL+"/api/v1/session", map[string]any{"name": "Wharf House",
		"passphrase": passphrase}, "")
	if status != 200 {
		t.Fatalf("%d %v", status, in)
	}
	at := "/api/v1/kitchens/" + in["kitchen"].(string)
	if status, _ := m.ask("GET", two.URL+at, nil, ""); status != 200 {
		t.Fatalf("signed in at one, and the other answers %d", status)
	}
	recipe := map[string]any{"name": "Twice", "kind": "white", "standard": "us",
		"text": "1 cup water\n3 cups bread flour\n1 1/2 tsp salt\n2 tsp instant yeast"}
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
		status, _ := newMember(t).ask("POST", []string{one.URL, two.URL}[n%2]+"/api/v1/session",
			map[string]any{"name": "Wharf House", "passphrase": "dry heron on a lock gate"}, "")
		guesses[status]++
	}
	if guesses[401] > 4 || guesses[429] < 8 {
		t.Errorf("guesses at two servers in turn: %v", guesses)
	}
}

// own gives the demo kitchen an owner on the laptop, and opens the house.
func own(t *testing.T, s *drive.Server, flags ...string) (laptop *drive.Page) {
	t.Helper()
	laptop = device(t, s.URL+"/kitchen?drawer=House", 1280, 800)
	laptop.Click("Give Heron Lock an owner")
	laptop.Type("Your name", "Wren")
	laptop.Type("A passphrase", passphrase)
	laptop.Click("Give it this owner")
	laptop.Until("the code for recovery", "document.querySelector('[data-recovery]')")
	openUp(t, s, flags...)
	laptop.Click("I’ve saved it; go on")
	laptop.Sees("Pair a phone of mine")
	return laptop
}

func TestWhatOneDeviceDoesTheOtherShows(t *testing.T) {
	s := serve(t)
	laptop := own(t, s)
	laptop.Click("Let somebody else in")
	laptop.Until("a code", "document.querySelector('[data-code]')")
	phone := device(t, s.URL+"/pair#"+laptop.Text("[data-code]"), 390, 844)
	phone.Click("Use this code")
	phone.Type("Your name", "Teal")
	phone.Click("Use this code")
	phone.Sees("To the bench")
	phone.Go(s.URL + "/watch")
	phone.Sees("Nothing is baking")

	laptop.Go(s.URL)
	laptop.Sees("In the pan")
	toBench(laptop)
	nextTo(laptop, "start")
	laptop.Click("I have pressed Start")
	laptop.Until("the running bake", "location.pathname.startsWith('/watch/')")
	phone.Until("the bake of the laptop", "document.querySelector('[data-running]')")
	phone.Go(s.URL + drive.Value[string](laptop, "location.pathname"))
	phone.Sees("Take the loaf out")
	phone.Click("End this bake early")
	laptop.Sees("What do you see, feel and taste?") // the laptop's Watch has heard of it
	laptop.Go(s.URL + "/log" + strings.TrimPrefix(drive.Value[string](laptop, "location.pathname"), "/verdict"))
	laptop.Sees("Recorded by")
	laptop.Sees("Teal")
}

// By plain HTTP under a name of the house, where browsers give neither safe keys nor screen lock, everything else
// works.
func TestPlainHTTPInTheHouseWorksAndSaysWhatDoesNot(t *testing.T) {
	s := serve(t)
	own(t, s, "--host", drive.HouseName)
	at := strings.Replace(s.URL, "127.0.0.1", drive.HouseName, 1)
	phone := device(t, at, 390, 844)
	phone.Click("Sign in")
	phone.Type("The kitchen’s name", "Heron Lock")
	phone.Type("Passphrase", passphrase)
	phone.Keys(kb.Enter)
	phone.Sees("To the bench")
	if drive.Value[bool](phone, "window.isSecureContext") {
		t.Fatal("the browser takes the name of the house for a safe one")
	}
	toBench(phone)
	phone.Click("Next")
	on(phone, "tools")
	phone.Go(at + "/kitchen?drawer=House")
	phone.Sees("keeps no screen awake here")
	axe(t, phone, "House on a phone")
	stranger := newMember(t)
	if status, _ := stranger.ask("GET", strings.Replace(at, drive.HouseName, "127.0.0.1", 1)+"/api/v1/kitchens", nil,
		""); status != 200 {
		t.Errorf("a stranger is answered %d", status)
	}
}

// Over TLS by the house's own authority, for whoever trusts its certificate.
func TestTheHouseIsReachedOverTLS(t *testing.T) {
	s := serve(t)
	own(t, s)
	openUp(t, s, "--tls", "self")
	if !strings.HasPrefix(s.URL, "https://") {
		t.Fatalf("it serves at %s", s.URL)
	}
	trusting := func(roots *x509.CertPool) *http.Client {
		return &http.Client{Timeout: 20 * time.Second,
			Transport: &http.Transport{TLSClientConfig: &tls.Config{RootCAs: roots, InsecureSkipVerify: roots == nil}}}
	}
	answer, err := trusting(nil).Get(s.URL + "/house.crt") // as a phone goes on once, to have it
	if err != nil {
		t.Fatal(err)
	}
	authority, err := io.ReadAll(answer.Body)
	answer.Body.Close()
	roots := x509.NewCertPool()
	if err != nil || !roots.AppendCertsFromPEM(authority) {
		t.Fatalf("the certificate of the house is %q (%v)", authority, err)
	}
	answer, err = trusting(roots).Get(s.URL + "/readyz")
	if err != nil {
		t.Fatal(err)
	}
	answer.Body.Close()
	if answer.StatusCode != 200 || answer.Header.Get("Strict-Transport-Security") == "" {
		t.Errorf("it answers %d %v", answer.StatusCode, answer.Header)
	}
	if _, err := trusting(x509.NewCertPool()).Get(s.URL + "/readyz"); err == nil {
		t.Error("who trusts nobody is answered")
	}
}

// A recipe goes to another kitchen by a link, and not any more once that is taken back; a forgotten passphrase is
// mended by the printed code; the demo kitchen is made as new, and what was there is put aside.
func TestALinkAPrintedCodeAndTheDemoAsNew(t *testing.T) {
	s := serve(t)
	demo := device(t, s.URL+"/recipes", 1280, 800)
	demo.Click("Edit: Towpath white")
	demo.Click("Make a link for another kitchen here")
	demo.Until("the link", "document.querySelector('[data-link]')")
	link := demo.Text("[data-link]")

	own := device(t, s.URL+"/door?do=make", 1280, 800)
	own.Type("The kitchen’s name", "Wharf House")
	own.Type("Your name", "Wren")
	own.Type("A passphrase", passphrase)
	own.Click("Make the kitchen")
	own.Until("the code for recovery", "document.querySelector('[data-recovery]')")
	axe(t, own, "The code for recovery")
	code := own.Text("[data-recovery]")
	own.Click("I’ve saved it; go on")
	own.Sees("From a recipe to a loaf")
	own.Go(link)
	own.Sees("From Heron Lock")
	axe(t, own, "A recipe from another kitchen")
	own.Click("Copy it into this kitchen")
	own.Sees("From a recipe to a loaf") // and it has a recipe
	demo.Click("Stop sharing")
	demo.Sees("No link leads to this recipe now")
	own.Go("about:blank")
	own.Go(link)
	own.Sees("there is no recipe behind this link, or not any more")

	forgetful := device(t, s.URL+"/door", 390, 844)
	forgetful.Click("Sign in")
	forgetful.Click("Forgot your passphrase?")
	forgetful.Type("The kitchen’s name", "Wharf House")
	forgetful.Type("The printed code", strings.ToLower(code))
	forgetful.Type("A new passphrase", "grey otter under the sill")
	axe(t, forgetful, "By the printed code")
	forgetful.Click("Open the kitchen")
	forgetful.Sees("Keep this code on paper")
	forgetful.Click("I’ve saved it; go on")
	forgetful.Sees("From a recipe to a loaf")
	own.Go(s.URL + "/kitchen")
	own.Until("the open kitchen in place of the one that was left",
		"document.querySelector('h1')?.innerText === 'Heron Lock'")

	demo.Go(s.URL + "/kitchen?drawer=House")
	demo.Click("Reset the demo kitchen")
	demo.Until("the kitchen as it was, put aside", "document.querySelectorAll('[data-away]').length === 1")
}
