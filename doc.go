// Package risepan is the top of Rise Pan, a web application for home bakers with a bread machine.
//
// The program is cmd/rise-pan; docs/architecture.md says how it is built. This folder holds the tests of what concerns the
// whole of it.
package risepan
