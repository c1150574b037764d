package formats_test

import (
	"archive/zip"
	"bytes"
	"strings"
	"testing"

	"risepan/formats"
)

// packed is a ZIP archive of names and contents, by turns.
func packed(t *testing.T, pairs ...string) []byte {
	t.Helper()
	var b bytes.Buffer
	w := zip.NewWriter(&b)
	for n := 0; n < len(pairs); n += 2 {
		f, err := w.Create(pairs[n])
		if err == nil {
			_, err = f.Write([]byte(pairs[n+1]))
		}
		if err != nil {
			t.Fatal(err)
		}
	}
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

func TestUnzip(t *testing.T) {
	got, err := formats.Unzip(packed(t, "cards/oat loaf.txt", "1 cup water", "cards/", "", "__MACOSX/oat loaf.txt", "x",
		".hidden", "x", "photo.png", "\x89PNG"))
	if err != nil || len(got) != 2 || got[0] != (formats.File{Name: "oat loaf.txt", Text: "1 cup water"}) ||
		got[1].Name != "photo.png" || !strings.Contains(got[1].Problem, "picture") {
		t.Errorf("%+v, %v", got, err)
	}
	for want, b := range map[string][]byte{
		"word processor":   packed(t, "mimetype", "application/x-text", "content.xml", "<x/>"),
		"no file":          packed(t, ".hidden", "x"),
		"more than 100":    packed(t, strings.Split(strings.Repeat("a,b,", 101), ",")[:202]...),
		"up to 8 MB":       packed(t, "a", strings.Repeat("0", formats.Largest), "b", "0"),
		"archive is damag": packed(t, "a", "b")[:20],
	} {
		if _, err := formats.Unzip(b); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%s: %v", want, err)
		}
	}
	if !formats.IsZip(packed(t, "a", "b")) || formats.IsZip([]byte("PK")) {
		t.Error("what a ZIP archive is")
	}
}
