package recipe

import (
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
)

// The reader's time grows with what it reads and no faster: 10,000 lines in well under a second.
func BenchmarkReadingTenThousandLines(b *testing.B) {
	var rows []string
	for _, row := range strings.Split(lineCorpus, "\n") {
		if text, _, ok := strings.Cut(row, " => "); ok {
			rows = append(rows, text)
		}
	}
	r := reading{measure.US, larder.Find}
	b.ReportAllocs()
	for b.Loop() {
		for n := range 10_000 {
			r.rows(rows[n%len(rows)])
		}
	}
}
