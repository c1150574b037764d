// Package choice says which cycle and crust suit a dough, and why.
//
// [Cycles] ranks a machine's cycles by points: one step down the list of characters that suit the dough outweighs
// every smaller rule. The kind that the baker declared decides before the formula, so that a white loaf stays on
// basic with 8 % of sugar. A wish that a cycle cannot grant (a delay, the time that there is) puts it behind all
// that can. [Harm] is what would happen on a cycle that cannot make this bread, in one sentence. The baker's own
// choice is kept elsewhere and comes first.
package choice
