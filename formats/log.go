// Package formats reads and writes the open formats that a kitchen takes in and gives away: one file for each. It knows
// the core and nothing of disk, network or database.
package formats

import (
	"encoding/csv"
	"io"
	"strconv"
	"strings"
	"time"

	"risepan/core/bake"
	"risepan/core/measure"
)

// Bake is one row of the log.
type Bake struct {
	Recipe, Machine string
	Size            measure.LoafSize
	Panel, Cycle    string // what the panel shows for the cycle, and its name
	Started, Ready  time.Time
	Ended           *time.Time // out of the machine, or stopped; nil: not yet
	Phase           bake.Phase
	Verdict         bake.Verdict
	Rehearsed       bool
}

var columns = []string{"started", "UTC offset", "recipe", "size", "machine", "cycle number", "cycle", "ready", "ended",
	"stands", "mark of 5", "note", "signs", "weight g", "middle over rim mm", "edges over rim mm", "crust", "kitchen",
	"rehearsed"}

// offsetLayout writes an offset so that a spreadsheet leaves it a text.
const offsetLayout = "UTC-07:00"

// lettersMark is what a spreadsheet knows the letters by.
const lettersMark = "\ufeff"

// WriteLog writes bakes as a table for a spreadsheet, with times on the clock of a zone: CSV by RFC 4180, in UTF-8
// with its mark, so that names in any script are read as they are.
func WriteLog(w io.Writer, bakes []Bake, zone *time.Location) error {
	if _, err := io.WriteString(w, lettersMark); err != nil {
		return err
	}
	table := csv.NewWriter(w)
	table.UseCRLF = true
	table.Write(columns) // its error stays until it is flushed
	at := func(t time.Time) string { return t.In(zone).Format("2006-01-02 15:04") }
	for _, b := range bakes {
		v, ended, rehearsed := b.Verdict, "", ""
		if b.Ended != nil {
			ended = at(*b.Ended)
		}
		if b.Rehearsed {
			rehearsed = "yes"
		}
		signs := make([]string, len(v.Signs))
		for n, sign := range v.Signs {
			signs[n] = string(sign)
		}
		table.Write([]string{at(b.Started), b.Started.In(zone).Format(offsetLayout), text(b.Recipe), b.Size.String(),
			text(b.Machine),
			text(b.Panel), text(b.Cycle), at(b.Ready), ended, string(b.Phase), told(v.Mark), text(v.Note),
			strings.Join(signs, "; "), told(int(v.Weight)), height(v.Centre), height(v.Sides), string(v.Crust),
			v.Room.String(), rehearsed})
	}
	table.Flush()
	return table.Error()
}

// told is a number that was told; nothing for 0.
func told(n int) string {
	if n == 0 {
		return ""
	}
	return strconv.Itoa(n)
}

// height is mm over the rim, which may be none; nothing where it was not told.
func height(mm *int) string {
	if mm == nil {
		return ""
	}
	return strconv.Itoa(*mm)
}

// text is what somebody wrote, as a cell: what a spreadsheet would work out as a formula stands behind an
// apostrophe. What begins with one gets another, so that a reader takes one away from either.
func text(s string) string {
	if s != "" && strings.ContainsRune("=+-@\t\r'", rune(s[0])) {
		return "'" + s
	}
	return s
}
