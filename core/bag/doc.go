// Package bag is a home-made dry mix.
//
// [Pack] splits a planned loaf into what can wait in a bag and what is added on the day, with its label and how
// long it keeps. Wholegrain and nuts turn rancid and shorten that. A bag pins the revision of the recipe by which
// it was filled.
package bag
