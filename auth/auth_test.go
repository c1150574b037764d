package auth_test

import (
	"strings"
	"testing"

	"risepan/auth"
)

func TestAPassphraseOpensOnlyItsOwnDoor(t *testing.T) {
	kept, err := auth.Locked("wet heron on a lock gate")
	if err != nil {
		t.Fatal(err)
	}
	if strings.Contains(kept, "heron") {
		t.Error("the passphrase is kept as it is")
	}
	if other, _ := auth.Locked("wet heron on a lock gate"); other == kept {
		t.Error("two doors of one passphrase look alike")
	}
	if !auth.Opens("wet heron on a lock gate", kept) {
		t.Error("the right passphrase does not open")
	}
	for _, wrong := range []string{"", "wet heron on a lock gat", "Wet heron on a lock gate", kept} {
		if auth.Opens(wrong, kept) {
			t.Errorf("%q opens", wrong)
		}
	}
	if auth.Opens("", "") || auth.Opens("x", "no hash at all") {
		t.Error("a door that is not there opens")
	}
}

func TestWhatIsGuessedFirstIsNoPassphrase(t *testing.T) {
	for text, good := range map[string]bool{
		"wet heron on a lock gate": true, "Zwölf graue Reiher": true, "面包机在厨房里很安静的早晨六点": true,
		"gravel-otter-43-sill":      true,
		"short":                     false,
		"heron lock 1":              false, // the kitchen's name and hardly more
		"Wren Heron Lock 99":        false,
		"password1234":              false,
		"my kitchen bread":          false,
		"aaaaaaaaaaaaaa":            false,
		"abcabcabcabcabc":           false,
		"abcdefghijklmn":            false,
		"123456789012":              false,
		"qwertyuiopas":              false,
		strings.Repeat("long ", 30): false,
	} {
		if err := auth.CheckPassphrase(text, "Heron Lock", "Wren"); (err == nil) != good {
			t.Errorf("%q: %v", text, err)
		}
	}
}

func TestACodeIsReadHoweverItIsTyped(t *testing.T) {
	seen := map[rune]int{}
	for range 500 {
		code := auth.NewCode()
		if len(code) != auth.CodeLength || auth.Typed(strings.ToLower(code[:3])+" - "+code[3:]) != code {
			t.Fatalf("%q is not read as it was made", code)
		}
		for _, r := range code {
			seen[r]++
		}
	}
	if len(seen) != 31 {
		t.Errorf("codes have %d letters", len(seen))
	}
	for r, n := range seen { // 3,000 letters of 31 kinds: 97 of each, give or take 10
		if n < 45 || n > 160 {
			t.Errorf("%c stands in codes %d times of 3000", r, n)
		}
	}
	if code := auth.NewRecovery(); len(auth.Typed(code)) != 24 || auth.Typed(code) == auth.Typed(auth.NewRecovery()) {
		t.Errorf("%q is no code for recovery", code)
	}
	if a, b := auth.NewSecret(), auth.NewSecret(); a == b || len(a) != 43 {
		t.Errorf("secrets %q and %q", a, b)
	}
}

// The odds of guessing a code that docs/security.md states: tries let through in ten minutes, by codes that are good at
// once, among all there are.
func TestGuessingACodeIsHopeless(t *testing.T) {
	if odds := auth.PairingTries * auth.LiveCodes / auth.Codes(auth.CodeLength); odds >= 1e-6 {
		t.Errorf("a code is guessed with a probability of %.2g in ten minutes", odds)
	}
}
