package machine

import (
	"cmp"
	"fmt"
	"maps"
	"slices"
	"strconv"
	"strings"

	"risepan/core/fault"
	"risepan/core/measure"
)

// Panel is a machine's buttons. Each steps through a ring of values from where it stands when the
// machine is plugged in. What a panel does not say follows from the machine: its cycles, crusts and
// sizes in their order.
type Panel struct {
	Menu   Ring   `json:"menu,omitzero"`
	Crust  Ring   `json:"crust,omitzero"`
	Size   Ring   `json:"size,omitzero"`
	AddIns Ring   `json:"addIns,omitzero"`
	Later  string `json:"later,omitzero"`  // the timer's button
	Sooner string `json:"sooner,omitzero"` // and the one that steps back
	Start  string `json:"start,omitzero"`
	Hold   bool   `json:"hold,omitzero"` // a held timer button runs on
	Lock   string `json:"lock,omitzero"` // the button that locks the others
}

// Ring is what one button steps through.
type Ring struct {
	Button  string              `json:"button,omitzero"`
	Back    string              `json:"back,omitzero"` // a button that steps the other way
	Values  []string            `json:"values,omitzero"`
	Default string              `json:"default,omitzero"` // when the machine is plugged in
	Only    map[string][]string `json:"only,omitzero"`    // fewer or other values, for a cycle by its id
}

// The values of the add-in button.
const (
	beepOff = "off"
	beepOn  = "on"
)

func texts[T fmt.Stringer](all []T) []string {
	out := make([]string, len(all))
	for n, v := range all {
		out[n] = v.String()
	}
	return out
}

func (r Ring) or(button string, values []string, usual string) Ring {
	if r.Button == "" {
		r.Button = button
	}
	if len(r.Values) == 0 {
		r.Values = values
	}
	if r.Default == "" {
		r.Default = usual
		if !slices.Contains(r.Values, usual) && len(r.Values) > 0 {
			r.Default = r.Values[0]
		}
	}
	return r
}

// at gives the ring's values while a cycle is chosen.
func (r Ring) at(cycle string) []string {
	if only, ok := r.Only[cycle]; ok {
		return only
	}
	return r.Values
}

// Full is the panel with everything that it leaves to follow from the machine.
func (m Machine) Full() Panel {
	p := m.Panel
	ids, crusts := m.menu(), make([]string, 0, len(m.Crusts))
	for _, c := range m.Crusts {
		crusts = append(crusts, string(c))
	}
	p.Menu = p.Menu.or("Menu", ids, "")
	p.Crust = m.withOthers(p.Crust.or("Crust", crusts, string(Medium)))
	p.Size = p.Size.or("Size", texts(m.Sizes), "")
	if p.AddIns.Button != "" {
		p.AddIns = p.AddIns.or("", []string{beepOff, beepOn}, beepOff)
	}
	if p.Later == "" {
		p.Later = "Timer +"
	}
	if p.Start == "" {
		p.Start = "Start"
	}
	return p
}

// menu are the ids of what the menu button steps through: by their numbers, where each has one of its own, for so a
// panel counts; else in the order in which they are described.
func (m Machine) menu() []string {
	type place struct {
		id     string
		number int
	}
	var places []place
	taken, numbered := map[int]bool{}, true
	for _, c := range m.Cycles {
		if c.With != "" {
			continue
		}
		n, err := strconv.Atoi(c.Panel)
		numbered = numbered && err == nil && !taken[n]
		taken[n] = true
		places = append(places, place{c.ID, n})
	}
	if numbered {
		slices.SortFunc(places, func(a, b place) int { return cmp.Compare(a.number, b.number) })
	}
	ids := make([]string, len(places))
	for n, p := range places {
		ids[n] = p.id
	}
	return ids
}

// withOthers is the crust ring with the values that choose another cycle, for the cycles that have such.
func (m Machine) withOthers(r Ring) Ring {
	only := maps.Clone(r.Only)
	for _, c := range m.Cycles {
		if c.With == "" || slices.Contains(r.at(c.With), c.OnCrust) {
			continue
		}
		if only == nil {
			only = map[string][]string{}
		}
		only[c.With] = append(slices.Clone(r.at(c.With)), c.OnCrust)
		r.Only = only
	}
	return r
}

// Showing is the cycle that a display means: its crust may choose another than its menu.
func (m Machine) Showing(d Display) Cycle {
	for _, c := range m.Cycles {
		if c.With == d.Cycle && c.With != "" && c.OnCrust == d.Crust {
			return c
		}
	}
	c, _ := m.Cycle(d.Cycle)
	return c
}

// check reports what about a ring cannot be; known tells the machine's cycles.
func (r Ring) check(at string, known func(cycle string) bool) error {
	if len(r.Values) > 0 && !slices.Contains(r.Values, r.Default) {
		return fault.At(at+"/default", "%q is not among the values that this button steps through: %s", r.Default,
			strings.Join(r.Values, ", "))
	}
	if !apart(r.Values) {
		return fault.At(at+"/values", "a value stands in this ring twice")
	}
	for cycle, values := range r.Only {
		if !known(cycle) {
			return fault.At(at+"/only", "there is no cycle %q", cycle)
		}
		if len(values) == 0 || !apart(values) {
			return fault.At(at+"/only", "the ring for cycle %q is empty or holds a value twice", cycle)
		}
	}
	return nil
}

func (m Machine) checkPanel() error {
	p := m.Full()
	known := func(id string) bool { _, ok := m.Cycle(id); return ok }
	for _, r := range []struct {
		at   string
		ring Ring
	}{{"menu", p.Menu}, {"crust", p.Crust}, {"size", p.Size}, {"addIns", p.AddIns}} {
		if err := r.ring.check("/panel/"+r.at, known); err != nil {
			return err
		}
	}
	for _, id := range p.Menu.Values {
		if !known(id) {
			return fault.At("/panel/menu/values", "there is no cycle %q", id)
		}
	}
	for _, s := range m.Sizes {
		if !slices.Contains(p.Size.Values, s.String()) {
			return fault.At("/panel/size/values", "the size button never comes to %s", s)
		}
	}
	for _, c := range m.Crusts {
		if !slices.Contains(p.Crust.Values, string(c)) {
			return fault.At("/panel/crust/values", "the crust button never comes to %s", c)
		}
	}
	for _, c := range m.Cycles {
		if c.With == "" && !slices.Contains(p.Menu.Values, c.ID) {
			return fault.At("/panel/menu/values", "the menu button never comes to %s", c.Name)
		}
	}
	return nil
}

// Display is what the panel shows.
type Display struct {
	Cycle   string  `json:"cycle"`
	Crust   string  `json:"crust,omitzero"`
	Size    string  `json:"size,omitzero"`
	AddIns  string  `json:"addIns,omitzero"`
	Timer   Minutes `json:"timer"` // 0 while it was not touched
	Running bool    `json:"running"`
}

// PowerOn is the display of a machine that was just plugged in.
func (m Machine) PowerOn() Display { return m.powerOn(m.Full()) }

func (m Machine) powerOn(p Panel) Display {
	return m.settle(p, Display{Cycle: p.Menu.Default, Crust: p.Crust.Default, Size: p.Size.Default,
		AddIns: p.AddIns.Default})
}

// chosenByCrust reports whether the crust button chooses other cycles at a cycle's place on the menu.
func (m Machine) chosenByCrust(id string) bool {
	return slices.ContainsFunc(m.Cycles, func(c Cycle) bool { return c.With == id })
}

// settle keeps of a display what the cycle allows.
func (m Machine) settle(p Panel, d Display) Display {
	c, _ := m.Cycle(d.Cycle) // what its menu shows, for a crust may choose another
	keep := func(ring Ring, value string, allowed bool) string {
		values := ring.at(d.Cycle)
		switch {
		case !allowed || len(values) == 0:
			return ""
		case slices.Contains(values, value):
			return value
		case slices.Contains(values, ring.Default):
			return ring.Default
		}
		return values[0]
	}
	d.Crust = keep(p.Crust, d.Crust, c.HasCrust || m.chosenByCrust(c.ID))
	d.Size = keep(p.Size, d.Size, !c.NoSize)
	if p.AddIns.Button != "" {
		d.AddIns = keep(p.AddIns, d.AddIns, c.Calls(ForAddIns))
	}
	return d
}

// total is how long the cycle on the display takes.
func (m Machine) total(d Display) Minutes {
	c := m.Showing(d)
	var size measure.LoafSize
	if d.Size != "" {
		size, _ = measure.ParseLoafSize(d.Size)
	}
	return c.Total(size, Crust(d.Crust))
}

// Press is what the panel shows after one press of a button. Once it runs, nothing on it moves; nor
// does an unknown button move anything.
func (m Machine) Press(d Display, button string) Display { return m.press(m.Full(), d, button) }

func (m Machine) press(p Panel, d Display, button string) Display {
	if d.Running {
		return d
	}
	step := func(ring Ring, value string) string {
		values := ring.at(d.Cycle)
		n := slices.Index(values, value)
		switch {
		case n < 0 || value == "":
			return value
		case button == ring.Back:
			return values[(n+len(values)-1)%len(values)]
		}
		return values[(n+1)%len(values)]
	}
	turns := func(r Ring) bool { return button == r.Button || r.Back != "" && button == r.Back }
	switch c := m.Showing(d); {
	case button == "":
	case button == p.Start:
		d.Running = true
	case turns(p.Menu):
		d.Cycle, d.Timer = step(p.Menu, d.Cycle), 0
		d = m.settle(p, d)
	case turns(p.Crust):
		d.Crust, d.Timer = step(p.Crust, d.Crust), 0
	case turns(p.Size):
		d.Size, d.Timer = step(p.Size, d.Size), 0
	case turns(p.AddIns):
		d.AddIns = step(p.AddIns, d.AddIns)
	case m.Delay.Step <= 0 || !c.Delay:
	case button == p.Later:
		next := m.Delay.Least(m.total(d))
		if d.Timer > 0 {
			next = d.Timer + m.Delay.Step
		}
		if d.Timer = next; next > m.Delay.Largest {
			d.Timer = 0 // round again
		}
	case button == p.Sooner && d.Timer > 0:
		if d.Timer -= m.Delay.Step; d.Timer < m.Delay.Least(m.total(d)) {
			d.Timer = 0
		}
	}
	return d
}

// Presses is how often one button is pressed, and what it then shows.
type Presses struct {
	Button string `json:"button"`
	Times  int    `json:"times"`
	Shows  string `json:"shows"`
}

// Wanted is what the panel shall be set to.
type Wanted struct {
	Cycle  string
	Crust  Crust
	Size   measure.LoafSize
	AddIns bool    // the beep is wanted
	Timer  Minutes // what the timer shall show; 0: untouched
}

// Set gives the presses from the moment the machine is plugged in to the wanted settings, Start last,
// and what the display then shows.
func (m Machine) Set(w Wanted) ([]Presses, Display) {
	p := m.Full()
	d := m.powerOn(p)
	menu, crust := w.Cycle, string(w.Crust)
	if c, _ := m.Cycle(w.Cycle); c.With != "" {
		menu, crust = c.With, c.OnCrust
	}
	var out []Presses
	press := func(button string, times int, shows func() string) {
		for range times {
			d = m.press(p, d, button)
		}
		if times > 0 {
			out = append(out, Presses{button, times, shows()})
		}
	}
	turn := func(ring Ring, now, want string, shows func() string) {
		values := ring.at(d.Cycle)
		from, to := slices.Index(values, now), slices.Index(values, want)
		if from < 0 || to < 0 {
			return
		}
		on := (to - from + len(values)) % len(values)
		if back := len(values) - on; ring.Back != "" && on > 0 && back < on {
			press(ring.Back, back, shows)
			return
		}
		press(ring.Button, on, shows)
	}
	turn(p.Menu, d.Cycle, menu, func() string { c, _ := m.Cycle(d.Cycle); return c.Title() })
	turn(p.Size, d.Size, w.Size.String(), func() string { return d.Size })
	turn(p.Crust, d.Crust, crust, func() string { return d.Crust })
	beep := map[bool]string{true: beepOn, false: beepOff}[w.AddIns]
	turn(p.AddIns, d.AddIns, beep, func() string { return d.AddIns })
	press(p.Later, m.Delay.Presses(m.total(d), w.Timer), func() string { return d.Timer.String() })
	press(p.Start, 1, func() string { return "running" })
	return out, d
}

// Label is presses short enough for a label: "Menu 4×, Size 1×, Start".
func Label(presses []Presses) string {
	var parts []string
	for _, p := range presses {
		if p.Times == 1 && p.Shows == "running" {
			parts = append(parts, p.Button)
			continue
		}
		parts = append(parts, fmt.Sprintf("%s %d×", p.Button, p.Times))
	}
	return strings.Join(parts, ", ")
}
