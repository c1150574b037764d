package formats

import (
	"bytes"
	"errors"
	"fmt"
	"strings"
	"unicode/utf8"

	"golang.org/x/net/html/charset"
)

// Largest is the most bytes of a file that is brought in.
const Largest = 8 << 20

// notText are the beginnings of files that hold no text, and what to do with them.
var notText = []struct{ begins, say string }{
	{"PK\x03\x04", "this is a ZIP archive within another: unpack it, and bring in what is inside"},
	{"\x1f\x8b", "this is a packed file: unpack it, and bring in what is inside"},
	{"%PDF", "this is a PDF: open it, and paste its text"},
	{"\xff\xd8\xff", "this is a photo: type what the card says, and keep the photo beside the recipe"},
	{"\x89PNG", "this is a picture: type what the card says, and keep the picture beside the recipe"},
	{"GIF8", "this is a picture: type what the card says"},
	{"\xd0\xcf\x11\xe0", "this is a document of a word processor: paste its text, or save it as plain text"},
	{"{\\rtf", "this is a document of a word processor: paste its text, or save it as plain text"},
	{"SQLite format", "this is a database: bring in an export of it"},
}

// ErrEmpty is returned for a file with nothing in it.
var ErrEmpty = errors.New("there is nothing in it")

// Text is a file as text, whatever its letters are written in: by its mark, by what a page says of itself, as UTF-8, or
// else as Western letters of old. A file that holds no text is refused with what to do with it.
func Text(b []byte) (string, error) {
	if len(b) > Largest {
		return "", fmt.Errorf("this file is too large: up to %d MB can be brought in", Largest>>20)
	}
	for _, n := range notText {
		if bytes.HasPrefix(b, []byte(n.begins)) {
			return "", errors.New(n.say)
		}
	}
	text := ""
	switch coding, name, certain := charset.DetermineEncoding(b, ""); {
	case bytes.HasPrefix(b, []byte("\xef\xbb\xbf")):
		text = string(b[3:])
	case !certain && utf8.Valid(b):
		text = string(b)
	case name == "utf-8":
		text = strings.ToValidUTF8(string(b), "\ufffd")
	default:
		decoded, err := coding.NewDecoder().Bytes(b)
		if err != nil {
			return "", errors.New("this text cannot be read: save it as UTF-8")
		}
		text = strings.TrimPrefix(string(decoded), "\ufeff")
	}
	if strings.ContainsRune(text, 0) {
		return "", errors.New("this is no text: bring in a card, a saved page, JSON, CSV or a calendar")
	}
	if strings.TrimSpace(text) == "" {
		return "", ErrEmpty
	}
	return text, nil
}
