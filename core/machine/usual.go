package machine

import "fmt"

// Doubt is a length in a machine's description that is unusual enough to be asked about; it forbids nothing.
type Doubt struct {
	At  string `json:"at"` // where in the description, as a JSON pointer
	Say string `json:"say"`
}

// span is from how many minutes to how many something usually lasts.
type span struct{ from, to Minutes }

// stageSpans are how long one stage usually lasts.
var stageSpans = map[StageKind]span{
	Rest: {2, 90}, Knead: {2, 45}, Rise: {5, 150}, KnockBack: {1, 5}, Bake: {15, 110}, Boil: {20, 90},
	Culture: {240, 1440},
}

// totalSpans are how long a whole cycle usually takes, by what it is made for.
var totalSpans = map[Character]span{
	Basic: {150, 270}, Wholemeal: {180, 330}, CrustyLoaf: {180, 360}, Sweet: {150, 270}, Rapid: {45, 180},
	GlutenFree: {90, 240}, LowCarb: {90, 270},
	QuickBread: {45, 150}, PacketMix: {120, 270}, Dough: {30, 150}, PastaDough: {10, 40}, Jam: {45, 150},
	BakeOnly: {10, 120},
}

// Doubts lists the lengths of a machine's stages and cycles that are unusual.
func (m Machine) Doubts() []Doubt {
	out := []Doubt{}
	for n, c := range m.Cycles {
		for s, stage := range c.Stages {
			usual := stageSpans[stage.Kind]
			if stage.Minutes > 0 && (stage.Minutes < usual.from || stage.Minutes > usual.to) {
				out = append(out, Doubt{fmt.Sprintf("/cycles/%d/stages/%d/minutes", n, s),
					fmt.Sprintf("%d min of %s? Usual is %d to %d.", stage.Minutes, stage.Kind, usual.from, usual.to)})
			}
		}
		if len(m.Sizes) == 0 {
			continue
		}
		total, usual := c.Total(m.Sizes[len(m.Sizes)-1], Medium), totalSpans[c.Character]
		if usual.to > 0 && (total < usual.from || total > usual.to) {
			out = append(out, Doubt{fmt.Sprintf("/cycles/%d/stages", n),
				fmt.Sprintf("%s in all? Usual for %s is %s to %s.", total, c.Character, usual.from, usual.to)})
		}
	}
	return out
}

// shares are how a cycle of a character usually spends its time, in minutes of a usual total.
var shares = map[Character][]Stage{
	Basic: {{Kind: Knead, Minutes: 10}, {Kind: Rest, Minutes: 5}, {Kind: Knead, Minutes: 18},
		{Kind: Rise, Minutes: 38}, {Kind: KnockBack, Minutes: 1}, {Kind: Rise, Minutes: 25},
		{Kind: KnockBack, Minutes: 1}, {Kind: Rise, Minutes: 50}, {Kind: Bake, Minutes: 55}},
	Wholemeal: {{Kind: Rest, Minutes: 30}, {Kind: Knead, Minutes: 10}, {Kind: Rest, Minutes: 5},
		{Kind: Knead, Minutes: 15}, {Kind: Rise, Minutes: 55}, {Kind: KnockBack, Minutes: 1},
		{Kind: Rise, Minutes: 30}, {Kind: KnockBack, Minutes: 1}, {Kind: Rise, Minutes: 45}, {Kind: Bake, Minutes: 57}},
	CrustyLoaf: {{Kind: Knead, Minutes: 15}, {Kind: Rest, Minutes: 5}, {Kind: Knead, Minutes: 12},
		{Kind: Rise, Minutes: 45}, {Kind: KnockBack, Minutes: 1}, {Kind: Rise, Minutes: 35},
		{Kind: KnockBack, Minutes: 1}, {Kind: Rise, Minutes: 60}, {Kind: Bake, Minutes: 62}},
	Rapid:      {{Kind: Knead, Minutes: 20}, {Kind: Rise, Minutes: 40}, {Kind: Bake, Minutes: 52}},
	GlutenFree: {{Kind: Knead, Minutes: 18}, {Kind: Rise, Minutes: 45}, {Kind: Bake, Minutes: 62}},
	QuickBread: {{Kind: Knead, Minutes: 12}, {Kind: Bake, Minutes: 68}},
	Dough: {{Kind: Knead, Minutes: 9}, {Kind: Rest, Minutes: 4}, {Kind: Knead, Minutes: 16},
		{Kind: Rise, Minutes: 60}},
	PastaDough: {{Kind: Knead, Minutes: 20}},
	Starter:    {{Kind: Culture, Minutes: 1440}},
	Yoghurt:    {{Kind: Culture, Minutes: 480}},
	Jam:        {{Kind: Rest, Minutes: 15}, {Kind: Boil, Minutes: 65}},
	BakeOnly:   {{Kind: Bake, Minutes: 60}},
}

// Estimate is how a cycle of which only the total is known is likely to spend it: the usual shares of its
// character, to the minute. Knock-backs keep their minute, and no stage is less than one.
func Estimate(of Character, total Minutes) []Stage {
	usual, ok := shares[of]
	if !ok {
		usual = shares[Basic]
	}
	var fixed, all, sum Minutes
	for _, s := range usual {
		if s.Kind == KnockBack {
			fixed += s.Minutes
		} else {
			all += s.Minutes
		}
	}
	out := make([]Stage, len(usual))
	longest := 0
	for n, s := range usual {
		out[n] = s
		if s.Kind != KnockBack {
			out[n].Minutes = max(1, (s.Minutes*(total-fixed)+all/2)/all)
		}
		if sum += out[n].Minutes; s.Minutes > usual[longest].Minutes {
			longest = n
		}
	}
	out[longest].Minutes = max(1, out[longest].Minutes+total-sum)
	return out
}
