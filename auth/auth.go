// Package auth makes and checks what opens a kitchen: passphrases, the secrets that devices hold, and codes that are
// read from one screen and typed on another. It keeps nothing.
package auth

import (
	"crypto/rand"
	"crypto/sha256"
	"encoding/base64"
	"strings"
	"time"

	"github.com/alexedwards/argon2id"

	"risepan/core/fault"
)

// Hash is what is kept of a secret.
type Hash = [sha256.Size]byte

// HashOf is the hash of a secret. Secrets have 128 bits and more or live for minutes, so that a fast hash is enough; a
// passphrase is no such secret.
func HashOf(secret string) Hash { return sha256.Sum256([]byte(secret)) }

// NewSecret makes a secret of 256 bits, fit for a cookie or an address.
func NewSecret() string {
	b := make([]byte, 32)
	rand.Read(b)
	return base64.RawURLEncoding.EncodeToString(b)
}

// letters are those of codes: none is easily taken for another, read or said.
const letters = "23456789ABCDEFGHJKMNPQRSTUVWXYZ"

// CodeLength is how many letters a code for pairing has.
const CodeLength = 6

// Codes is how many codes of n letters there are, as a number of the form used for odds.
func Codes(n int) float64 {
	out := 1.0
	for range n {
		out *= float64(len(letters))
	}
	return out
}

// NewCode makes a code of six letters, each as likely as any other.
func NewCode() string { return code(CodeLength) }

// recoveryLetters gives the code for recovery 119 bits.
const recoveryLetters = 24

// NewRecovery makes the code that is printed and kept, in groups of four.
func NewRecovery() string {
	var groups []string
	for range recoveryLetters / 4 {
		groups = append(groups, code(4))
	}
	return strings.Join(groups, "-")
}

func code(n int) string {
	var out strings.Builder
	b := make([]byte, 1)
	for out.Len() < n {
		rand.Read(b)
		if at := int(b[0]); at < 256/len(letters)*len(letters) { // what is beyond would favour the first letters
			out.WriteByte(letters[at%len(letters)])
		}
	}
	return out.String()
}

// Typed is a code as it was meant: however its letters were typed, and whatever stood between them.
func Typed(code string) string {
	return strings.Map(func(r rune) rune {
		if strings.ContainsRune(letters, r) {
			return r
		}
		return -1
	}, strings.ToUpper(code))
}

// Bounds of a passphrase, in letters.
const (
	ShortestPassphrase = 12
	LongestPassphrase  = 128
)

// CheckPassphrase refuses what is guessed first: too short, one thing said again and again, a row of keys, or little
// more than names that everybody in the house knows.
func CheckPassphrase(text string, names ...string) error {
	at := func(format string, args ...any) error { return fault.At("/passphrase", format, args...) }
	n := len([]rune(text))
	switch {
	case n < ShortestPassphrase:
		return at("a passphrase has at least %d letters: three or four words do well", ShortestPassphrase)
	case n > LongestPassphrase:
		return at("a passphrase has at most %d letters", LongestPassphrase)
	}
	plain := strings.ToLower(strings.Join(strings.Fields(text), ""))
	for _, name := range names {
		if name = strings.ToLower(strings.Join(strings.Fields(name), "")); len(name) > 2 {
			plain = strings.ReplaceAll(plain, name, "")
		}
	}
	for _, common := range []string{"passphrase", "password", "kitchen", "bread", "risepan"} {
		plain = strings.ReplaceAll(plain, common, "")
	}
	if len(plain) < 6 {
		return at("this is guessed first, for it is little more than names: take three or four words that have " +
			"nothing to do with each other")
	}
	if repeats(plain) || inRow(plain) {
		return at("this is guessed first, for it says one thing again and again: take three or four words that have " +
			"nothing to do with each other")
	}
	return nil
}

// repeats reports whether a text is one part of up to four letters again and again.
func repeats(text string) bool {
	for n := 1; n <= 4; n++ {
		if len(text) >= 2*n && strings.HasPrefix(strings.Repeat(text[:n], len(text)/n+1), text) {
			return true
		}
	}
	return false
}

// inRow reports whether a text runs along the alphabet, the figures or a row of keys.
func inRow(text string) bool {
	for _, row := range []string{"abcdefghijklmnopqrstuvwxyz", "01234567890123456789", "qwertyuiopasdfghjklzxcvbnm",
		"98765432109876543210"} {
		if strings.Contains(row+row, text) {
			return true
		}
	}
	return false
}

// Cost is what one check of a passphrase costs: 19 MiB, twice over, as OWASP's cheat sheet on storing passwords has it
// for argon2id (2024). Some 40 ms of a processor's time: package api lets only a few be worked on at a time.
var Cost = argon2id.Params{Memory: 19 * 1024, Iterations: 2, Parallelism: 1, SaltLength: 16, KeyLength: 32}

// Locked is what is kept of a passphrase.
func Locked(passphrase string) (string, error) {
	return argon2id.CreateHash(passphrase, &Cost)
}

// nobodys is checked where there is nothing to check, so that it takes as long.
var nobodys, _ = Locked(NewSecret())

// Opens reports whether a passphrase is the one that was kept; where none was, it takes as long and says no.
func Opens(passphrase, kept string) bool {
	if kept == "" {
		argon2id.ComparePasswordAndHash(passphrase, nobodys)
		return false
	}
	ok, err := argon2id.ComparePasswordAndHash(passphrase, kept)
	return ok && err == nil
}

// What is let through before a pause. Windows are counted in the database, by who tries and by what is tried.
const (
	SigningEach = 4 // sign-ins of one address in SigningPause
	// sign-ins to one kitchen in SigningAll: more than one address alone can use up, and 100 in an hour
	SigningTries = 15
	PairingTries = 60 // codes of all addresses together in PairingPause
	PairingEach  = 10 // codes of one address in PairingPause
	LiveCodes    = 10 // codes for pairing that are good at a time, over all kitchens
	MakingEach   = 5  // kitchens made by one address in MakingPause
	LinkingEach  = 60 // links followed by one address in PairingPause
	FeedEach     = 60 // calendars read by one address in PairingPause
)

// How long windows are, and what lives how long.
const (
	SigningPause = 3 * time.Minute
	SigningAll   = 9 * time.Minute
	PairingPause = 10 * time.Minute
	MakingPause  = time.Hour
	CodeLives    = 10 * time.Minute
	SessionLives = 90 * 24 * time.Hour // since it was last used
)
