// Package kitchen is what a household owns and prefers.
//
// A [Kitchen] has measures, a scale or none, its own cups of flour, packs with their dates, stock, prices, schools
// of salt, eggs and yeast, units, a zone and quiet hours. It is the place where facts of the larder become this
// kitchen's: [Kitchen.Ingredient] is an ingredient as it is here, [Kitchen.Find] a name as this kitchen means it.
// Weights, lengths and temperatures in sentences are written by the kitchen, in its units and with its decimal
// sign.
package kitchen
