package api

import "testing"

// A file's name is plain for all, and whole for who reads RFC 5987; every letter and figure stays as it is.
func TestAFileIsOfferedUnderItsName(t *testing.T) {
	for name, want := range map[string]string{
		"Loaf 0-9 azAZ_.txt": `attachment; filename="Loaf 0-9 azAZ_.txt"; filename*=UTF-8''Loaf%200-9%20azAZ_.txt`,
		"Crème 19.json":      `attachment; filename="Cr_me 19.json"; filename*=UTF-8''Cr%C3%A8me%2019.json`,
		"a\"b\\c;d/e\n.md":   `attachment; filename="abcde.md"; filename*=UTF-8''abcde.md`,
	} {
		if got := disposition(name); got != want {
			t.Errorf("%q is offered as %s, want %s", name, got, want)
		}
	}
}
