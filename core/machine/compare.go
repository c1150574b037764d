package machine

import (
	"fmt"
	"strings"

	"risepan/core/measure"
)

// Totals are how long a cycle does each thing, in minutes.
type Totals struct {
	Rest       Minutes `json:"rest"`
	Knead      Minutes `json:"knead"`
	Rise       Minutes `json:"rise"`
	Bake       Minutes `json:"bake"`
	KnockBacks int     `json:"knockBacks"`
	All        Minutes `json:"all"`
}

// Totals adds the stages up at a size and crust.
func (c Cycle) Totals(size measure.LoafSize, crust Crust) Totals {
	var t Totals
	for _, s := range c.Stages {
		m := s.For(size, crust)
		if m <= 0 {
			continue
		}
		t.All += m
		switch s.Kind {
		case Rest:
			t.Rest += m
		case Knead:
			t.Knead += m
		case Rise:
			t.Rise += m
		case KnockBack:
			t.KnockBacks++
		case Bake:
			t.Bake += m
		}
	}
	return t
}

// Beside says how a cycle differs from another: "rises 25 min longer, bakes 5 min more". Differences
// of less than 3 minutes are no difference to bread.
func (t Totals) Beside(other Totals) string {
	var parts []string
	say := func(d Minutes, longer, shorter string) {
		if d >= 3 {
			parts = append(parts, fmt.Sprintf(longer, d))
		} else if d <= -3 {
			parts = append(parts, fmt.Sprintf(shorter, -d))
		}
	}
	say(t.Rest-other.Rest, "rests %d min longer", "rests %d min less")
	say(t.Knead-other.Knead, "kneads %d min longer", "kneads %d min less")
	say(t.Rise-other.Rise, "rises %d min longer", "rises %d min less")
	say(t.Bake-other.Bake, "bakes %d min more", "bakes %d min less")
	switch d := t.KnockBacks - other.KnockBacks; {
	case d == 1:
		parts = append(parts, "knocks the dough back once more")
	case d > 1:
		parts = append(parts, fmt.Sprintf("knocks the dough back %d times more", d))
	case d < 0:
		parts = append(parts, fmt.Sprintf("knocks the dough back %d fewer", -d))
	}
	if len(parts) == 0 {
		return "does the same in the same time"
	}
	return strings.Join(parts, ", ")
}
