package formats_test

import (
	"encoding/csv"
	"reflect"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/measure"
	"risepan/core/readtest"
	"risepan/formats"
)

// The night on which the clocks of Paris go back has two half past twos: the offset tells them apart.
func TestTheLogAsATable(t *testing.T) {
	paris, err := time.LoadLocation("Europe/Paris")
	if err != nil {
		t.Fatal(err)
	}
	out := time.Date(2026, 10, 25, 4, 10, 0, 0, time.UTC)
	under := -12
	first := formats.Bake{Recipe: `=HYPERLINK("x")`, Machine: "Пекарня, синяя", Size: measure.LoafPounds(3, 2),
		Panel: "1", Cycle: "Basic",
		Started: time.Date(2026, 10, 25, 0, 30, 0, 0, time.UTC), Ready: time.Date(2026, 10, 25, 3, 46, 0, 0, time.UTC),
		Ended: &out,
		Phase: bake.Out, Verdict: bake.Verdict{Mark: 4, Note: "Rose \"well\",\nand did not fall\n-2 min",
			Signs: []bake.Sign{bake.Domed, bake.Coarse}, Weight: 731, Centre: &under, Room: measure.Reading(21)}}
	second := first
	second.Recipe, second.Machine, second.Verdict, second.Ended, second.Phase, second.Rehearsed = "'Twas plain", "-1",
		bake.Verdict{Note: "@home"}, nil, bake.Running, true
	second.Started = first.Started.Add(time.Hour)
	var b strings.Builder
	if err := formats.WriteLog(&b, []formats.Bake{first, second}, paris); err != nil {
		t.Fatal(err)
	}
	text, marked := strings.CutPrefix(b.String(), "\ufeff")
	rows, err := csv.NewReader(strings.NewReader(text)).ReadAll()
	if err != nil || !marked || len(rows) != 3 {
		t.Fatalf("%d rows, marked as UTF-8: %v, %v", len(rows), marked, err)
	}
	for n, want := range [][]string{
		{"2026-10-25 02:30", "UTC+02:00", `'=HYPERLINK("x")`, "1 1/2 lb", "Пекарня, синяя", "1", "Basic",
			"2026-10-25 04:46", "2026-10-25 05:10", "out", "4", first.Verdict.Note,
			"domed, near the rim; coarse, holey", "731", "-12", "", "", "21 °C", ""},
		{"2026-10-25 02:30", "UTC+01:00", "''Twas plain", "1 1/2 lb", "'-1", "1", "Basic", "2026-10-25 04:46", "",
			"running", "", "'@home", "", "", "", "", "", "", "yes"},
	} {
		if !slices.Equal(rows[n+1], want) {
			t.Errorf("row %d is %q, want %q", n+1, rows[n+1], want)
		}
	}
}

// A log comes back as it went out, also from a spreadsheet that puts semicolons between its cells and its columns in
// another order; what cannot be read is told by its row and stops no other.
func TestTheLogComesBack(t *testing.T) {
	paris, err := time.LoadLocation("Europe/Paris")
	if err != nil {
		t.Fatal(err)
	}
	out := time.Date(2026, 10, 25, 4, 10, 0, 0, time.UTC)
	var bakes []formats.Bake
	for n, note := range []string{"plain", "=1+1", "'quoted", "two\nlines, \"and\" quotes", "Пекарня; 面包", "-2 min",
		""} {
		b := formats.Bake{Recipe: strings.TrimSpace(note + " loaf"), Machine: "@home", Size: measure.LoafPounds(3, 2),
			Panel: "1", Cycle: "Basic", Started: time.Date(2026, 10, 25, n, 30, 0, 0, time.UTC).In(paris),
			Ready: time.Date(2026, 10, 25, 12, 46, 0, 0, time.UTC).In(paris), Ended: new(out.In(paris)),
			Phase: bake.Out, Rehearsed: n%2 == 1,
			Verdict: bake.Verdict{Mark: n % 6, Note: note, Signs: bake.Signs[n : n+2], Weight: 700, Centre: new(-n),
				Sides: new(n), Crust: "dark", Room: measure.Reading(20)}}
		bakes = append(bakes, b)
	}
	var file strings.Builder
	if err := formats.WriteLog(&file, bakes, paris); err != nil {
		t.Fatal(err)
	}
	text, err := formats.Text([]byte(file.String()))
	if err != nil || !formats.IsLog(text) {
		t.Fatalf("it is no log: %v", err)
	}
	back, faults, err := formats.ReadLog(text, paris)
	if err != nil || len(faults) > 0 || len(back) != len(bakes) {
		t.Fatalf("%d bakes of %d, %v, %v", len(back), len(bakes), faults, err)
	}
	for n := range bakes {
		b, w := back[n], bakes[n]
		if !b.Started.Equal(w.Started) || !b.Ready.Equal(w.Ready) || !b.Ended.Equal(*w.Ended) ||
			b.Recipe != w.Recipe || b.Machine != w.Machine || b.Size != w.Size || b.Rehearsed != w.Rehearsed ||
			!reflect.DeepEqual(b.Verdict, w.Verdict) {
			t.Errorf("row %d went out as %+v and came back as %+v", n+2, w, b)
		}
	}
	other := "note;size;recipe;machine;started;mark of 5\nfine;1 1/2 lb;White;Galley;25.10.2026 " +
		"08:00;4\nodd;huge;White;Galley;25.10.2026 08:00;4\n;;;;;\n;2 lb;;Galley;yesterday;9\n"
	back, faults, err = formats.ReadLog(other, paris)
	if err != nil || len(back) != 1 || back[0].Verdict.Mark != 4 || len(faults) != 2 || faults[0].Row != 3 ||
		faults[1].Row != 5 {
		t.Errorf("%+v, %+v, %v", back, faults, err)
	}
	for _, bad := range []string{"", "a,b\n1,2", "started,recipe\n"} {
		if _, _, err := formats.ReadLog(bad, paris); err == nil {
			t.Errorf("%q is taken for a log", bad)
		}
	}
}

func FuzzReadLog(f *testing.F) {
	f.Add("started,recipe,machine,size\n2026-10-25 02:30,White,Galley,1 lb\n")
	f.Add("started;recipe;machine;size;signs\n\"2026-10-25 02:30\";'=x;Galley;750 g;sunken top\n")
	f.Fuzz(func(t *testing.T, text string) {
		var bakes []formats.Bake
		var err error
		readtest.Within(t, len(text), func() { bakes, _, err = formats.ReadLog(text, time.UTC) })
		if err != nil {
			return
		}
		for _, b := range bakes {
			if b.Recipe == "" || b.Started.IsZero() || b.Verdict.Mark < 0 || b.Verdict.Mark > 5 {
				t.Errorf("%+v is taken for a bake", b)
			}
		}
	})
}
