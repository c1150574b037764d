package usecase

import (
	"errors"
	"fmt"
	"time"

	"risepan/core/fault"
)

// Kind is why a request is refused although no field of it is at fault.
type Kind int

const (
	Conflict        Kind = iota + 1 // things stand otherwise than the sender thinks
	Unauthorized                    // nobody is signed in
	Forbidden                       // this person may not do that
	NotFound                        // there is no such thing
	TooManyRequests                 // it was tried too often
)

// Refusal is an error of a request that cannot be done as things stand. Its text is for bakers.
type Refusal struct {
	Kind    Kind
	Pointer string // to a field, where one is meant
	Detail  string
	Closed  bool          // the kitchen is closed to this device: its page goes to the door
	Wait    time.Duration // until it may be tried again
	Plan    *PlanAnswer   // of a plan that has changed: as it would be now
}

func (r *Refusal) Error() string { return r.Detail }

func refuse(kind Kind, pointer, format string, args ...any) *Refusal {
	return &Refusal{Kind: kind, Pointer: pointer, Detail: fmt.Sprintf(format, args...)}
}

// under moves the pointer of a mistake below the field that holds the faulty value.
func under(prefix string, err error) error {
	var f *fault.Fault
	var r *Refusal
	switch {
	case errors.As(err, &f):
		return fault.At(prefix+f.Pointer, "%s", f.Detail)
	case errors.As(err, &r):
		moved := *r
		moved.Pointer = prefix + r.Pointer
		return &moved
	}
	return err
}
