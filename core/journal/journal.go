package journal

import (
	"slices"
	"time"
)

// Stamp is the number and the time of a happening, and who said that it happened. All are given by the record book.
type Stamp struct {
	Seq int       `json:"seq"`
	At  time.Time `json:"at"`
	By  string    `json:"by,omitzero"` // empty: whoever uses the kitchen
}

// Number is the happening's place in its journal.
func (s Stamp) Number() int { return s.Seq }

// Entry is one thing that happened.
type Entry interface {
	Number() int
	TakesBack() int // the number of an earlier happening that this one takes back; 0 for none
}

// Last is the number of the newest happening; 0 where nothing happened.
func Last[H Entry](happened []H) int {
	if len(happened) == 0 {
		return 0
	}
	return happened[len(happened)-1].Number()
}

// Standing are the happenings that were not taken back, without those that took others back. An undoing that is taken
// back itself leaves standing what it had taken.
func Standing[H Entry](happened []H) []H {
	back := map[int]bool{}
	var out []H
	for _, h := range slices.Backward(happened) {
		switch of := h.TakesBack(); {
		case back[h.Number()]:
		case of > 0:
			back[of] = true
		default:
			out = append(out, h)
		}
	}
	slices.Reverse(out)
	return out
}
