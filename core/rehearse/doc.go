// Package rehearse is a plan that is practised on the stand-in machine.
//
// A [Rehearsal] is its plan plus appended doings, folded by [At] like a bench or a bake. Its clock runs at a
// chosen pace and stands still at each moment that wants hands. A [Slip] is a mistake to practise. A rehearsal
// enters the log only when that is asked, teaches nothing and is counted nowhere.
package rehearse
