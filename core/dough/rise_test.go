package dough

import (
	"fmt"
	"os"
	"strconv"
	"strings"
	"testing"
)

// Every row of rises.txt: at this minute it stands so; this must be said, and that never.
func TestHowHighItStands(t *testing.T) {
	text, err := os.ReadFile("testdata/rises.txt")
	if err != nil {
		t.Fatal(err)
	}
	doing := map[string]Doing{"knead": Kneads, "rest": Rests, "rise": Rises, "bake": Bakes}
	rows := 0
	for _, row := range strings.Split(strings.TrimSpace(string(text)), "\n") {
		if strings.HasPrefix(row, "#") {
			continue
		}
		c := strings.Split(row, "|")
		for n := range c {
			c[n] = strings.TrimSpace(c[n])
		}
		planned := "0.95 1.12"
		if len(c) == 8 {
			planned, c = c[7], c[:7]
		}
		if len(c) != 7 {
			t.Fatalf("%d cells: %s", len(c), row)
		}
		rows++
		minutes, _ := strconv.Atoi(c[1])
		r := Rise{Doing: doing[c[0]], ToBake: minutes, Last: c[2] == "yes", BakeOnly: "Bake only"}
		if _, err := fmt.Sscan(planned, &r.Low, &r.High); err != nil {
			t.Fatalf("%s: %v", row, err)
		}
		if err := r.Stands.UnmarshalText([]byte(c[3])); err != nil {
			t.Fatal(err)
		}
		if stands, mark, ok := strings.Cut(c[4], ", "); ok {
			m, _ := strconv.Atoi(mark)
			r.Before = []Earlier{{Stands(stands), m}}
		}
		if say := r.Judge().Said(); !strings.Contains(say, c[5]) || strings.Contains(say, c[6]) {
			t.Errorf("%s\n\tsays %q", row, say)
		}
	}
	if rows < 35 {
		t.Errorf("%d rows, want 35", rows)
	}
}
