// Package plan joins the rooms: a wish in a kitchen becomes a plan.
//
//	Wish + Place  MakeDough      Dough      recipe as chosen and swapped, at its size, with its formula
//	              MakeProgramme  Programme  cycle, crust, timer, stages, moments, presses, what is usual
//	              MakeAmounts    Amounts    measures, grams, running total, layers, fill, warmth
//	              judge          cautions   from the three, last
//
// Each is a plain function of those before it and returns a new value; none writes into another. [Make] joins the
// four. It returns a [Plan] for every well-formed [Wish]; what stands against it is a [Caution] with its reason
// and ways out. A stop, and a question that waits for its answer, keep the loaf from bench and panel. An error is
// a *fault.Fault, for malformed input alone.
//
// The plan counts from now plus the time that loading takes; a start counts from now. A plan waits for a machine
// that bakes and for its cooling. A dough is ready when it is eaten: a cycle without a bake ends with shaping,
// last rise and oven.
package plan
