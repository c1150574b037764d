// Package bake is a started plan and what happened since.
//
// [At] folds the happenings into the present [State]: phase, stage, what is due, the dough ball, how the loaf came
// out. Stages and moments are the plan's, moved by each happening that moves them: a start that was refused, a
// pause, minutes added, a power cut that the machine bridged. Advice follows from the fold and the plan alone, so
// that every device says the same. A [Verdict] is what was told of the finished loaf, by the words of [Sign] and
// [Mishap].
package bake
