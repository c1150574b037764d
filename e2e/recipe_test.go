package e2e

import (
	"fmt"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"risepan/e2e/drive"
)

// A baker copies a card, with an ingredient that the larder lacks, a choice, an optional add-in and
// a glaze; plans it at once; and nothing typed is lost on the way.
func TestARecipeFromACardToThePlan(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes")
	p.Sees("Towpath white")
	axe(t, p, "Recipes")
	p.Click("Write a new one")
	p.Type("Name", "Bridge loaf")
	p.Type("Ingredients", "1 cup water\r2 tbsp butter or oil\r1 1/2 tsp salt\r2 3/4 cups bread flour\rteff flour\r2 "+
		"tsp active dry yeast")
	p.Sees("How much of it?")
	p.Reload()
	p.Until("the draft after a reload", "field('Ingredients')?.value.includes('teff flour') && field('Name').value "+
		"=== 'Bridge loaf'")
	p.Type("Ingredients", "1 cup water\r2 tbsp butter or oil\r1 1/2 tsp salt\r2 3/4 cups bread flour\r1/4 cup teff "+
		"flour\r2 tsp active dry yeast\rAdd-ins:\r1/2 cup raisins (optional)\rAt the first knead:\r1 tbsp sunflower "+
		"seed\rGlaze:\r1 tbsp milk")
	p.Sees("teff flour")
	p.Sees("by its flour")
	axe(t, p, "Writing a recipe")
	p.Click("Save recipe")
	p.Until("the plan of the new recipe", "document.querySelector('h1')?.innerText.includes('Bridge loaf') && "+
		"document.querySelector('[data-amount=raisins]')")
	p.Sees("For the glaze")
	p.Sees("Hold back for the first knead")
	p.Until("what is held back", "document.querySelector('[data-amount=sunflower-seed]')")
	p.Click("raisins")
	p.Click("Leave it out")
	p.Sees("Without raisins")
	p.Until("no raisins", "!document.querySelector('[data-amount=raisins]')")
	p.Click("Restore this line")
	p.Until("raisins again", "document.querySelector('[data-amount=raisins]')")
	p.Click("butter")
	p.Click("Use vegetable oil instead")
	p.Until("oil in the butter's place", "document.querySelector('[data-amount=oil]') && "+
		"!document.querySelector('[data-amount=butter]')")
	axe(t, p, "Plan of an own recipe")

	p.Keys("r")
	p.Click("Edit: Bridge loaf")
	p.Until("its text", "field('Ingredients')?.value.startsWith('1 cup water')")
	p.Type("Name", "Bridge loaf, wetter")
	p.Click("Save as new version")
	p.Until("the next revision on the plan", "document.querySelector('h1')?.innerText.includes('Bridge loaf, wetter')")
	p.Go(s.URL + "/recipes")
	p.Sees("version 2")
}

// card is a card with three columns, a misspelt spice, a thing of the household's own and a name that this
// household means otherwise than the larder.
const card = "Harbour fruit loaf\rIngredient | 1 lb | 1 1/2 lb | 2 lb\rWater | 2/3 cup | 1 cup | 1 1/3 " +
	"cups\rButter, softened | 1 tbsp | 1 1/2 tbsp | 3 tbsp\rSalt | 1 tsp | 1 1/2 tsp | 2 tsp\r" +
	"Strong white flour | 2 cups | 3 cups | 4 cups\rNutmg | 1/4 tsp | 1/2 tsp | 3/4 tsp\rGranny's mix | 2 tbsp | 3 " +
	"tbsp | 4 tbsp\rYeast | 1 tsp | 1 1/2 tsp | 2 tsp\r" +
	"Add-ins:\rMixed fruit | 1/3 cup | 1/2 cup | 2/3 cup\rMethod\rSweet cycle, light crust.\rShape nothing."

// A pasted card of three sizes, with two names that are not known and one that is meant otherwise: each is
// asked about once, the card is kept and planned at its sizes, and the same card needs no question later.
func TestAPastedCardIsAskedAboutOnce(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes/new")
	p.Type("Ingredients", card)
	p.Sees("The card has 3 sizes")
	p.Sees("Did you mean")
	p.Sees("is not in the larder")
	p.Sees("sweet cycle, light crust")
	p.Until("two questions", "document.querySelectorAll('[data-asks]').length === 2")
	axe(t, p, "A card with questions")
	p.Click("nutmeg")
	p.Until("one question", "document.querySelectorAll('[data-asks]').length === 1 && "+
		"!document.querySelector('[role=dialog]')")
	p.Click("Say what it is")
	p.Sees("It is something else")
	axe(t, p, "What a name means")
	p.Click("It behaves like: choose …")
	p.Click("sunflower seed")
	drive.Value[bool](p, "(document.querySelector('[role=switch]').click(), true)")
	drive.Value[bool](p, "(field('sesame').click(), true)")
	p.Click("Save")
	p.Until("no question", "document.querySelectorAll('[data-asks]').length === 0 && "+
		"!document.querySelector('[role=dialog]')")
	p.Click("1/2 cup dried fruit")
	axe(t, p, "A line of a card")
	p.Click("“Mixed fruit” means something else")
	p.Type("Find it in the larder", "candied pe")
	p.Click("candied peel")
	p.Until("the guess corrected", "document.querySelector('[data-line=candied-peel]') && "+
		"!document.querySelector('[data-line=dried-fruit]')")
	p.Click("2 lb")
	p.Until("the other column", "document.querySelector('[data-line=butter]').innerText.includes('3')")
	p.Sees("differ")
	p.Click("1 1/2 lb")
	p.Until("the first column again", "document.querySelector('[data-line=water]').innerText.startsWith('1 cup')")
	p.Click("Save recipe")
	p.Until("its plan", "document.querySelector('h1')?.innerText.includes('Harbour fruit loaf')")
	for _, size := range []string{"1 lb", "2 lb", "1 1/2 lb"} {
		p.Click(size)
		p.Until("the plan at "+size, "new URLSearchParams(location.search).get('size') === '"+size+
			"' && document.querySelector('[data-amount=candied-peel]')")
		p.Until("no question at "+size, "!document.querySelector('[data-caution=unknown]')")
	}
	p.Go(s.URL + "/recipes/new")
	p.Type("Ingredients", card)
	p.Sees("The card has 3 sizes")
	p.Until("nothing asked again", "document.querySelectorAll('[data-line]').length === 8 && "+
		"document.querySelectorAll('[data-asks]').length === 0")
}

// What is not known stands on the plan as a question, and is refused in a delay; a line is edited as a line.
func TestAnUnknownStandsOnThePlanUntilItIsExplained(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes/new")
	p.Type("Name", "Lock loaf")
	p.Type("Ingredients", "1 cup water\r2 tbsp oil\r1 1/2 tsp salt\r3 cups bread flour\r2 tbsp moonflower dust\r2 "+
		"tsp yeast")
	p.Sees("is not in the larder")
	p.Click("2 tbsp vegetable oil")
	p.Type("Amount", "1 1/2 tbsp")
	p.Type("Note", "warmed")
	p.Click("Apply")
	p.Until("the text follows the line", "field('Ingredients').value.includes('1 1/2 tbsp vegetable oil, warmed')")
	p.Click("Save recipe")
	p.Until("its plan", "document.querySelector('h1')?.innerText.includes('Lock loaf')")
	p.Sees("What is moonflower dust?")
	axe(t, p, "A plan with a question")
	p.Click("Say what it is")
	p.Sees("It is something else")
	p.Click("It behaves like: choose …")
	p.Click("ground spice")
	p.Click("Save")
	p.Until("the question gone", "!document.querySelector('[data-caution=unknown]') && "+
		"document.querySelector('[data-amount]')")
}

// What no loaf holds is asked about before anything is measured: a slip is mended with one press, and what is
// meant stays answered for the recipe.
func TestWhatNoLoafHoldsIsAskedAboutBeforeMeasuring(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes/new")
	p.Type("Name", "Salt marsh loaf")
	p.Type("Ingredients", "1 cup water\r2 tbsp oil\r1 1/2 tbsp salt\r3 cups bread flour\r2 tsp active dry yeast")
	p.Sees("a tablespoon for a teaspoon?")
	p.Click("Save recipe")
	p.Sees("a slip for 1 1/2 tsp?")
	p.Until("nothing to measure yet", "[...document.querySelectorAll('button')].some(b => b.innerText === 'Answer the "+
		"question above first' && b.disabled) && document.querySelector('[data-start]').disabled")
	axe(t, p, "A question about the formula")
	p.Click("Yes, use 1 1/2 tsp")
	p.Until("the slip mended", "!document.querySelector('[data-caution=implausible]') && "+
		"[...document.querySelectorAll('button')].some(b => b.innerText === 'To the bench' && !b.disabled)")

	p.Go(s.URL + "/recipes/new")
	p.Type("Name", "Saltless loaf")
	p.Type("Ingredients", "1 cup water\r2 tbsp oil\r3 cups bread flour\r2 tsp active dry yeast")
	p.Sees("by its flour")
	p.Click("Save recipe")
	p.Sees("There is no salt in it")
	p.Click("It is meant")
	p.Until("the answer kept", "!document.querySelector('[data-caution=implausible]') && "+
		"[...document.querySelectorAll('button')].some(b => b.innerText === 'To the bench' && !b.disabled)")
	p.Click("1 lb")
	p.Until("no question at another size", "new URLSearchParams(location.search).get('size') === '1 lb' && "+
		"!document.querySelector('[data-caution=implausible]')")
}

// A page copied whole, with its menu, boxes to tick, a footnote and comments: the lines are read, the rest stands under
// what is not used.
func TestAPageCopiedWholeIsReadAsItsRecipe(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes/new")
	p.Type("Ingredients", "Home » Bread » Fruit loaf\r\rLock-side Cranberry Loaf\r★★★★★ 4.8 from 212 votes\rJump to Recipe   "+
		"Print\rPrep Time 10 mins   Cook Time 3 hrs\r\rIngredients\r▢ a scant 1/4 cup oil\r▢ 1 cup 240 ml water\r"+
		"▢ 3 cups bread flour\r▢ 1 1/2 teaspoons salt\r▢ 2 teaspoons instant yeast\r▢ 1/2 cup dried cranberries*\r\r"+
		"*add when machine signals\r\rInstructions\r1. Basic cycle, 1 1/2 lb, medium crust.\r\r3 Comments\r"+
		"Gran of four says: I add 1/2 teaspoon more salt")
	p.Until("its name", "document.querySelector('input[placeholder=\"Lock-side Cranberry Loaf\"]')")
	p.Sees("1/4 cup vegetable oil")
	p.Sees("1 cup water")
	p.Sees("beep")
	p.Click("Not used:")
	p.Sees("Jump to Recipe")
	p.Sees("Gran of four says")
	row := func(text string) string {
		return fmt.Sprintf("[...document.querySelectorAll('[data-row]')].find(r => r.textContent.includes(%q))", text)
	}
	p.Until("the marks of the rows", row("scant 1/4 cup")+".dataset.row === 'ingredient' && "+row("Jump to Recipe")+
		".dataset.row === 'not used' && "+row("Basic cycle")+".dataset.row === 'settings'")
	p.Click("2 tsp instant yeast") // a touch on a line lights its row, and puts it in sight
	p.Until("the yeast's row lit", row("teaspoons instant yeast")+".dataset.lit !== undefined")
	p.Keys(kb.Escape)
	p.Until("the sheet closed", "!document.querySelector('[role=dialog]')")
	drive.Value[bool](p, `(() => {
		const text = document.getElementById("card-text");
		text.focus();
		text.setSelectionRange(0, 0);
		return true;
	})()`)
	for range 10 { // down to the flour
		p.Keys(kb.ArrowDown)
	}
	p.Until("the flour's line lit", "document.querySelector('[data-line=bread-flour]').dataset.lit !== undefined && "+
		"document.querySelectorAll('[data-line][data-lit]').length === 1")
	axe(t, p, "A page copied whole")
}

// A booklet's table has its sizes in columns; another is trusted by one press.
func TestABookletsTableOfThreeSizes(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes/new")
	p.Type("Ingredients", "Towpath oat loaf\r                 1 lb     1½ lb     2 lb\rWater            ¾ c      1 c       1¼ c\r"+
		"Oil              1 T      1½ T      2 T\rSalt             1 t      1½ t      2 t\rOats             ¼ c      ⅓ c       ½ c\r"+
		"Bread flour      2 c      3 c       4 c\rYeast, instant   1¼ t     1¾ t      2¼ t")
	p.Sees("The card has 3 sizes")
	p.Sees("3 cups bread flour")
	p.Click("2 lb")
	p.Sees("4 cups bread flour")
	p.Sees("2 1/4 tsp instant yeast")
	axe(t, p, "A booklet's table")
}

// A scan's slips that can be only one thing are read and shown as read; one that may be several is asked about.
func TestAScanWithSlips(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes/new")
	p.Type("Ingredients", "Soft brown batch\r3OO ml water\r45O g brown bread\rflour\rl5 g butter\r1O g salt\r7 g dried\ryeast\r% cup oats")
	p.Sees("300 ml water")
	p.Sees("450 g brown flour")
	p.Sees("7 g active dry yeast")
	p.Sees("read from “3OO ml water”")
	p.Sees("How much is “%”?")
	axe(t, p, "A scan with slips")
}

// Two recipes in one paste are read one by one, and each is kept.
func TestTwoRecipesInOnePasteAreKeptOneByOne(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes/new")
	p.Type("Ingredients", "Winter rolls\r320 ml water\r500 g strong white flour\r1 1/2 tsp salt\r1 1/2 tsp instant yeast\r\r"+
		"Summer rolls\r340 ml water\r500 g wholemeal flour\r1 1/2 tsp salt\r1 1/2 tsp instant yeast")
	p.Sees("There are 2 recipes in this text")
	axe(t, p, "Two recipes in one paste")
	p.Click("Read “Winter rolls”")
	p.Until("the first alone", "!shows('There are 2 recipes') && document.querySelectorAll('[data-line]').length === 4")
	p.Sees("Still to come from your text")
	p.Click("Save recipe")
	p.Until("the second", "document.querySelector('[data-line=wholemeal-flour], [data-line=whole-wheat-flour]')")
	p.Click("Save recipe")
	p.Until("its plan", "document.querySelector('h1')?.innerText.includes('Summer rolls')")
	p.Go(s.URL + "/recipes")
	p.Sees("Winter rolls")
	p.Sees("Summer rolls")
}
