// Package kind is the table of what a machine makes.
//
// A kind of recipe is one [Row]: usual bands of its formula, implausible edges, how much it rises, whether it is a
// dough or a batter, how its size is told, how it ends. A rule asks the row ([Of]) and never compares kinds. Bands
// are those that bakers' handbooks agree on, per 100 of flour; edges are what no loaf holds.
//
// An [Ending] is a row as well: how a thing comes out, on what it cools, when it may be cut and how long it keeps.
package kind
