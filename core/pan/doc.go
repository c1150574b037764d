// Package pan is the vessel: its volume, what lies in it in which order, and how full it becomes.
//
// [Load] lays ingredients as [Layer] values with their reasons. The order is decided by the machine's booklet,
// then by the kind of recipe (a quick bread is a batter whatever the machine), then by what the kitchen likes,
// then for this loaf alone ([Decide]). In a delay the yeast must lie dry. A [Fill] is how high dough and loaf
// stand, as a range.
package pan
