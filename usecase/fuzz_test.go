package usecase

import (
	"testing"

	"github.com/go-json-experiment/json"

	"risepan/core/kitchen"
	"risepan/core/plan"
	"risepan/core/readtest"
)

// Whatever recipe is sent, as text or line by line, it is understood or refused in time.
func FuzzARecipeThatIsSent(f *testing.F) {
	for _, doc := range []string{
		`{"standard": "us", "text": "White\n3 cups bread flour\n1 cup water\n2 tsp yeast"}`,
		`{"standard": "us", "text": "", "lines": [{"amount": "3 cups", "name": "bread flour", "or": ["rye"], "from": 1}]}`,
		`{"standard": "metric", "size": "750 g", "kind": "white", "text": "500 g flour",
			"lines": [{"amount": "", "name": ""}]}`,
	} {
		f.Add([]byte(doc))
	}
	k := kitchen.New("K", "UTC")
	f.Fuzz(func(t *testing.T, doc []byte) {
		readtest.Within(t, 8*len(doc), func() {
			var text RecipeText
			if json.Unmarshal(doc, &text, json.RejectUnknownMembers(true)) != nil {
				return
			}
			u, err := text.understand(k)
			if err == nil && len(u.card.Lines) == 0 {
				t.Errorf("%s is understood as a recipe without lines", doc)
			}
		})
	})
}

// Whatever wish is sent, it is decoded and checked in time; what is good comes back as it was.
func FuzzAWishThatIsSent(f *testing.F) {
	f.Add([]byte(`{"recipe": "a", "machine": "b", "loaf": {"size": "1 lb", "slices": 4},
		"time": {"ready": "2026-03-11T07:00"}}`))
	f.Add([]byte(`{"hands": {"locks": [], "closer": 3, "warmth": {"room": "21 °C"}}, "loaf": {"without": ["l1"]}}`))
	f.Fuzz(func(t *testing.T, doc []byte) {
		readtest.Within(t, len(doc), func() {
			var w plan.Wish
			if json.Unmarshal(doc, &w, json.RejectUnknownMembers(true)) != nil || w.Check() != nil {
				return
			}
			b, err := json.Marshal(w)
			var back plan.Wish
			if err == nil {
				err = json.Unmarshal(b, &back)
			}
			if again, _ := json.Marshal(back); err != nil || string(again) != string(b) {
				t.Errorf("%s comes back as %s: %v", b, again, err)
			}
		})
	})
}
