// Package bench is a plan as steps for the hands.
//
// [Steps] lays a plan out: things to get out, what is begun first, one step for each thing to measure, the panel,
// Start. A [Session] is where a bench stands: what happened, folded by [At]. The ids of steps stay the same as
// long as a step has the same sense, so that a tap needs no plan.
//
// When another amount goes in than was meant, [Outs] works out what each way out would make of the loaf, with its
// formula and its fill, before one is chosen: lift some off, fit the rest to it, let the loaf grow, or begin
// again.
package bench
