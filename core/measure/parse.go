package measure

import (
	"fmt"
	"strings"
	"unicode"
	"unicode/utf8"

	"risepan/core/vocab"
)

// ParseError says where in an amount's text reading stopped, and what would be right.
type ParseError struct {
	Text   string
	Column int // in runes, from 1
	Want   string
}

func (e *ParseError) Error() string {
	return fmt.Sprintf("%q, column %d: %s", vocab.Clip(e.Text), e.Column, e.Want)
}

const (
	longest = 200     // bytes of an amount's text
	largest = 100_000 // of a number in it
)

// Parse reads one amount, the whole text: "1 1/2 cups", "1½ c", "2-3 tbsp", "1 cup plus 2 tbsp",
// "1 cup less 1 tbsp", "7 g", "2". Plain cups, spoons, pints and fluid ounces are those of the
// standard. A negative amount, a number over 100,000 or an unknown unit is a *ParseError.
func Parse(text string, s Standard) (Amount, error) {
	p := reader{text: text, standard: s}
	if len(text) > longest {
		return Amount{}, p.fail("too long for an amount")
	}
	a, ok := p.sum()
	if p.err != nil {
		return Amount{}, p.err
	}
	if !ok {
		return Amount{}, p.fail("want an amount such as 1 1/2 cups, 2 tbsp or 350 g")
	}
	p.space()
	if !p.done() {
		return Amount{}, p.fail("add a unit such as cup, tbsp, tsp, ml or g")
	}
	if _, parts := a.Quantity.Terms(); parts > largest {
		return Amount{}, p.fail("these do not add up to one amount: write them in one measure")
	}
	return a, nil
}

// ParsePrefix reads the amount at the start of a recipe line, "2 cups bread flour", and returns
// what follows it. ok is false when the line starts with no amount; then rest is the whole line.
func ParsePrefix(line string, s Standard) (a Amount, rest string, ok bool) {
	if len(line) > 10*longest {
		return Amount{}, line, false
	}
	p := reader{text: line, standard: s}
	a, ok = p.sum()
	if !ok || p.err != nil {
		return Amount{}, line, false
	}
	return a, strings.TrimSpace(p.text[p.at:]), true
}

// reader goes through the text of an amount from left to right.
type reader struct {
	text     string
	at       int
	standard Standard
	err      *ParseError
}

func (p *reader) done() bool { return p.at >= len(p.text) }

func (p *reader) fail(want string) *ParseError {
	p.err = &ParseError{p.text, utf8.RuneCountInString(p.text[:p.at]) + 1, want}
	return p.err
}

func (p *reader) peek() rune {
	r, _ := utf8.DecodeRuneInString(p.text[p.at:])
	return r
}

func (p *reader) space() {
	for !p.done() && unicode.IsSpace(p.peek()) {
		p.at += utf8.RuneLen(p.peek())
	}
}

// take moves past s where the text goes on with it.
func (p *reader) take(s string) bool {
	if strings.HasPrefix(p.text[p.at:], s) {
		p.at += len(s)
		return true
	}
	return false
}

// sum is a term, then "plus", "+", "less" or "minus" with further terms.
func (p *reader) sum() (Amount, bool) {
	p.space()
	a, ok := p.term()
	if !ok {
		return Amount{}, false
	}
	for {
		back := p.at
		p.space()
		word := p.at
		sign := int64(0)
		for _, w := range []struct {
			word string
			sign int64
		}{{"plus ", 1}, {"+", 1}, {"and ", 1}, {"less ", -1}, {"minus ", -1}} {
			if sign == 0 && p.take(w.word) {
				sign = w.sign
			}
		}
		p.space()
		if sign == 0 {
			p.at = back
			return a, true
		}
		b, ok := p.term()
		if !ok || b.Unit == Piece || a.UpTo.Sign() != 0 || b.UpTo.Sign() != 0 {
			p.at = back
			return a, true
		}
		f, g := a.Unit.Facts(), b.Unit.Facts()
		if f.Dimension != g.Dimension {
			p.at = word
			p.fail("these two amounts do not add up: one is a weight, the other a volume")
			return Amount{}, false
		}
		a.Quantity = a.Quantity.Plus(b.Quantity.Times(exactly(b.Unit, a.Unit)).Times(Whole(sign)))
		if a.Quantity.Sign() <= 0 {
			p.at = word
			p.fail("nothing is left of this amount")
			return Amount{}, false
		}
	}
}

// exactly is how many of unit v one u is.
func exactly(u, v Unit) Ratio {
	perCup := map[Unit]Ratio{
		Cup: Whole(1), Tbsp: NewRatio(1, 16), Tsp: NewRatio(1, 48), Stick: NewRatio(1, 2), Pint: Whole(2),
		Pinch: NewRatio(1, 768), Dash: NewRatio(1, 384),
	}
	if a, ok := perCup[u]; ok {
		if b, ok := perCup[v]; ok {
			return a.Over(b)
		}
	}
	const parts = 10_000
	return NewRatio(int64(u.Facts().Size*parts+0.5), int64(v.Facts().Size*parts+0.5))
}

// term is a number, or a range of two, with its unit; a bare unit ("pinch") counts as one.
func (p *reader) term() (Amount, bool) {
	var a Amount
	q, ok := p.number()
	if p.err != nil {
		return a, false
	}
	if !ok {
		u, ok := p.unit()
		if !ok || (u != Pinch && u != Dash && u != Packet && u != Stick) {
			return a, false
		}
		return Amount{Quantity: Whole(1), Unit: p.standard.In(u)}, true
	}
	a.Quantity = q
	back := p.at
	p.space()
	if p.take("-") || p.take("–") || p.take("to ") {
		p.space()
		top, ok := p.number()
		if p.err != nil {
			return a, false
		}
		if ok && top.Cmp(q) > 0 {
			a.UpTo = top
		} else {
			p.at = back
		}
	} else {
		p.at = back
	}
	if u, ok := p.unit(); ok {
		a.Unit = p.standard.In(u)
	}
	return a, true
}

// number is "2", "1.5", "2/3", "1 1/2", "1-1/2", "½" or "1½".
func (p *reader) number() (Ratio, bool) {
	if strings.HasPrefix(p.text[p.at:], "-") {
		p.fail("an amount cannot be negative")
		return Ratio{}, false
	}
	n, whole := p.digits()
	if p.err != nil {
		return Ratio{}, false
	}
	if whole && p.take("/") {
		d, ok := p.digits()
		return p.fraction(n, d, ok)
	}
	back := p.at
	if whole {
		p.space()
		if p.at == back {
			_ = p.take("-")
		}
	}
	if !p.done() {
		if v, ok := vulgar[p.peek()]; ok {
			p.at += utf8.RuneLen(p.peek())
			return n.Plus(v), true
		}
	}
	if whole && p.at > back {
		if m, ok := p.digits(); ok && m.IsWhole() && p.take("/") {
			d, ok := p.digits()
			f, ok := p.fraction(m, d, ok)
			if ok && f.Cmp(Whole(1)) < 0 && n.IsWhole() {
				return n.Plus(f), true
			}
		}
		if p.err != nil {
			return Ratio{}, false
		}
	}
	p.at = back
	return n, whole
}

func (p *reader) fraction(n, d Ratio, ok bool) (Ratio, bool) {
	if !ok || p.err != nil || !d.IsWhole() || !n.IsWhole() || d.Sign() == 0 {
		if p.err == nil {
			p.fail("want a whole number from 1 up under the fraction's line")
		}
		return Ratio{}, false
	}
	return n.Over(d), true
}

// digits is a whole or decimal number of at most 100,000, with at most four decimals.
func (p *reader) digits() (Ratio, bool) {
	start := p.at
	var num, den int64 = 0, 1
	point := false
	for ; p.at < len(p.text); p.at++ {
		c := p.text[p.at]
		if c == '.' && !point && p.at > start {
			if p.at+1 >= len(p.text) || p.text[p.at+1] < '0' || p.text[p.at+1] > '9' {
				break
			}
			point = true
			continue
		}
		if c < '0' || c > '9' {
			break
		}
		if point {
			if den == 10_000 {
				continue
			}
			den *= 10
		}
		num = num*10 + int64(c-'0')
		if num > largest*den {
			p.at = start
			p.fail("this number is too large for an amount")
			return Ratio{}, false
		}
	}
	if p.at == start {
		return Ratio{}, false
	}
	return NewRatio(num, den), true
}

// unit is the longest unit word that the text goes on with; it ends before a letter.
func (p *reader) unit() (Unit, bool) {
	back := p.at
	p.space()
	rest := p.text[p.at:]
	best, found, size := Piece, false, 0
	end := 0
	for words := 0; words < 3 && end < len(rest); words++ {
		for end < len(rest) {
			r, n := utf8.DecodeRuneInString(rest[end:])
			if !unicode.IsLetter(r) {
				break
			}
			end += n
		}
		if u, ok := lookUnit(rest[:end]); ok {
			best, found, size = u, true, end
			if strings.HasPrefix(rest[end:], ".") {
				size++
			}
		}
		gap := end
		for gap < len(rest) && (rest[gap] == ' ' || rest[gap] == '.') {
			gap++
		}
		if gap == end {
			break
		}
		end = gap
	}
	if !found {
		p.at = back
		return Piece, false
	}
	p.at += size
	return best, true
}
