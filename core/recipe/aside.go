package recipe

import (
	"fmt"
	"regexp"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

// Aside is what a line's note says of how the ingredient is taken.
type Aside struct {
	Grade  string // organic, ripe …
	State  string // softened, chopped …
	Warmth string // cold, room, warm, hot, or a temperature such as 30 °C
	Remark string // anything else
}

// Aside reads the line's note.
func (l Line) Aside() Aside {
	var a Aside
	add := func(to *string, s string) {
		if *to != "" {
			*to += ", "
		}
		*to += s
	}
	for _, seg := range strings.Split(l.Note, ",") {
		if seg = strings.TrimSpace(seg); seg == "" {
			continue
		}
		if m := temperature.FindStringSubmatch(seg); m != nil {
			a.Warmth = degrees(m)
			continue
		}
		f, bare := larder.Bare(seg)
		switch {
		case !bare:
			add(&a.Remark, seg)
		case f.Warmth != "":
			if !strings.Contains(a.Warmth, "°") {
				a.Warmth = warmths[strings.Fields(f.Warmth)[0]]
			}
			if f.State != "" {
				add(&a.State, f.State)
			}
		case f.State != "":
			add(&a.State, seg)
		default:
			add(&a.Grade, seg)
		}
	}
	return a
}

// leastFahrenheit is from which figure on a temperature without a unit can be no Celsius of a liquid.
const leastFahrenheit = 60

// Temperature is the temperature that the card asks of the line, in degrees or as cold or room; ok is false
// where it asks none, or only for something warm, which the balance of heat works out.
func (a Aside) Temperature() (t measure.Temperature, ok bool) {
	t, err := measure.ParseTemperature(a.Warmth)
	return t, err == nil
}

// waits are words of a note for what takes its time before the bake.
var waits = regexp.MustCompile(
	`(?i)\b(?:soak\w*|overnight|thaw\w*|steep\w*|sprout\w*|cooled? to|cooled|chill\w*|set aside)\b`)

// Waits reports whether the line's note asks for something that takes its time before the bake: "soaked
// overnight", "cooled to lukewarm".
func (l Line) Waits() bool { return waits.MatchString(l.Note) }

// degrees is a temperature as it is written, the middle of a range.
func degrees(m []string) string {
	var low, high int
	fmt.Sscan(m[1], &low)
	if high = low; m[2] != "" {
		fmt.Sscan(m[2], &high)
	}
	unit := "C"
	switch {
	case m[3] != "":
		unit = strings.ToUpper(m[3][:1])
	case low >= leastFahrenheit:
		unit = "F" // nobody warms a liquid to 60 °C
	}
	return fmt.Sprintf("%d °%s", (low+high)/2, unit)
}

// warmths say in one word what cards have many for.
var warmths = map[string]string{
	"boiling": "100 °C", "warm": "warm", "lukewarm": "warm", "tepid": "warm", "hot": "hot", "cold": "cold",
	"cool": "cold", "chilled": "cold", "iced": "cold", "icy": "cold",
	"ice": "cold", "room": "room",
}
