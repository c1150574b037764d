package formats

import (
	"fmt"

	"risepan/core/day"
	"risepan/core/kitchen"
)

// DayLoaves are a day's loaves as a calendar shows them: every moment for hands, those of bakes that run among them.
func DayLoaves(date kitchen.Date, d day.Day) []Entry {
	var out []Entry
	at := map[string]int{}
	for _, m := range d.Hands {
		id := m.Bake
		if id == "" {
			id = date.String() + "-" + m.Loaf
		}
		k, known := at[id]
		if !known {
			k = len(out)
			at[id], out = k, append(out, Entry{ID: id, Name: m.Name, About: m.Name + ", " + m.On})
		}
		out[k].Hands = append(out[k].Hands, Hand{ID: fmt.Sprintf("%s-%d", m.Does, len(out[k].Hands)), At: m.At,
			Lasts: max(shortest, m.To.Sub(m.At)), Say: m.Name + ": " + m.Say})
	}
	return out
}
