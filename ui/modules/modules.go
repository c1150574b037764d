// Package modules names the modules of the front end that hold logic: what they work out and keep, not how it looks.
// The tests of package ui run them in a page without any screen; the campaign of mutations breaks them.
package modules

// Names are their paths below ui/src, without an ending.
var Names = []string{
	"bench/done", "bench/walk", "client/api", "client/changes", "client/clock", "client/early", "client/kept",
	"client/kitchen", "client/outbox",
	"day/scale", "machines/tidy", "parts/addIns", "parts/draft", "parts/figures", "parts/nextMoment", "parts/panel",
	"parts/singleKeys", "parts/time", "plan/hooks", "plan/panLayout", "plan/wish", "story/ticks", "watch/happened",
	"watch/untold",
}
