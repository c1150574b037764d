// Package scoop finds the amounts to pick up with the measures that a kitchen owns.
//
// Rounding each line alone would move the formula; [Set.Joint] rounds all lines together. Its answer is a [Front]:
// for each effort of the hands, counted in scoops and kinds of measure, the closest dough that there is. Closeness
// is the sum of squared deviations in units of each line's tolerance, with hydration and all flour as two lines
// more. The search is a branch and bound with a budget of work far above what any loaf asks for; where it is used
// up, the best found is marked as not proven.
package scoop
