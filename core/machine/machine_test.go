package machine

import (
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"risepan/core/fault"
	"risepan/core/measure"
	"risepan/core/pan"
)

func basic() Cycle {
	return Cycle{ID: "basic", Panel: "1", Name: "Basic", Character: Basic, Delay: true, HasCrust: true,
		Beeps: []Beep{{For: ForAddIns, By: BeforeKneadEnd, Minutes: 6}},
		Stages: []Stage{{Kind: Rest, Minutes: 10}, {Kind: Knead, Minutes: 8}, {Kind: Rest, Minutes: 5},
			{Kind: Knead, Minutes: 17}, {Kind: Rise, Minutes: 60},
			{Kind: Bake, Minutes: 50, Vary: []Variation{{Size: measure.LoafPounds(2, 1), Crust: Dark, Minutes: 65},
				{Size: measure.LoafPounds(2, 1), Minutes: 58}, {Crust: Dark, Minutes: 55}}}}}
}

func whole() Machine {
	return Machine{Name: "Test", Sizes: []measure.LoafSize{measure.LoafPounds(1, 1), measure.LoafPounds(2, 1)},
		Crusts: Crusts,
		Vessel: pan.Vessel{Length: 190, Width: 130, Depth: 145}, Loading: pan.WetFirst,
		Delay: Delay{Rule: FinishBased, Step: 10, Largest: 780}, Cycles: []Cycle{basic()}}
}

func TestStagesDifferBySizeAndCrust(t *testing.T) {
	one, two := measure.LoafPounds(1, 1), measure.LoafPounds(2, 1)
	for _, c := range []struct {
		size  measure.LoafSize
		crust Crust
		want  Minutes
	}{{one, Medium, 150}, {one, Dark, 155}, {two, Light, 158}, {two, Dark, 165}} {
		if got := basic().Total(c.size, c.crust); got != c.want {
			t.Errorf("%v %s takes %v, want %v", c.size, c.crust, got, c.want)
		}
	}
}

// The last knead is from minute 23 to 40, so a beep 6 minutes before its end falls at 34; where the
// preheat may be 4 minutes shorter, from 30 on. The last rise begins at 40.
func TestBeepsOnTheClock(t *testing.T) {
	warming := basic()
	warming.Stages[0].Least = 6
	for _, c := range []struct {
		why   string
		cycle Cycle
		beep  Beep
		want  Window
		ok    bool
	}{
		{"from the end of the last knead", basic(), Beep{By: BeforeKneadEnd, Minutes: 6}, Window{34, 34}, true},
		{"a preheat that varies makes it a window", warming, Beep{By: BeforeKneadEnd, Minutes: 6}, Window{30, 34},
			true},
		{"after the start, as the booklet says", basic(), Beep{By: AfterStart, Minutes: 25}, Window{25, 25}, true},
		{"at the very start", basic(), Beep{By: AfterStart}, Window{0, 0}, true},
		{"a window that the booklet gives", basic(), Beep{By: AfterStart, Minutes: 25, UpTo: 40}, Window{25, 40}, true},
		{"just before the last rise", basic(), Beep{By: BeforeLastRise, Minutes: 0}, Window{40, 40}, true},
		{"no rise, no such beep", Cycle{Stages: []Stage{{Kind: Bake, Minutes: 60}}}, Beep{By: BeforeLastRise},
			Window{}, false},
	} {
		c.beep.For = ForAddIns
		c.cycle.Beeps = []Beep{c.beep}
		got := c.cycle.Programme(measure.LoafPounds(1, 1), Medium).Calls(ForAddIns)
		if len(got) > 0 != c.ok || c.ok && got[0].Window != c.want {
			t.Errorf("%s: %v, want %v", c.why, got, c.want)
		}
	}
	if basic().Calls(Scrape) {
		t.Error("a cycle without a beep for scraping beeps for it")
	}
}

// A preheat of 30 minutes that may end after 12 is 20 minutes for the small loaf: there it may be 8
// minutes shorter, not 18, and never where the small loaf's is shorter than the least.
func TestAStageWithLengthsBySizeHasItsOwnSlackAtEachSize(t *testing.T) {
	one, two := measure.LoafPounds(1, 1), measure.LoafPounds(2, 1)
	c := Cycle{Stages: []Stage{{Kind: Rest, Minutes: 30, Least: 12, Vary: []Variation{{Size: one, Minutes: 20},
		{Crust: Light, Minutes: 10}}}, {Kind: Knead, Minutes: 20}},
		Beeps: []Beep{{For: ForAddIns, By: BeforeKneadEnd, Minutes: 5}}}
	for _, w := range []struct {
		size  measure.LoafSize
		crust Crust
		slack Minutes
		beep  Window
	}{{two, Medium, 18, Window{27, 45}}, {one, Medium, 8, Window{27, 35}}, {two, Light, 0, Window{25, 25}}} {
		p := c.Programme(w.size, w.crust)
		if p.Slack() != w.slack || p.Events[0].Window != w.beep {
			t.Errorf("%v, %s: slack %v, beep %v; want %v, %v", w.size, w.crust, p.Slack(), p.Events[0].Window, w.slack,
				w.beep)
		}
	}
}

// A cycle may beep twice for add-ins and pause for the hands; all of it is known, in time order.
func TestEveryBeepOfAProgrammeIsAnEvent(t *testing.T) {
	c := basic()
	c.Restart = true
	c.Beeps = []Beep{{For: PaddleOut, By: BeforeLastRise}, {For: ForAddIns, By: AfterStart, Minutes: 20},
		{For: ForAddIns, By: BeforeKneadEnd, Minutes: 2, Pips: 3}}
	var got []string
	for _, e := range c.Programme(measure.LoafPounds(1, 1), Medium).Events {
		got = append(got, fmt.Sprint(e.ID, " ", e.From, " ", e.Pips, " ", e.Waits))
	}
	if want := "add-ins 1 0 h 20 0 false, add-ins 2 0 h 38 3 false, paddle out 1 0 h 40 0 true"; strings.Join(got,
		", ") != want {
		t.Errorf("%s, want %s", strings.Join(got, ", "), want)
	}
}

// A rapid loaf that the crust button chooses: from the white cycle's menu place, medium, dark, rapid.
func TestACycleThatTheCrustButtonChooses(t *testing.T) {
	m := whole()
	m.Cycles = append(m.Cycles, Cycle{ID: "fast", Panel: "1", Name: "Basic, rapid", Character: Rapid, With: "basic",
		OnCrust: "rapid",
		Stages:  []Stage{{Kind: Knead, Minutes: 20}, {Kind: Rise, Minutes: 40}, {Kind: Bake, Minutes: 50}}})
	if err := m.Check(); err != nil {
		t.Fatal(err)
	}
	presses, shows := m.Set(Wanted{Cycle: "fast", Crust: Medium, Size: measure.LoafPounds(1, 1)})
	if got := Label(presses); got != "Crust 2×, Start" || shows.Crust != "rapid" || shows.Cycle != "basic" ||
		m.total(shows) != 110 {
		t.Errorf("%s: the display shows %+v, %v", got, shows, m.total(shows))
	}
	if presses, shows = m.Set(Wanted{Cycle: "basic", Crust: Dark, Size: measure.LoafPounds(1,
		1)}); Label(presses) != "Crust 1×, Start" || shows.Crust != "dark" {
		t.Errorf("%s: the display shows %+v", Label(presses), shows)
	}
	for at, spoil := range map[string]func(*Cycle){
		"/cycles/1/with":    func(c *Cycle) { c.With = "fast" },
		"/cycles/1/onCrust": func(c *Cycle) { c.OnCrust = "dark" },
	} {
		bad := m
		bad.Cycles = slices.Clone(m.Cycles)
		spoil(&bad.Cycles[1])
		var f *fault.Fault
		if err := bad.Check(); !errors.As(err, &f) || f.Pointer != at {
			t.Errorf("%s: %v", at, err)
		}
	}
}

// Sixty-two minutes of knock-back are asked about; a usual machine is not.
func TestUnusualLengthsAreAskedAbout(t *testing.T) {
	for _, m := range Profiles() {
		if d := m.Doubts(); len(d) > 0 {
			t.Errorf("%s: %v", m.Name, d)
		}
	}
	m := whole()
	m.Cycles[0].Stages = append(slices.Clone(m.Cycles[0].Stages), Stage{Kind: KnockBack, Minutes: 62})
	d := m.Doubts()
	if len(d) != 1 || d[0].At != "/cycles/0/stages/6/minutes" || !strings.Contains(d[0].Say, "62 min of knock-back") {
		t.Errorf("62 minutes of knock-back: %v", d)
	}
	// A whole cycle is asked about on a machine of one size as on one of several.
	m = whole()
	m.Sizes = m.Sizes[:1]
	m.Cycles = m.Cycles[:1]
	m.Cycles[0].Stages = nil
	for range 5 {
		m.Cycles[0].Stages = append(m.Cycles[0].Stages, Stage{Kind: Rise, Minutes: 60})
	}
	m.Cycles[0].Stages = append(m.Cycles[0].Stages, Stage{Kind: Bake, Minutes: 60})
	if d := m.Doubts(); len(d) != 1 || d[0].At != "/cycles/0/stages" || !strings.Contains(d[0].Say,
		"6 h 00 in all? Usual for basic is") {
		t.Errorf("six hours of the basic cycle: %v", d)
	}
}

// A timer that is not set, and one that has no steps, is not pressed.
func TestATimerThatIsNotSetIsNotPressed(t *testing.T) {
	d := Delay{Step: 10, Largest: 780, Rule: FinishBased}
	if got := d.Presses(183, 0); got != 0 {
		t.Errorf("not set, it is pressed %d times", got)
	}
	if got := (Delay{}).Presses(183, 190); got != 0 {
		t.Errorf("without steps it is pressed %d times", got)
	}
	if got := d.Presses(183, 210); got != 3 {
		t.Errorf("190, 200, 210 are %d presses", got)
	}
}

// Whatever total is known, the estimated stages add up to it, in the order in which such a cycle goes.
func TestEstimatedStagesAddUpToTheTotal(t *testing.T) {
	for _, of := range Characters {
		for _, total := range []Minutes{60, 100, 195, 239, 1500} {
			c := Cycle{Stages: Estimate(of, total)}
			if got := c.Total(measure.LoafPounds(1, 1), Medium); got != total {
				t.Errorf("%s in %v: the stages make %v", of, total, got)
			}
		}
	}
	// Each stage has its share to the nearest minute; one, the longest, makes up what rounding leaves.
	for _, total := range []Minutes{100, 200, 239} {
		usual, fixed, all := shares[Basic], Minutes(0), Minutes(0)
		for _, s := range usual {
			if s.Kind == KnockBack {
				fixed += s.Minutes
			} else {
				all += s.Minutes
			}
		}
		off := 0
		for n, s := range Estimate(Basic, total) {
			exact := float64(usual[n].Minutes*(total-fixed)) / float64(all)
			if s.Kind == KnockBack {
				exact = float64(usual[n].Minutes)
			}
			if math.Abs(float64(s.Minutes)-exact) > 0.5 {
				off++
			}
		}
		if off > 1 {
			t.Errorf("%d stages of a basic cycle of %d min are not their share", off, total)
		}
	}
	if got := Estimate(Basic, 200); got[2].Kind != Knead || got[2].Minutes < 15 || got[2].Minutes > 22 ||
		got[8].Minutes < 50 || got[8].Minutes > 60 {
		t.Errorf("a basic cycle of 3 h 20 is estimated as %v", got)
	}
}

func TestNamesAndIdsOfAMachineAreBounded(t *testing.T) {
	for at, spoil := range map[string]func(*Machine){
		"/name":                   func(m *Machine) { m.Name = "\u200b" },
		"/cycles/0/id":            func(m *Machine) { m.Cycles[0].ID = strings.Repeat("x", 100_000) },
		"/cycles/0/name":          func(m *Machine) { m.Cycles[0].Name = "ba\u202esic" },
		"/sizes/0":                func(m *Machine) { m.Sizes[0] = measure.LoafSize{} },
		"/crusts/1":               func(m *Machine) { m.Crusts[1] = "" },
		"/delay/rule":             func(m *Machine) { m.Delay.Rule = "" },
		"/cycles/0/stages/0/kind": func(m *Machine) { m.Cycles[0].Stages[0].Kind = "" },
	} {
		m := Profiles()[0]
		m.Cycles = slices.Clone(m.Cycles)
		m.Cycles[0].Stages = slices.Clone(m.Cycles[0].Stages)
		m.Sizes, m.Crusts = slices.Clone(m.Sizes), slices.Clone(m.Crusts)
		spoil(&m)
		f, _ := m.Check().(*fault.Fault)
		if f == nil || f.Pointer != at {
			t.Errorf("want a fault at %s, got %v", at, f)
		}
	}
}

func TestCyclesAreComparedInWords(t *testing.T) {
	a := basic().Totals(measure.LoafPounds(1, 1), Medium)
	longer := basic()
	longer.Stages[4].Minutes, longer.Stages[5].Vary, longer.Stages[5].Minutes = 85, nil, 55
	longer.Stages = append(longer.Stages[:5:5], Stage{Kind: KnockBack, Minutes: 1}, longer.Stages[5])
	b := longer.Totals(measure.LoafPounds(1, 1), Medium)
	if a != (Totals{15, 25, 60, 50, 0, 150}) {
		t.Errorf("the totals are %+v", a)
	}
	if got := b.Beside(a); got != "rises 25 min longer, bakes 5 min more, knocks the dough back once more" {
		t.Errorf("compared: %s", got)
	}
	if got := a.Beside(a); got != "does the same in the same time" {
		t.Errorf("beside itself a cycle %s", got)
	}
}

func TestMachinesThatCannotBeAreRefusedAtTheField(t *testing.T) {
	good := whole()
	good.Cycles[0].Beeps = append(good.Cycles[0].Beeps, Beep{For: Scrape, By: AfterStart}) // as it starts
	if err := good.Check(); err != nil {
		t.Fatalf("a good machine is refused: %v", err)
	}
	for pointer, spoil := range map[string]func(*Machine){
		"/name":                      func(m *Machine) { m.Name = " " },
		"/sizes":                     func(m *Machine) { m.Sizes = nil },
		"/vessel/depth":              func(m *Machine) { m.Vessel.Depth = 0 },
		"/loading":                   func(m *Machine) { m.Loading = "" },
		"/cycles":                    func(m *Machine) { m.Cycles = nil },
		"/delay/step":                func(m *Machine) { m.Delay.Step = 0 },
		"/delay/largest":             func(m *Machine) { m.Delay.Largest = 5 },
		"/delay/rule":                func(m *Machine) { m.Delay.Rule = NoTimer },
		"/keepWarm":                  func(m *Machine) { m.KeepWarm = -1 },
		"/dispenser":                 func(m *Machine) { m.Dispenser = 9000 },
		"/memory":                    func(m *Machine) { m.Cycles[0].Own = true },
		"/cycles/1/id":               func(m *Machine) { m.Cycles = append(m.Cycles, basic()) },
		"/cycles/0/name":             func(m *Machine) { m.Cycles[0].Name = "" },
		"/cycles/0/stages":           func(m *Machine) { m.Cycles[0].Stages = nil },
		"/cycles/0/stages/1/minutes": func(m *Machine) { m.Cycles[0].Stages[1].Minutes = -5 },
		"/cycles/0/stages/5/minutes": func(m *Machine) { m.Cycles[0].Stages[5].Vary[0].Minutes = 5000 },
		"/cycles/0/stages/0/least":   func(m *Machine) { m.Cycles[0].Stages[0].Least = 30 },
		"/cycles/0/beeps/0/minutes":  func(m *Machine) { m.Cycles[0].Beeps[0].Minutes = 60 },
		"/cycles/0/beeps/1/minutes": func(m *Machine) {
			m.Cycles[0].Beeps = append(m.Cycles[0].Beeps, Beep{For: Scrape, By: AfterStart, Minutes: 500})
		},
		"/cycles/0/beeps/0/by": func(m *Machine) { m.Cycles[0].Stages = []Stage{{Kind: Bake, Minutes: 50}} },
		"/panel/crust/default": func(m *Machine) { m.Panel.Crust.Default = "burnt" },
		"/panel/menu/values": func(m *Machine) {
			m.Panel.Menu.Values = []string{"basic",
				"gone"}
			m.Panel.Menu.Default = "basic"
		},
		"/panel/size/values": func(m *Machine) { m.Panel.Size.Values = []string{"1 lb"}; m.Panel.Size.Default = "1 lb" },
		"/panel/crust/only":  func(m *Machine) { m.Panel.Crust.Only = map[string][]string{"gone": {"dark"}} },
	} {
		m := whole()
		spoil(&m)
		var f *fault.Fault
		if err := m.Check(); !errors.As(err, &f) || f.Pointer != pointer {
			t.Errorf("want a fault at %s, got %v", pointer, err)
		}
	}
}

func TestVocabulariesRefuseOtherWordsAndNameTheRightOnes(t *testing.T) {
	c := Light
	err := c.UnmarshalText([]byte("burnt"))
	if err == nil || !strings.Contains(err.Error(), "light, medium, dark") || c != Light {
		t.Errorf("a burnt crust: %v, now %s", err, c)
	}
}

// By hand: plugged in, the machine shows cycle 1, medium, 1 lb. Cycle "sweet" is two presses of Menu on;
// 2 lb is one press of Size; dark is one press of Crust on; the timer of a sweet cycle of 180 minutes
// shows 3:00, its first press 3:10, so 8:20 is the 32nd.
func TestPressesByHand(t *testing.T) {
	m := whole()
	m.Cycles = append(m.Cycles, basic(), basic())
	m.Cycles[1].ID, m.Cycles[1].Panel, m.Cycles[1].Name = "wholemeal", "2", "Wholemeal"
	m.Cycles[2].ID, m.Cycles[2].Panel, m.Cycles[2].Name = "sweet", "3", "Sweet"
	m.Cycles[2].Stages[5] = Stage{Kind: Bake, Minutes: 80}
	presses, shows := m.Set(Wanted{Cycle: "sweet", Crust: Dark, Size: measure.LoafPounds(2, 1), Timer: 500})
	if got := Label(presses); got != "Menu 2×, Size 1×, Crust 1×, Timer + 32×, Start" {
		t.Errorf("press %s", got)
	}
	if shows != (Display{"sweet", "dark", "2 lb", "", 500, true}) {
		t.Errorf("the display shows %+v", shows)
	}
	m.Panel.Menu.Back = "Menu back"
	if presses, _ := m.Set(Wanted{Cycle: "sweet", Crust: Medium, Size: measure.LoafPounds(1,
		1)}); Label(presses) != "Menu back 1×, Start" {
		t.Errorf("with a way back: %s", Label(presses))
	}
}

// Whatever the machine, its own panel shows the wanted settings after the presses, and the light is on.
func TestThePressesDriveThePanelToTheSettings(t *testing.T) {
	random := rand.New(rand.NewPCG(4, 12))
	sizes := []measure.LoafSize{measure.LoafPounds(1, 1), measure.LoafPounds(3, 2), measure.LoafPounds(2, 1),
		measure.LoafPounds(5, 2)}
	steps := []Minutes{5, 10, 15, 30, 60}
	shuffled := func(s []string) []string {
		s = slices.Clone(s)
		random.Shuffle(len(s), func(a, b int) { s[a], s[b] = s[b], s[a] })
		return s
	}
	for range 3000 {
		m := whole()
		m.Sizes = sizes[:1+random.IntN(4)]
		m.Crusts = Crusts[:1+random.IntN(3)]
		m.Delay = Delay{Rule: DelayRules[random.IntN(3)], Step: steps[random.IntN(5)], Largest: Minutes(200 +
			random.IntN(700)), First: FirstPresses[random.IntN(2)]}
		if m.Delay.Rule == NoTimer {
			m.Delay = Delay{Rule: NoTimer}
		}
		m.Cycles = nil
		var ids []string
		for n := range 1 + random.IntN(9) {
			c := basic()
			c.ID, c.HasCrust, c.NoSize, c.Delay = fmt.Sprint("c", n), random.IntN(4) > 0, random.IntN(4) == 0,
				random.IntN(3) > 0
			c.Stages[4].Minutes = Minutes(20 + random.IntN(90))
			if random.IntN(2) == 0 {
				c.Beeps = nil
			}
			m.Cycles, ids = append(m.Cycles, c), append(ids, c.ID)
		}
		if random.IntN(2) == 0 {
			values := shuffled(ids)
			m.Panel.Menu = Ring{Button: "Select", Back: []string{"", "Select back"}[random.IntN(2)], Values: values,
				Default: values[random.IntN(len(values))]}
		}
		if random.IntN(2) == 0 {
			m.Panel.Crust = Ring{Button: "Colour", Values: shuffled(append(crustTexts(m.Crusts), "rapid")),
				Default: "rapid"}
			m.Panel.Crust.Only = map[string][]string{ids[0]: shuffled(crustTexts(m.Crusts))}
		}
		if random.IntN(2) == 0 {
			m.Panel.AddIns = Ring{Button: "Extras"}
		}
		if err := m.Check(); err != nil {
			t.Fatal(err)
		}
		c := m.Cycles[random.IntN(len(m.Cycles))]
		w := Wanted{Cycle: c.ID, Crust: m.Crusts[random.IntN(len(m.Crusts))], Size: m.Sizes[random.IntN(len(m.Sizes))],
			AddIns: random.IntN(2) == 0}
		size, crust := w.Size, w.Crust
		if c.NoSize {
			size = measure.LoafSize{}
		}
		if !c.HasCrust {
			crust = ""
		}
		total := c.Total(size, crust)
		if c.Delay && m.Delay.Step > 0 {
			if most, ok := m.Delay.Most(total); ok && random.IntN(3) > 0 {
				w.Timer = m.Delay.Least(total) +
					m.Delay.Step*Minutes(random.IntN(int((most-m.Delay.Least(total))/m.Delay.Step)+1))
			}
		}
		presses, _ := m.Set(w)
		d := m.PowerOn()
		for _, p := range presses {
			for range p.Times {
				d = m.Press(d, p.Button)
			}
		}
		want := Display{Cycle: c.ID, Timer: w.Timer, Running: true}
		if c.HasCrust {
			want.Crust = string(w.Crust)
		}
		if !c.NoSize {
			want.Size = w.Size.String()
		}
		if len(c.Beeps) > 0 && m.Panel.AddIns.Button != "" {
			want.AddIns = map[bool]string{true: "on", false: "off"}[w.AddIns]
		}
		if d != want {
			t.Fatalf("%s: the display shows %+v, wanted %+v", Label(presses), d, want)
		}
		if again := m.Press(d, m.Full().Menu.Button); again != d {
			t.Fatal("a press after the start moved the display")
		}
	}
}

func crustTexts(c []Crust) []string {
	var out []string
	for _, v := range c {
		out = append(out, string(v))
	}
	return out
}

func TestEveryProfileIsAGoodMachine(t *testing.T) {
	for _, m := range Profiles() {
		if err := m.Check(); err != nil {
			t.Errorf("%s: %v", m.Name, err)
		}
	}
}
