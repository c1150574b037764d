package e2e

import "testing"

// A baker copies a card, with an ingredient that the larder lacks, a choice, an optional add-in and
// a glaze; plans it at once; and nothing typed is lost on the way.
func TestARecipeFromACardToThePlan(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes")
	p.Sees("Towpath white")
	axe(t, p, "Recipes")
	p.Click("Write a new one")
	p.Type("Name", "Bridge loaf")
	p.Type("Ingredients", "1 cup water\r2 tbsp butter or oil\r1 1/2 tsp salt\r2 3/4 cups bread flour\rsome teff flour\r2 tsp active dry yeast")
	p.Sees("line 5")
	p.Sees("begin with an amount")
	p.Reload()
	p.Until("the draft after a reload", "field('Ingredients')?.value.includes('teff flour') && field('Name').value === 'Bridge loaf'")
	p.Type("Ingredients", "1 cup water\r2 tbsp butter or oil\r1 1/2 tsp salt\r2 3/4 cups bread flour\r1/4 cup teff flour\r2 tsp active dry yeast\rAdd-ins:\r1/2 cup raisins (optional)\rAt the first knead:\r1 tbsp sunflower seed\rGlaze:\r1 tbsp milk")
	p.Sees("taken to be like plain flour")
	p.Sees("by its flour")
	axe(t, p, "Writing a recipe")
	p.Click("Keep the recipe")
	p.Until("the plan of the new recipe", "document.querySelector('h1')?.innerText.includes('Bridge loaf') && document.querySelector('[data-amount=raisins]')")
	p.Sees("For the glaze")
	p.Sees("Hold back for the first knead")
	p.Until("what is held back", "document.querySelector('[data-amount=sunflower-seed]')")
	p.Click("Good to know")
	p.Sees("has been guessed")
	p.Click("raisins")
	p.Click("Leave it out")
	p.Sees("Without raisins")
	p.Until("no raisins", "!document.querySelector('[data-amount=raisins]')")
	p.Click("Put it back")
	p.Until("raisins again", "document.querySelector('[data-amount=raisins]')")
	p.Click("butter")
	p.Click("Use vegetable oil instead")
	p.Until("oil in the butter's place", "document.querySelector('[data-amount=oil]') && !document.querySelector('[data-amount=butter]')")
	axe(t, p, "Plan of an own recipe")

	p.Keys("r")
	p.Click("Change it: Bridge loaf")
	p.Until("its text", "field('Ingredients')?.value.startsWith('1 cup water')")
	p.Type("Name", "Bridge loaf, wetter")
	p.Click("Keep as the next revision")
	p.Until("the next revision on the plan", "document.querySelector('h1')?.innerText.includes('Bridge loaf, wetter')")
	p.Go(s.URL + "/recipes")
	p.Sees("revision 2")
}
