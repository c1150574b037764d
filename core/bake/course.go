package bake

import (
	"slices"
	"time"

	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/timetable"
)

// course is how a bake goes on the clock: its plan, moved by what happened since. Minutes are since the cycle
// began.
type course struct {
	begin   time.Time
	stages  []machine.Span
	moments []timetable.Moment
	total   machine.Minutes // the machine's, with its pauses
	paused  string          // the moment at which the machine waits for Start; empty: it does not
}

// begun is a plan's course whose cycle begins at an instant.
func begun(p plan.Plan, at time.Time) course {
	return course{begin: at, stages: slices.Clone(p.Stages), moments: slices.Clone(p.Moments),
		total: machine.Minutes(p.Timer.Ready.Sub(p.Timer.Begin) / time.Minute)}
}

// courseOf moves a plan by what happened, up to now.
func courseOf(p plan.Plan, standing []Happening, now time.Time) course {
	c := begun(p, p.Timer.Begin)
	var refused *Happening
	for _, h := range standing {
		switch h.What {
		case Refused:
			refused = &h
		case Resumed:
			at := h.At.Add(-time.Duration(h.Minutes) * time.Minute)
			if h.Moment != string(timetable.Refused) {
				c.resume(h.Moment, at)
				continue
			}
			refused, c.begin = nil, p.Timer.Begin.Add(at.Sub(p.Timer.Press))
		case Moved:
			c.later(h.At, h.Minutes)
		case StageOver:
			c.stageOver(h.At)
		case Restarted:
			c = begun(p, h.At.Add(-time.Duration(h.Minutes)*time.Minute))
		case PowerCut:
			if h.Cut != nil && h.Cut.Resumed {
				c.later(h.Cut.From, int(h.Cut.To.Sub(h.Cut.From)/time.Minute))
			}
		}
	}
	if refused != nil {
		c.refuse(p, *refused, now)
		return c
	}
	for _, m := range c.moments {
		if m.Waits && !resumed(standing, m.ID) && !now.Before(c.at(m.After)) {
			c.paused = m.ID
			c.resume(m.ID, maxTime(now, c.at(m.After+m.Hands)))
			break
		}
	}
	return c
}

// Follow moves what a list keeps of a running bake beyond a wait for Start that nobody has answered: it goes on no
// sooner than now.
func Follow(c Clock, moments []Moment, now time.Time) (Clock, []Moment) {
	n := slices.IndexFunc(moments, func(m Moment) bool { return m.Waits && !m.Done && !m.At.After(now) })
	if n < 0 {
		return c, moments
	}
	wait := moments[n]
	late := wholeMinutes(now.Sub(wait.At.Add(time.Duration(wait.Hands) * time.Minute)))
	moments = slices.Clone(moments)
	for n := range moments {
		if m := &moments[n]; m.At.After(wait.At) && m.Kind != timetable.Refused {
			m.At = m.At.Add(late)
		}
	}
	if c.Begin.After(wait.At) {
		c.Begin = c.Begin.Add(late)
	}
	c.Ready, c.WarmUntil = c.Ready.Add(late), c.WarmUntil.Add(late)
	return c, moments
}

// wholeMinutes is a time rounded up to minutes; none where it is past.
func wholeMinutes(d time.Duration) time.Duration {
	return max(0, (d + time.Minute - 1).Truncate(time.Minute))
}

func resumed(standing []Happening, moment string) bool {
	return slices.ContainsFunc(standing, func(h Happening) bool { return h.What == Resumed && h.Moment == moment })
}

func maxTime(a, b time.Time) time.Time {
	if a.After(b) {
		return a
	}
	return b
}

func minTime(a, b time.Time) time.Time {
	if a.Before(b) {
		return a
	}
	return b
}

// at is a minute of the cycle on the clock.
func (c course) at(m machine.Minutes) time.Time {
	return c.begin.Add(time.Duration(m) * time.Minute)
}

// minute is an instant as a minute of the cycle, rounded down.
func (c course) minute(t time.Time) machine.Minutes {
	return machine.Minutes(t.Sub(c.begin).Truncate(time.Minute) / time.Minute)
}

// resume moves what comes after a pause to where Start was pressed again.
func (c *course) resume(moment string, at time.Time) {
	n := slices.IndexFunc(c.moments, func(m timetable.Moment) bool { return m.ID == moment })
	if n < 0 {
		return
	}
	m := c.moments[n]
	c.shift(m.After, max(c.minute(at), m.After)-m.After-m.Hands)
}

// later moves what is to come after an instant by so many minutes; before the cycle began, the cycle itself.
func (c *course) later(from time.Time, minutes int) {
	if from.Before(c.begin) {
		c.begin = maxTime(from, c.begin.Add(time.Duration(minutes)*time.Minute))
		return
	}
	c.shift(c.minute(from), machine.Minutes(minutes))
}

// stageOver ends the stage that runs at an instant there.
func (c *course) stageOver(at time.Time) {
	now := c.minute(at)
	for _, s := range c.stages {
		if now >= s.From && now < s.To {
			c.settle(now, s.Slack)
			c.shift(now, now-s.To)
			return
		}
	}
}

// settle closes the windows of what comes after a stage that could have been shorter: how long it took is known now.
func (c *course) settle(after, slack machine.Minutes) {
	for n := range c.moments {
		m := &c.moments[n]
		if m.UpTo == 0 || m.UpTo <= after || slack == 0 {
			continue
		}
		if m.After = min(m.After+slack, m.UpTo); m.After == m.UpTo {
			m.UpTo = 0
		}
	}
}

// shift moves what comes after a minute, never to before it.
func (c *course) shift(after, by machine.Minutes) {
	moved := func(m machine.Minutes) machine.Minutes {
		if m <= after {
			return m
		}
		return max(m+by, after)
	}
	for n := range c.stages {
		s := &c.stages[n]
		s.From, s.To = moved(s.From), moved(s.To)
	}
	for n := range c.moments {
		m := &c.moments[n]
		m.After = moved(m.After)
		if m.UpTo > 0 {
			m.UpTo = moved(m.UpTo)
		}
	}
	c.total = moved(c.total)
}

// stage is what the machine does at an instant, and until when; empty while it waits for Start and where it is done.
func (c course) stage(at time.Time) (machine.StageKind, time.Time) {
	into := c.minute(at)
	for _, s := range c.stages {
		if into >= s.From && into < s.To && c.paused == "" {
			return s.Kind, c.at(s.To)
		}
	}
	return "", time.Time{}
}
