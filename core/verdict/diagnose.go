package verdict

import (
	"cmp"
	"math"
	"slices"

	"risepan/core/bake"
	"risepan/core/vocab"
)

// Strength is how sure a cause is.
type Strength string

const (
	Likely   Strength = "likely"
	Possible Strength = "possible"
	Unclear  Strength = "cannot tell"
)

var Strengths = []Strength{Likely, Possible, Unclear}

func (s Strength) Words() []string { return vocab.List(Strengths) }
func (s *Strength) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "strength of a cause", Strengths)
}

// From these shares a cause is likely, and possible; below, it is not told.
const (
	likely   = 0.5
	possible = 0.12
)

// Weighed is one cause with what speaks for it and against it.
type Weighed struct {
	Cause    Cause       `json:"cause"`
	Share    float64     `json:"share"` // of all causes together, 0 to 1
	Strength Strength    `json:"strength"`
	Signs    []bake.Sign `json:"signs,omitzero"`   // that it explains
	For      []Fact      `json:"for,omitzero"`     // that speak for it
	Against  []Fact      `json:"against,omitzero"` // and against it
	Change   string      `json:"change"`
	Tell     string      `json:"tell,omitzero"` // what would tell it from its like next time

	net     float64 // by how much the facts of this bake that touch it lift it
	telling bool    // a sign that hardly has another cause speaks for it
	most    bool    // it explains more than half of the signs
}

// lifted reports whether this bake's own facts, or a sign that hardly has another cause, lift it above its like.
// What explains half of the signs or less needs more than a faint fact.
func (w Weighed) lifted() bool {
	return w.net >= lifts && (w.most || w.net >= firmly) || w.telling && w.net >= sunk
}

// Seen is what is known of a loaf: the signs, whether all the others were looked for and not seen, and the facts.
type Seen struct {
	Signs  []bake.Sign
	All    bool // what is not named is not there
	Mark   int  // 1 to 5; 0: none
	Facts  []Fact
	Tried  Cause       // what the recipe was changed for before this loaf; empty: nothing
	Helped bake.Helped // whether that helped
	Cannot []Cause     // that such a loaf cannot have
}

// By what a cause that was answered already becomes less likely where that did not help, and more where it helped in
// part.
const (
	inVain = 0.3
	inPart = 1.6
)

// without is how much less likely a cause is without the fact that goes with it, where the program itself would know of
// that: a pan that was not too full is hardly the cause of an overflow.
const without = 0.2

// missing is by how much the absence of that fact sinks what lifts the cause.
const missing = 0.6

// An absent sign counts for less than a present one: bakers name what strikes them.
const absent = 0.6

// Weigh ranks the causes, likeliest first. It is naive Bayes: each sign and each fact is taken to be independent of
// the others under a cause. A loaf with none but good signs has no cause to look for.
func Weigh(s Seen) []Weighed {
	bad := slices.DeleteFunc(slices.Clone(s.Signs), bake.Sign.Good)
	if len(bad) == 0 {
		return nil
	}
	out := make([]Weighed, 0, len(causes))
	total := 0.0
	for _, c := range Causes {
		if slices.Contains(s.Cannot, c) {
			continue
		}
		r := causes[c]
		w := Weighed{Cause: c, Change: r.change, Tell: r.tell, net: 1}
		w.Share = math.Exp(math.Log(r.prior) + r.bySigns(&w, bad, s.All) + r.byFacts(&w, s.Facts))
		w.most = 2*len(w.Signs) > len(bad)
		w.Share *= s.tried(&w)
		total += w.Share
		if len(w.Signs) > 0 {
			out = append(out, w)
		}
	}
	for n := range out {
		out[n].Share /= total
		out[n].Strength = strengthOf(out[n].Share)
	}
	most := 0.0
	for _, w := range out {
		most = max(most, w.Share)
	}
	before := func(w Weighed) int { // what this bake lifts stands before what it does not, unless that is far likelier
		if w.lifted() && w.Share*overwhelming > most {
			return 0
		}
		return 1
	}
	slices.SortStableFunc(out, func(a, b Weighed) int {
		return cmp.Or(cmp.Compare(before(a), before(b)), cmp.Compare(b.Share, a.Share))
	})
	if len(out) > 0 && !out[0].lifted() { // its signs alone, which others share: nobody can tell from that
		if s.Mark >= well {
			return nil // a good loaf with a flaw that nothing else speaks of: the worry is needless
		}
		for n := range out {
			out[n].Strength = Unclear
		}
	}
	return out
}

// tried is by how much a cause is likelier for what the loaf before taught.
func (s Seen) tried(w *Weighed) float64 {
	switch {
	case s.Tried != w.Cause:
	case s.Helped == bake.No:
		w.Against = append(w.Against, TriedInVain)
		return inVain
	case s.Helped == bake.Yes:
		w.For = append(w.For, TriedInPart)
		return inPart
	}
	return 1
}

func strengthOf(share float64) Strength {
	switch {
	case share >= likely:
		return Likely
	case share >= possible:
		return Possible
	}
	return Unclear
}

// unasked are signs whose absence says nothing: of a dough before it is shaped, and what few bakers would look for.
var unasked = map[bake.Sign]bool{bake.Sticks: true, bake.Crumbles: true, bake.SpringsUp: true, bake.HoleOnTop: true,
	bake.Spread:  true,
	bake.DrawnIn: true}

// bySigns is how the signs speak for a cause, as a logarithm; those that it explains are noted.
func (r row) bySigns(w *Weighed, bad []bake.Sign, all bool) float64 {
	score := 0.0
	for _, sign := range bake.Signs {
		switch {
		case slices.Contains(bad, sign):
			score += math.Log(r.of(sign))
			if r.signs[sign] > 0 {
				w.Signs = append(w.Signs, sign)
				w.telling = w.telling || r.signs[sign] >= telling && alone[sign]
			}
		case all && !sign.Good() && !unasked[sign]:
			score += absent * math.Log(1-r.of(sign))
		}
	}
	return score
}

// byFacts is how the facts speak for a cause, as a logarithm; those that speak for it or against it are noted.
func (r row) byFacts(w *Weighed, facts []Fact) float64 {
	score := 0.0
	if r.wants != "" && !slices.Contains(facts, r.wants) && !(r.orWants != "" && slices.Contains(facts, r.orWants)) {
		score += math.Log(without)
		w.net *= missing
	}
	for _, f := range facts {
		ratio, said := r.facts[f]
		if !said {
			ratio = unsaid(f)
		}
		score += math.Log(ratio)
		if said {
			w.net *= ratio
		}
		switch {
		case said && ratio > speaksFor:
			w.For = append(w.For, f)
		case said && ratio < speaksAgainst:
			w.Against = append(w.Against, f)
		}
	}
	return score
}

// From these ratios a fact is told as speaking for a cause, or against it; and from one on it lifts the cause above its
// like.
const (
	speaksFor     = 1.5
	speaksAgainst = 0.8
	lifts         = 2.5
	firmly        = 4   // and from this one also where it explains but half of the signs
	sunk          = 0.6 // below this net ratio not even a telling sign lifts a cause
	overwhelming  = 30  // so many times as likely, an unlifted cause stands before a lifted one
)

// telling is how likely a sign is under the cause that it tells by itself.
const telling = 0.7

// alone are the signs that hardly have more than one cause.
var alone = map[bake.Sign]bool{bake.Salty: true, bake.Bland: true, bake.Mashed: true, bake.Corners: true,
	bake.Unmixed: true, bake.Hole: true, bake.Rancid: true, bake.OffSmell: true, bake.BurntSmell: true,
	bake.Mouldy: true, bake.Broke: true, bake.Tunnels: true, bake.DryCrumb: true,
	bake.SpringsUp: true}

// well is from which mark a loaf came out well.
const well = 4

// of is how likely a sign is under a cause.
func (r row) of(s bake.Sign) float64 { return max(r.signs[s], leak) }

// unsaid is the ratio of a fact under a cause that it has nothing to do with: what is odd about a bake speaks a little
// against causes that it does not touch, for then two things would have gone wrong at once.
func unsaid(f Fact) float64 {
	if strange[f] {
		return 0.4
	}
	return 1
}

// strange are facts that no usual bake has.
var strange = map[Fact]bool{WetFormula: true, DryFormula: true, YeastHigh: true, YeastLow: true, SaltHigh: true,
	SaltLow: true, OldYeast: true, HotKitchen: true, ColdKitchen: true,
	VeryHotLiquid: true, WeakUsed: true, OtherCycle: true, SlowOnRapid: true, FastOnLong: true, LongCycle: true,
	FullPan: true, StoodInPan: true, CutEarly: true, AddInsFirst: true, AddInsLate: true,
	MoistAddIns: true, LidWasOpen: true, PowerWent: true}

// Causes are what is told of the loaf, in the kitchen's own degrees.
func (b Baked) Causes() []Weighed {
	seen := b.Seen()
	all := Weigh(seen)
	told := Told(all)
	h := b.has()
	if len(told) == 0 && h.meat() {
		return b.safe(seen.Facts)
	}
	if len(told) > 0 && told[0].Strength == Unclear {
		return h.untold(all, seen.Facts)
	}
	for n := range told {
		w := &told[n]
		if say, ok := advice[w.Cause]; ok {
			w.Change = say(h)
		}
		if say, ok := tells[w.Cause]; ok {
			w.Tell = say(h)
		}
		w.Change, w.Tell = b.Kitchen.Degrees.Say(w.Change), b.Kitchen.Degrees.Say(w.Tell)
	}
	return told
}

// safe is what is told of meat that looks and tastes good: only its middle, by a thermometer, says that it was done.
func (b Baked) safe(facts []Fact) []Weighed {
	r := causes[MeatUnder]
	say := func(text string) string { return b.Kitchen.Degrees.Say(text) }
	w := Weighed{Cause: MeatUnder, Strength: Unclear, Change: asWritten, Tell: say(r.tell)}
	switch {
	case slices.Contains(facts, CoreLow):
		w.Share, w.Strength, w.For, w.Change = 1, Likely, []Fact{CoreLow}, say(r.change)
	case slices.Contains(facts, CoreDone), slices.Contains(facts, CoreHigh):
		return nil
	}
	return []Weighed{w}
}

// Asks reports whether a change is asked for: the cause can be told, and what answers it was not tried in vain.
func (w Weighed) Asks() bool {
	return w.Strength != Unclear && !slices.Contains(w.Against, TriedInVain)
}

// asWritten is what is done next time where nothing can be told.
const asWritten = "Change nothing: bake it again as it is written."

// mostMaybe is how many causes are named that may lie behind a loaf of which nothing can be told.
const mostMaybe = 3

// common is from which prior a cause is named among those that may be: rarer ones are told by whoever saw them.
const common = 0.03

// untold are the causes that may lie behind a loaf of which this bake tells none: nothing is to be changed for any of
// them. The first says what to look at next time.
func (h has) untold(all []Weighed, known []Fact) []Weighed {
	out := slices.DeleteFunc(slices.Clone(all), func(w Weighed) bool { // what this page would know is not among them
		return causes[w.Cause].wants != "" || causes[w.Cause].prior < common
	})
	if len(out) == 0 {
		out = slices.Clone(all)
	}
	out = out[:min(len(out), mostMaybe)]
	for n := range out {
		out[n].Strength, out[n].Change, out[n].Tell = Unclear, asWritten, ""
	}
	if l := h.lookFor(all, known); l != nil {
		out[0].Tell = h.Kitchen.Degrees.Say(l.say(h))
	} else if tell, ok := tells[out[0].Cause]; ok {
		out[0].Tell = tell(h)
	} else {
		out[0].Tell = causes[out[0].Cause].tell
	}
	return out
}

// Told are the causes that are worth telling: the likely and the possible, at most three; with none of them the first,
// which cannot be told from its like.
func Told(all []Weighed) []Weighed {
	n := 0
	for n < len(all) && n < 3 && all[n].Strength != Unclear && (n == 0 || all[n].lifted()) {
		n++
	}
	return all[:min(max(n, 1), len(all))]
}
