package machine_test

import (
	"fmt"
	"strings"
	"testing"

	"risepan/core/machine"
	"risepan/core/measure"
)

var three = []measure.LoafSize{measure.LoafPounds(1, 1), measure.LoafPounds(3, 2), measure.LoafPounds(2, 1)}

// A booklet's table as people type and paste it: every program with its totals for each size, and what it is made for.
func TestABookletsTableIsRead(t *testing.T) {
	for _, c := range []struct {
		row, is string
	}{
		{"1 Basic 3:20 3:25 3:30", "1 Basic, basic: 3:20 3:25 3:30, delay"},
		{"1\tBasic\t3:20\t3:25\t3:30", "1 Basic, basic: 3:20 3:25 3:30, delay"},
		{"2. French … 3 h 50", "2 French, crusty: 3:50 3:50 3:50, delay"},
		{"3) Whole wheat 3h40 / 3h45 / 3h50", "3 Whole wheat, wholemeal: 3:40 3:45 3:50, delay"},
		{"Menu 4: Sweet 2 hours 50 minutes", "4 Sweet, sweet: 2:50 2:50 2:50, delay"},
		{"5 Super rapid - 58 min", "5 Super rapid, rapid: 0:58 0:58 0:58"},
		{"6 | Gluten free | 2:54", "6 Gluten free, gluten-free: 2:54 2:54 2:54, delay"},
		{"7 Dough 1:30 yes", "7 Dough, dough: 1:30 1:30 1:30, delay, one size"},
		{"7 Dough 1:30 no", "7 Dough, dough: 1:30 1:30 1:30, one size"},
		{"8 Jam ........ 1:20", "8 Jam, jam: 1:20 1:20 1:20, one size"},
		{"9 Bake 60 min", "9 Bake, bake only: 1:00 1:00 1:00, one size"},
		{"10 Cake 1:50", "10 Cake, quick bread: 1:50 1:50 1:50, one size"},
		{"11 Yogurt 8:00", "11 Yogurt, yoghurt: 8:00 8:00 8:00, one size"},
		{"12 Pasta dough 0:14", "12 Pasta dough, pasta dough: 0:14 0:14 0:14, one size"},
		{"White bread 3:10", "1 White bread, basic: 3:10 3:10 3:10, delay"},
	} {
		cycles, unread := machine.ReadBooklet(c.row, three)
		if len(cycles) != 1 || len(unread) > 0 {
			t.Errorf("%s: %d cycles, unread %v", c.row, len(cycles), unread)
			continue
		}
		if got := described(cycles[0]); got != c.is {
			t.Errorf("%s:\n\tis   %s\n\twant %s", c.row, got, c.is)
		}
	}
}

func described(c machine.Cycle) string {
	var totals []string
	for _, s := range three {
		m := c.Total(s, machine.Medium)
		totals = append(totals, fmt.Sprintf("%d:%02d", m/60, m%60))
	}
	out := fmt.Sprintf("%s, %s: %s", c.Title(), c.Character, strings.Join(totals, " "))
	if c.Delay {
		out += ", delay"
	}
	if c.NoSize {
		out += ", one size"
	}
	return out
}

// Rows that cannot be read are listed with what would do, and the others are read all the same.
func TestRowsOfABookletThatCannotBeReadAreListed(t *testing.T) {
	text := "Program\t2 lb\t1 lb\n1 Basic\t3:30\t3:20\n2 Sweet\t3:40\t3:30\t3:20\n\n3:10\nSee page 12 for cakes\n4 Rapid 0:00"
	cycles, unread := machine.ReadBooklet(text, three)
	if len(cycles) != 1 || cycles[0].Total(three[0], machine.Medium) != 200 || cycles[0].Total(three[2], machine.Medium) != 210 {
		t.Errorf("by its headings: %+v", cycles)
	}
	var said []string
	for _, u := range unread {
		said = append(said, fmt.Sprintf("%d %s", u.Row, u.Say))
	}
	want := []string{"3 3 times for 2 sizes", "5 There is no name", "6 There is no time", "7 A cycle takes between"}
	for n, w := range want {
		if n >= len(said) || !strings.HasPrefix(said[n], w) {
			t.Fatalf("unread: %q, want %q", said, want)
		}
	}
	if c, u := machine.ReadBooklet(strings.Repeat("1 Basic 3:20\n", 70), three); len(c) != 60 || len(u) != 1 {
		t.Errorf("of 70 rows %d are read, %d said", len(c), len(u))
	}
}

// What a table says is a machine that can be stored and planned on.
func TestABookletsCyclesAreAMachine(t *testing.T) {
	m := machine.Profiles()[0]
	m.Cycles, _ = machine.ReadBooklet("1 Basic 3:20 3:25 3:30\n2 French 3:50\n3 Dough 1:30\n4 Jam 1:20\n5 Bake 60 min\n"+
		"6 Yogurt 8:00\n7 Starter 24:00\n8 Pasta 0:14\n9 Low carb 2:30\n10 Bread mix 3:00", m.Sizes)
	if err := m.Check(); err != nil {
		t.Fatal(err)
	}
	for n, c := range m.Cycles {
		if c.Name == "Basic" && m.Cycles[n].Total(m.Sizes[2], machine.Dark) != 210 {
			t.Errorf("%s takes %s", c.Name, c.Total(m.Sizes[2], machine.Dark))
		}
	}
}

// Programs that were given other numbers are where the panel counts them.
func TestTheMenuFollowsTheNumbersOfThePrograms(t *testing.T) {
	m := machine.Profiles()[0]
	m.Cycles[1].Panel, m.Cycles[2].Panel = "3", "2" // wholemeal and crusty change places
	menu := m.Full().Menu.Values
	if menu[1] != m.Cycles[2].ID || menu[2] != m.Cycles[1].ID {
		t.Errorf("the menu steps through %q", menu)
	}
	m.Cycles[0].Panel = "A" // a panel that does not count goes by the description
	if menu := m.Full().Menu.Values; menu[1] != m.Cycles[1].ID {
		t.Errorf("the menu steps through %q", menu)
	}
}
