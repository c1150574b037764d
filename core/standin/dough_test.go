package standin_test

import (
	"fmt"
	"testing"

	"risepan/core/dough"
	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/standin"
	"risepan/demo"
)

// trial is one loaf in the stand-in.
type trial struct {
	f            formula.Formula
	room, liquid measure.Celsius
	cycle        string
	strong       float64
	fills        measure.Millilitres // 0: as is usual
	noPaddle     bool
}

var usual = trial{f: formula.Formula{Flour: 375, Hydration: 64, Salt: 2.2, Yeast: 1.4, Sugar: 3.3, Fat: 4.6}, room: 21,
	liquid: 25, cycle: "basic", strong: 1}

func (c trial) with(change func(*trial)) trial {
	change(&c)
	return c
}

func (c trial) put() standin.Dough {
	of := recipe.White
	if c.f.Grain >= 50 {
		of = recipe.Wholemeal
	}
	d := standin.Put(standin.In{Kind: kind.Of(of), Bands: kind.BandsOf(of, c.f.Grain), Meant: usual.f, Went: c.f,
		Fills: c.fills, Room: c.room, Liquid: c.liquid, Meets: dough.Layered})
	d.Strong, d.NoPaddle = c.strong, c.noPaddle
	return d
}

func (c trial) programme() machine.Programme {
	m := demo.Galley()
	cycle, _ := m.Cycle(c.cycle)
	return cycle.Programme(measure.LoafPounds(3, 2), machine.Medium)
}

func (c trial) baked() standin.Dough { p := c.programme(); return c.put().Through(p, p.Total) }

func (c trial) loaf() standin.Outcome { return c.baked().Shape(demo.Galley().Vessel.Volume()) }

// height is ml a gram of flour, baked.
func (c trial) height() float64 { d := c.baked(); return float64(d.Volume()) / float64(d.Flour) }

// risen is how long it takes in one undisturbed rise until it has doubled; a day where it never does.
func (c trial) risen() float64 {
	d := c.put()
	for range 28 {
		d = d.Minute(machine.Knead)
	}
	for n := range 24 * 60 {
		if d = d.Minute(machine.Rise); d.Gas >= 1.6 {
			return float64(n)
		}
	}
	return 24 * 60
}

func (c trial) off(minute machine.Minutes) float64 {
	return c.put().Through(c.programme(), minute).Off()
}

func yeast(by float64) func(*trial) { return func(c *trial) { c.f.Yeast *= by } }
func salt(by float64) func(*trial)  { return func(c *trial) { c.f.Salt *= by } }
func water(by float64) func(*trial) { return func(c *trial) { c.f.Hydration += by } }
func sugar(to float64) func(*trial) { return func(c *trial) { c.f.Sugar = to } }
func fat(to float64) func(*trial)   { return func(c *trial) { c.f.Fat = to } }
func grain(to float64) func(*trial) {
	return func(c *trial) { c.f.Grain, c.f.Hydration = to, 64+0.15*to }
}
func room(at measure.Celsius) func(*trial)        { return func(c *trial) { c.room = at } }
func liquid(at measure.Celsius) func(*trial)      { return func(c *trial) { c.liquid = at } }
func on(cycle string) func(*trial)                { return func(c *trial) { c.cycle = cycle } }
func filling(ml measure.Millilitres) func(*trial) { return func(c *trial) { c.fills = ml } }
func weak(c *trial)                               { c.strong = 0.55 }

// Fifty things that every baker expects, one greater than the other.
func TestWhatABakerExpects(t *testing.T) {
	u := usual
	wants := []struct {
		say           string
		less, greater float64
	}{
		{"more yeast is sooner", u.with(yeast(1.5)).risen(), u.risen()},
		{"twice the yeast is sooner still", u.with(yeast(2)).risen(), u.with(yeast(1.5)).risen()},
		{"half the yeast is later", u.risen(), u.with(yeast(0.5)).risen()},
		{"a cold kitchen is later", u.risen(), u.with(room(14)).risen()},
		{"a warm kitchen is sooner", u.with(room(27)).risen(), u.risen()},
		{"cold liquid is later", u.risen(), u.with(liquid(10)).risen()},
		{"warm liquid is sooner", u.with(liquid(38)).risen(), u.risen()},
		{"salt slows", u.with(salt(0.6)).risen(), u.risen()},
		{"twice the salt slows more", u.risen(), u.with(salt(2)).risen()},
		{"without salt it is sooner still", u.with(salt(0)).risen(), u.with(salt(0.6)).risen()},
		{"much sugar slows", u.with(sugar(8)).risen(), u.with(sugar(20)).risen()},
		{"very much sugar slows more", u.with(sugar(20)).risen(), u.with(sugar(28)).risen()},
		{"a dry dough is later", u.risen(), u.with(water(-8)).risen()},
		{"boiling liquid kills the yeast", u.risen() * 5, u.with(liquid(80)).risen()},
		{"too hot a liquid slows it", u.with(liquid(38)).risen(), u.with(liquid(57)).risen()},
		{"cold and little yeast is later than either", u.with(yeast(0.5)).risen(),
			u.with(yeast(0.5)).with(room(14)).risen()},
		{"salt and cold is later than salt", u.with(salt(2)).risen(), u.with(salt(2)).with(room(14)).risen()},

		{"half the yeast is lower", u.with(yeast(0.5)).height(), u.height()},
		{"a quarter of the yeast is lower still", u.with(yeast(0.25)).height(), u.with(yeast(0.5)).height()},
		{"a little more yeast is higher", u.height(), u.with(yeast(1.15)).height()},
		{"twice the salt is lower", u.with(salt(2)).height(), u.height()},
		{"a cold kitchen is lower", u.with(room(13)).with(liquid(13)).height(), u.height()},
		{"wholemeal is lower than white", u.with(grain(100)).height(), u.height()},
		{"what is planned to fill less is lower", u.with(filling(1600)).height(), u.height()},
		{"and what is planned to fill more is higher", u.height(), u.with(filling(2600)).height()},
		{"much too wet is flatter", u.with(water(10)).height(), u.height()},
		{"much too dry is lower", u.with(water(-10)).height(), u.height()},
		{"weak flour is lower", u.with(weak).height(), u.height()},
		{"a rapid cycle is lower with the yeast of a slow one", u.with(on("rapid")).height(), u.height()},
		{"a rapid cycle wants more yeast", u.with(on("rapid")).height(), u.with(on("rapid")).with(yeast(1.8)).height()},
		{"a longer rise is higher", u.height(), u.with(on("crusty")).height()},
		{"dead yeast is lowest", u.with(liquid(80)).height(), u.with(yeast(0.25)).height()},
		{"a loaf that fell is lower than one that stood", u.with(yeast(3)).height(), u.with(yeast(1.15)).height()},

		{"8 points more look wetter", u.off(20), u.with(water(8)).off(20)},
		{"8 points less look drier", u.with(water(-8)).off(20), u.off(20)},
		{"whole grain looks wetter early than late", u.with(grain(100)).with(on("wholemeal")).off(70),
			u.with(grain(100)).off(8)},
		{"white flour has drunk sooner than whole grain", u.off(8) - u.off(28),
			u.with(grain(100)).off(8) - u.with(grain(100)).off(28)},
		{"fat softens", u.off(20), u.with(fat(15)).off(20)},
		{"sugar softens", u.off(20), u.with(sugar(15)).off(20)},

		{"sugar browns", u.baked().Browned, u.with(sugar(12)).baked().Browned},
		{"no sugar is pale", u.with(sugar(0)).baked().Browned, u.baked().Browned},
		{"a longer bake is darker", u.with(on("rapid")).baked().Browned, u.with(on("crusty")).baked().Browned},
		{"after half the bake it is paler", u.put().Through(u.programme(), u.programme().Total-25).Browned,
			u.baked().Browned},

		{"more yeast uses more sugar", u.baked().Eaten, u.with(yeast(2)).baked().Eaten},
		{"salt spares sugar", u.with(salt(2)).baked().Eaten, u.baked().Eaten},
		{"a warm kitchen's dough leaves the kneading warmer", float64(u.put().Through(u.programme(), 34).Warm),
			float64(u.with(room(27)).put().Through(u.programme(), 34).Warm)},
		{"kneading warms", float64(u.put().Through(u.programme(), 1).Warm),
			float64(u.put().Through(u.programme(), 34).Warm)},
		{"a rise grows", u.put().Through(u.programme(), 40).Gas, u.put().Through(u.programme(), 65).Gas},
		{"a knock-back takes gas", u.put().Through(u.programme(), 70).Gas, u.put().Through(u.programme(), 68).Gas},
		{"the oven springs", u.put().Through(u.programme(), u.programme().Total-53).Gas, u.baked().Gas},
	}
	for _, w := range wants {
		if !(w.less < w.greater) {
			t.Errorf("%s: %.2f is not less than %.2f", w.say, w.less, w.greater)
		}
	}
	if len(wants) < 50 {
		t.Errorf("%d expectations, want fifty", len(wants))
	}
}

// What falls, what stays raw, what is gummy: and a usual loaf is none of it.
func TestWhatGoesWrong(t *testing.T) {
	u := usual
	for _, c := range []struct {
		say   string
		trial trial
		is    func(standin.Outcome) bool
		want  bool
	}{
		{"a usual loaf stands", u, func(l standin.Outcome) bool {
			return l.Fell || l.Raw || l.Flat || l.Over || l.Gummy || l.Coarse || l.Dense
		}, false},
		{"twice the yeast falls", u.with(yeast(2)), func(l standin.Outcome) bool { return l.Fell }, true},
		{"no salt falls", u.with(salt(0)), func(l standin.Outcome) bool { return l.Fell }, true},
		{"a hot kitchen and more yeast falls", u.with(room(32)).with(liquid(34)).with(yeast(1.8)),
			func(l standin.Outcome) bool { return l.Fell }, true},
		{"weak flour on a long cycle falls", u.with(weak).with(on("crusty")),
			func(l standin.Outcome) bool { return l.Fell }, true},
		{"half the yeast does not fall", u.with(yeast(0.5)), func(l standin.Outcome) bool { return l.Fell }, false},
		{"a quarter of the yeast is dense", u.with(yeast(0.25)), func(l standin.Outcome) bool { return l.Dense }, true},
		{"dead yeast stays flat", u.with(liquid(80)), func(l standin.Outcome) bool { return l.Flat }, true},
		{"without a paddle it is a raw heap", u.with(func(c *trial) { c.noPaddle = true }),
			func(l standin.Outcome) bool { return l.Raw }, true},
		{"12 points more is gummy", u.with(water(13)), func(l standin.Outcome) bool { return l.Gummy }, true},
		{"8 points more is coarse", u.with(water(8)), func(l standin.Outcome) bool { return l.Coarse }, true},
		{"a wholemeal loaf stands", u.with(grain(66)).with(on("wholemeal")),
			func(l standin.Outcome) bool { return l.Fell || l.Gummy || l.Coarse }, false},
		{"a sweet loaf stands", u.with(sugar(12)).with(fat(10)).with(water(-6)).with(yeast(1.2)).with(on("sweet")),
			func(l standin.Outcome) bool { return l.Fell || l.Dense }, false},
	} {
		if l := c.trial.loaf(); c.is(l) != c.want {
			t.Errorf("%s: %+v", c.say, l)
		}
	}
}

// Following the advice on the dough ball, a dough that is up to 8 points off ends within 3 of a smooth ball, whatever
// the size of the loaf.
func TestTheAdviceMendsTheStandInsDough(t *testing.T) {
	for _, flour := range []measure.Grams{250, 375, 500, 625} {
		for _, off := range []float64{-8, -6, -4, 0, 4, 6, 8} {
			c := usual.with(water(off))
			c.f.Flour = flour
			d := c.put()
			var doses []dough.Dose
			since := 0
			for minute := 1; minute <= 28; minute++ {
				d, since = d.Minute(machine.Knead), since+1
				if minute < 6 {
					continue
				}
				a := dough.Advise(dough.Ball{Flour: d.Flour, Hydration: d.Hydration, Into: minute, Left: 28 - minute,
					Doses: doses, Since: since}, d.Look())
				if a.Add != nil {
					d, doses, since = d.Add(*a.Add), append(doses, *a.Add), 0
				}
			}
			// Where the flour has drunk, the stand-in's own ball lies within half a point of its hydration.
			if left := d.Off(); left < -4.1 || left > 4.1 {
				t.Errorf("%.0f g of flour, %+.0f points: ends %+.1f off after %d doses", float64(flour), off, left,
					len(doses))
			}
			way := ""
			for _, dose := range doses {
				if way != "" && string(dose.Of) != way && len(doses) > 4 {
					t.Errorf("%.0f g, %+.0f points: it goes to and fro: %v", float64(flour), off, doses)
				}
				way = string(dose.Of)
			}
		}
	}
}

func ExampleDough_Look() {
	d := usual.with(water(-8)).put()
	for range 12 {
		d = d.Minute(machine.Knead)
	}
	fmt.Println(d.Look())
	// Output: torn
}
