package larder

import (
	"strings"

	"risepan/core/measure"
)

// unknownPrefix marks the id of an ingredient that is not in the table: the rest is its name.
const unknownPrefix = "unknown:"

// likelyCup is what a cup of an unknown ingredient is taken to weigh, g, until somebody says: only so
// that its amount can be scaled. No figure of it is shown.
const likelyCup, likelyPiece measure.Grams = 150, 50

// Unnamed is an ingredient that nobody has said anything of. It counts as spoiling, holds unknown
// allergens, goes into no dispenser and stays out of the formula. ok is false for a name that is none.
func Unnamed(name string) (i Ingredient, ok bool) {
	name = strings.ToLower(strings.Join(strings.Fields(name), " "))
	if name == "" || len(name) > longName {
		return Ingredient{}, false
	}
	return Ingredient{ID: ID(unknownPrefix + name), Name: name, Kind: Extra, PerCup: likelyCup, Each: likelyPiece,
		Spoils: true, Unknown: true}, true
}

// Know finds an ingredient by its id; one that is not in the table is as unknown as its name.
func Know(id ID) (*Ingredient, bool) {
	if i, ok := Get(id); ok {
		return i, true
	}
	if name, ok := strings.CutPrefix(string(id), unknownPrefix); ok {
		i, ok := Unnamed(name)
		return &i, ok && i.ID == id
	}
	return &Ingredient{}, false
}

// Answer is what a household says of an ingredient that the table lacks.
type Answer struct {
	Like      ID            `json:"like"`           // the row that it does the same as in a dough
	Keeps     bool          `json:"keeps,omitzero"` // at room temperature, during a delay
	Allergens []Allergen    `json:"allergens,omitzero"`
	PerCup    measure.Grams `json:"perCup,omitzero"` // g in a US cup; 0: as the row that it is like
}

// Known is the unknown ingredient as it was answered; ok is false where what it is like is not in the
// table.
func (a Answer) Known(unknown Ingredient) (i Ingredient, ok bool) {
	like, ok := Get(a.Like)
	i = *like
	i.ID, i.Name, i.Names, i.Like = unknown.ID, unknown.Name, nil, i.Name
	i.Spoils, i.Allergens, i.Shell = !a.Keeps, a.Allergens, false
	if a.PerCup > 0 {
		i.PerCup, i.Lightest, i.Heaviest = a.PerCup, 0, 0
	}
	return i, ok
}

// Likenesses are rows that an unknown ingredient may be like: one for each thing that ingredients do.
func Likenesses() []Ingredient {
	var out []Ingredient
	for _, id := range []ID{"water", "milk", "oil", "butter", "honey", "sugar", "bread-flour", "wholemeal-flour",
		"rice-flour", "raisins", "walnuts", "sunflower-seed", "hard-cheese", "ham", "banana", "spinach", "dried-herbs",
		"ground-spice", "salt", "cocoa", "instant-yeast", "baking-powder"} {
		out = append(out, table[byID[id]])
	}
	return out
}

// Plain is the id as words, for whoever looks for it: "bread flour".
func (id ID) Plain() string {
	return strings.ReplaceAll(strings.TrimPrefix(string(id), unknownPrefix), "-", " ")
}
