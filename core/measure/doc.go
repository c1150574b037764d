// Package measure is units, amounts, cups and spoons, and loaf sizes.
//
// A [Ratio] is an exact rational number; an [Amount] is one with a [Unit], and may be a range (2–3 cups). Two
// thirds of a cup three times are two cups. [Parse] reads an amount as it is typed, [ReadLead] the amounts at the
// head of a card's line in the many ways in which people write them, and [Amount.String] and [Amount.Spoken] write
// them again.
//
// Volumes that come from spoons stay exact; [Grams], [Millilitres] and [Celsius] are floats, rounded once where
// they are shown. A [Standard] says which cup and spoon a text means: US, metric, Australian or imperial. A
// [LoafSize] is a loaf by its weight, in pounds or grams.
//
// Errors of readers are a *[ParseError] with the column and what would be right there.
package measure
