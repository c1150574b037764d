package bake_test

import (
	"fmt"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/journal"
	"risepan/core/readtest"
)

// A filled loaf, looked at every ten minutes until it is cold, undisturbed and after each thing that can happen to it.
func TestWhatABakeSays(t *testing.T) {
	const pause = "paddle out 1"
	happens := func(when string, h bake.Happening) bake.Happening {
		h.Stamp = journal.Stamp{At: clock(when), Seq: 1}
		return h
	}
	var all []readtest.Said
	for _, c := range []struct {
		name string
		h    []bake.Happening
	}{
		{"as planned", nil},
		{"pressed", []bake.Happening{happens("10:25", bake.Happening{What: bake.Resumed, Moment: pause})}},
		{"stage over", []bake.Happening{happens("09:50", bake.Happening{What: bake.StageOver})}},
		{"refused", []bake.Happening{happens("09:01", bake.Happening{What: bake.Refused, Refusal: bake.TooHot})}},
		{"a cut", []bake.Happening{happens("09:59", bake.Happening{What: bake.PowerCut, Cut: &bake.Cut{From: clock("09:45"), To: clock("09:57"), Resumed: true}})}},
		{"a longer cut", []bake.Happening{happens("11:40", bake.Happening{What: bake.PowerCut, Cut: &bake.Cut{From: clock("10:45"), To: clock("11:35")}})}},
		{"given up", []bake.Happening{happens("10:00", bake.Happening{What: bake.Abandoned})}},
	} {
		p := swirl(t, "")
		var said []any
		for now := clock("09:00"); now.Before(clock("16:00")); now = now.Add(10 * time.Minute) {
			told := c.h
			if len(told) > 0 && told[0].At.After(now) {
				told = nil
			}
			said = append(said, bake.At(p, told, now))
		}
		all = append(all, readtest.Said{Name: fmt.Sprintf("a filled loaf, %s", c.name), Value: said})
	}
	readtest.Hold(t, all)
}
