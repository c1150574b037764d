// Package day is a baking day as a baker puts it together.
//
// A [Book] holds loaves, each with when it is wanted, and the hours in which nobody is there. [Make] turns it into
// what package schedule plans, and tells that plan by the kitchen's clock as a [Day]. [Mends] are what would have
// a loaf nearer to its time; [Together] is what all loaves of a day want. Loaves of every week come from the
// kitchen.
package day
