package ui_test

import (
	"math"
	"os"
	"regexp"
	"strconv"
	"strings"
	"testing"
)

// schemes reads the colours of tokens.css: the light ones, and the dark ones over them.
func schemes(t *testing.T) map[string]map[string]string {
	t.Helper()
	b, err := os.ReadFile("src/tokens.css")
	if err != nil {
		t.Fatal(err)
	}
	light, dark, found := strings.Cut(string(b), "prefers-color-scheme: dark")
	if !found {
		t.Fatal("tokens.css has no dark scheme")
	}
	colour := regexp.MustCompile(`--([a-z-]+): (#[0-9a-f]{6});`)
	out := map[string]map[string]string{"light": {}, "dark": {}}
	for _, m := range colour.FindAllStringSubmatch(light, -1) {
		out["light"][m[1]], out["dark"][m[1]] = m[2], m[2]
	}
	for _, m := range colour.FindAllStringSubmatch(dark, -1) {
		out["dark"][m[1]] = m[2]
	}
	return out
}

// luminance is the relative luminance of WCAG 2.
func luminance(hex string) float64 {
	weights := []float64{0.2126, 0.7152, 0.0722}
	sum := 0.0
	for n, w := range weights {
		v, _ := strconv.ParseUint(hex[1+2*n:3+2*n], 16, 8)
		c := float64(v) / 255
		if c <= 0.04045 {
			c /= 12.92
		} else {
			c = math.Pow((c+0.055)/1.055, 2.4)
		}
		sum += w * c
	}
	return sum
}

func contrast(a, b string) float64 {
	x, y := luminance(a), luminance(b)
	return (max(x, y) + 0.05) / (min(x, y) + 0.05)
}

func TestEveryPairOfColoursCanBeReadInLightAndDark(t *testing.T) {
	type pair struct {
		over, under string
		least       float64
	}
	pairs := []pair{
		{"ink", "enamel", 7}, {"ink", "shelf", 7}, {"soft", "enamel", 4.5}, {"soft", "shelf", 4.5},
		{"rim", "enamel", 4.5}, {"rim", "shelf", 4.5},
		{"on-rim", "rim", 4.5}, {"leaf", "enamel", 4.5}, {"signal", "enamel", 4.5}, {"ink", "mark", 4.5},
		{"enamel", "ink", 4.5},
	}
	for _, stuff := range []string{"liquid", "fat", "sugar-salt", "flour", "dry-extra", "yeast", "add-in"} {
		least := 3.0 // the texture on its layer
		if stuff == "flour" {
			least = 2 // a fine speckle; flour is also the lightest layer
		}
		pairs = append(pairs, pair{stuff + "-grain", stuff, least})
	}
	for name, colours := range schemes(t) {
		for _, p := range pairs {
			over, under := colours[p.over], colours[p.under]
			if over == "" || under == "" {
				t.Fatalf("tokens.css lacks %s or %s", p.over, p.under)
			}
			if got := contrast(over, under); got < p.least {
				t.Errorf("%s: %s on %s has a contrast of %.2f, want at least %v", name, p.over, p.under, got, p.least)
			}
		}
	}
}

// Brown is for crust alone, and the three crusts can be told apart.
func TestTheThreeCrustsCanBeToldApart(t *testing.T) {
	for name, c := range schemes(t) {
		if contrast(c["crust-light"], c["crust-medium"]) < 1.5 || contrast(c["crust-medium"], c["crust-dark"]) < 1.5 {
			t.Errorf("%s: the crusts run into one another", name)
		}
	}
}
