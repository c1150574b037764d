package kind

import "fmt"

// Rest is on what a loaf cools.
type Rest string

const (
	OnRack  Rest = "a rack"
	OnBoard Rest = "a board"
	InJar   Rest = "clean jars"
)

// Ending is what follows when the machine has done with it.
type Ending struct {
	Ready string   // what is said at the end
	Heats string   // what is said as it begins to bake; empty: that the lid stays shut
	Out   []string // how it comes out, in steps
	On    Rest     // on what it cools; empty: it does not
	Slice int      // minutes until it may be cut at all
	Clean int      // and until it cuts clean
	Core  Band     // °C in its middle when it is done; zero: none tells
	Tap   bool     // done, it sounds hollow at a tap on its bottom
	Keeps string   // how it keeps
}

// What is said of a paddle that was left in: of a loaf, and of a dough.
const (
	PaddleInLoaf  = "Before slicing, look for the paddle in the loaf."
	PaddleInDough = "Feel for the paddle in the dough."
)

// ForPaddle are the steps of an ending that are over where the paddle is out already.
var ForPaddle = []string{PaddleInLoaf, PaddleInDough}

// Endings: minutes and core temperatures are working values of home bakers, for a loaf of about 1 1/2 lb.
var (
	turned = []string{
		"Gloves on: pan, handle and lid are hot, and steam comes out of the vents.",
		"Lift the pan out by its handle, turn it over and shake.",
		"It sticks? Wait 2 to 3 minutes, then turn the fitting under the pan a little. No metal in the pan: wood or plastic.",
		PaddleInLoaf,
	}
	lean = Ending{"Ready: take the loaf out.", "", turned, OnRack, 20, 60, Band{90, 96}, true,
		"Bread keeps for 2 to 3 days in a cloth or a paper bag, and freezes well in slices."}
	enriched = Ending{"Ready: take the loaf out.", "", turned, OnRack, 20, 60, Band{88, 92}, true,
		"It keeps soft for 3 to 4 days in a bag."}
	close = Ending{"Ready: take the loaf out.", "", turned, OnRack, 30, 120, Band{93, 97}, true,
		"It cuts better the day after, and keeps for 4 to 5 days in a cloth."}
	glutenFree = Ending{"Ready: take the loaf out.", "", turned, OnRack, 30, 90, Band{96, 99}, false,
		"It dries fast: slice what is left when it is cold, and freeze it."}
	cake = Ending{"Ready: take it out.", "", []string{turned[0],
		"Out at once, or after ten minutes in the open pan where it is fragile: it breaks more easily than bread.",
		turned[2], turned[3]},
		OnRack, 40, 120, Band{94, 97}, false, "In a tin it keeps for 3 to 4 days; what has fresh fruit in it, in " +
			"the fridge."}
	shaped = Ending{Ready: "The dough is ready: take it out and shape it.", Out: []string{
		"Switch the machine off, so that it does not begin to warm.", "Tip the dough on to a floured board.",
		PaddleInDough},
		Keeps: "Dough that is not wanted now waits in the fridge, covered, until tomorrow."}
	rolled = Ending{Ready: "The dough is ready: take it out, cover it, and let it rest before rolling.", Out: []string{
		"Switch the machine off: a pasta dough is not to get warm.", PaddleInDough},
		Keeps: "Wrapped, it keeps for a day in the fridge."}
	alive = Ending{Ready: "The starter is ready: take it out.", Out: []string{
		"It should be full of bubbles, and smell sour and clean. Pink streaks or a smell of rot: throw it away.",
		"With a plastic spoon into a clean jar, its lid laid on loosely."},
		On: InJar, Keeps: "In the fridge, fed with flour and water once a week."}
	preserved = Ending{Heats: "It begins to boil: lid shut, hands away.",
		Ready: "Ready: switch the machine off and lift the pan out. It is hotter than any bread.", Out: []string{
			"Thick gloves: boiling sugar sticks and burns.",
			"Stir, skim, and pour it into warm clean jars. Leave the paddle in the pan.",
			"Lids on when it has cooled. It thickens as it chills."},
		On: InJar, Keeps: "Keeps for 3 to 4 weeks in the fridge, or frozen; not in the cupboard."}
	set = Ending{Ready: "Ready: lift the pan out without shaking it.", Out: []string{
		"Into clean jars, and into the fridge for some hours before it is eaten."},
		On: InJar, Keeps: "In the fridge for a week. Keep three spoonfuls to begin the next."}
	baked = Ending{Ready: "Ready: try its middle, then take it out.", Out: []string{turned[0],
		"A thermometer into the middle: meat wants 71 °C, poultry 74 °C. Not there yet: some minutes more.", turned[1]},
		On: OnBoard, Slice: 10, Clean: 20, Core: Band{71, 99},
		Keeps: "What is left goes in the fridge within two hours."}
)

// Before is what the hands do before anything is measured, and why.
type Before struct{ Do, Why string }

// What a preserve and a yoghurt want before they are measured.
var (
	fruit = Before{"Crush the fruit, and measure it crushed.", "Uncrushed it lies loosely in the cup, and less goes in than the recipe " +
		"means."}
	culture = Before{"Heat fresh milk to 82 to 90 °C, and let it cool to 40 to 45 °C before the yoghurt goes in. Long-life " +
		"milk has been heated: warm it to 40 °C.", "Heated milk sets thicker. Above 46 °C the culture dies."}
)

// Said is the temperature of a done middle in words; empty where none tells.
func (e Ending) Said() string {
	if e.Core.IsZero() {
		return ""
	}
	return fmt.Sprintf("%.0f to %.0f °C", e.Core.Low, e.Core.High)
}
