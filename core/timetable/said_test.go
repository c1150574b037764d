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
			for _, largest := range []machine.Minutes{10 * 60, 13 * 60} {
				var said []any
				for in := machine.Minutes(100); in < 16*60; in += 37 {
					for _, total := range []machine.Minutes{115, 200} {
						for _, notYet := range []bool{false, true} {
							for _, delay := range []bool{false, true} {
								said = append(said, timetable.Set(machine.Delay{Rule: rule, Step: step, Largest: largest}, delay, total, press, timetable.Wish{At: press.Add(time.Duration(in) * time.Minute), NotYet: notYet}))
							}
						}
					}
				}
				all = append(all, readtest.Said{Name: fmt.Sprintf("%s, steps of %d to %s", rule, step, largest), Value: said})
			}
		}
	}
	readtest.Hold(t, all)
}
