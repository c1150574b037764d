package agree

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"risepan/core/bake"
	"risepan/core/bench"
	"risepan/core/journal"
	"risepan/core/machine"
	"risepan/core/plan"
)

// setAsSaid: what a caution says that the panel is set to is what the plan sets.
func setAsSaid(d drawn) string {
	const begins = "The panel is set to "
	s := d.p.Setting
	for _, c := range d.p.Cautions {
		_, is, ok := strings.Cut(c.Say, begins)
		if !ok {
			continue
		}
		is, _, _ = strings.Cut(is, ".")
		if s.HasSize && !strings.Contains(is, s.Size.String()) || s.HasCrust && !strings.Contains(is, "a "+
			string(s.Crust)+" crust") {
			return fmt.Sprintf("set to %s, %s; said is “%s”", s.Size, s.Crust, c.Say)
		}
	}
	return ""
}

// benchAsPlanned: the bench measures each line of the pan once, by the amount that the plan has, and names the
// panel's presses and the start button as the plan does.
func benchAsPlanned(d drawn) string {
	measured := map[string]int{}
	var all []string
	for _, s := range bench.Steps(d.Kitchen, d.p, nil) {
		if s.Kind == bench.Measure {
			measured[s.Line]++
			n := slices.IndexFunc(d.p.Lines, func(l plan.Line) bool { return l.ID == s.Line })
			if n < 0 || s.Aloud != d.p.Lines[n].Spoken {
				return fmt.Sprintf("%s: the bench says %q", s.Say, s.Aloud)
			}
		}
		all = append(all, s.ID)
	}
	for _, l := range d.p.Lines {
		if measured[l.ID] != 1 {
			return fmt.Sprintf("%s is measured %d times", l.Name, measured[l.ID])
		}
	}
	slices.Sort(all)
	if len(slices.Compact(all)) != len(bench.Steps(d.Kitchen, d.p, nil)) {
		return "two steps have one id"
	}
	return ""
}

// clockAgrees: in a bake the clock times are the minutes of the plan from its beginning on, also when minutes were
// added, and the stage that runs ends when the next begins.
func clockAgrees(d drawn) string {
	const added = 7
	before := bake.At(d.p, nil, d.p.Timer.Begin.Add(2*time.Minute))
	moves := bake.Happening{Stamp: journal.Stamp{Seq: 1, At: d.p.Timer.Begin.Add(time.Minute)}, What: bake.Moved,
		Minutes: added}
	after := bake.At(d.p, []bake.Happening{moves}, d.p.Timer.Begin.Add(2*time.Minute))
	for _, s := range []bake.State{before, after} {
		for _, m := range s.Moments {
			if !m.At.Equal(m.Moment.At(s.Begin)) {
				return fmt.Sprintf("%s at %s is minute %d of what began at %s", m.Say, m.At.Format("15:04"), m.After,
					s.Begin.Format("15:04"))
			}
			if m.Kind == "ready" && !m.At.Equal(s.Ready) {
				return fmt.Sprintf("ready at %s, its moment at %s", s.Ready.Format("15:04"), m.At.Format("15:04"))
			}
		}
		if n := slices.IndexFunc(s.Stages, func(st machine.Span) bool { return st.From <= 2 && st.To > 2 }); n >= 0 &&
			s.Stage != "" &&
			!s.Ends.Equal(s.Begin.Add(time.Duration(s.Stages[n].To)*time.Minute)) {
			return fmt.Sprintf("%s ends at %s, its minutes at %d", s.Stage, s.Ends.Format("15:04"), s.Stages[n].To)
		}
	}
	if moved := after.Ready.Sub(before.Ready); moved != added*time.Minute {
		return fmt.Sprintf("%d minutes were added, and it is ready %s later", added, moved)
	}
	return ""
}

// totalsAgree: totals are the sums of their parts.
func totalsAgree(d drawn) string {
	whole := 0.0 // what all percentages are of, by the first line that has one
	for _, l := range d.p.Lines {
		if l.Percent < 1 {
			continue
		}
		is := 100 * float64(l.Exact) / l.Percent
		if whole == 0 {
			whole = is
		}
		if math.Abs(is-whole) > 0.01*whole {
			return fmt.Sprintf("%s is %g %% of %.0f g, another line of %.0f g", l.Name, l.Percent, is, whole)
		}
	}
	var stages machine.Minutes
	for n, s := range d.p.Stages {
		if n > 0 && s.From < d.p.Stages[n-1].To {
			return "two stages run at once"
		}
		stages += s.To - s.From
	}
	if stages != d.p.Setting.Total {
		return fmt.Sprintf("the cycle takes %d minutes, its stages %d", d.p.Setting.Total, stages)
	}
	return ""
}
