package kitchen

import (
	"errors"
	"testing"

	"risepan/core/fault"
	"risepan/core/larder"
)

// What a household says once of a name holds for every card and plan after it, and can be taken back.
func TestANameIsAskedAboutOnce(t *testing.T) {
	k := New("Galley", "UTC")
	if f := k.Find("Granny's mix"); f.Sure != larder.Nowhere || !f.Ingredient.Spoils ||
		f.Ingredient.Dispenser != larder.NoHopper {
		t.Errorf("a name that nobody explained is %+v", f)
	}
	k, err := k.Explain("Granny's mix", larder.Answer{Like: "sunflower-seed", Keeps: true,
		Allergens: []larder.Allergen{larder.Sesame}, PerCup: 130})
	if err != nil {
		t.Fatal(err)
	}
	f := k.Find("granny’s  MIX")
	if f.Sure != larder.Plainly || f.Ingredient.Spoils || f.Ingredient.PerCup != 130 ||
		f.Ingredient.Like != "sunflower seed" || len(f.Ingredient.Allergens) != 1 {
		t.Errorf("explained, it is %+v", f)
	}
	if i, ok := k.Ingredient(f.Ingredient.ID); !ok || i.Unknown || i.Spoils {
		t.Errorf("a recipe that was kept before sees %+v", i)
	}
	if k, err = k.Correct("granny's mix", "raisins"); err != nil {
		t.Fatal(err)
	}
	if f := k.Find("Granny's mix"); f.Ingredient.ID != "raisins" {
		t.Errorf("corrected, it is %s", f.Ingredient.ID)
	}
}

// A near name is never taken by itself; answered once, it is known, also in a recipe kept before.
func TestASlipThatWasAnsweredIsKnown(t *testing.T) {
	k := New("Galley", "UTC")
	before := k.Find("nutmg").Ingredient
	if !before.Unknown {
		t.Fatalf("a slip was taken for %s without asking", before.Name)
	}
	k, err := k.Correct("nutmg", "nutmeg")
	if err != nil {
		t.Fatal(err)
	}
	if i, _ := k.Ingredient(before.ID); i.ID != "nutmeg" {
		t.Errorf("the line that was kept with the slip is %s", i.ID)
	}
	if f := k.Find("Mixed fruit"); f.Ingredient.ID != "dried-fruit" {
		t.Errorf("another name is read as %s", f.Ingredient.ID)
	}
}

func TestAnAnswerThatCannotBeIsRefusedAtItsField(t *testing.T) {
	k := New("Galley", "UTC")
	for pointer, answer := range map[string]func() error{
		"/is":          func() error { _, err := k.Correct("dust", "moon-dust"); return err },
		"/answer/like": func() error { _, err := k.Explain("dust", larder.Answer{Like: "moon-dust"}); return err },
		"/name":        func() error { _, err := k.Explain("…", larder.Answer{Like: "raisins"}); return err },
	} {
		var f *fault.Fault
		if err := answer(); !errors.As(err, &f) || f.Pointer != pointer {
			t.Errorf("refused as %v, want a fault at %s", err, pointer)
		}
	}
}
