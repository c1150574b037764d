package plan

import (
	"crypto/sha256"
	"encoding/hex"
	"math"
	"strconv"
)

// digest collects what identifies a plan, field after field, each told apart from the next: a number ends, a text says
// its length.
type digest []byte

func (d *digest) text(words ...string) {
	for _, w := range words {
		d.number(len(w))
		*d = append(*d, w...)
	}
}

func (d *digest) number(n ...int) {
	for _, v := range n {
		*d = append(strconv.AppendInt(*d, int64(v), 10), ';')
	}
}

// thousandths writes a weight or a volume as precisely as it crosses the wire.
func (d *digest) thousandths(v float64) { d.number(int(math.Round(v * 1000))) }

// Digest identifies what the baker measures and sets and what the machine then does. Clock times are
// left out: they move with the present, and a bake that starts a minute later is still the loaf that
// was shown.
func (p Plan) Digest() string {
	d := make(digest, 0, 4096)
	d.number(p.Shape)
	d.text(p.Recipe, p.Machine, p.Size.String())
	for _, l := range p.Lines {
		d.text(l.ID, string(l.Ingredient), l.Locked)
		d.thousandths(float64(l.Exact))
		d.number(int(l.Pieces))
		for _, s := range l.Measured.Scoops {
			d.text(s.Measure.Name)
			d.thousandths(float64(s.Measure.Amount.Millilitres()))
			d.number(s.Count)
		}
	}
	d.text(string(p.Pan.Order), string(p.Pan.Manner.Salt), string(p.Pan.Manner.Fat), string(p.Pan.Manner.Yeast))
	for _, l := range p.Pan.Layers {
		d.text(string(l.Stuff), string(l.Place))
		d.text(l.Lines...)
	}
	d.text(p.Pan.Knead...)
	d.text(p.Pan.Aside...)
	d.text(p.Setting.Cycle.ID, p.Setting.Cycle.Panel, p.Setting.Cycle.Name, string(p.Setting.Crust))
	for _, s := range p.Stages {
		d.text(string(s.Kind))
		d.number(int(s.From), int(s.To), int(s.Slack))
	}
	for _, m := range p.Moments {
		d.text(m.ID)
		d.number(int(m.After), int(m.UpTo))
	}
	d.number(int(p.Timer.Setting))
	sum := sha256.Sum256(d)
	return hex.EncodeToString(sum[:16])
}
