package kitchen

import (
	"fmt"
	"time"

	"risepan/core/vocab"
)

// Clock is a time of day, in minutes from midnight.
type Clock int

// ParseClock reads "22:30" or "7:05".
func ParseClock(s string) (Clock, error) {
	t, err := time.Parse("15:04", s)
	if err != nil {
		return 0, fmt.Errorf("%q is not a time of day: use one such as 22:30", vocab.Clip(s))
	}
	return Clock(t.Hour()*60 + t.Minute()), nil
}

func (c Clock) String() string               { return fmt.Sprintf("%02d:%02d", int(c)/60, int(c)%60) }
func (c Clock) MarshalText() ([]byte, error) { return []byte(c.String()), nil }

func (c *Clock) UnmarshalText(text []byte) error {
	v, err := ParseClock(string(text))
	if err == nil {
		*c = v
	}
	return err
}

// Face is how a kitchen's clock shows the time of day.
type Face string

const (
	Of24 Face = "24 hours"
	Of12 Face = "12 hours"
)

// Faces are the ways to show the time of day.
var Faces = []Face{Of24, Of12}

func (f Face) Words() []string { return vocab.List(Faces) }
func (f *Face) UnmarshalText(text []byte) error {
	return vocab.Read(f, text, "face of a clock", Faces)
}

// Text writes a time of day: "19:05", or "7:05 pm".
func (f Face) Text(c Clock) string {
	if f != Of12 {
		return c.String()
	}
	half := "am"
	if c >= day/2 {
		half = "pm"
	}
	return fmt.Sprintf("%d:%02d %s", (int(c)/60+11)%12+1, int(c)%60, half)
}

// Quiet are the hours in which nobody should be woken, maybe over midnight. The same time twice is
// none.
type Quiet struct {
	From Clock `json:"from"`
	To   Clock `json:"to"`
}

const day = 24 * 60

func (q Quiet) IsZero() bool { return q.From == q.To }

// Holds reports whether a time of day, in minutes from midnight, is quiet.
func (q Quiet) Holds(minute int) bool {
	return (minute-int(q.From)+day)%day < (int(q.To)-int(q.From)+day)%day
}

// Until is how many minutes there are from a time of day to the end of the quiet hours.
func (q Quiet) Until(minute int) int { return (int(q.To) - minute + day) % day }
