package agree

import (
	"cmp"
	"os"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"

	"risepan/core/advice"
	"risepan/core/dough"
	"risepan/core/kind"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/otherwise"
	"risepan/core/recipe"
)

// moment is something that happens while a loaf is made, with what an experienced baker does about it.
type moment struct {
	at     string // its first line, for messages
	fields map[string]string
	kind   recipe.Kind
	stages []machine.Span
	minute machine.Minutes
	facts  []string
}

// moments reads them from testdata/moments.txt.
func moments(t *testing.T) (out []moment) {
	text, err := os.ReadFile("testdata/moments.txt")
	if err != nil {
		t.Fatal(err)
	}
	for _, block := range strings.Split(strings.TrimSpace(string(text)), "\n\n") {
		m := moment{fields: map[string]string{}}
		for _, line := range strings.Split(block, "\n") {
			if name, value, ok := strings.Cut(line, ": "); ok && !strings.HasPrefix(line, "#") {
				m.fields[name] = value
			}
		}
		if len(m.fields) == 0 {
			continue
		}
		m.at, _, _ = strings.Cut(block, "\n")
		m.facts = strings.Split(m.fields["loaf"], "; ")
		if err := m.kind.UnmarshalText([]byte(strings.Split(m.facts[0], ",")[0])); err != nil {
			t.Fatalf("%s: %v", m.at, err)
		}
		m.minute = machine.Minutes(m.number(t, m.fields["minute"]))
		to := machine.Minutes(0)
		for _, s := range strings.Split(m.fields["course"], ", ") {
			what, long, _ := cutLast(s)
			from := to
			to += machine.Minutes(m.number(t, long))
			if what != "pause" {
				m.stages = append(m.stages, machine.Span{Kind: machine.StageKind(what), From: from, To: to})
			}
		}
		out = append(out, m)
	}
	return out
}

func cutLast(s string) (before, after string, found bool) {
	if n := strings.LastIndex(s, " "); n >= 0 {
		return s[:n], s[n+1:], true
	}
	return s, "", false
}

func (m moment) number(t *testing.T, text string) int {
	n, err := strconv.Atoi(text)
	if err != nil {
		t.Fatalf("%s: %v", m.at, err)
	}
	return n
}

func (m moment) has(fact string) bool { return slices.Contains(m.facts[1:], fact) }

// stand is where its bake stands.
func (m moment) stand() otherwise.Stand {
	s := otherwise.AtCourse(m.kind, m.stages, m.minute, m.has("spoils"), !m.has("no yeast"))
	s.Larger, s.Meat, s.BakeOnly = m.has("larger"), m.has("meat"), "bake only"
	for _, f := range m.facts[1:] {
		if core, ok := strings.CutPrefix(f, "core "); ok {
			s.Core, _ = strconv.ParseFloat(core, 64)
		}
	}
	return s
}

// answer is what the program says.
func (m moment) answer(t *testing.T) (advice.Advice, bool) {
	if event, ok := m.fields["event"]; ok {
		var e otherwise.Event
		if err := e.UnmarshalText([]byte(event)); err != nil {
			t.Fatal(err)
		}
		return otherwise.Answer(e, m.stand()), true
	}
	if power, ok := m.fields["power"]; ok && !strings.HasSuffix(power, "bridged") {
		return otherwise.Cut(m.stand(), machine.Minutes(m.number(t, strings.TrimPrefix(power, "off ")))), true
	}
	if height, ok := m.fields["height"]; ok {
		return m.height(height), true
	}
	if seen, ok := m.fields["ball"]; ok {
		return m.ball(t, dough.Seen(seen)), true
	}
	return advice.Advice{}, false
}

var heights = regexp.MustCompile(`^(\d+) of the pan, planned (\d+) to (\d+)$`)

// height is what is said of a height, told in the words that a page offers.
func (m moment) height(text string) advice.Advice {
	var share [3]float64
	for n, text := range heights.FindStringSubmatch(text)[1:] {
		share[n], _ = strconv.ParseFloat(text, 64)
	}
	s := m.stand()
	r := dough.Rise{Stands: dough.Standing(share[0] / 100), Low: share[1] / 100 * dough.Spring,
		High: share[2] / 100 * dough.Spring, BakeOnly: s.BakeOnly, ToBake: int(max(0, s.Bakes-s.Minute)),
		Last: s.Phase == otherwise.Last, Doing: dough.Rises}
	switch s.Phase {
	case otherwise.Bakes, otherwise.Ends:
		r.Doing = dough.Bakes
	case otherwise.Kneads:
		r.Doing = dough.Kneads
	}
	if m.has("as last time") {
		r.Before = []dough.Earlier{{Stands: r.Stands, Mark: 4}}
	}
	return r.Judge()
}

var doses = regexp.MustCompile(`(\d+) (tsp|tbsp) (flour|water) at (\d+)`)

// ball is what is said of a dough ball.
func (m moment) ball(t *testing.T, seen dough.Seen) advice.Advice {
	s := m.stand()
	row := kind.Of(m.kind)
	grams := measure.Grams(m.number(t, regexp.MustCompile(`(\d+) g of flour`).FindStringSubmatch(m.facts[0])[1]))
	b := dough.Ball{Batter: row.Batter, Poured: row.Loose || row.Still, Soft: row.Soft || row.Sticky, Slow: row.Look > 0,
		Gives: row.Gives,
		Mend:  row.Mend, Flour: grams, Hydration: 62, Into: int(s.Mixed), Left: int(s.Mixes), Since: 99,
		Spoons: dough.UsualSpoons(grams, row.Fibrous)}
	for _, st := range m.stages {
		if st.Kind == machine.Knead && st.To > m.minute {
			b.Resting = int(max(0, st.From-m.minute))
			break
		}
	}
	for _, d := range doses.FindAllStringSubmatch(m.fields["loaf"], -1) {
		n, _ := strconv.ParseInt(d[1], 10, 64)
		unit, at := measure.Tsp, m.number(t, d[4])
		if d[2] == "tbsp" {
			unit = measure.Tbsp
		}
		b.Doses = append(b.Doses, dough.Dose{Of: dough.Stuff(d[3]), Amount: measure.Of(n, 1, unit)})
		b.Since = int(m.minute) - at
	}
	a := dough.Advise(b, seen)
	out := advice.To(a.Act, a.Say)
	if a.Again > 0 {
		out = out.Then(advice.Look, "")
	}
	if a.Add != nil {
		if !m.near(t, a.Add.Amount) {
			t.Errorf("%s, %s at %d: a dose of %s, want %s", m.at, m.kind, m.minute, a.Add.Amount.Spoken(), m.fields["amount"])
		}
		out.Until = s.Kneaded - 5
	}
	return out
}

// near reports whether a dose lies between the least and the most that the baker gives.
func (m moment) near(t *testing.T, dose measure.Amount) bool {
	from, to, ranged := strings.Cut(m.fields["amount"], "–")
	if !ranged {
		return true
	}
	if _, unit, ok := strings.Cut(from, " "); !ok || unit == "" {
		_, unit, _ := cutLast(to)
		from += " " + unit
	}
	low, err := measure.Parse(from, measure.US)
	high, err2 := measure.Parse(to, measure.US)
	if err != nil || err2 != nil {
		t.Fatal(m.at, err, err2)
	}
	const even = 0.01
	return dose.Millilitres() >= low.Millilitres()-even && dose.Millilitres() <= high.Millilitres()+even
}

// aside are acts that go along with another, or are said as well as left unsaid.
var aside = []advice.Act{advice.Look, advice.Note, advice.Cool, advice.Ask, advice.Clean, advice.Open, advice.Shut,
	advice.Wait, advice.Leave, advice.GoOn}

// hard are the acts that make the difference; where there are none, the first.
func hard(acts []advice.Act) []advice.Act {
	var out []advice.Act
	for _, a := range acts {
		if !slices.Contains(aside, a) && !slices.Contains(out, a) {
			out = append(out, a)
		}
	}
	if len(out) == 0 {
		switch first := acts[0]; first {
		case advice.Wait, advice.Look, advice.Note, advice.Ask, advice.Cool, advice.GoOn:
			return []advice.Act{advice.Leave}
		default:
			return []advice.Act{first}
		}
	}
	slices.Sort(out)
	return out
}

func acts(text string) (out []advice.Act) {
	for _, a := range strings.Split(text, ", ") {
		out = append(out, advice.Act(a))
	}
	return out
}

// does reports whether one of the answers that a baker would give is what the program says.
func (m moment) does(a advice.Advice) bool {
	var says []advice.Act
	for _, s := range a.Steps {
		says = append(says, s.Act)
	}
	return slices.ContainsFunc(strings.Split(m.fields["right"], " or "), func(alt string) bool {
		return same(acts(alt), says)
	})
}

// easy are acts that one baker says beside another and one leaves unsaid, where the rest is the same.
var easy = []advice.Act{advice.Unplug, advice.Scrape, advice.TurnOut, advice.Pause, advice.Eat, advice.Shape}

// alike are acts that are one.
var alike = map[advice.Act]advice.Act{advice.PaddleOut: advice.TakeOff, advice.Flour: advice.Add}

// same reports whether two bakers do the same. What follows a look is done only if the look says so, and may be unsaid.
func same(a, b []advice.Act) bool {
	waits := func(acts []advice.Act) bool {
		return slices.Contains([]advice.Act{advice.Leave, advice.Look, advice.Wait}, acts[0])
	}
	one, other := hard(a), hard(b)
	for _, acts := range [][]advice.Act{one, other} {
		for n, act := range acts {
			acts[n] = cmp.Or(alike[act], act)
		}
	}
	if waits(a) && waits(b) && (len(hard(a[:1])) == len(one) || len(hard(b[:1])) == len(other)) {
		return true
	}
	rest := func(of, from []advice.Act) bool {
		return !slices.ContainsFunc(of, func(act advice.Act) bool {
			return !slices.Contains(from, act) && (!slices.Contains(easy, act) || len(of) == 1) &&
				!(act == advice.Stop && slices.Contains(from, advice.Restart))
		})
	}
	return rest(one, other) && rest(other, one)
}

// forbidden is an act that the program asks for and the baker forbids.
func (m moment) forbidden(a advice.Advice) advice.Act {
	for _, never := range strings.Split(m.fields["never"], "; ") {
		if never != "" && never != string(advice.Leave) && never != string(advice.Wait) && a.Has(advice.Act(never)) {
			return advice.Act(never)
		}
	}
	return ""
}

// minutes by which an answer's times may lie beside the baker's.
const near = 6

// timely reports whether it can be done for about as long as the baker says.
func (m moment) timely(a advice.Advice) bool {
	until, err := strconv.Atoi(m.fields["until"])
	return err != nil || a.Until == 0 || a.Until >= machine.Minutes(until)-near && a.Until <= machine.Minutes(until)+near
}

var shifts = regexp.MustCompile(`^(-?\d+)(?: to (-?\d+))?$`)

// moves reports whether it moves what is later by about as much as the baker says.
func (m moment) moves(a advice.Advice) bool {
	found := shifts.FindStringSubmatch(m.fields["later"])
	if found == nil {
		return a.Lost
	}
	low, _ := strconv.Atoi(found[1])
	high := low
	if found[2] != "" {
		high, _ = strconv.Atoi(found[2])
	}
	return !a.Lost && a.Later.High >= machine.Minutes(low)-near && a.Later.Low <= machine.Minutes(high)+near
}

// What bakers do in so many moments is what the program says.
func TestMomentsAsBakersAnswer(t *testing.T) {
	all, right, timely, moved, forbidden := 0, 0, 0, 0, 0
	for _, m := range moments(t) {
		a, ok := m.answer(t)
		if !ok {
			continue
		}
		all++
		does := m.does(a)
		if does {
			right++
		} else {
			t.Logf("%s, %s at %d: %q, want %s", m.at, m.kind, m.minute, a.Do(), m.fields["right"])
		}
		if act := m.forbidden(a); act != "" {
			forbidden++
			t.Errorf("%s, %s at %d: says %q, which never is right", m.at, m.kind, m.minute, act)
		}
		if m.timely(a) {
			timely++
		} else if does {
			t.Logf("%s, %s at %d: until %d, want %s", m.at, m.kind, m.minute, int(a.Until), m.fields["until"])
		}
		if m.moves(a) {
			moved++
		} else if does {
			t.Logf("%s, %s at %d: moves by %v, want %s", m.at, m.kind, m.minute, a.Later, m.fields["later"])
		}
	}
	t.Logf("%d moments: %d right, %d by their minute, %d move what is later by as much", all, right, timely, moved)
	for what, n := range map[string]int{"right": right, "by their minute": timely, "moved": moved} {
		if 100*n < enough*all || all < 300 {
			t.Errorf("%d of %d moments are %s", n, all, what)
		}
	}
}

// enough is how many of 100 moments are to be answered as bakers do.
const enough = 95
