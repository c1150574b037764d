package scoop

import (
	"fmt"
	"strings"

	"risepan/core/measure"
)

// Spoken is what to pick up as it is said aloud: "1 cup and a third of a cup, 2 tablespoons and 1 teaspoon".
func (a Amount) Spoken() string {
	var parts []string
	for _, s := range a.Scoops {
		m := s.Measure
		switch {
		case m.Name != "" && s.Count == 1:
			parts = append(parts, m.Name)
		case m.Name == "" && m.Amount.Quantity.IsWhole():
			m.Amount.Quantity = m.Amount.Quantity.Times(measure.Whole(int64(s.Count)))
			parts = append(parts, m.Amount.Spoken()+jug(s))
		case s.Count == 1:
			parts = append(parts, m.Amount.Spoken()+jug(s))
		case m.Name != "":
			parts = append(parts, fmt.Sprintf("%d times %s", s.Count, m.Name))
		default:
			parts = append(parts, fmt.Sprintf("%d times %s%s", s.Count, m.Amount.Spoken(), jug(s)))
		}
	}
	if len(parts) < 2 {
		return strings.Join(parts, "")
	}
	return strings.Join(parts[:len(parts)-1], ", ") + " and " + parts[len(parts)-1]
}

func jug(s Scoops) string {
	if s.Jug {
		return " in the jug"
	}
	return ""
}
