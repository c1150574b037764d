package rehearse_test

import (
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
			var said []any
			for range 24 {
				p.now = p.now.Add(time.Minute)
				said = append(said, p.state())
			}
			p.do(rehearse.Happening{What: rehearse.Paced, Pace: 600})
			for range 12 {
				p.now = p.now.Add(2 * time.Second)
				said = append(said, p.state())
			}
			all = append(all, readtest.Said{Name: name + ", " + string(slip), Value: said})
		}
	}
	readtest.Hold(t, all)
}
