package rehearse_test

import (
	"fmt"
	"testing"
	"time"

	"risepan/core/readtest"
	"risepan/core/rehearse"
)

// Rehearsed loaves under each slip, looked at as the clock runs.
func TestWhatARehearsalShows(t *testing.T) {
	var all []readtest.Said
	for _, slip := range rehearse.Slips {
		for _, name := range []string{"Towpath white", "Mooring raisin loaf"} {
			p := practise(t, name, "", slip)
			p.press(p.r.Plan.Setting.Presses)
			var said readtest.Rows
			for n := range 24 {
				p.now = p.now.Add(time.Minute)
				if n%6 == 0 {
					said.Add(t, fmt.Sprintf("minute %d", n+1), seen(p.state()))
				}
			}
			p.do(rehearse.Happening{What: rehearse.Paced, Pace: 600})
			for n := range 12 {
				p.now = p.now.Add(2 * time.Second)
				if n%3 == 0 {
					said.Add(t, fmt.Sprintf("at a quicker pace, %d s", 2*n+2), seen(p.state()))
				}
			}
			all = append(all, readtest.Said{Name: name + ", " + string(slip), Value: &said})
		}
	}
	readtest.Hold(t, all)
}

// seen is a state without what the bake's own page holds.
func seen(s rehearse.State) rehearse.State {
	s.Bake, s.Happens = nil, nil
	return s
}
