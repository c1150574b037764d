package sheet_test

import (
	"encoding/csv"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/measure"
	"risepan/sheet"
)

// The night on which the clocks of Paris go back has two half past twos: the offset tells them apart.
func TestTheLogAsATable(t *testing.T) {
	paris, err := time.LoadLocation("Europe/Paris")
	if err != nil {
		t.Fatal(err)
	}
	out := time.Date(2026, 10, 25, 4, 10, 0, 0, time.UTC)
	under := -12
	first := sheet.Bake{Recipe: `=HYPERLINK("x")`, Machine: "Пекарня, синяя", Size: measure.LoafPounds(3, 2), Panel: "1", Cycle: "Basic",
		Started: time.Date(2026, 10, 25, 0, 30, 0, 0, time.UTC), Ready: time.Date(2026, 10, 25, 3, 46, 0, 0, time.UTC), Ended: &out,
		Phase: bake.Out, Verdict: bake.Verdict{Mark: 4, Note: "Rose \"well\",\nand did not fall\n-2 min", Signs: []bake.Sign{bake.Domed, bake.Coarse}, Weight: 731, Centre: &under, Room: measure.Reading(21)}}
	second := first
	second.Recipe, second.Machine, second.Verdict, second.Ended, second.Phase, second.Rehearsed = "'Twas plain", "-1", bake.Verdict{Note: "@home"}, nil, bake.Running, true
	second.Started = first.Started.Add(time.Hour)
	var b strings.Builder
	if err := sheet.WriteLog(&b, []sheet.Bake{first, second}, paris); err != nil {
		t.Fatal(err)
	}
	text, marked := strings.CutPrefix(b.String(), "\ufeff")
	rows, err := csv.NewReader(strings.NewReader(text)).ReadAll()
	if err != nil || !marked || len(rows) != 3 {
		t.Fatalf("%d rows, marked as UTF-8: %v, %v", len(rows), marked, err)
	}
	for n, want := range [][]string{
		{"2026-10-25 02:30", "+02:00", `'=HYPERLINK("x")`, "1 1/2 lb", "Пекарня, синяя", "1", "Basic", "2026-10-25 04:46", "2026-10-25 05:10", "out", "4", first.Verdict.Note, "domed, near the rim; coarse, holey", "731", "-12", "", "", "21 °C", ""},
		{"2026-10-25 02:30", "+01:00", "''Twas plain", "1 1/2 lb", "'-1", "1", "Basic", "2026-10-25 04:46", "", "running", "", "'@home", "", "", "", "", "", "", "yes"},
	} {
		if !slices.Equal(rows[n+1], want) {
			t.Errorf("row %d is %q, want %q", n+1, rows[n+1], want)
		}
	}
}
