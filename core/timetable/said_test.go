package timetable_test

import (
	"fmt"
	"testing"
	"time"

	"risepan/core/machine"
	"risepan/core/readtest"
	"risepan/core/timetable"
)

// Timers of every rule and step, for times from too soon to too far.
func TestWhatTimersShow(t *testing.T) {
	press := time.Date(2026, 3, 10, 20, 3, 0, 0, time.UTC)
	var all []readtest.Said
	for _, rule := range machine.DelayRules {
		for _, step := range []machine.Minutes{0, 5, 10, 15, 30} {
			var said readtest.Rows
			for in := machine.Minutes(100); in < 16*60; in += 67 {
				delay, at := machine.Delay{Rule: rule, Step: step, Largest: 13 * 60},
					press.Add(time.Duration(in)*time.Minute)
				for _, notYet := range []bool{false, true} {
					set := timetable.Set(delay, true, 200, press, timetable.Wish{At: at, NotYet: notYet})
					said.Add(t, fmt.Sprintf("in %s, not before %t", in, notYet), set)
				}
			}
			for _, total := range []machine.Minutes{115, 200} {
				at := press.Add(7 * time.Hour)
				said.Add(t, fmt.Sprintf("a cycle of %s without a delay", total),
					timetable.Set(machine.Delay{Rule: rule, Step: step, Largest: 10 * 60}, false, total, press,
						timetable.Wish{At: at}))
				said.Add(t, fmt.Sprintf("a cycle of %s and a timer to 2 h", total),
					timetable.Set(machine.Delay{Rule: rule, Step: step, Largest: 2 * 60}, true, total, press,
						timetable.Wish{At: at}))
			}
			all = append(all, readtest.Said{Name: fmt.Sprintf("%s, steps of %d", rule, step), Value: &said})
		}
	}
	readtest.Hold(t, all)
}
