package timetable_test

import (
	"fmt"
	"time"

	"risepan/core/machine"
	"risepan/core/timetable"
)

func Example() {
	press := time.Date(2026, 3, 10, 21, 0, 0, 0, time.UTC)
	by := machine.Delay{Rule: "finish-based", Step: 10, Largest: 13 * 60}
	t := timetable.Set(by, true, 200, press, timetable.Wish{At: press.Add(10*time.Hour + 5*time.Minute)})
	fmt.Println(t.Fit, t.Setting, t.Ready.Format("15:04"))
	// Output: delayed 10 h 00 07:00
}
