// Package journal is the one mechanism of things that happened.
//
// A bench, a bake and a rehearsal are each a plan and a list of happenings. A happening is appended with the next
// number and the time at which the server took it ([Stamp]), never changed, and taken back only by a later one
// that names it. [Standing] are those that were not taken back. Each room folds them into its present state by a
// plain function, so that every device and every server sees the same.
package journal
