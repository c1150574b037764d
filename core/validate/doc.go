// Package validate holds the rule that what can be kept can be read.
//
// [Check] walks a value as it will be written and finds the first thing that no reader would take: a word outside
// its vocabulary, a text that its own reader refuses, a number that is none, characters that cannot be seen. Every
// check of a stored type begins with it, so that a value that passes comes back, equal, from what it was written
// as. [Name] and [Short] bound texts that people type.
//
// Errors are a *fault.Fault at the field's JSON pointer.
package validate
