package fault

import (
	"errors"
	"fmt"
)

// Fault is a mistake in one field of what was sent.
type Fault struct {
	Pointer string // JSON pointer to the field, such as /lines/1/amount
	Detail  string // what was wrong and what would be right, in the baker's words
}

func (f *Fault) Error() string {
	if f.Pointer == "" {
		return f.Detail
	}
	return f.Pointer + ": " + f.Detail
}

// At makes a fault at a field.
func At(pointer, format string, args ...any) error {
	return &Fault{pointer, fmt.Sprintf(format, args...)}
}

// Under moves a fault below the field that holds the faulty value; another error becomes a fault there.
func Under(prefix string, err error) error {
	if f, ok := err.(*Fault); ok {
		return &Fault{prefix + f.Pointer, f.Detail}
	}
	return At(prefix, "%v", err)
}

// Says is what an error says, without where; nothing for no error.
func Says(err error) string {
	var f *Fault
	switch {
	case err == nil:
		return ""
	case errors.As(err, &f):
		return f.Detail
	}
	return err.Error()
}
