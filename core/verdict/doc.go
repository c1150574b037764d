// Package verdict says why a loaf came out as it did, and the one thing to change.
//
// Causes are weighed by signs and evidence: each [Cause] has a prior and, for each sign, how often a loaf with
// that cause shows it; each [Fact] that is known of the bake speaks for some causes and against others. [Weigh]
// multiplies them and gives shares of one. [Baked.Causes] is that for a bake; [Propose] is the one amount to
// change in the recipe, [Choose] the one setting of the machine.
//
// A [Lesson] is what several bakes teach together: the liquid of a recipe, the browning of a machine, the
// kitchen's own cup. The tables are working values, tried against simulated and written cases.
package verdict
