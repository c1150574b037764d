package plan

import (
	"fmt"
	"slices"
	"time"

	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/pan"
	"risepan/core/recipe"
	"risepan/core/swap"
	"risepan/core/timetable"
)

// clock is a moment on the kitchen's clock, with its day wherever that is not today.
func (j *judgement) clock(t time.Time) string {
	return j.wall(timetable.WallOf(t, j.Zone)) + dayAfter(t.In(j.Zone), j.Now.In(j.Zone))
}

// wall is the time of day as the kitchen's clock shows it.
func (j *judgement) wall(w timetable.Wall) string {
	return j.Kitchen.Face.Text(kitchen.Clock(w.OfDay()))
}

func dayAfter(t, now time.Time) string {
	const days = 7
	midnight := func(t time.Time) time.Time { return time.Date(t.Year(), t.Month(), t.Day(), 0, 0, 0, 0, time.UTC) }
	switch n := int(midnight(t).Sub(midnight(now)).Hours() / 24); {
	case n == 0:
		return ""
	case n == 1:
		return " tomorrow"
	case n > 1 && n < days:
		return " on " + t.Weekday().String()
	}
	return " on " + t.Format("2 January")
}

// busy refuses a start on a machine that bakes, says when the next one is possible, and warns of one that
// still cools.
func (j *judgement) busy() {
	o, free := j.Occupied, j.free()
	if !j.earliest(j.AtPanel).Before(free) || j.programme.Timer.Press.After(free) {
		return
	}
	level := Care // there is time to measure
	if j.AtPanel {
		level = Stop
	}
	switch {
	case o.Running && j.Now.After(o.Until):
		j.say(level, Busy, nil, "%s is still in %s: mark it as taken out, and allow %d min to cool.",
			o.Recipe, j.Machine.Name, j.Machine.CoolDown)
	case o.Running:
		j.say(level, Busy, nil, "%s bakes %s until %s and then cools: the next start is at %s.", j.Machine.Name,
			o.Recipe, j.clock(o.Until), j.clock(free))
	default:
		j.say(Care, Busy, nil, "%s is still warm from %s and may refuse to start before %s.", j.Machine.Name, o.Recipe,
			j.clock(free))
	}
}

// due is when the machine is to be done: at the wished time, of a dough as long before it as shaping, last
// rise and oven take.
func (j *judgement) due() time.Time {
	return j.ready(j.Zone).Add(-j.handwork())
}

// handwork is what comes after the machine.
func (j *judgement) handwork() time.Duration {
	return time.Duration(j.programme.Finish.Total()) * time.Minute
}

// total is how long the machine is busy, its wait for hands included.
func (j *judgement) total() time.Duration {
	return time.Duration(j.programme.Setting.Total+j.programme.pause) * time.Minute
}

// atOnce is the way out of starting without a delay.
func (j *judgement) atOnce() Remedy {
	return Remedy{Say: "Start now, ready " + j.clock(j.programme.Timer.Press.Add(j.total()+j.handwork())), Now: true}
}

// start is how the machine's start button is called.
func (j *judgement) start() string { return j.programme.Setting.Fittings.StartButton() }

// waiting is how long the loaded pan stands before the cycle begins, in words.
func (j *judgement) waiting() string {
	t := j.programme.Timer
	return InHours(machine.Minutes(t.Begin.Sub(t.Press) / time.Minute))
}

// Spoiling names what of a dough would spoil in the pan or the dispenser while the timer waits. What is put in by hand
// waits in the fridge.
func (g Programme) Spoiling(d Dough) []string {
	var out []string
	for _, l := range d.lines {
		if l.Ingredient.Spoils && l.Line.Part == recipe.InDough && g.AddIns.Of(l.Line.ID) != WithHands {
			out = append(out, l.Ingredient.Name)
		}
	}
	return out
}

// spoils refuses a delay with what spoils in the pan or the dispenser. What is put in by hand waits in
// the fridge.
func (j *judgement) spoils() {
	if j.programme.Timer.Setting == 0 {
		return
	}
	spoiling := j.programme.Spoiling(j.dough)
	if len(spoiling) == 0 {
		return
	}
	ways := []Remedy{j.atOnce()}
	if picks, rest := swap.DelaySafe(j.dough.swapped, j.Kitchen.Ingredient); len(picks) > 0 && len(rest) == 0 {
		ways = []Remedy{{Say: "Swap to timer-safe ingredients", Swaps: picks}, ways[0]}
	}
	j.say(Stop, Spoils, ways,
		"Don't use the timer with %s: it would be warm for %s and could spoil. Start now, or press %s by hand at %s "+
			"without the timer.",
		inWords(spoiling), j.waiting(), j.start(), j.clock(j.due().Add(-j.total())))
}

// dry refuses a delay in which yeast would lie wet or beside salt.
func (j *judgement) dry() {
	beside := pan.Wets(j.amounts.Pan.Layers)
	if j.programme.Timer.Setting == 0 || j.loose() || beside == "" {
		return
	}
	ways := []Remedy{{Say: "Load it " + string(j.Machine.Loading), Order: j.Machine.Loading}}
	if j.amounts.Pan.Order == pan.Bloomed {
		j.say(Stop, WetYeast, ways, "No delay with bloomed yeast: it would work for %s before the dough is kneaded.",
			j.waiting())
		return
	}
	j.say(Stop, WetYeast, ways, "In this order the yeast lies beside %s, where it would wake or die during the "+
		"delay of %s.", beside, j.waiting())
}

// time says how the wished time fits the timer, and the cycle the time that there is.
func (j *judgement) time() {
	t, s := j.programme.Timer, j.programme.Setting
	switch t.Fit {
	case timetable.TooSoon:
		j.say(Care, Timed, append(j.faster(), Remedy{Say: "Ready at " + j.clock(t.Ready.Add(j.handwork())) + " instead",
			Now: true}),
			"Not possible by then: started at %s, it is ready at %s, %s late.", j.clock(t.Press),
			j.clock(t.Ready.Add(j.handwork())), InHours(t.Late))
	case timetable.TooFar:
		if j.refused() { // by what would spoil in that delay: nobody loads it
			break
		}
		j.say(j.notYet(), Timed, j.early(), "Your timer only goes to %s. Load the pan later and press %s at %s.%s",
			j.Machine.Delay.Largest, j.start(), j.clock(t.Press), j.notBefore())
	case timetable.ByHand:
		if j.refused() {
			break
		}
		why := "The delay timer does not work with " + s.Cycle.String() + "."
		if j.Machine.Delay.Rule == machine.NoTimer {
			why = j.Machine.Name + " has no delay timer."
		}
		j.say(j.notYet(), Timed, []Remedy{j.atOnce()}, "%s Press %s by hand at %s.%s", why, j.start(), j.clock(t.Press),
			j.notBefore())
	}
	switch {
	case j.Within == 0 || s.Total <= j.Within:
	case j.Cycle == "":
		j.say(Care, Timed, nil, "No cycle that suits this dough is done in %s. %s comes nearest, with %s.",
			InHours(j.Within), s.Cycle, InHours(s.Total))
	default:
		j.say(Care, Timed, nil, "%s, your own choice, takes %s, and there are %s.", s.Cycle, InHours(s.Total),
			InHours(j.Within))
	}
}

// notBefore says what must not wait in the pan until Start is pressed by hand.
func (j *judgement) notBefore() string {
	if spoils := j.programme.Spoiling(j.dough); len(spoils) > 0 {
		return " Load it then, not before: " + inWords(spoils) + " would spoil in the pan."
	}
	return ""
}

// notYet is how much it matters that Start is to be pressed later: at the panel it forbids the start, for
// pressed now the bread would be ready hours too early.
func (j *judgement) notYet() Level {
	if j.AtPanel && j.programme.Timer.Press.After(j.Now.Add(time.Minute)) {
		return Stop
	}
	return Care
}

// early is the way out of starting at once all the same.
func (j *judgement) early() []Remedy {
	if j.notYet() == Stop {
		now := wholeMinute(j.Now, true)
		return []Remedy{{Say: "Start now, ready " + j.clock(now.Add(j.total()+j.handwork())), Now: true}}
	}
	return nil
}

// refused reports whether the plan is stopped already.
func (j *judgement) refused() bool {
	return slices.ContainsFunc(j.said, func(c Caution) bool { return c.Level == Stop })
}

// faster are the cycles that suit the dough and are done by the wished time.
func (j *judgement) faster() []Remedy {
	var ways []Remedy
	spare := machine.Minutes(j.due().Sub(j.programme.Timer.Press) / time.Minute)
	for _, o := range j.programme.Setting.Options {
		if o.Suits && o.Total <= spare && o.ID != j.programme.Setting.Cycle.ID {
			ways = append(ways, Remedy{Say: fmt.Sprintf("Use %s: done in %s", o.CycleName, InHours(o.Total)), Cycle: o.ID})
		}
	}
	return ways
}

// clocks says what a change of the clocks does to the wished time.
func (j *judgement) clocks() {
	switch j.programme.doubt {
	case timetable.Never:
		j.say(Care, Clocks, nil, "The clocks go forward that night and %s does not occur. Planned for %s.",
			j.wall(j.Ready), j.clock(j.ready(j.Zone)))
	case timetable.Twice:
		j.say(Note, Clocks, nil, "The clocks go back that night and %s occurs twice. Planned for the first.",
			j.wall(j.Ready))
	}
}

// quiet warns of a beep that somebody must answer in the hours when nobody should be woken, with what
// can be done instead.
func (j *judgement) quiet() {
	g := j.programme
	n := slices.IndexFunc(g.Moments, func(m timetable.Moment) bool { return m.Kind == timetable.AddIns && m.Person })
	if n < 0 || j.Kitchen.Quiet.IsZero() {
		return
	}
	wall := timetable.WallOf(g.Moments[n].At(g.Timer.Begin), j.Zone)
	if !j.Kitchen.Quiet.Holds(wall.OfDay()) {
		return
	}
	var ways []Remedy
	if !slices.ContainsFunc(g.AddIns.Each, func(e AddIn) bool { return e.NoBox != "" }) {
		ways = append(ways, Remedy{Say: "Let the dispenser do it", AddIns: InBox})
	}
	ways = append(ways, Remedy{Say: "Put them in at the start", AddIns: AtStart})
	shift := machine.Minutes(j.Kitchen.Quiet.Until(wall.OfDay())) + j.Machine.Delay.Step // the timer rounds down
	const neat = 5 * time.Minute
	ready := timetable.WallOf(g.Timer.Ready.Add(j.handwork()+time.Duration(shift)*time.Minute+neat-1).Truncate(neat),
		j.Zone)
	ways = append(ways, Remedy{Say: "Ready at " + j.wall(ready) + " instead", Ready: ready})
	j.say(Care, Quiet, ways, "The add-ins beep is at %s, in your quiet hours.", j.wall(wall))
}

// absent warns of a moment for which somebody is needed while nobody is home: the first one, with the hour from
// which the loaf can be taken out, where it is that.
func (j *judgement) absent() {
	g := j.programme
	say := func(at time.Time, what string, ways func(kitchen.Absence) []Remedy) bool {
		a, away := j.Kitchen.Absent(at)
		if !away {
			return false
		}
		name := ""
		if a.Name != "" {
			name = a.Name + ", "
		}
		j.say(Care, Absent, ways(a), "You are away then: %s at %s (%suntil %s).", what, j.clock(at), name,
			j.clock(a.To))
		return true
	}
	none := func(kitchen.Absence) []Remedy { return nil }
	if say(g.Timer.Press, j.start()+" is pressed", none) {
		return
	}
	for _, m := range g.Moments {
		at := m.At(g.Timer.Begin)
		switch {
		case !m.Person || m.Kind == timetable.Look:
		case m.Kind == timetable.Ready:
			const neat = 5 * time.Minute
			if say(at, "The loaf is ready", func(a kitchen.Absence) []Remedy {
				ready := timetable.WallOf(a.To.Add(j.handwork()+neat-1).Truncate(neat), j.Zone)
				return []Remedy{{Say: "Ready at " + j.wall(ready) + " instead", Ready: ready}}
			}) {
				return
			}
		default:
			if say(at, "You are needed", none) {
				return
			}
		}
	}
}
