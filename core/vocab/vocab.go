package vocab

import (
	"fmt"
	"slices"
	"strings"
)

// Read sets *dst to the word that text holds. An unknown word leaves *dst alone and returns an
// error that says what kind of word was wanted and which there are.
func Read[T ~string](dst *T, text []byte, what string, all []T) error {
	w := T(text)
	switch known := slices.Contains(all, w); {
	case !known && w == "":
		return fmt.Errorf("say which %s: %s", what, strings.Join(List(all), ", "))
	case !known:
		return fmt.Errorf("%q is no %s: use %s", Clip(string(text)), what, strings.Join(List(all), ", "))
	}
	*dst = w
	return nil
}

// List gives the words as plain strings.
func List[T ~string](all []T) []string {
	out := make([]string, len(all))
	for i, w := range all {
		out[i] = string(w)
	}
	return out
}

// Clip keeps an error message readable when the text it quotes is very long.
func Clip(s string) string {
	const most = 40
	if r := []rune(s); len(r) > most {
		return string(r[:most]) + "…"
	}
	return s
}

// Upper is a text with its first letter large, for the beginning of a sentence.
func Upper(s string) string {
	if s == "" {
		return s
	}
	return strings.ToUpper(s[:1]) + s[1:]
}

// Lower is the text with a small first letter.
func Lower(s string) string {
	if s == "" {
		return s
	}
	return strings.ToLower(s[:1]) + s[1:]
}
