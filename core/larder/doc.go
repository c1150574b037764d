// Package larder is what each ingredient is.
//
// One sheet, larder.csv, has a row for each: density, water, fat, sugar, salt and fibre in 100 g, whether it
// spoils, its allergens, its grain. Whatever is special about an ingredient is a column here; no other room asks
// for one by name. Figures are those of common food tables, rounded; what a cup holds is a usual value with its
// range, because it depends on the hand.
//
// [Find] takes a name as a card has it, in whole words and by its head noun, with grade and state read off round
// it. A word that would make it another food is not skipped. What is not found is unknown, with an id that holds
// its name: it spoils, holds unknown allergens and stays out of the formula until somebody says what it is.
//
// A [Cup] that was weighed a few times gives the kitchen's own weight of a cup of flour.
package larder
