// Package dough is the balance of heat, and the dough ball.
//
// [For] solves how warm the liquid has to be for the dough to leave the kneading at [Target], from the specific
// heat, weight and temperature of everything else and the warmth that kneading adds; [LimitsFor] is how warm yeast
// may be met. With a delay everything becomes as warm as the kitchen, so the balance is not asked. [Touch] says a
// temperature by the hand.
//
// [Advise] is what to do about a dough ball as it looks: nothing, a spoon of flour or of water, or wait. A dose is
// never followed by its opposite before it is worked in. [Rise.Judge] reads how high a dough stands.
package dough
