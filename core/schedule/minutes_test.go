package schedule

import (
	"math/rand/v2"
	"testing"
)

// Whether minutes of a day lie in a span, beside trying each of them, up to the day's end and over it.
func TestMinutesThatMeetASpan(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 9))
	for range 400 {
		ends := 1 + r.IntN(40)
		span := func() Span {
			from := r.IntN(ends+6) - 3
			return Span{From: from, To: from + r.IntN(8)}
		}
		var spans []Span
		for range r.IntN(4) {
			spans = append(spans, span())
		}
		m, asked := minutesOf(ends, spans), span()
		want := false
		for at := max(asked.From, 0); at < min(asked.To, ends+1); at++ {
			for _, s := range spans {
				want = want || at >= s.From && at < s.To
			}
		}
		if got := m.meets(asked); got != want {
			t.Fatalf("on a day that ends at %d, %v in %v: %v, want %v", ends, spans, asked, got, want)
		}
	}
}
