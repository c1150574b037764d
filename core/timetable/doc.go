// Package timetable is clock arithmetic: the delay timer, wall times and the moments of a bake.
//
// [Set] works out what a timer shows for a wish. Its values follow its rule (by the finish or by the start), its
// step and its first press. *Ready by* rounds down to one of them, so that bread is never late; *home at* rounds
// up. A stage that waits for warmth counts at its longest.
//
// A [Wall] is a time on a kitchen's clock. One that the clocks skip moves on by the hour skipped; one that occurs
// twice is its first. [Moments] are what a bake asks of hands, read off a programme.
package timetable
