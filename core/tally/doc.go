// Package tally counts loaves, flour and cost of a year from what each bake used.
package tally
