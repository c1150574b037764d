// Package advice is what a baker is told to do while a loaf is made, as a value that a screen can show, a test can read
// and a clock can follow.
//
// An [Advice] is a few steps in their order. Each [Step] has what is done, as a word of the closed vocabulary [Act],
// and the sentence that says it. Beside the steps stand until which minute of the cycle the first of them can be done,
// what must not be done, what it costs, by how many minutes everything later moves, and why. [To] begins an advice and
// its methods complete it, so that a rule reads in the order in which it is said.
package advice
