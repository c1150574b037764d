package larder

import "strings"

// guessPrefix marks the id of an ingredient that is not in the table: its facts are guessed from
// its name.
const guessPrefix = "guess:"

// longestGuess is the most letters of a guessed ingredient's name.
const longestGuess = 60

// guesses tell an unknown ingredient's likeness by a word in its name; the first that fits counts.
var guesses = []struct {
	words []string
	like  ID
}{
	{[]string{"wholemeal", "whole wheat", "wholegrain", "whole grain"}, "wholemeal-flour"},
	{[]string{"flour", "meal", "bran", "flakes", "starch"}, "plain-flour"},
	{[]string{"yeast"}, "active-dry-yeast"},
	{[]string{"syrup", "treacle", "nectar", "jam", "marmalade"}, "maple-syrup"},
	{[]string{"sugar", "sweetener"}, "sugar"},
	{[]string{"salt"}, "salt"},
	{[]string{"milk powder", "dry milk", "powdered milk"}, "dry-milk"},
	{[]string{"oil"}, "oil"},
	{[]string{"butter", "lard", "shortening", "ghee"}, "butter"},
	{[]string{"egg"}, "egg"},
	{[]string{"cheese"}, "hard-cheese"},
	{[]string{"milk", "cream", "kefir"}, "milk"},
	{[]string{"juice", "beer", "ale", "stout", "cider", "wine", "tea", "coffee", "broth", "stock", "water", "liquid"}, "water"},
	{[]string{"purée", "puree", "mashed", "sauce"}, "pumpkin"},
	{[]string{"nut", "almond", "pecan"}, "walnuts"},
	{[]string{"seed", "kernel"}, "sunflower-seed"},
	{[]string{"spice", "pepper", "ginger", "nutmeg", "powder"}, "ground-spice"},
	{[]string{"herb", "rosemary", "thyme", "oregano", "dill", "chive"}, "dried-herbs"},
}

// Guess makes facts for an ingredient that is not in the table, after the row that its name is most
// like; without any likeness it is taken for an add-in such as raisins. They are marked as guessed.
func Guess(name string) (Ingredient, bool) {
	name = strings.ToLower(strings.Join(strings.Fields(name), " "))
	if name == "" || len(name) > longestGuess {
		return Ingredient{}, false
	}
	like := ID("raisins")
find:
	for _, g := range guesses {
		for _, w := range g.words {
			if strings.Contains(name, w) {
				like = g.like
				break find
			}
		}
	}
	i := table[byID[like]]
	i.ID, i.Name, i.Names, i.Like = ID(guessPrefix+name), name, nil, i.Name
	return i, true
}

// Know finds an ingredient by its id, guessed ones too.
func Know(id ID) (Ingredient, bool) {
	if i, ok := Get(id); ok {
		return i, true
	}
	if name, ok := strings.CutPrefix(string(id), guessPrefix); ok {
		i, ok := Guess(name)
		return i, ok && i.ID == id
	}
	return Ingredient{}, false
}
