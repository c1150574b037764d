// Package scale makes a recipe for another loaf size.
//
// [To] scales lines in proportion, with two exceptions that change a loaf: eggs, which go in whole and give their
// water back, and yeast, of which a larger loaf wants a little less in proportion. Both are worked out from the
// recipe as it is written, so that any path of sizes gives one plan, and both depend on [Schools] that a kitchen
// chooses. Where the eggs' water cannot be made up, a part of an egg is used instead. What differs from plain
// proportion is told as a [Deviation].
//
// [Infer] guesses the size that flour is for, and [Questions] asks where the stated one contradicts it.
package scale
