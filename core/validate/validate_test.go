package validate_test

import (
	"math"
	"testing"

	"risepan/core/fault"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/validate"
)

type shelfMark struct {
	Crust machine.Crust    `json:"crust"`
	Maybe machine.Crust    `json:"maybe,omitzero"`
	Size  measure.LoafSize `json:"size"`
}

type tin struct {
	shelfMark
	Name  string             `json:"name"`
	Sums  map[string]float64 `json:"sums"`
	Marks []shelfMark        `json:"marks"`
}

func TestWhatCouldNotBeReadAgainIsFoundAtItsField(t *testing.T) {
	good := shelfMark{machine.Dark, "", measure.LoafPounds(1, 1)}
	for name, c := range map[string]struct {
		tin tin
		at  string // empty: it can be kept
	}{
		"all in order":             {tin{good, "blue tin", map[string]float64{"a": 1}, []shelfMark{good}}, ""},
		"a word left out":          {tin{shelfMark{Size: good.Size}, "", nil, nil}, "/crust"},
		"a word of no vocabulary":  {tin{shelfMark{"burnt", "", good.Size}, "", nil, nil}, "/crust"},
		"an optional word unknown": {tin{shelfMark{machine.Dark, "burnt", good.Size}, "", nil, nil}, "/maybe"},
		"no size, in a list":       {tin{good, "", nil, []shelfMark{good, {Crust: machine.Light}}}, "/marks/1/size"},
		"a number that is none":    {tin{good, "", map[string]float64{"a/b": math.NaN()}, nil}, "/sums/a~1b"},
		"a bell in a name":         {tin{good, "blue\atin", nil, nil}, "/name"},
		"writing turned round":     {tin{good, "blue\u202etin", nil, nil}, "/name"},
		"bytes that are no text":   {tin{good, "blue\xff", nil, nil}, "/name"},
		"a joined emoji is a text": {tin{good, "👩‍🍳 زفاف", nil, nil}, ""},
	} {
		t.Run(name, func(t *testing.T) {
			err := validate.Check(c.tin)
			f, _ := err.(*fault.Fault)
			if c.at == "" && err != nil || c.at != "" && (f == nil || f.Pointer != c.at) {
				t.Errorf("%v, want a fault at %q", err, c.at)
			}
		})
	}
}

func TestANameCanBeSeen(t *testing.T) {
	for name, ok := range map[string]bool{
		"Galley": true, "": false, "   ": false, "\u200b": false, "\u200b\u200d": false, "two\nlines": false,
		"パン": true, "a\x00": false, "ninechars": false, "восемь я": true,
	} {
		if err := validate.Name("/name", "the machine", name, 8); (err == nil) != ok {
			t.Errorf("%q: %v", name, err)
		}
	}
}
