package ui_test

import (
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
)

// shownTexts are the strings that the screens show, each with its file: text between tags, and what stands in quotes
// and holds a space.
func shownTexts(t *testing.T) map[string][]string {
	t.Helper()
	out := map[string][]string{}
	comments := regexp.MustCompile(`(?s)/\*.*?\*/|(?m)(?:^|\s)//[^\n]*`)
	shows := []*regexp.Regexp{regexp.MustCompile(`>\s*([^<>{}]+?)\s*[<{]`), regexp.MustCompile(`}\s*([^<>{}]+?)\s*<`),
		regexp.MustCompile(`"([^"\n]*)"`), regexp.MustCompile("`([^`]*)`")}
	err := filepath.WalkDir("src", func(path string, d os.DirEntry, err error) error {
		if err != nil || d.IsDir() || strings.Contains(path, ".gen.") || strings.HasSuffix(path, "glossary.ts") || !strings.Contains(path, ".ts") {
			return err
		}
		text, err := os.ReadFile(path)
		if err != nil {
			return err
		}
		source := comments.ReplaceAllString(string(text), "")
		for _, show := range shows {
			for _, m := range show.FindAllStringSubmatch(source, -1) {
				s := strings.Join(strings.Fields(m[1]), " ")
				if strings.Contains(s, " ") && sentence.MatchString(s) && !code.MatchString(s) {
					out[path] = append(out[path], s)
				}
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	return out
}

var (
	sentence = regexp.MustCompile(`^[A-Z“][a-z’]*[ ,.:]|[a-z] [a-z]`)
	code     = regexp.MustCompile(`[=;]|=>|\bimport\b|^(?:flex|grid|mt-|text-|min-|w-|block|absolute|figures|size-)|-\d|\.\/|\[`)
)

// givenUp are words and turns that docs/voice.md has given up, with what is said instead.
var givenUp = []struct {
	words *regexp.Regexp
	now   string
}{
	{regexp.MustCompile(`(?i)\brevisions?\b`), "version"},
	{regexp.MustCompile(`(?i)\bput (?:away|aside)\b`), "archived"},
	{regexp.MustCompile(`(?i)\brehears`), "practise"},
	{regexp.MustCompile(`(?i)\brecord book\b`), "database"},
	{regexp.MustCompile(`\b(?:finish|start)-based\b`), "timer counts to when the bread is done"},
	{regexp.MustCompile(`(?i)\bprogrammes?\b`), "cycle"},
	{regexp.MustCompile(`(?i)\bplease\b`), "nothing"},
	{regexp.MustCompile(`[a-z]!(?:$| )`), "a full stop"},
	{regexp.MustCompile(`\d ?(?:[£€]|\$(?:$|[ .,]))`), "the sign of money first"},
	{regexp.MustCompile(`^(?:Kept|Not kept)(?:[.:]|$)`), "Saved"},
	{regexp.MustCompile(`^(?:Save|Keep|Take|Put|Undo|Print|Edit|Change|Delete|Remove|Add|Plan|Restore|Open|Show) ?(?:it|that|so)$`),
		"the thing by its name"},
	{regexp.MustCompile(`^(?:Take|Put|Bring) (?:it|that|them) (?:back|away|off)$`), "Undo, Archive, Remove, Restore"},
	{regexp.MustCompile(`(?i)\bto be (?:had|found|seen) (?:there|here)\b|\ball the same\b|\banew\b`), "plain words"},
}

// What a person reads on the screens keeps to the voice of docs/voice.md.
func TestTheScreensKeepToTheVoice(t *testing.T) {
	t.Parallel()
	read, found := 0, map[string]int{}
	for path, texts := range shownTexts(t) {
		for _, s := range texts {
			read++
			for _, g := range givenUp {
				if g.words.MatchString(s) {
					found[g.words.String()]++
					t.Errorf("%s: %q: say %s", path, s, g.now)
				}
			}
		}
	}
	t.Logf("%d texts read, %d turns found", read, len(found))
	if read < 1000 {
		t.Errorf("only %d texts were read", read)
	}
}

// The words of the voice are told from like ones that are right.
func TestTheVoiceTellsItsWordsFromTheirLike(t *testing.T) {
	t.Parallel()
	wrong := []string{"Its revisions", "Put away", "7.66 £", "Print it", "Take it back", "Kept.", "Well done!", "Begin anew"}
	right := []string{"Version 2", "£7.66", "Print", "Bread keeps for 2 days", "Keep warm ends", "Cut it cold", "Archived"}
	hit := func(s string) bool {
		for _, g := range givenUp {
			if g.words.MatchString(s) {
				return true
			}
		}
		return false
	}
	for _, s := range wrong {
		if !hit(s) {
			t.Errorf("%q passes", s)
		}
	}
	for _, s := range right {
		if hit(s) {
			t.Errorf("%q is refused", s)
		}
	}
}
