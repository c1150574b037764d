// Package standin is a machine that is not there.
//
// An [Engine] is a panel and a clock: pressed as a real one, it runs the stages of a cycle and sounds what a
// machine would. A [Dough] is what was put in, kneaded and risen through those stages by a simple model of yeast,
// heat and gluten; an [Outcome] is how it comes out. The model tells right from wrong and more from less; it is no
// forecast of millimetres.
//
// The stand-in knows machines and dough and never the plan. Package rehearse joins the two.
package standin
