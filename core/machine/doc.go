// Package machine is bread machines as their owners know them.
//
// A [Machine] has a vessel, sizes, crusts, cycles, a delay timer and a panel of buttons. A [Cycle] is stages with
// their minutes by size and crust; stages can be estimated from a total ([Estimate]), and unusual lengths are
// asked about and forbid nothing. [Cycle.Programme] lays a cycle out at one size and crust: a [Programme] of
// stages and events, each with an id, a window and who acts. Whatever follows from a cycle is read off the
// programme; nobody walks its stages anew.
//
// [Machine.Set] works out the presses that set a panel; [Machine.Press] is the panel itself, so that presses are
// proven by pressing.
package machine
