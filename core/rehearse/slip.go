package rehearse

import (
	"risepan/core/standin"
	"risepan/core/vocab"
)

// Slip is what goes wrong on purpose, for a baker to see what it does.
type Slip string

const (
	NoSlip      Slip = ""
	DoubleYeast Slip = "twice the yeast"
	HalfYeast   Slip = "half the yeast"
	NoYeast     Slip = "no yeast"
	NoSalt      Slip = "no salt"
	PackedCup   Slip = "flour packed into the cup"
	TooWet      Slip = "too much water"
	HotLiquid   Slip = "liquid far too hot"
	WeakFlour   Slip = "weak flour"
	NoPaddle    Slip = "the paddle forgotten"
)

// slips are what each of them does to what goes into the pan.
var slips = map[Slip]func(*standin.Dough){
	NoSlip:      func(*standin.Dough) {},
	DoubleYeast: func(d *standin.Dough) { d.Yeast *= 2 },
	HalfYeast:   func(d *standin.Dough) { d.Yeast /= 2 },
	NoYeast:     func(d *standin.Dough) { d.Yeast = 0 },
	NoSalt:      func(d *standin.Dough) { d.Salt = 0 },
	PackedCup:   func(d *standin.Dough) { d.Hydration /= 1.2; d.Flour *= 1.2 },
	TooWet:      func(d *standin.Dough) { d.Hydration += 12 },
	HotLiquid:   func(d *standin.Dough) { d.Alive = 0.05 },
	WeakFlour:   func(d *standin.Dough) { d.Strong = 0.55 },
	NoPaddle:    func(d *standin.Dough) { d.NoPaddle = true },
}

var Slips = []Slip{NoSlip, DoubleYeast, HalfYeast, NoYeast, NoSalt, PackedCup, TooWet, HotLiquid, WeakFlour, NoPaddle}

func (s Slip) Words() []string { return vocab.List(Slips) }
func (s *Slip) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "slip (leave it empty, or)", Slips)
}
