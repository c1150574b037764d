package kind

import (
	"slices"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Row is what a kind of recipe is like.
type Row struct {
	Bands    Bands         // what is usual, in the booklet school of salt
	Low      float64       // baked volume at the least, ml per g of the flour, of a batter per g of it all
	High     float64       // and at the most
	Batter   bool          // poured rather than kneaded to a ball: only its sides are scraped
	Loose    bool          // a batter without yeast: loaded wet, then flour, the leavening in the middle
	Rich     bool          // sweet and soft: it browns fast and rises slowly
	Lean     bool          // with a crust: a long rise and a hot bake
	Whole    bool          // of whole grain, which drinks slowly
	NoWheat  bool          // for somebody who must avoid gluten
	ByRapid  bool          // on a rapid cycle it is held against what is usual there
	ByWhite  bool          // on any cycle but a rapid one it is held against what is usual of a white loaf
	Shaped   bool          // by hand: the machine kneads and raises only
	FewKnock bool          // dislikes more than MostKnocks
	Unbound  bool          // its flours hold nothing together by themselves: it wants a binder
	ByWeight bool          // its flour says little of its size: the weight of all of it does
	OfAll    Band          // baked volume at the least, ml per g of all of it; zero: its flour tells
	Dense    bool          // moist and close: it wants longer until its middle is done
	Edges    Edges         // beyond which no loaf of it lies
	Finish   recipe.Finish // of what is shaped by hand, where the recipe says nothing

	Sticky    bool                // rye: it sticks however long it is kneaded
	Soft      bool                // its ball smears a little by nature, however long it is kneaded
	Gives     bool                // its purée gives water off slowly
	Fibrous   bool                // its fibre drinks: it is mended by the tablespoon at any size
	Mend      string              // the flour that its dough is mended with; empty: wheat flour
	Look      int                 // minutes of kneading before its ball tells anything; 0: the usual 7
	Still     bool                // nothing in it is kneaded to a ball, and its sides want no scraping
	Batch     bool                // made by the batch: loaf sizes say nothing of it
	Flourless bool                // it needs no flour
	Listed    bool                // goes in as its recipe lists it
	Outside   bool                // mixed outside the machine, whose paddle stays out
	Only      bool                // no cycle but its own can make it
	Handwork  int                 // minutes in which it lies on the board, and the machine waits
	Most      measure.Millilitres // of its fruit, crushed, at the most; 0: what the pan holds
	Headspace int                 // mm that stay free below the rim: it boils up
	Before    int                 // minutes before its end at which it is glazed; 0: as its baking begins
	Oven      int                 // °C, where it is baked without the machine; 0: it is not
	Bake      int                 // minutes there, of 1 1/2 lb
	First     Before              // what is done with what is in it before it is measured
	Ending    Ending
}

// Edges are the figures, per 100 of flour, beyond which something is a slip and not a taste. A figure of 0
// is not asked about.
type Edges struct {
	Wet    Band    // hydration
	Salt   float64 // at the most
	Yeast  float64
	Fat    float64
	Sugar  float64
	Powder float64 // all leavening, as baking powder
	Salted bool    // none at all is a slip
	Raised bool    // neither yeast nor other leavening is a slip
}

// RapidYeast is the most yeast on a rapid cycle.
const RapidYeast = 6

// Pasta are the edges of a pasta dough, which nothing raises.
var Pasta = Edges{Wet: Band{30, 60}, Salt: 4, Yeast: 4.5, Fat: 45, Sugar: 40}

// kneaded are the edges of what is kneaded and raised with yeast; a batter without yeast is asked about salt
// and leavening alone, for sugar, fat and water run far higher there.
var (
	kneaded = Edges{Wet: Band{45, 95}, Salt: 4, Yeast: 4.5, Fat: 45, Sugar: 40, Salted: true, Raised: true}
	batter  = Edges{Salt: 4, Yeast: 4.5, Powder: 9, Raised: true}
)

func (e Edges) wet(low, high, yeast float64) Edges {
	e.Wet, e.Yeast = Band{low, high}, yeast
	return e
}

// Rapid is what is usual on a rapid cycle, for the kinds that are held against it.
var Rapid = Bands{Hydration: Band{60, 72}, Salt: Band{1.6, 2.8}, Yeast: Band{2.0, 3.4}, Sugar: Band{1, 8},
	Fat: Band{1, 9}}

// table: working values for home bread machines.
var table = map[recipe.Kind]Row{
	recipe.White: {Oven: 200, Bake: 35, Edges: kneaded, Low: 5.5, High: 6.0, ByRapid: true, Ending: lean,
		Bands: Bands{Band{57, 72}, Band{1.6, 2.8}, Band{1.0, 2.2}, Band{1, 8}, Band{1, 9}, Band{}}},
	recipe.Wholemeal: {Oven: 200, Bake: 40, Whole: true, Look: 10, Edges: kneaded, Low: 4.0, High: 4.5, ByRapid: true,
		Ending: lean,
		Bands:  Bands{Band{57, 72}, Band{1.6, 2.8}, Band{1.0, 2.2}, Band{1, 8}, Band{1, 9}, Band{}}},
	recipe.Sweet: {Soft: true, Oven: 180, Bake: 35, Rich: true, Edges: kneaded, Low: 5.0, High: 5.5, Ending: enriched,
		Bands: Bands{Band{52, 66}, Band{1.4, 2.4}, Band{1.2, 2.6}, Band{8, 20}, Band{5, 25}, Band{}}},
	recipe.Crusty: {Soft: true, Oven: 225, Bake: 35, Lean: true, Edges: kneaded, Low: 5.5, High: 6.0, Ending: lean,
		Bands: Bands{Band{60, 70}, Band{1.6, 2.8}, Band{0.8, 1.7}, Band{0, 2}, Band{0, 4}, Band{}}},
	recipe.Rapid: {ByWhite: true, Oven: 200, Bake: 35, Edges: kneaded.wet(45, 95, RapidYeast), Low: 5.0, High: 5.5,
		Ending: lean, Bands: Rapid},
	recipe.Rye: {Mend: "bread flour", Oven: 200, Bake: 45, Sticky: true, Look: 10, Edges: kneaded, Low: 4.0, High: 4.5,
		ByRapid: true, Ending: close,
		Bands: Bands{Band{57, 72}, Band{1.6, 2.8}, Band{1.0, 2.2}, Band{0, 8}, Band{0, 9}, Band{}}},
	recipe.Sprouted: {Gives: true, Oven: 190, Bake: 45, Whole: true, Look: 10, Dense: true, Edges: kneaded, Low: 4.0,
		High:   4.5,
		Ending: close,
		Bands:  Bands{Band{57, 80}, Band{1.6, 2.8}, Band{1.0, 2.6}, Band{1, 12}, Band{1, 9}, Band{}}},
	recipe.Packet: {Soft: true, Oven: 200, Bake: 40, Batch: true, ByWeight: true, Edges: Edges{Wet: Band{45, 95}},
		Low: 5.0, High: 6.0, Ending: lean},
	recipe.Dough: {Soft: true, Edges: kneaded, Low: 5.5, High: 6.0, Shaped: true,
		Finish: recipe.Finish{Shape: 15, Rise: 40, Oven: 20}, Ending: shaped,
		Bands: Bands{Band{57, 72}, Band{1.6, 2.8}, Band{1.0, 2.2}, Band{0, 20}, Band{0, 25}, Band{}}},
	recipe.Filled: {Soft: true, Oven: 180, Bake: 35, Rich: true, Edges: kneaded, Low: 5.0, High: 5.5, Handwork: 10,
		Ending: enriched, Finish: recipe.Finish{Shape: 10, Rise: 40, Oven: 35},
		Bands: Bands{Band{52, 68}, Band{1.4, 2.4}, Band{1.2, 2.6}, Band{1, 20}, Band{1, 25}, Band{}}},
	recipe.Pasta: {Edges: Pasta, Low: 1.5, High: 1.6, Shaped: true, Batch: true, Finish: recipe.Finish{Rise: 30},
		Ending: rolled,
		Bands:  Bands{Hydration: Band{36, 50}}},
	recipe.GlutenFree: {Oven: 190, Bake: 50, NoWheat: true, Unbound: true,
		Edges: kneaded.wet(60, 140, 6), Low: 3.5, High: 3.5,
		Batter: true, FewKnock: true, Ending: glutenFree,
		Bands: Bands{Band{80, 110}, Band{1.4, 2.8}, Band{1.2, 2.8}, Band{1, 10}, Band{5, 20}, Band{}}},
	recipe.LowCarb: {Fibrous: true, Mend: "its own fibre or gluten flour", Oven: 180, Bake: 50, Unbound: true,
		Edges: kneaded.wet(60, 230, 4.5), Low: 3.5, High: 3.5, FewKnock: true,
		Dense: true, Look: 10, ByWeight: true, OfAll: Band{1.6, 2.0}, Ending: close,
		Bands: Bands{Band{85, 130}, Band{1.4, 2.8}, Band{1.8, 3.5}, Band{0, 3}, Band{4, 25}, Band{}}},
	recipe.QuickBread: {Oven: 175, Bake: 55, Edges: batter, Low: 2.2, High: 2.2, Batter: true, Loose: true,
		Batch: true, ByWeight: true, Ending: cake,
		Bands: Bands{Powder: Band{3, 5}}},
	recipe.Starter: {Edges: Edges{Wet: Band{40, 250}}, Batch: true, Still: true, Listed: true, Only: true, Low: 2.5,
		High: 3.0, Ending: alive},
	recipe.Preserve: {Batch: true, Flourless: true, Still: true, Listed: true, Only: true, OfAll: Band{0.8, 1.2},
		Most: 750, Headspace: 20, First: fruit, Ending: preserved},
	recipe.Yoghurt: {Batch: true, Flourless: true, Still: true, Listed: true, Only: true, OfAll: Band{1, 1},
		Headspace: 20, First: culture, Ending: set},
	recipe.BakeOnly: {Batch: true, Flourless: true, Still: true, Outside: true, Only: true, Before: 30, Low: 1.5,
		High: 1.8, OfAll: Band{1.0, 1.3}, Ending: baked},
}

// Missing says what is missing where there is so much flour in it; empty: nothing.
func (r Row) Missing(flour measure.Grams) string {
	if flour > 0 || r.Flourless {
		return ""
	}
	return "bread needs flour: add a line with flour"
}

// MostKnocks is how many knock-backs a dough bears that dislikes them.
const MostKnocks = 1

// Leavened reports whether powder or soda raises it.
func (r Row) Leavened() bool { return !r.Bands.Powder.IsZero() }

// Loaf reports whether it is a loaf that comes out of its tin: of some loaf size, or a batter's.
func (r Row) Loaf() bool { return !r.Batch || r.Loose }

// Of is the row of a kind.
func Of(k recipe.Kind) Row { return table[k] }

// ByBatch reports whether what is made of these ingredients is made by the batch: by its kind, or since a packet is
// among them, which goes in whole.
func ByBatch(k recipe.Kind, of []larder.ID) bool {
	return Of(k).Batch || slices.ContainsFunc(of, func(id larder.ID) bool {
		i, ok := larder.Get(id)
		return ok && i.Packet
	})
}

// BandsOf gives the usual ranges for a kind of recipe with this share (0 to 100) of thirsty grain, in
// the booklet school of salt. A quick bread has one for baking powder alone.
func BandsOf(k recipe.Kind, grain float64) Bands { return table[k].Bands.On(grain) }
