package kitchen

import (
	"fmt"
	"slices"
	"time"

	"risepan/core/fault"
	"risepan/core/validate"
)

// Absence is a time in which nobody is home, or nobody's hands are free.
type Absence struct {
	From time.Time `json:"from"`
	To   time.Time `json:"to"`
	Name string    `json:"name,omitzero"` // such as "Market"
}

// mostAbsences is how many a kitchen keeps.
const mostAbsences = 400

// Absent is the absence that holds an instant; ok is false where somebody is home. Of several it is the one that ends
// last.
func (k Kitchen) Absent(at time.Time) (a Absence, ok bool) {
	for _, one := range k.Absences {
		if !at.Before(one.From) && at.Before(one.To) && (!ok || one.To.After(a.To)) {
			a, ok = one, true
		}
	}
	return a, ok
}

// WithAbsences is the kitchen with more absences, in order, each once; those that ended before now are forgotten.
func (k Kitchen) WithAbsences(more []Absence, now time.Time) Kitchen {
	k.Absences = slices.Clone(k.Absences)
	for _, a := range more {
		if !slices.ContainsFunc(k.Absences, a.same) {
			k.Absences = append(k.Absences, a)
		}
	}
	k.Absences = slices.DeleteFunc(k.Absences, func(a Absence) bool { return !a.To.After(now) })
	slices.SortFunc(k.Absences, func(a, b Absence) int { return a.From.Compare(b.From) })
	return k
}

// WithoutAbsences is the kitchen without some absences.
func (k Kitchen) WithoutAbsences(some []Absence) Kitchen {
	k.Absences = slices.DeleteFunc(slices.Clone(k.Absences), func(a Absence) bool {
		return slices.ContainsFunc(some,
			a.same)
	})
	return k
}

func (a Absence) same(b Absence) bool {
	return a.From.Equal(b.From) && a.To.Equal(b.To) && a.Name == b.Name
}

func (k Kitchen) checkAbsences() error {
	if len(k.Absences) > mostAbsences {
		return fault.At("/absences", "at most %d absences can be kept", mostAbsences)
	}
	for n, a := range k.Absences {
		at := fmt.Sprintf("/absences/%d", n)
		if !a.To.After(a.From) {
			return fault.At(at+"/to", "an absence ends after it has begun")
		}
		if err := validate.Short(at+"/name", "what the absence is", a.Name, longName); err != nil {
			return err
		}
	}
	return nil
}
