package larder

import (
	_ "embed"
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

// spellingSheet is a sheet of words as people write them and as the larder's table has them: misspellings, other spellings,
// and words that are written as one or as two.
//
//go:embed spellings.csv
var spellingSheet string

// spellings bring a word to the table's spelling; pairs, two words to one.
var spellings, pairs = func() (one, two map[string]string) {
	one, two = map[string]string{}, map[string]string{}
	for line := range strings.Lines(spellingSheet) {
		written, read, _ := strings.Cut(strings.TrimSpace(line), ",")
		if strings.Contains(written, " ") {
			two[written] = read
		} else {
			one[written] = read
		}
	}
	return one, two
}()

// wordList is what is read off round a name.
//
//go:embed words.txt
var wordList string

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

// headings are the modifiers by the headings of the list.
var headings = map[string]modifier{"grade": grade, "state": state, "warmth": warmth, "colour": colour, "cooking": cooking,
	"filler": filler}

// modifiers are the words of the list. A word that stands under two headings is the first of them.
var modifiers = func() map[string]modifier {
	out := map[string]modifier{}
	var under modifier
	for line := range strings.Lines(wordList) {
		if heading, ok := strings.CutPrefix(line, "# "); ok {
			name, _, _ := strings.Cut(heading, ":")
			under = headings[name]
			continue
		}
		for _, w := range strings.Fields(line) {
			if old, ok := out[w]; !ok || under < old {
				out[w] = under
			}
		}
	}
	return out
}()
