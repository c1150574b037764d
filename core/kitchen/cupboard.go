package kitchen

import (
	"fmt"
	"slices"
	"time"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/validate"
	"risepan/core/vocab"
)

// Date is a day of the calendar, as it is printed on a packet. The zero value is no date.
type Date struct{ day time.Time }

const dateLayout = "2006-01-02"

// ParseDate reads a date such as 2026-11-25, of the years 2000 to 2099.
func ParseDate(s string) (Date, error) {
	t, err := time.Parse(dateLayout, s)
	if err != nil || t.Year() < 2000 || t.Year() > 2099 {
		return Date{}, fmt.Errorf("%q is no date: use one such as 2026-11-25", vocab.Clip(s))
	}
	return Date{t}, nil
}

// DateOf is the day of an instant in a zone.
func DateOf(t time.Time, zone *time.Location) Date {
	t = t.In(zone)
	return Date{time.Date(t.Year(), t.Month(), t.Day(), 0, 0, 0, 0, time.UTC)}
}

func (d Date) IsZero() bool { return d.day.IsZero() }

// Since is the number of days from the other date to this one.
func (d Date) Since(other Date) int { return int(d.day.Sub(other.day).Hours() / 24) }

func (d Date) String() string {
	if d.IsZero() {
		return ""
	}
	return d.day.Format(dateLayout)
}

// AddMonths is the day so many months later.
func (d Date) AddMonths(n int) Date { return Date{d.day.AddDate(0, n, 0)} }

// AddDays is the day so many days later.
func (d Date) AddDays(n int) Date { return Date{d.day.AddDate(0, 0, n)} }

// Begins is the first instant of the day in a zone.
func (d Date) Begins(zone *time.Location) time.Time {
	return time.Date(d.day.Year(), d.day.Month(), d.day.Day(), 0, 0, 0, 0, zone)
}

// Weekday is the day of the week.
func (d Date) Weekday() time.Weekday { return d.day.Weekday() }

// InWords writes the date for reading: "25 November 2026".
func (d Date) InWords() string { return d.day.Format("2 January 2006") }

func (d Date) MarshalText() ([]byte, error) { return []byte(d.String()), nil }

func (d *Date) UnmarshalText(text []byte) error {
	if len(text) == 0 {
		*d = Date{}
		return nil
	}
	v, err := ParseDate(string(text))
	if err == nil {
		*d = v
	}
	return err
}

// Pack is a jar, bag or packet in the house, with its dates.
type Pack struct {
	Ingredient larder.ID `json:"ingredient"`
	Name       string    `json:"name,omitzero"` // "jar in the fridge"
	BestBefore Date      `json:"bestBefore,omitzero"`
	Opened     Date      `json:"opened,omitzero"`
}

// yeastKeeps is how long an opened jar of dry yeast keeps in the fridge: about four months, days.
const yeastKeeps = 4 * 30

// Proof is the test of yeast in doubt.
const Proof = "Test it: half a cup of water at 40 °C, 1 tsp sugar, 2 1/4 tsp yeast. In 10 minutes the froth should " +
	"have doubled."

// Worry is what is wrong with a pack on a day, or nothing.
func (p Pack) Worry(i *larder.Ingredient, today Date) string {
	what := i.Name
	if p.Name != "" {
		what += " (" + p.Name + ")"
	}
	yeast := i.Kind == larder.Yeast
	say := ""
	switch past, open := today.Since(p.BestBefore), today.Since(p.Opened); {
	case !p.BestBefore.IsZero() && past > 0:
		say = fmt.Sprintf("The %s was best before %s, %s ago.", what, p.BestBefore.InWords(), days(past))
		if !yeast {
			say += " Smell and taste it before you measure."
		}
	case yeast && !p.Opened.IsZero() && open > yeastKeeps:
		say = fmt.Sprintf("The %s was opened on %s, %s ago; it keeps about four months in the fridge.", what,
			p.Opened.InWords(), days(open))
	}
	if say != "" && yeast {
		say += " " + Proof
	}
	return say
}

func days(n int) string {
	switch {
	case n == 1:
		return "a day"
	case n < 60:
		return fmt.Sprintf("%d days", n)
	}
	return fmt.Sprintf("%d months", n/30)
}

// WorryOf is what is wrong with one of this kitchen's packs on a day, or nothing.
func (k Kitchen) WorryOf(p Pack, today Date) string {
	i, _ := k.Ingredient(p.Ingredient)
	return k.Degrees.Say(p.Worry(i, today))
}

// Worry is what the dates say against an ingredient on a day: nothing while any pack of it is in
// order, or where no pack of it is on record.
func (k Kitchen) Worry(i *larder.Ingredient, today Date) string {
	worst := ""
	for _, p := range k.Packs {
		if p.Ingredient != i.ID {
			continue
		}
		w := k.WorryOf(p, today)
		if w == "" {
			return ""
		}
		worst = w
	}
	return worst
}

// Stocked is how much of an ingredient there is in the house.
type Stocked struct {
	Ingredient larder.ID     `json:"ingredient"`
	Grams      measure.Grams `json:"grams"` // 0: none
}

// Has is how much of an ingredient the house has; known is false where nobody keeps count of it.
func (k Kitchen) Has(id larder.ID) (g measure.Grams, known bool) {
	n := slices.IndexFunc(k.Stock, func(s Stocked) bool { return s.Ingredient == id })
	if n < 0 {
		return 0, false
	}
	return k.Stock[n].Grams, true
}

// HasSome reports whether an ingredient is in the house, as far as anybody keeps count.
func (k Kitchen) HasSome(id larder.ID) bool {
	g, known := k.Has(id)
	return !known || g > 0
}

// Price is what a pack of an ingredient costs, in the kitchen's currency.
type Price struct {
	Ingredient larder.ID     `json:"ingredient"`
	Grams      measure.Grams `json:"grams"` // in the pack
	Cost       float64       `json:"cost"`
}

// Price is what a gram of an ingredient costs; known is false where no pack of it has a price.
func (k Kitchen) Price(id larder.ID) (perGram float64, known bool) {
	n := slices.IndexFunc(k.Prices, func(p Price) bool { return p.Ingredient == id })
	if n < 0 {
		return 0, false
	}
	return k.Prices[n].Cost / float64(k.Prices[n].Grams), true
}

// most of each list in a cupboard, and the most that a house has of one thing, g.
const (
	mostPacks = 60
	mostStock = 200
	mostGrams = 100_000
	mostCost  = 100_000 // of a pack
	longMoney = 4
)

func (k Kitchen) checkCupboard() error {
	if len(k.Packs) > mostPacks || len(k.Stock) > mostStock || len(k.Cups) > mostPacks || len(k.Prices) > mostStock ||
		len(k.Declined) > mostStock {
		return fault.At("/packs", "these lists are too long: at most %d packs and %d things in stock", mostPacks,
			mostStock)
	}
	return validate.First(k.checkPacks(), k.checkStock(), k.checkPrices(), validate.Short("/money",
		"the sign of the currency", k.Money, longMoney), k.checkAbsences(), k.checkCups())
}

func (k Kitchen) checkPacks() error {
	for n, p := range k.Packs {
		at := fmt.Sprintf("/packs/%d", n)
		if _, ok := larder.Know(p.Ingredient); !ok {
			return fault.At(at+"/ingredient", "%q is not in the larder", vocab.Clip(string(p.Ingredient)))
		}
		if err := validate.Short(at+"/name", "the pack's name", p.Name, longName); err != nil {
			return err
		}
	}
	return nil
}

func (k Kitchen) checkStock() error {
	for n, s := range k.Stock {
		at := fmt.Sprintf("/stock/%d", n)
		switch _, ok := larder.Know(s.Ingredient); {
		case !ok:
			return fault.At(at+"/ingredient", "%q is not in the larder", vocab.Clip(string(s.Ingredient)))
		case !(s.Grams >= 0 && s.Grams <= mostGrams):
			return fault.At(at+"/grams", "a house has 0 to %d g of a thing, not %g", mostGrams, float64(s.Grams))
		case slices.ContainsFunc(k.Stock[:n], func(o Stocked) bool { return o.Ingredient == s.Ingredient }):
			return fault.At(at+"/ingredient", "this stands in the list twice")
		}
	}
	return nil
}

func (k Kitchen) checkPrices() error {
	for n, p := range k.Prices {
		at := fmt.Sprintf("/prices/%d", n)
		switch _, ok := larder.Know(p.Ingredient); {
		case !ok:
			return fault.At(at+"/ingredient", "%q is not in the larder", vocab.Clip(string(p.Ingredient)))
		case !(p.Grams > 0 && p.Grams <= mostGrams):
			return fault.At(at+"/grams", "a pack holds 1 to %d g, not %g", mostGrams, float64(p.Grams))
		case !(p.Cost >= 0 && p.Cost <= mostCost):
			return fault.At(at+"/cost", "a pack costs 0 to %d, not %g", mostCost, p.Cost)
		case slices.ContainsFunc(k.Prices[:n], func(o Price) bool { return o.Ingredient == p.Ingredient }):
			return fault.At(at+"/ingredient", "this has a price already")
		}
	}
	return nil
}

func (k Kitchen) checkCups() error {
	for n, c := range k.Cups {
		at := fmt.Sprintf("/cups/%d", n)
		i, ok := larder.Know(c.Flour)
		if !ok || i.Kind != larder.Flour {
			return fault.At(at+"/flour", "%q is no flour of the larder", vocab.Clip(string(c.Flour)))
		}
		if slices.ContainsFunc(k.Cups[:n], func(o larder.Cup) bool { return o.Flour == c.Flour }) {
			return fault.At(at+"/flour", "%s has a cup of its own already", i.Name)
		}
		if _, err := c.Calibrate(); err != nil {
			return fault.At(at+"/weighings", "%v", err)
		}
	}
	return nil
}
