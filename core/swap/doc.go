// Package swap puts one ingredient in the place of another and keeps the formula.
//
// Each row of the table says what the new ingredient must bring as much of as the old: fat, sugar, salt, yeast or
// flour. What then differs in water, fat, sugar and salt is made up with the recipe's own liquid, fat, sugar and
// salt, by solving a small set of linear equations. [Offers] lists what a line could have; [Apply] makes a swap.
// Swaps belong to the wish for one loaf until the baker keeps them in the recipe.
package swap
