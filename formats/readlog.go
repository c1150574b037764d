package formats

import (
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"
	"time"

	"risepan/core/bake"
	"risepan/core/machine"
	"risepan/core/measure"
)

// LogFault is a row of a table that cannot be read, counted from 1 as a spreadsheet does.
type LogFault struct {
	Row int    `json:"row"`
	Say string `json:"say"`
}

// IsLog reports whether a text is the log as a table.
func IsLog(text string) bool {
	head, _, _ := strings.Cut(text, "\n")
	head = strings.ToLower(head)
	return strings.Contains(head, "started") && strings.Contains(head, "recipe") && strings.ContainsAny(head, ",;\t")
}

// mostRows is the most bakes of one table.
const mostRows = 5_000

// ReadLog reads the log as WriteLog writes it, also when a spreadsheet has put semicolons or tabs between its cells
// or the columns in another order. Times without an offset are on the clock of the zone. What cannot be read stops
// no other row.
func ReadLog(text string, zone *time.Location) ([]Bake, []LogFault, error) {
	text = strings.TrimPrefix(text, lettersMark)
	head, _, _ := strings.Cut(text, "\n")
	table := csv.NewReader(strings.NewReader(text))
	table.FieldsPerRecord, table.LazyQuotes, table.ReuseRecord = -1, true, true
	for _, comma := range []rune{';', '\t'} {
		if strings.Count(head, string(comma)) > strings.Count(head, ",") {
			table.Comma = comma
		}
	}
	names, err := table.Read()
	if err != nil {
		return nil, nil, errors.New("this table has no line of names")
	}
	at := map[string]int{}
	for n, name := range names {
		at[strings.ToLower(strings.TrimSpace(name))] = n
	}
	for _, needed := range []string{"started", "recipe", "machine", "size"} {
		if _, ok := at[needed]; !ok {
			return nil, nil, fmt.Errorf("this table has no column %q: a log has %s", needed, strings.Join(columns,
				", "))
		}
	}
	var out []Bake
	var faults []LogFault
	for n := 2; ; n++ {
		cells, err := table.Read()
		if errors.Is(err, io.EOF) {
			return out, faults, nil
		}
		if n > mostRows+1 {
			return nil, nil, fmt.Errorf("this table is too long: up to %d bakes at once", mostRows)
		}
		if err != nil {
			return nil, nil, fmt.Errorf("row %d cannot be read: a quotation mark may be missing", n)
		}
		r := row{cells, at, zone, nil}
		if b, ok := r.bake(); r.err != nil {
			faults = append(faults, LogFault{n, r.err.Error()})
		} else if ok {
			out = append(out, b)
		}
	}
}

// row is one row of a table while it is read; its first fault stays.
type row struct {
	cells []string
	at    map[string]int
	zone  *time.Location
	err   error
}

func (r *row) cell(name string) string {
	n, ok := r.at[name]
	if !ok || n >= len(r.cells) {
		return ""
	}
	return strings.TrimSpace(r.cells[n])
}

// text is a cell that somebody wrote, without the apostrophe that keeps it from being a formula.
func (r *row) text(name string) string { return strings.TrimPrefix(r.cell(name), "'") }

func (r *row) fail(name, want string) {
	if r.err == nil {
		r.err = fmt.Errorf("%s: %q is not %s", name, r.cell(name), want)
	}
}

func (r *row) number(name string) int {
	text := strings.ReplaceAll(r.cell(name), "−", "-")
	if text == "" {
		return 0
	}
	v, err := strconv.ParseFloat(strings.ReplaceAll(text, ",", "."), 64)
	if err != nil || v < -100_000 || v > 100_000 {
		r.fail(name, "a number")
		return 0
	}
	return int(v)
}

// layouts are the ways in which spreadsheets write a time again.
var layouts = []string{"2006-01-02 15:04", "2006-01-02 15:04:05", "2006-01-02T15:04:05", "2006-01-02T15:04",
	"02/01/2006 15:04", "02.01.2006 15:04", "2006/01/02 15:04", "2006/01/02 15:04:05"}

func (r *row) time(name string) (at time.Time) {
	text := r.cell(name)
	if text == "" {
		return at
	}
	zone := r.zone
	if offset, err := time.Parse(offsetLayout, "UTC"+strings.TrimPrefix(r.cell("utc offset"), "UTC")); err == nil &&
		name == "started" {
		_, seconds := offset.Zone()
		zone = time.FixedZone("", seconds)
	}
	for _, layout := range layouts {
		if t, err := time.ParseInLocation(layout, text, zone); err == nil {
			return t.In(r.zone)
		}
	}
	r.fail(name, "a time such as 2026-10-25 02:30")
	return at
}

// bake is the row as a bake; ok is false for an empty one.
func (r *row) bake() (b Bake, ok bool) {
	if !slices.ContainsFunc(r.cells, func(c string) bool { return strings.TrimSpace(c) != "" }) {
		return b, false
	}
	b = Bake{Recipe: r.text("recipe"), Machine: r.text("machine"), Panel: r.text("cycle number"),
		Cycle: r.text("cycle"), Started: r.time("started"), Ready: r.time("ready"),
		Rehearsed: r.cell("rehearsed") == "yes"}
	if b.Recipe == "" {
		r.fail("recipe", "a recipe's name")
	}
	if b.Started.IsZero() {
		r.fail("started", "a time such as 2026-10-25 02:30")
	}
	var err error
	if b.Size, err = measure.ParseLoafSize(r.cell("size")); err != nil {
		r.fail("size", "a loaf size such as 1 1/2 lb")
	}
	if end := r.time("ended"); !end.IsZero() {
		b.Ended = &end
	}
	switch stands := r.cell("stands"); stands {
	case "", string(bake.Out):
		b.Phase = bake.Out
	case string(bake.GivenUp):
		b.Phase = bake.GivenUp
	default:
		if b.Phase.UnmarshalText([]byte(stands)) != nil {
			r.fail("stands", "out, or abandoned")
		}
	}
	v := &b.Verdict
	v.Mark, v.Note, v.Weight = r.number("mark of 5"), r.text("note"), measure.Grams(r.number("weight g"))
	if v.Mark < 0 || v.Mark > 5 {
		r.fail("mark of 5", "1 to 5")
	}
	for _, text := range strings.Split(r.cell("signs"), ";") {
		if text = strings.TrimSpace(text); text == "" {
			continue
		}
		var sign bake.Sign
		if sign.UnmarshalText([]byte(text)) != nil {
			r.fail("signs", "signs that the log knows, parted by semicolons")
			break
		}
		v.Signs = append(v.Signs, sign)
	}
	for name, mm := range map[string]**int{"middle over rim mm": &v.Centre, "edges over rim mm": &v.Sides} {
		if r.cell(name) != "" {
			*mm = new(r.number(name))
		}
	}
	if crust := r.cell("crust"); crust != "" {
		if v.Crust = machine.Crust(crust); v.Crust.UnmarshalText([]byte(crust)) != nil {
			r.fail("crust", "light, medium or dark")
		}
	}
	if room := r.cell("kitchen"); room != "" {
		if v.Room, err = measure.ParseTemperature(room); err != nil {
			r.fail("kitchen", "a temperature such as 21 °C")
		}
	}
	return b, true
}
