// Package fault is the error of a value that somebody can mend.
//
// A [Fault] says what was wrong with one field and what would be right, in a baker's words, and points at the
// field by a JSON pointer. Every check of the core returns one; the API sends it as a problem detail with the
// pointer. Whoever checks a value inside a larger one moves the pointer with [Under].
package fault
