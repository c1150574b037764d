// Package otherwise says what to do when something goes otherwise than planned while a loaf is made: the yeast is
// found on the worktop, the wrong size was chosen, something smokes.
//
// What is told is an [Event]. Where the bake stands is a [Stand], which [At] reads off a plan and the minute of its
// cycle. [Answer] is the one table of both: each event has an answer in each phase and for each sort of dough, and a
// test walks all of them. An answer says what to do now and until which minute of the cycle it can be done, what must
// not be done, what it costs, and why, each in a sentence that can be read aloud across a kitchen.
//
// The answers are a home baker's: yeast and salt still mix in while the paddle has some minutes to go; what rises
// cannot be kneaded into; what bakes is left alone; what stood too long with milk, egg or meat in it is thrown away.
package otherwise
