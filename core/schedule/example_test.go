package schedule_test

import (
	"context"
	"fmt"

	"risepan/core/schedule"
)

func Example() {
	loaf := schedule.Job{From: 600, By: 600, Ways: []schedule.Option{{Run: 180, Load: 15, First: 10, Step: 10,
		Longest: 780}}}
	p, err := schedule.Make(context.Background(), schedule.Wanted{
		Loaves: []schedule.Job{loaf, loaf}, Machines: []schedule.Resource{{Cool: 30}}, Pairs: 1, Ends: 1440,
	})
	fmt.Println(err, p.Proven)
	for _, l := range p.Loaves {
		fmt.Printf("ready at %d:%02d, %d minutes late\n", l.Ready/60, l.Ready%60, l.Late)
	}
	// Output:
	// <nil> true
	// ready at 10:00, 0 minutes late
	// ready at 6:25, 0 minutes late
}
