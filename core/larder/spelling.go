package larder

import (
	"strings"
)

var accents = strings.NewReplacer("é", "e", "è", "e", "ê", "e", "ë", "e", "à", "a", "â", "a", "ä", "a", "ç", "c", "î",
	"i", "ï", "i", "ñ", "n", "ô", "o", "ö", "o", "û", "u", "ü", "u", "ù", "u", "œ", "oe",
	"'", "", "’", "", "‘", "", "`", "", "n/c", "nc")

func plain(s string) string { return accents.Replace(strings.ToLower(s)) }

// singular takes a plural's ending off. It need not be English as long as it does the same to the
// table's names and a card's.
func singular(w string) string {
	switch {
	case len(w) < 4 || strings.HasSuffix(w, "ss"):
		return w
	case strings.HasSuffix(w, "ies") && len(w) > 5:
		return w[:len(w)-3] + "y"
	case strings.HasSuffix(w, "oes"), strings.HasSuffix(w, "ches"), strings.HasSuffix(w, "shes"),
		strings.HasSuffix(w, "xes"):
		return w[:len(w)-2]
	case strings.HasSuffix(w, "leaves"):
		return w[:len(w)-3] + "f"
	case strings.HasSuffix(w, "halves"):
		return w[:len(w)-3] + "f"
	case strings.HasSuffix(w, "s"):
		return w[:len(w)-1]
	}
	return w
}

// spellings bring a word to the table's spelling, usual misspellings too.
var spellings = map[string]string{
	"yogurt": "yoghurt", "yoghourt": "yoghurt", "fiber": "fibre", "soy": "soya", "chili": "chilli", "chile": "chilli",
	"chilly": "chilli", "chily": "chilli", "unflavored": "unflavoured", "flavor": "flavour", "flavored": "flavoured",
	"flavoring": "flavouring", "color": "colour", "coloring": "colouring", "colored": "coloured",
	"wholewheat": "whole wheat", "wholegrain": "whole grain", "multigrain": "multi grain",
	"stoneground": "stone ground", "flaxseed": "flax seed", "flaxmeal": "flax meal", "poppyseed": "poppy seed",
	"breadcrumb": "bread crumb", "gingerroot": "ginger root", "skim": "skimmed",
	"nonfat": "fatfree", "gf": "glutenfree", "evoo": "extra virgin olive oil", "crystallized": "crystallised",
	"caramelized": "caramelised", "iodized": "iodised", "homogenized": "homogenised", "pasteurized": "pasteurised",
	"dessicated": "desiccated", "unsulfured": "unsulphured",
	"unsulphered": "unsulphured", "choc": "chocolate", "temp": "temperature", "wheatgerm": "wheat germ",
	"wheatbran": "wheat bran", "oatbran": "oat bran", "tumeric": "turmeric", "brocolli": "broccoli",
	"gelatin": "gelatine", "orangepeel": "orange peel", "whisky": "whiskey", "parmigiana": "parmigiano",
	"sundried": "sun dried", "sunblushed": "sun blushed", "almondmilk": "almond milk", "soymilk": "soya milk",
	"oatmilk": "oat milk", "cornmeal": "corn meal", "soybean": "soya bean",
	"maccadamia": "macadamia", "rosewater": "rose water", "applesauce": "apple sauce", "sweetcorn": "sweet corn",
	"popcorn": "pop corn", "crabmeat": "crab meat", "sausagemeat": "sausage meat",
	"raising": "rising", "unbleeched": "unbleached", "allpurpose": "all purpose", "ap": "all purpose",
	"cornflake": "corn flake", "aluminum": "aluminium",
	"hazlenut": "hazelnut", "tinned": "canned",
}

// pairs are words that are written as one or as two.
var pairs = map[string]string{
	"butter milk": "buttermilk", "sour dough": "sourdough", "non fat": "fatfree", "whole meal": "wholemeal",
	"corn starch": "cornstarch", "free range": "freerange", "semi sweet": "semisweet", "stone ground": "stoneground",
	"lin seed": "linseed", "room temperature": "roomtemperature", "low fat": "lowfat", "fat free": "fatfree",
	"reduced fat": "reducedfat", "full fat": "fullfat", "sugar free": "sugarfree",
	"gluten free": "glutenfree", "dairy free": "dairyfree", "low sodium": "lowsodium", "reduced sodium": "lowsodium",
	"low sugar": "lowsugar", "low salt": "lowsalt",
}

// What is read off round a name, in singular words.
const (
	grades = `organic flat plain fresh freshly ripe very extra good best quality high large medium small big little fine finely coarse coarsely thick thickly thin thinly natural pure real raw
unbleached bleached stoneground sifted unsifted packed firmly lightly loosely heaping heaped level levelled rounded scant freerange local homemade unsalted salted unsweetened sweetened seedless
pitted stoned unwaxed untreated lean mature mild sharp plump soft tender young favourite favorite regular ordinary traditional classic premium artisan decaf decaffeinated washed unwashed unpeeled skinless boneless shelled hulled unhulled whole unsmoked smoked smoky canned jarred bottled frozen thick-cut ready good-quality overripe over
neutral store bought virgin quick generous overnight active light lite low reduced lowfat fatfree reducedfat fullfat sugarfree glutenfree dairyfree lowsodium lowsugar lowsalt new`
	states = `softened melted beaten whisked chopped diced sliced minced grated shredded crumbled crushed mashed pureed cubed halved quartered cut torn snipped strained sieved pressed squeezed
juiced flaked slivered broken drained undrained rinsed soaked thawed defrosted toasted untoasted roasted blanched peeled cored seeded deseeded trimmed separated bruised roughly well cooled
scalded warmed patted dry piece chunk cube slice bit half into and then divided heated whipped split rubbed hydrated washed picked destemmed stemmed hulled folded
packed`
	warmths  = `boiling warm lukewarm tepid hand blood hot cold cool chilled iced icy roomtemperature ice at`
	colours  = `white red yellow green black brown golden dark pink purple blue`
	cookings = `cooked fried sauteed steamed boiled poached baked braised caramelised crispy crisp grilled`
	fillers  = `the of a an some any kind your own about approx approximately each such as e g eg ie i e preferably so room for to stalk sprig leaf stick rasher clove ear head strip of`
)

// modifier is what a word says that is read off round a name.
type modifier uint8

const (
	grade modifier = iota + 1
	state
	warmth
	colour
	cooking
	filler
)

var modifiers = func() map[string]modifier {
	out := map[string]modifier{}
	for m, list := range map[modifier]string{filler: fillers, cooking: cookings, colour: colours, warmth: warmths,
		state: states, grade: grades} {
		for _, w := range strings.Fields(list) {
			if old, ok := out[w]; !ok || m < old {
				out[w] = m
			}
		}
	}
	return out
}()
