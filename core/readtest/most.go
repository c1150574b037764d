package readtest

import (
	"errors"
	"testing"

	"risepan/core/fault"
)

// Limit is how many or how much a field holds at most: check builds a value with n in the field and checks it.
type Limit struct {
	Field string // a pointer, as in a fault
	Most  int
	Check func(n int) error
}

// Limits wants each field filled to its limit accepted, and one more refused at that field. What else is wrong
// with the value that check builds does not matter, as long as the field is looked at first.
func Limits(t *testing.T, all []Limit) {
	t.Helper()
	for _, l := range all {
		if f := refused(l.Check(l.Most)); f != nil && f.Pointer == l.Field {
			t.Errorf("%s: %d are refused: %v", l.Field, l.Most, f)
		}
		if f := refused(l.Check(l.Most + 1)); f == nil || f.Pointer != l.Field {
			t.Errorf("%s: %d are not refused there, but as %v", l.Field, l.Most+1, f)
		}
	}
}

func refused(err error) *fault.Fault {
	var f *fault.Fault
	errors.As(err, &f)
	return f
}
