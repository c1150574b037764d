// Package recipe is recipes as they are written.
//
// A [Recipe] is one revision: a value that never changes. Its lines have ids that stay through revisions;
// [Recipe.Revise] matches a new text to the lines before it, and an id that was drawn once is never drawn again.
// [Recipe.Text] and [ReadCard] are each other's inverse.
//
// [ReadCard] reads a whole card as people paste it: name, sizes, columns, lines, parts, settings and method. What
// is not understood is asked about, beside what was understood. A split ingredient is one line for each place. A
// glaze, a filling or a topping scales in proportion and stays out of the formula and the pan.
//
// [Because] is why a revision was made: the cause and the signs of a loaf, or a note.
package recipe
