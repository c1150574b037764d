// Package vocab reads the small closed vocabularies of bread: crusts, stages, schools.
//
// Each such type is a string with a list of its words. [Read] takes a text only if it is one of them and otherwise
// names the words that would be right, so that the same list refuses wrong input, becomes the union type in
// TypeScript and fills the lists of the screens. The rest of the package cuts and cases short texts for sentences.
package vocab
