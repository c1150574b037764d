package verdict_test

import (
	"fmt"
	"maps"
	"math"
	"os"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/verdict"
)

// judged is a finished loaf as experienced bakers judge it: the fields of its block by their names.
type judged map[string]string

func loaves(t testing.TB) (out []judged) {
	b, err := os.ReadFile("testdata/loaves.txt")
	if err != nil {
		t.Fatal(err)
	}
	for _, block := range strings.Split(strings.TrimSpace(string(b)), "\n\n") {
		l := judged{}
		for row := range strings.Lines(block) {
			name, text, ok := strings.Cut(strings.TrimSpace(row), ": ")
			if number, is := strings.CutPrefix(strings.TrimSpace(row), "loaf "); is && !ok {
				l["loaf"] = number
			} else if ok {
				l[name] = text
			}
		}
		if l["bread"] != "" {
			out = append(out, l)
		}
	}
	if len(out) < 300 {
		t.Fatalf("only %d loaves", len(out))
	}
	return out
}

// kindsOf are the kinds that bakers name and their recipes' and cycles'.
var kindsOf = map[string]struct {
	kind  recipe.Kind
	cycle machine.Character
}{
	"basic": {recipe.White, machine.Basic}, "wholemeal": {recipe.Wholemeal, machine.Wholemeal},
	"rye": {recipe.Rye, machine.Wholemeal}, "crusty": {recipe.Crusty, machine.CrustyLoaf},
	"sweet": {recipe.Sweet, machine.Sweet}, "rapid": {recipe.Rapid, machine.Rapid},
	"gluten-free": {recipe.GlutenFree, machine.GlutenFree}, "low-carb": {recipe.LowCarb, machine.LowCarb},
	"sprouted": {recipe.Sprouted, machine.Wholemeal}, "quick bread": {recipe.QuickBread, machine.QuickBread},
	"cake": {recipe.QuickBread, machine.QuickBread}, "packet": {recipe.Packet, machine.PacketMix},
	"bag": {recipe.White, machine.Basic}, "starter-raised": {recipe.White, machine.Basic},
	"filled": {recipe.Filled, machine.Sweet}, "dough": {recipe.Dough, machine.Dough},
	"pasta": {recipe.Pasta, machine.PastaDough}, "jam": {recipe.Preserve, machine.Jam},
	"yoghurt": {recipe.Yoghurt, machine.Yoghurt}, "bake only": {recipe.BakeOnly, machine.BakeOnly},
}

// characters are those of cycles by their names.
var characters = map[string]machine.Character{"Basic": machine.Basic, "Wholemeal": machine.Wholemeal,
	"Sweet": machine.Sweet, "Quick bread": machine.QuickBread, "Gluten-free": machine.GlutenFree,
	"Crusty": machine.CrustyLoaf, "Cake": machine.QuickBread, "Jam": machine.Jam, "Rapid": machine.Rapid,
	"Dough": machine.Dough, "Low-carb": machine.LowCarb, "Yoghurt": machine.Yoghurt, "Bake only": machine.BakeOnly,
	"Pasta dough": machine.PastaDough, "Packet mix": machine.PacketMix}

// asked are the causes that this program names, by the bakers' words.
var asked = map[verdict.Cause][]string{
	verdict.TooWet: {"too wet"}, verdict.TooDry: {"too dry"},
	verdict.PackedCup: {"packed flour"}, verdict.MuchYeast: {"too much yeast", "spoon slip"},
	verdict.FastYeast: {"too much yeast"}, verdict.LittleYeast: {"too little yeast"},
	verdict.DeadYeast: {"old yeast"}, verdict.NoYeast: {"yeast forgotten"},
	verdict.NoSalt: {"too little salt", "ingredient forgotten"}, verdict.MuchSalt: {"too much salt", "spoon slip"},
	verdict.HotLiquid: {"liquid too hot"}, verdict.WarmPlace: {"too warm"}, verdict.ColdPlace: {"too cold"},
	verdict.LongRise: {"over-risen", "rise too long"}, verdict.WrongCycle: {"wrong cycle", "cycle too short"},
	verdict.WeakFlour: {"weak flour"}, verdict.TooBig: {"too big for pan"}, verdict.MuchSugar: {"too much sugar"},
	verdict.NoPaddle: {"paddle missing", "pan not seated", "ball never formed"}, verdict.NotScraped: {"not scraped"},
	verdict.CutHot:    {"cut hot"},
	verdict.LeftInPan: {"left in pan"}, verdict.CrustSet: {"crust too dark", "crust too light"},
	verdict.EarlyAddIns: {"add-ins early"}, verdict.LateAddIns: {"add-ins late"}, verdict.WetAddIns: {"add-ins wet"},
	verdict.OpenedLid: {"lid opened"}, verdict.LidTouched: {"flap touched"}, verdict.PowerOut: {"power cut"},
	verdict.PaddleLeft: {"paddle's mark"}, verdict.UnderBaked: {"under-baked", "cycle too short"},
	verdict.OverBaked: {"over-baked"}, verdict.WrongSize: {"wrong size"}, verdict.ManyKnocks: {"too many knock-backs"},
	verdict.LittleSugar: {"too little sugar"}, verdict.ManyAddIns: {"too many add-ins"}, verdict.NoBinder: {"no binder"},
	verdict.OldPowder: {"old leavening", "leavening forgotten"}, verdict.LittlePowder: {"too little leavening"},
	verdict.MuchPowder: {"too much leavening", "spoon slip"}, verdict.SodaAlone: {"soda without acid"},
	verdict.OldFlour: {"stale wholemeal"}, verdict.HiddenSalt: {"hidden salt"}, verdict.MuchFlour: {"overdosed flour"},
	verdict.MuchLiquid: {"overdosed liquid"}, verdict.WetYeast: {"yeast wetted"}, verdict.DoubleYeast: {"yeast doubled"},
	verdict.WeakFerment: {"weak starter"}, verdict.PressedDown: {"patted down"}, verdict.StoppedCycle: {"stop pressed"},
	verdict.PulledOut: {"nut turned"}, verdict.TurnedOut: {"turned out early"}, verdict.CooledShut: {"cooled wrapped"},
	verdict.Unrested: {"dough not rested"}, verdict.UnderProved: {"under-proved"}, verdict.OverProved: {"over-proved"},
	verdict.OvenWrong: {"oven wrong"}, verdict.Forgotten: {"ingredient forgotten"},
	verdict.KeptDamp: {"stored damp"}, verdict.OverMixed: {"over-mixed"}, verdict.SpiltOver: {"spill on heater"},
	verdict.Spoilt: {"spoiled"}, verdict.MuchFruit: {"fruit too much"}, verdict.LittleSet: {"too little set"},
	verdict.NotYetSet: {"not yet set"}, verdict.BoiledLong: {"boiled too long"}, verdict.DeadCulture: {"culture dead"},
	verdict.ShortHeld: {"not held long"}, verdict.MeatUnder: {"meat under done"}, verdict.FillingWet: {"filling wet"},
	verdict.SeamOpen: {"seam open"}, verdict.TooRich: {"too rich"},
}

// signsOf are the signs that this program knows, by the bakers' words.
var signsOf = map[string]bake.Sign{
	"sunken top": bake.Collapsed, "mushroom top": bake.Overflowed, "overflow": bake.Overflowed, "torn top": bake.Torn,
	"holed top": bake.Torn, "short": bake.Dense, "did not rise": bake.NotRisen, "coarse crumb": bake.Coarse,
	"big holes": bake.Coarse, "dense crumb": bake.Dense, "gummy middle": bake.Gummy, "raw middle": bake.Gummy,
	"unmixed heap": bake.Unmixed, "pale crust": bake.Pale, "dark crust": bake.Burnt, "soggy sides": bake.Soggy,
	"wrinkled sides": bake.Soggy, "floury corners": bake.Corners, "torn base": bake.Hole, "hole in base": bake.Hole,
	"add-ins mashed": bake.Mashed, "add-ins at bottom": bake.Sunken, "too salty": bake.Salty, "bland": bake.Bland,
	"lopsided": bake.Lopsided, "lumpy top": bake.Lumpy, "good dome": bake.Domed, "fine crumb": bake.FineCrumb,
	"hollow tap": bake.Hollow, "crumbly": bake.Crumbly, "dry crumb": bake.DryCrumb, "soft crust": bake.SoftCrust,
	"thick crust": bake.ThickCrust, "broke turning out": bake.Broke, "add-ins outside": bake.Outside,
	"add-ins clumped": bake.Clumped, "tunnels": bake.Tunnels, "soapy": bake.Soapy, "bitter": bake.Rancid,
	"rancid": bake.Rancid, "sour": bake.Sour, "off smell": bake.OffSmell, "burnt smell": bake.BurntSmell,
	"mould": bake.Mouldy, "runny": bake.Runny, "stiff set": bake.StiffSet, "boiled over": bake.BoiledOver,
	"whey": bake.Whey, "pink middle": bake.PinkMeat, "dry meat": bake.DryMeat, "filling leaked": bake.FillingRan,
	"gaps in the roll": bake.RollGaps, "hole under the crust": bake.HoleOnTop, "sides drawn in": bake.DrawnIn,
	"dough sticky": bake.Sticks, "dough crumbly": bake.Crumbles, "dough springs back": bake.SpringsUp,
	"flat rolls": bake.Spread, "flour pockets": bake.Corners, "slightly sunken top": bake.Collapsed,
}

// mishapsOf are what bakers tell, by words of theirs.
var mishapsOf = []struct {
	words  *regexp.Regexp
	mishap bake.Mishap
}{
	{regexp.MustCompile(`found (?:unopened )?on the worktop|dispenser left empty|found in its cup|found unopened|found in its cup|` +
		`still (?:on the worktop|in the jug)`),
		bake.LeftOut},
	{regexp.MustCompile(`second packet|further \d|yeast beside`), bake.TwoYeasts},
	{regexp.MustCompile(`flour added|flour was added`), bake.FlourAdded},
	{regexp.MustCompile(`water added|\d+ g water`), bake.LiquidAdded},
	{regexp.MustCompile(`dug down to the water|yeast stirred into|straight into the water|lay wet in`), bake.YeastWetted},
	{regexp.MustCompile(`never doubled|straight from the fridge|used early`), bake.WeakStarter},
	{regexp.MustCompile(`after the beep was missed|minute \d+$|into the rise`), bake.AddedLate},
	{regexp.MustCompile(`patted down|pricked|pressed`), bake.PressedDown},
	{regexp.MustCompile(`flap hung|stood against the lid|stuck to the flap|left on the lid`), bake.LidTouched},
	{regexp.MustCompile(`Stop (?:held|pressed)|machine off after|stopped at`), bake.StopPressed},
	{regexp.MustCompile(`nut turned|pulled out|by force`), bake.PulledOut},
	{regexp.MustCompile(`shaken out at once|tipped out the moment`), bake.CameOutEarly},
	{regexp.MustCompile(`cooled (?:in a plastic|under|warm in)`), bake.CooledShut},
	{regexp.MustCompile(`kept \d+ days in a sealed`), bake.KeptDamp},
	{regexp.MustCompile(`stirred \d+ min by hand|beaten \d+ min`), bake.MixedLonger},
	{regexp.MustCompile(`spilled beside|ran down outside`), bake.Spilt},
	{regexp.MustCompile(`lid (?:opened|lifted)`), bake.LidOpened},
	{regexp.MustCompile(`judged (?:warm|\d+ min)`), bake.JudgedWarm},
	{regexp.MustCompile(`cycle run twice|boiled (?:on|twice)|bake only afterwards`), bake.BoiledOn},
	{regexp.MustCompile(`culture from a pot .* past|old culture`), bake.OldCulture},
	{regexp.MustCompile(`stirred into milk at [5-9]\d`), bake.HotForIt},
	{regexp.MustCompile(`undrained|filling of (?:wet|tinned)`), bake.WetFilling},
	{regexp.MustCompile(`seam on top|edge left loose|not pinched`), bake.LooseSeam},
	{regexp.MustCompile(`in from the start`), bake.AddedEarly},
	{regexp.MustCompile(`last rise (?:5|10|15|20) min|baked at once|put back with \d+ min left`), bake.ShortProof},
	{regexp.MustCompile(`last rise (?:\d h|1\d\d min|9\d min)`), bake.LongProof},
	{regexp.MustCompile(`not preheated|oven thermometer read`), bake.OvenOff},
	{regexp.MustCompile(`paddle found in the drawer|no paddle on the shaft|pan rocked|all flour lay at one end`),
		bake.PaddleOff},
}

var number = regexp.MustCompile(`\d+(?:\.\d+)?`)

func first(text string) float64 {
	v, _ := strconv.ParseFloat(number.FindString(text), 64)
	return v
}

func part(text, of string) string {
	for _, p := range strings.Split(text, "; ") {
		if strings.Contains(p, of) {
			return p
		}
	}
	return ""
}

// early finds what tells that it stood high before it baked, and fell.
var early = regexp.MustCompile(`fell .*before the bake|fell before|then fell|fell as the bake`)

var evening = time.Date(2026, 5, 2, 18, 0, 0, 0, time.UTC)

// shaped is a dough that is told by what is made of it: it counts as one of the usual size.
var shaped = regexp.MustCompile(`pieces|^for \d|bases`)

// machineOf is the machine of a loaf, with its one cycle.
func (l judged) machineOf(size measure.LoafSize) machine.Machine {
	text := l["machine"]
	litres := first(part(text, "pan "))
	m := machine.Machine{Name: "Test", Sizes: []measure.LoafSize{size}, Crusts: machine.Crusts, Loading: pan.WetFirst,
		Vessel: pan.Vessel{Length: 180, Width: int(math.Round(litres * 1e6 / 180 / 140)), Depth: 140},
		Delay:  machine.Delay{Rule: machine.FinishBased, Step: 10, Largest: 780}}
	if strings.Contains(text, "dry first") {
		m.Loading = pan.DryFirst
	}
	cycle := part(text, "cycle ")
	name, stages, _ := strings.Cut(strings.TrimPrefix(cycle, "cycle "), ": ")
	name = strings.TrimSpace(regexp.MustCompile(` \d+ min$`).ReplaceAllString(name, ""))
	c := machine.Cycle{ID: "c", Panel: "1", Name: name, Character: characters[name], Delay: true,
		HasCrust: strings.Contains(text, "choice yes")}
	if c.Character == "" {
		c.Character, c.Own = kindsOf[l.kind()].cycle, true
	}
	for _, s := range strings.Split(stages, ", ") {
		minutes := machine.Minutes(first(s))
		switch word, _, _ := strings.Cut(s, " "); word {
		case "preheat", "hold", "heat", "cool":
			c.Stages = append(c.Stages, machine.Stage{Kind: machine.Rest, Minutes: minutes})
		case "knead", "stir":
			c.Stages = append(c.Stages, machine.Stage{Kind: machine.Knead, Minutes: minutes})
		case "rise":
			knocks := 0
			if at := strings.Index(s, "("); at >= 0 {
				knocks = int(first(s[at:]))
			}
			for n := range knocks {
				part := minutes * 3 / 10
				c.Stages = append(c.Stages, machine.Stage{Kind: machine.Rise, Minutes: part},
					machine.Stage{Kind: machine.KnockBack, Minutes: 1})
				if n == knocks-1 {
					minutes -= machine.Minutes(knocks) * (part + 1)
				}
			}
			c.Stages = append(c.Stages, machine.Stage{Kind: machine.Rise, Minutes: minutes})
		case "bake":
			c.Stages = append(c.Stages, machine.Stage{Kind: machine.Bake, Minutes: minutes})
		}
	}
	m.Cycles = []machine.Cycle{c}
	return m
}

func (l judged) kind() string { p := strings.Split(l["bread"], "; "); return p[len(p)-1] }

func (l judged) set() machine.Crust {
	for _, c := range machine.Crusts {
		if strings.Contains(l["machine"], "crust set "+string(c)) {
			return c
		}
	}
	return ""
}

// baked is the loaf as this program knows it.
func (l judged) baked(t testing.TB) (verdict.Baked, error) {
	b, _, err := l.made()
	return b, err
}

// made is the loaf with the recipe that it was made of.
func (l judged) made() (b verdict.Baked, r recipe.Recipe, err error) {
	size := measure.LoafPounds(3, 2)
	if text := strings.Split(l["bread"], "; ")[1]; text != "" && !shaped.MatchString(text) {
		if err := size.UnmarshalText([]byte(strings.NewReplacer("1½", "1 1/2", "2½", "2 1/2").Replace(text))); err != nil {
			return b, r, err
		}
	}
	standard := measure.US
	rows := strings.ReplaceAll(l["in"], "; ", "\n")
	for _, told := range strings.Split(l["told"], "; ") {
		if add, ok := strings.CutPrefix(told, "add-ins: "); ok {
			for _, one := range strings.Split(add, ", ") {
				at := strings.IndexAny(one, "0123456789½¼¾⅓⅔⅛⅜")
				if at > 0 {
					rows += "\n" + one[at:] + " " + strings.TrimSpace(one[:at]) + ", at the beep"
				}
			}
		}
	}
	card, err := recipe.ReadCard(rows, standard, larder.Find)
	if err != nil {
		return b, r, err
	}
	r = card.Recipe()
	r.Name, r.Kind, r.Size, r.Standard = "Test", kindsOf[l.kind()].kind, size, standard
	m := l.machineOf(size)
	k := kitchen.New("Test", "UTC")
	k.Scale = strings.Contains(l["told"], "flour weighed")
	filling := larder.Spooned
	if strings.Contains(l["told"], "scooped") {
		filling = larder.Scooped
	}
	if strings.Contains(l["told"], "spooned") || strings.Contains(l["told"], "scooped") {
		for _, line := range r.Lines {
			if i, ok := larder.Know(line.Ingredient); ok && i.Kind == larder.Flour {
				k.Cups = append(k.Cups, larder.Cup{Flour: i.ID, Filling: filling, Measure: measure.Of(1, 1, measure.Cup)})
			}
		}
	}
	for _, told := range strings.Split(l["day"]+"; "+l["told"], "; ") {
		k.Packs = append(k.Packs, packs(told, r)...)
	}
	w := plan.Wish{LoafWish: plan.LoafWish{Size: size},
		Timing:   plan.Timing{Cycle: "c", Crust: l.set(), AddIns: plan.WithHands},
		Handling: plan.Handling{Warmth: plan.Warmth{Room: celsius(first(part(l["day"], "room ")))}}}
	p, err := plan.Make(plan.Place{Kitchen: k, Recipe: r, Machine: m, Zone: time.UTC, Now: evening}, w)
	if err != nil {
		return b, r, err
	}
	return verdict.Baked{Plan: p, Kitchen: k, State: l.state(p), Happened: l.happened(p),
		Well: regexp.MustCompile(`same recipe[^|]*(?:good|as wished)`).MatchString(l["before"])}, r, nil
}

// packs are those of a recipe's things whose age is told.
func packs(told string, r recipe.Recipe) (out []kitchen.Pack) {
	old := regexp.MustCompile(`months|years|past its date|warm cupboard|clumped`).MatchString(told)
	kinds := map[string]larder.Kind{"yeast": larder.Yeast, "baking powder": larder.Leavening, "wholemeal": larder.Flour,
		"linseed": larder.DryExtra}
	for word, kind := range kinds {
		if !strings.Contains(told, word) || !regexp.MustCompile(`opened|open for|past its date|old in`).MatchString(told) {
			continue
		}
		for _, line := range r.Lines {
			i, ok := larder.Know(line.Ingredient)
			if !ok || i.Kind != kind || kind == larder.Flour && i.ID != "wholemeal-flour" {
				continue
			}
			p := kitchen.Pack{Ingredient: i.ID, Opened: kitchen.DateOf(evening.AddDate(0, 0, -14), time.UTC)}
			if old {
				p.BestBefore = kitchen.DateOf(evening.AddDate(0, -2, 0), time.UTC)
			}
			out = append(out, p)
		}
	}
	return out
}

func celsius(v float64) measure.Temperature {
	out, _ := measure.ParseTemperature(fmt.Sprintf("%g °C", v))
	return out
}

// happened is what was told of the bake.
func (l judged) happened(p plan.Plan) []bake.Happening {
	out := p.Timer.Ready.Add(5 * time.Minute)
	var all []bake.Happening
	var knead, bakes machine.Minutes
	for _, s := range p.Stages {
		if s.Kind == machine.Knead && knead == 0 {
			knead = s.From + 8
		}
		if s.Kind == machine.Bake && bakes == 0 {
			bakes = s.From
		}
	}
	begin := p.Timer.Begin
	add := func(at time.Time, h bake.Happening) {
		h.Stamp = journal.Stamp{Seq: len(all) + 1, At: at}
		all = append(all, h)
	}
	if text := part(l["day"], "out after"); text != "" {
		out = p.Timer.Ready.Add(time.Duration(first(text)) * time.Minute)
	}
	for word, seen := range map[string]dough.Seen{"ball slack": dough.Smears, "ball stiff": dough.Knocks,
		"ball smooth": dough.Smooth} {
		if strings.Contains(l["seen"], word) || strings.Contains(l["known"], word) {
			add(begin.Add(time.Duration(knead)*time.Minute), bake.Happening{What: bake.Saw, Seen: seen})
		}
	}
	if early.MatchString(l["known"]) && bakes > 0 {
		add(begin.Add(time.Duration(bakes-20)*time.Minute), bake.Happening{What: bake.Stood, Stands: dough.Above})
	}
	if strings.Contains(l["day"], "power failed") {
		add(begin.Add(time.Duration(knead)*time.Minute), bake.Happening{What: bake.PowerCut, Minutes: 30})
	}
	add(out, bake.Happening{What: bake.TakenOut})
	v := bake.Verdict{Mark: 2, Room: celsius(first(part(l["day"], "room "))), Damp: strings.Contains(l["day"], "damp")}
	if strings.Contains(l["seen"], "good") && l["is"] == "none" {
		v.Mark = 4
	}
	if text := part(l["day"], "cut after"); text != "" && !strings.Contains(text, "unknown") {
		v.CutAfter = int(first(text))
	}
	for _, s := range strings.Split(l["seen"], "; ") {
		if sign, ok := signsOf[s]; ok && !slices.Contains(v.Signs, sign) {
			v.Signs = append(v.Signs, sign)
		}
	}
	if core := part(l["known"], "core "); core != "" {
		v.Core = celsius(first(core))
	}
	if liquid := part(l["day"], "liquid "); strings.Contains(liquid, "°C") {
		v.Liquid = celsius(first(liquid))
	}
	for _, told := range strings.Split(l["told"]+"; "+l["day"]+"; "+l["known"], "; ") {
		for _, m := range mishapsOf {
			wet := m.mishap != bake.YeastWetted || !strings.Contains(l["day"], "delay none") || strings.Contains(told, "lay wet")
			if wet && m.words.MatchString(told) && !slices.Contains(v.Mishaps, m.mishap) {
				v.Mishaps = append(v.Mishaps, m.mishap)
			}
		}
	}
	if set := part(l["machine"], "size set "); set != "" {
		if is := strings.Split(l["bread"], "; ")[1]; is != "" && strings.TrimPrefix(set, "size set ") != is {
			v.Mishaps = append(v.Mishaps, bake.OtherSize)
		}
	}
	add(out.Add(time.Hour), bake.Happening{What: bake.Judged, Verdict: v})
	return all
}

func (l judged) state(p plan.Plan) bake.State {
	h := l.happened(p)
	return bake.At(p, h, h[len(h)-1].At.Add(time.Hour))
}

// lookOf is the bakers' word for a look that is proposed.
func lookOf(say string) string {
	for part, word := range map[string]string{"dough ball": "dough ball", "how high": "height before baking",
		"its middle":          "core",
		"a cup of your flour": "flour weight", "yeast's date": "yeast date", "how warm": "temperature",
		"baking powder in hot": "leavening test", "when it was cut": "when cut", "crushed fruit": "fruit weight",
		"spoon of salt": "salt used", "cut roll": "crumb"} {
		if strings.Contains(say, part) {
			return word
		}
	}
	return say
}

// Loaves that experienced bakers judged: how often this program says the same.
func TestLoavesThatBakersJudged(t *testing.T) {
	type score struct{ right, all int }
	scores := map[string]*score{}
	count := func(what string, right bool) {
		if scores[what] == nil {
			scores[what] = &score{}
		}
		if scores[what].all++; right {
			scores[what].right++
		}
	}
	unread := 0
	for _, l := range loaves(t) {
		b, err := l.baked(t)
		if err != nil {
			unread++
			t.Logf("loaf %s is not understood: %v", l["loaf"], err)
			continue
		}
		causes := b.Causes()
		says := "fine"
		var named []string
		if len(causes) > 0 {
			says = "likely"
			asked[verdict.CrustSet] = []string{"crust too light"}
			if slices.Contains(b.State.Signs, bake.Burnt) {
				asked[verdict.CrustSet] = []string{"crust too dark"}
			}
			if causes[0].Strength == verdict.Unclear {
				says = "cannot tell"
			}
			for _, c := range causes {
				named = append(named, string(c.Cause))
			}
		}
		any := func(list, sep string) bool {
			for _, w := range strings.Split(list, sep) {
				if len(causes) > 0 && slices.Contains(asked[causes[0].Cause], strings.TrimSpace(w)) {
					return true
				}
			}
			return false
		}
		right := false
		switch l["is"] {
		case "none":
			right = says == "fine"
			count("fine", right)
		case "cannot tell":
			right = says == "cannot tell"
			count("cannot tell", right)
			if right && l["look"] != "" {
				count("the look that tells most", slices.Contains(strings.Split(l["look"], " | "), lookOf(causes[0].Tell)))
			}
		default:
			right = any(l["is"], "|") && says == "likely"
			count("first", right)
			count("asserts where it can tell", says == "likely")
		}
		if changed := l.does(t); right || l["is"] != "cannot tell" {
			count("the one change", changed)
			if !changed {
				t.Logf("CHANGE loaf %s: wants %s, says %s", l["loaf"], l["do"], causesChange(causes))
			}
		}
		never := true
		for _, c := range causes {
			if says == "cannot tell" {
				break
			}
			for _, w := range strings.Split(l["is not"], "; ") {
				never = never && !slices.Contains(asked[c.Cause], w)
			}
		}
		count("never", never)
		if !right || !never {
			t.Logf("loaf %s (%s): wants %s (%s), says %s: %s; seen %s; facts %v", l["loaf"], l.kind(), l["is"], l["sure"], says,
				strings.Join(named, ", "), l["seen"], b.Evidence())
		}
	}
	for _, what := range slices.Sorted(maps.Keys(scores)) {
		t.Logf("%s: %d of %d (%.0f %%)", what, scores[what].right, scores[what].all,
			100*float64(scores[what].right)/float64(scores[what].all))
	}
	t.Logf("not understood: %d", unread)
	for what, least := range map[string]float64{"first": 0.92, "never": 0.97, "cannot tell": 0.92, "fine": 0.97,
		"the look that tells most": 0.7, "the one change": 0.91} {
		if s := scores[what]; float64(s.right) < least*float64(s.all) {
			t.Errorf("%s: %d of %d, and it was %.0f %% before", what, s.right, s.all, 100*least)
		}
	}
}

func causesChange(all []verdict.Weighed) string {
	if len(all) == 0 {
		return "nothing"
	}
	return all[0].Change
}
