// Package formula works out baker's percentages.
//
// A [Formula] holds water, salt, yeast, sugar and fat per 100 of flour. Hydration is a range where flour was
// measured by cups, because a cup holds anything from sifted to scooped: an unweighed cup counts whole; a cup that
// was weighed k times has a standard deviation of s·√(k + k²/n) for k cups, and the range goes two of them to
// either side. Weighed flour has one figure.
//
// Gluten counts as flour where there is more than a tenth of it, as in low-carb bread; else it is an addition.
// [Liking] widens usual bands by the formulas of loaves that came out well; implausible edges never move.
package formula
