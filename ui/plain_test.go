package ui_test

import "testing"

// What is worked out from plain values: times, figures, what is read that was typed.

func TestTimesAsTheyAreWritten(t *testing.T) {
	plain(t, [][2]string{
		{`m.time.clock24("2026-03-10T19:05:00Z", "Europe/London")`, `"19:05"`},
		{`m.time.clock24("2026-07-10T19:05:00Z", "Europe/London")`, `"20:05"`},
		{`m.time.clock24("2026-07-10T23:05:00Z", "Europe/London")`, `"00:05"`},
		{`m.time.shown("19:05")`, `"19:05"`}, {`m.time.halves()`, "false"},
		{`(m.time.setFace("12 hours"), ["00:00", "00:59", "01:05", "11:59", "12:00", "12:30", "13:00", "19:05",
			"23:59"].map(m.time.shown))`,
			`["12:00 am","12:59 am","1:05 am","11:59 am","12:00 pm","12:30 pm","1:00 pm","7:05 pm","11:59 pm"]`},
		{`m.time.halves()`, "true"}, {`m.time.clock("2026-03-10T19:05:00Z", "Europe/London")`, `"7:05 pm"`},
		{`(m.time.setFace(undefined), m.time.clock("2026-03-10T19:05:00Z", "Europe/London"))`, `"19:05"`},
		{`m.time.day("2026-07-10T23:30:00Z", "Europe/London")`, `"2026-07-11"`},
		{`["2026-03-26", "2026-03-27", "2026-03-28", "2026-03-29", "2026-03-30"].map((d) => m.time.dayName(d,
			"2026-03-28"))`,
			`["Thu 26 Mar","yesterday","today","tomorrow","Mon 30 Mar"]`},
		{`m.time.dayName("2026-03-30", "2026-03-29")`, `"tomorrow"`}, // a day of 23 hours
		{`m.time.longDay("2026-08-02")`, `"2 August 2026"`},
		{`[m.time.addDays("2026-12-31", 1), m.time.addDays("2026-03-01", -1), m.time.addDays("2026-03-28", 2)]`,
			`["2027-01-01","2026-02-28","2026-03-30"]`},
		{`[0, 59, 60, 580, 601].map(m.time.display)`, `["0 h 00","0 h 59","1 h 00","9 h 40","10 h 01"]`},
		{`[0, 45, 59, 60, 61, 120, 200].map(m.time.inHours)`,
			`["0 min","45 min","59 min","1 h","1 h 1 min","2 h","3 h 20 min"]`},
		{`[-5, 0, 1, 999, 1000, 59_000, 60_000, 723_000, 3_599_000, 3_600_000, 4_323_000,
			36_000_000].map(m.time.countdown)`,
			`["0:00","0:00","0:01","0:01","0:01","0:59","1:00","12:03","59:59","1:00:00","1:12:03","10:00:00"]`},
	})
}

func TestTimesAsTheyAreTyped(t *testing.T) {
	plain(t, [][2]string{
		{`["7", "730", "7:30", "19.15", " 1915 ", "0:00", "23:59", "24:00", "12:60", "7:5", "x", "",
			"123456"].map(m.time.readClock)`,
			`["07:00","07:30","07:30","19:15","19:15","00:00","23:59",null,null,null,null,null,null]`},
		{`["7 pm", "7:30PM", "12 am", "12 pm", "1am", "11:59 pm", "0 am", "13 pm", "12:01 am"].map(m.time.readClock)`,
			`["19:00","19:30","00:00","12:00","01:00","23:59",null,null,"00:01"]`},
		{`["2:30", "150", "2.5 h", "2,5h", "1 hour", "3 hours", "45 min", "45min", "0:05",
			"10:00"].map(m.time.readLength)`,
			`[150,150,150,150,60,180,45,45,5,600]`},
		{`["", "2:60", "12345", "2 h 30", "h", "-5", "2:3"].map(m.time.readLength)`,
			`[null,null,null,null,null,null,null]`},
	})
}

func TestFiguresInTheKitchensUnits(t *testing.T) {
	plain(t, [][2]string{
		{`(m.figures.setFigures({}), [m.figures.fixed(1.25, 1), m.figures.fixed(2, 2), m.figures.upTo(2.5, 3),
			m.figures.upTo(2.0001, 2)])`,
			`["1.3","2.00","2.5","2"]`},
		{`[m.figures.price("7.66", "£"), m.figures.price("7.66", "kr"), m.figures.price("7.66", "")]`,
			`["£7.66","7.66 kr","7.66"]`},
		{`[m.figures.length(12), m.figures.onRuler(12.4), m.figures.overRim(0), m.figures.overRim(-3),
			m.figures.overRim(4)]`,
			`["12 mm","12","at the rim","3 mm under the rim","4 mm over the rim"]`},
		{`[5.44, 9.99, 10, 250.4].map((g) => m.figures.weight(g))`, `["5.4 g","10.0 g","10 g","250 g"]`},
		{`[m.figures.weight(250.44, true), m.figures.weight(5.44, false)]`, `["250.4 g","5 g"]`},
		{`[m.figures.inGrams(null), m.figures.inGrams(3), m.figures.heap(999), m.figures.heap(1000),
			m.figures.heap(2460)]`,
			`[null,3,"999 g","1.0 kg","2.5 kg"]`},
		{`[m.figures.warmth(21), m.figures.warmth(-0.4), m.figures.scale().name]`, `["21 °C","0 °C","grams"]`},
		{`(m.figures.setFigures({ decimal: "comma", lengths: "inches", weights: "ounces", degrees: "fahrenheit" }),
			[m.figures.fixed(1.5, 1), m.figures.upTo(2.25, 2)])`,
			`["1,5","2,25"]`},
		{`[m.figures.length(25.4), m.figures.length(31), m.figures.overRim(-12.7)]`,
			`["1 in","1,2 in","0,5 in under the rim"]`},
		{`[m.figures.weight(28.35), m.figures.weight(250), m.figures.weight(5.44), m.figures.heap(453),
			m.figures.heap(907.2), m.figures.scale().name]`,
			`["1,00 oz","8,80 oz","0,190 oz","16,00 oz","2,0 lb","ounces"]`},
		{`[Math.round(m.figures.inGrams(2) * 1000), m.figures.warmth(0), m.figures.warmth(100), m.figures.warmth(21)]`,
			`[56699,"32 °F","212 °F","70 °F"]`},
		{`m.figures.setFigures({})`, "undefined"},
	})
}

func TestWhatThePanelAndTheDispenserAreCalled(t *testing.T) {
	plain(t, [][2]string{
		{`[m.panel.cycleTitle({ panel: "1", name: "Basic" }), m.panel.cycleTitle({ panel: "Basic", name: "Basic" }),
			m.panel.cycleTitle({ panel: "", name: "Basic" })]`,
			`["1 Basic","Basic","Basic"]`},
		{`[m.panel.startButton({ setting: {} }), m.panel.startButton({ setting: { fittings: { start: "Go" } } }),
			m.panel.startButton({ setting: { fittings: {} } })]`,
			`["Start","Go","Start"]`},
		{`m.addIns.waysIn({ lines: ["a", "b"], way: "by hand" })`, `{"a":"by hand","b":"by hand"}`},
		{`m.addIns.waysIn({ lines: ["a", "b"], way: "by hand", each: [{ line: "a", way: "dispenser" }, { line: "b",
			way: "at the start" }] })`,
			`{"a":"dispenser","b":"at the start"}`},
		{`[m.addIns.inBox({}), m.addIns.inBox({ addIns: { lines: ["a", "b"], way: "dispenser" } }),
			m.addIns.inBox({ addIns: { lines: ["a", "b"], way: "by hand", each: [{ line: "b", way: "dispenser" },
			{ line: "a", way: "by hand" }] } })]`,
			`[[],["a","b"],["b"]]`},
	})
}

func TestTheButtonsOfAMachineFollowWhatItHas(t *testing.T) {
	machine := `({ cycles: [{ id: "basic" }, { id: "sweet" }], crusts: ["light", "dark"], sizes: ["1 lb"], panel: `
	plain(t, [][2]string{
		{`m.tidy.tidy({ cycles: [], crusts: [], sizes: [] })`, `{"cycles":[],"crusts":[],"sizes":[]}`},
		{`m.tidy.tidy(` + machine + `{} })).panel`, `{}`},
		{`m.tidy.tidy(` + machine + `{ menu: { values: ["jam", "sweet", "rapid"], default: "jam" } } })).panel.menu`,
			`{"values":["sweet","rapid","basic"]}`},
		{`m.tidy.tidy(` + machine + `{ menu: { values: ["jam"], default: "sweet", only: { x: [] } } } })).panel.menu`,
			`{"default":"sweet","only":{"x":[]}}`},
		{`m.tidy.tidy(` + machine + `{ crust: { default: "medium" }, size: { default: "1 lb", press: 2 } } })).panel`,
			`{"crust":{},"size":{"default":"1 lb","press":2}}`},
		{`m.tidy.tidy(` + machine + `{ crust: { values: ["dark"], default: "light" } } })).panel.crust`,
			`{"values":["dark","light"],"default":"light"}`},
	})
}

func TestWhatHappenedInABakeAndStands(t *testing.T) {
	plain(t, [][2]string{
		{`m.happened.standing({ happenings: [{ seq: 1, what: "done" }, { seq: 2, what: "moved" }, { seq: 3,
			what: "undone", of: 1 }] }).map((h) => h.seq)`, `[2]`},
		{`m.happened.standing({ happenings: [{ seq: 1, what: "done" }, { seq: 2, what: "undone", of: 1 }, { seq: 3,
			what: "undone", of: 2 }] }).map((h) => h.seq)`, `[1]`},
		{`m.happened.standing({ happenings: [] })`, `[]`},
	})
}

func TestADaysHoursAreLaidOut(t *testing.T) {
	day := `({ from: "2026-03-10T17:00:00Z", to: "2026-03-12T17:00:00Z", loaves: [], machines: [], hands: [] })`
	full := `({ from: "2026-03-10T17:00:00Z", to: "2026-03-12T17:00:00Z",
		machines: [{ runs: [{ press: "2026-03-11T09:00:00Z", out: "2026-03-11T12:00:00Z" }, { date: "2026-03-12",
		press: "2026-03-12T01:00:00Z", out: "2026-03-12T04:00:00Z" }] }, {}],
		loaves: [{ load: "2026-03-11T07:00:00Z", press: "2026-03-11T07:15:00Z", free: "2026-03-11T11:00:00Z",
			done: "2026-03-11T10:00:00Z" }, { }], hands: [{ at: "2026-03-11T13:00:00Z",
			to: "2026-03-11T13:05:00Z" }] })`
	at := func(scale string) string {
		return `(({ from, to, hours }) => [new Date(from).toISOString(), new Date(to).toISOString(),
			hours.map((h) => new Date(h).getUTCHours())])(` + scale + `)`
	}
	now := `Date.parse("2026-03-11T08:00:00Z")`
	plain(t, [][2]string{
		{at(`m.scale.scaleOf(` + day + `, 1000, ` + now + `)`),
			`["2026-03-11T06:00:00.000Z","2026-03-11T18:00:00.000Z",[6,7,8,9,10,11,12,13,14,15,16,17,18]]`},
		{at(`m.scale.scaleOf(` + full + `, 1000, ` + now + `)`),
			`["2026-03-11T06:45:00.000Z","2026-03-11T13:20:00.000Z",[7,8,9,10,11,12,13]]`},
		{at(`m.scale.scaleOf(` + full + `, 160, ` + now + `)`),
			`["2026-03-11T06:45:00.000Z","2026-03-11T13:20:00.000Z",[9,12]]`},
		{at(`m.scale.scaleOf(` + full + `, 0, ` + now + `)`),
			`["2026-03-11T06:45:00.000Z","2026-03-11T13:20:00.000Z",[]]`},
		// A loaf alone has six hours round it, and a run of three hours ago is not shown.
		{at(`m.scale.scaleOf({ ...` + day +
			`, hands: [{ at: "2026-03-11T10:00:00Z", to: "2026-03-11T10:05:00Z" }] }, 1000, ` + now + `)`),
			`["2026-03-11T04:20:00.000Z","2026-03-11T10:20:00.000Z",[5,6,7,8,9,10]]`},
		{at(`m.scale.scaleOf({ ...` + day +
			`, machines: [{ runs: [{ press: "2026-03-11T01:00:00Z", out: "2026-03-11T05:00:00Z" },
				{ press: "2026-03-11T05:00:00Z", out: "2026-03-11T05:01:00Z" }] }] }, 1000, ` + now + `)`),
			`["2026-03-10T23:16:00.000Z","2026-03-11T05:16:00.000Z",[0,1,2,3,4,5]]`},
		{`((s) => [s.left("2026-03-11T06:00:00Z"), s.left("2026-03-11T12:00:00Z"), s.left("2026-03-11T18:00:00Z"),
			s.left("2026-03-10T18:00:00Z"), s.left(Date.parse("2026-03-12T18:00:00Z"))])(m.scale.scaleOf(` + day + `,
			1000, ` + now + `))`,
			`[0,50,100,0,100]`},
		{`[m.scale.letter(0), m.scale.letter(25), m.scale.dayTitle("2026-11-28")]`, `["A","Z","Saturday 28 November"]`},
	})
}

func TestSingleKeysCanBeOff(t *testing.T) {
	plain(t, [][2]string{
		{`m.singleKeys.singleKeys()`, "true"}, {`(m.singleKeys.setSingleKeys(false), m.singleKeys.singleKeys())`,
			"false"},
		{`(m.singleKeys.setSingleKeys(true), m.singleKeys.singleKeys())`, "true"},
		{`(() => { const make = (html) => { document.body.insertAdjacentHTML("beforeend", "<div>" + html + "</div>");
			return document.body.lastChild.querySelector("[data-at]"); };
			return ["<input data-at>", "<input type=radio data-at>", "<textarea data-at></textarea>",
				"<div role=dialog><b data-at></b></div>", "<div role=listbox><b data-at></b></div>",
				"<b data-at></b>"].map((h) => m.singleKeys.takesKeys(make(h))).concat(m.singleKeys.takesKeys(null));
				})()`,
			`[true,false,true,true,true,false,false]`},
	})
}

func TestTheSideOfAPlotHasRoundFigures(t *testing.T) {
	plain(t, [][2]string{
		{`m.ticks.ticks([64.1, 66.9, 65], 0.1).map((v) => +v.toFixed(3))`, `[64,65,66,67]`},
		{`m.ticks.ticks([1.2, 1.45], 0.01).map((v) => +v.toFixed(3))`, `[1.2,1.3,1.4,1.5]`},
		{`m.ticks.ticks([3, 5], 1, [1, 5])`, `[1,2,3,4,5]`}, {`m.ticks.ticks([-24, 8, 0], 1)`, `[-30,-20,-10,0,10]`},
		{`m.ticks.ticks([5, 5], 1)`, `[5,6]`}, {`m.ticks.ticks([0, 1000], 1)`, `[0,500,1000]`},
	})
}

// A device shows where the hands are, until somebody turns to another step; a wait goes on by itself.
func TestTheBenchShowsWhereTheHandsAre(t *testing.T) {
	bench := func(begun string) string {
		return `({ session: { begun: ` + begun +
			` }, steps: [{ id: "tools" }, { id: "bloom", wait: 8 }, { id: "measure l1" }, { id: "cool", wait: 15,
				holds: true }, { id: "start" }] })`
	}
	walk := func(begun, done, then string) string {
		return `(async () => { const u = m.use(() => m.walk.useWalk(` + bench(begun) + `, new Set(` + done +
			`))); await m.until(() => u.now); ` + then +
			` await m.later(20); u.end(); return [u.now.step.id, u.now.at, u.now.count, u.now.last]; })()`
	}
	plain(t, [][2]string{
		{walk(`{}`, `[]`, ``), `["tools",0,0,false]`}, {walk(`{}`, `["tools"]`, ``), `["bloom",1,1,false]`},
		{walk(`{ bloom: "t" }`, `["tools"]`, ``), `["measure l1",2,1,false]`},
		{walk(`{ bloom: "t", cool: "t" }`, `["tools", "measure l1"]`, ``), `["cool",3,2,false]`},
		{walk(`{ bloom: "t" }`, `["tools", "measure l1", "cool", "start"]`, ``), `["bloom",1,4,false]`},
		{walk(`{}`, `["tools", "bloom", "measure l1", "cool", "start"]`, ``), `["start",4,5,true]`},
		{walk(`{}`, `["tools"]`, `u.now.look("start");`), `["start",4,1,true]`},
		{walk(`{}`, `["tools"]`, `u.now.look("gone");`), `["bloom",1,1,false]`},
		{walk(`{}`, `["tools"]`, `u.now.go(0);`), `["tools",0,1,false]`},
		{walk(`{}`, `["tools"]`, `u.now.go(0); await m.later(20); u.now.go(1);`), `["bloom",1,1,false]`},
		{walk(`{}`, `["tools"]`, `u.now.go(9);`), `["bloom",1,1,false]`},
	})
}
