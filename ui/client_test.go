package ui_test

import (
	"fmt"
	"net/http"
	"slices"
	"strings"
	"testing"

	"risepan/e2e/drive"
)

func TestACallSaysWhatItIsAboutAndWhatWentWrong(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	s.answers(func(w http.ResponseWriter, in sent) {
		switch {
		case strings.Contains(in.Path, "nothing-new"):
			w.WriteHeader(http.StatusNotModified)
		case strings.Contains(in.Path, "wrong"):
			refusing(http.StatusUnprocessableEntity, "no such line")(w, in)
		case strings.Contains(in.Path, "closed"):
			reply(w, http.StatusNotFound, map[string]any{"type": "urn:rise-pan:closed", "title": "t", "status": 404,
				"detail": "there is no such kitchen"})
		case strings.Contains(in.Path, "odd"):
			w.WriteHeader(http.StatusBadGateway)
			w.Write([]byte("<html>"))
		default:
			reply(w, http.StatusOK, map[string]any{"method": in.Method, "path": in.Path, "body": in.Body,
				"key": in.Key})
		}
	})
	p := tab(t, d, s.URL)
	trouble := func(path string) string {
		return `(async () => { let shut = 0; const hear = () => shut++; m.api.shut.addEventListener("shut", hear);
			const e = await m.api.call("` + path + `").then((v) => ({ problem: v }), (e) => e);
				m.api.shut.removeEventListener("shut", hear);
			return [e instanceof m.api.Trouble, m.api.isShut(e), shut, e.problem?.status ?? null,
				e.problem?.detail ?? null]; })()`
	}
	works(t, p, [][2]string{
		{`(m.kitchen.setKitchen("k1"), m.api.call("/plan"))`,
			`{"body":null,"key":"","method":"GET","path":"/api/v1/kitchens/k1/plan"}`},
		{`m.api.call("/api/v1/session", { method: "POST", body: { a: 1 }, key: "once" })`,
			`{"body":{"a":1},"key":"once","method":"POST","path":"/api/v1/session"}`},
		{`m.api.call("/plan", { kitchen: "k9", method: "PUT", body: 0 })`,
			`{"body":0,"key":"","method":"PUT","path":"/api/v1/kitchens/k9/plan"}`},
		{`m.api.call("/nothing-new")`, "null"},
		{trouble("/wrong"), `[true,false,0,422,"no such line"]`},
		{trouble("/closed"), `[true,true,1,404,"there is no such kitchen"]`},
		{trouble("/odd"), `[true,false,0,502,"Rise Pan cannot be reached on this computer. Nothing was lost."]`},
		{`m.api.call("/slow", { signal: AbortSignal.abort() }).catch((e) => [e instanceof m.api.Trouble, e.name])`,
			`[false,"AbortError"]`},
		{`m.api.fetchChanges(7, new AbortController().signal).then((v) => v.path)`,
			`"/api/v1/kitchens/k1/changes?after=7"`},
		{`m.api.fetchChanges(undefined, new AbortController().signal).then((v) => v.path)`,
			`"/api/v1/kitchens/k1/changes"`},
		{`m.api.fetchBake("b", 0, new AbortController().signal).then((v) => v.path)`,
			`"/api/v1/kitchens/k1/bakes/b?after=0"`},
		{`m.api.endIn("others").then((v) => v.body)`, `{}`}, {`m.api.endIn("ended", "d1").then((v) => v.body)`,
			`{"id":"d1"}`},
		{`[m.api.photoAt("p"), m.api.photoAt("p", true), m.api.logTable({ find: "a b" }),
			m.api.dayCalendar("2026-03-01")]`,
			`["/api/v1/kitchens/k1/photos/p","/api/v1/kitchens/k1/photos/p?small=1","/api/v1/kitchens/k1/bakes.csv?find=a+b","/api/v1/kitchens/k1/days/2026-03-01/calendar"]`},
	})
	s.Close()
	works(t, p, [][2]string{{trouble("/plan"),
		`[true,false,0,503,"Rise Pan cannot be reached on this computer. Nothing was lost."]`}})
}

// What was asked for before the program was there is taken once, and only while it is fresh; a change is never taken
// so.
func TestAnEarlyAnswerIsTakenOnce(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	s.answers(func(w http.ResponseWriter, in sent) { reply(w, http.StatusOK, "asked now") })
	p := tab(t, d, s.URL)
	early := func(age, method string) string {
		return `(window.asked = new Map([["/api/v1/x", { answer: Promise.resolve(new Response('"early"')),
			at: performance.now() - ` + age + ` }]]),
			m.api.call("/api/v1/x"` + method + `).then(async (first) => [first,
				await m.api.call("/api/v1/x"` + method + `)]))`
	}
	works(t, p, [][2]string{
		{early("0", ""), `["early","asked now"]`}, {early("4900", ""), `["early","asked now"]`},
		{early("5100", ""), `["asked now","asked now"]`},
		{early("0", `, { method: "PUT", body: {} }`), `["asked now","asked now"]`},
		{`(delete window.asked, m.api.call("/api/v1/x"))`, `"asked now"`},
	})
}

func TestTheClockIsTheServers(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	p := tab(t, d, s.URL)
	works(t, p, [][2]string{
		{`m.clock.firstAnswer()`, "null"}, // no time at all
		{`Math.abs(m.clock.serverNow() - Date.now()) < 100`, "true"},
		{`(m.clock.setServerTime("2030-01-01T00:00:00Z"), Math.abs(m.clock.serverNow() - Date.parse("2030-01-01T00:00:00Z")) < 100)`, "true"},
		{`(m.clock.setServerTime("2030-01-01T01:00:00Z"), m.clock.firstAnswer() === Date.parse("2030-01-01T00:00:00Z"))`, "true"},
		{`(m.clock.setServerTime("2029-12-31T23:00:00Z"), m.clock.firstAnswer() === Date.parse("2029-12-31T23:00:00Z"))`, "true"},
		{`(async () => { const every = []; const real = window.setInterval; window.setInterval = (f, ms) => every.push([f, ms]);
			m.clock.setServerTime("2030-01-01T00:00:00Z"); const u = m.use(() => m.clock.useNow());
			await m.until(() => u.seen.length); await m.later(200);
			const before = u.seen.length; m.clock.setServerTime(new Date(m.clock.serverNow() + 100).toISOString());
			await m.later(50); const near = u.seen.length; m.clock.setServerTime("2030-01-01T05:00:00Z");
			await m.later(50); const far = u.seen.length; window.setInterval = real;
			const [tick, ms] = every.find(([f, ms]) => ms === 1000); tick(); await m.later(50); const ticked = u.seen.length;
			u.end(); m.clock.setServerTime("2031-01-01T00:00:00Z"); await m.later(50);
			return [near - before, far - near, ticked - far, u.seen.length - ticked,
				Math.abs(u.now - Date.parse("2030-01-01T05:00:00Z")) < 5000]; })()`,
			`[0,1,1,0,true]`},
		{`(m.clock.setServerTime(new Date(Date.now() + 3_600_000).toISOString()), m.clock.keepClock(),
			Math.abs(Number(localStorage.getItem("clock off by")) - 3_600_000) < 100)`, "true"},
	})
	p.Reload()
	works(t, p, [][2]string{
		{`Math.abs(m.clock.serverNow() - Date.now()) < 100`, "true"},
		{`(m.clock.startClock(), Math.abs(m.clock.serverNow() - Date.now() - 3_600_000) < 200)`, "true"},
		{`(localStorage.setItem("clock off by", "nonsense"), m.clock.startClock(),
			Math.abs(m.clock.serverNow() - Date.now() - 3_600_000) < 200)`, "true"},
	})
}

// What another device changed makes old what a page has asked for of it, and nothing else.
func TestWhatAnotherDeviceChangedIsAskedAgain(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	answer := map[string]any{"topics": map[string]int{"bakes": 1, "bags": 1}, "sum": 2}
	s.answers(func(w http.ResponseWriter, in sent) { reply(w, http.StatusOK, answer) })
	p := tab(t, d, s.URL)
	drive.Value[bool](p, `(() => { m.kitchen.setKitchen("k1"); window.client = new m.QueryClient();
		for (const name of ["running", "bags", "household", "shelf", "log"]) client.setQueryData(["k1", name], 1);
		window.old = () => client.getQueryCache().getAll().filter((q) => q.state.isInvalidated).map((q) => q.queryKey[1]).sort();
		window.u = m.use(() => m.changes.useChanges(), { client }); return true; })()`)
	p.Until("the first answer", `client.getQueryData(["k1", "changes"])`)
	works(t, p, [][2]string{{`old()`, `[]`}})
	change := func(topics map[string]int, sum int) {
		t.Helper()
		next := map[string]any{"topics": topics, "sum": sum}
		s.answers(func(w http.ResponseWriter, in sent) { reply(w, http.StatusOK, next) })
		drive.Value[bool](p, `(client.refetchQueries({ queryKey: ["k1", "changes"] }), true)`)
		p.Until("the next answer", `client.getQueryData(["k1", "changes"]).sum === `+fmt.Sprint(sum))
	}
	change(map[string]int{"bakes": 2, "bags": 1}, 3)
	p.Until("what a bake changes to be old", `old().length > 0`)
	works(t, p, [][2]string{{`old()`, `["log","running","shelf"]`}})
	change(map[string]int{"bakes": 2, "bags": 2, "household": 1}, 5)
	p.Until("bags and household to be old", `old().length >= 5`)
	works(t, p, [][2]string{{`old()`, `["bags","household","log","running","shelf"]`}})
	drive.Value[bool](p, `(client.clear(), client.setQueryData(["k1", "anything"], 1), client.setQueryData(["k1",
		"changes"], { topics: {}, sum: 5 }), true)`)
	change(map[string]int{"something new": 1}, 6)
	p.Until("everything to be old, for a topic that is not known", `old().includes("anything")`)
	if !slices.ContainsFunc(s.got, func(r sent) bool { return strings.HasSuffix(r.Path, "/changes?after=5") }) {
		t.Errorf("the server was never asked what happened after the sum of 5: %+v", s.got)
	}
}

// A page keeps what bench and watch need; a page that opens while the server is away begins with it.
func TestAPageBeginsWithWhatTheOneBeforeHasSeen(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	p := tab(t, d, s.URL)
	works(t, p, [][2]string{
		{`(() => { m.kitchen.setKitchen("k1"); const client = new m.QueryClient(); for (const name of ["shelf",
			"running", "bench", "bake", "larder"]) client.setQueryData(["k1", name], { kitchen: { decimal: "comma" },
			name });
			m.kept.keepSeen(client); window.dispatchEvent(new Event("pagehide"));
				return JSON.parse(localStorage.getItem("seen")).queries.map((q) => q.queryKey[1]).sort(); })()`,
			`["bake","bench","running","shelf"]`},
		{`typeof localStorage.getItem("clock off by")`, `"string"`},
	})
	p.Reload()
	works(t, p, [][2]string{
		{`(() => { window.client = new m.QueryClient(); m.kept.takeUp(client);
			const q = client.getQueryCache().find({ queryKey: ["k1", "bake"] }); return [q.state.data.name,
			q.state.dataUpdatedAt, m.figures.fixed(1.5, 1)]; })()`, `["bake",0,"1,5"]`},
		{`(client.setQueryData(["kitchens"], 1), m.kept.forgetSeen(client), [localStorage.getItem("seen"),
			client.getQueryCache().getAll().map((q) => q.queryKey[0])])`, `[null,["kitchens"]]`},
		{`(localStorage.setItem("seen", "{nonsense"), m.kept.takeUp(new m.QueryClient()),
			localStorage.getItem("seen"))`, "null"},
		{`(async () => { const client = new m.QueryClient(); client.setQueryData(["k1", "shelf"], 1);
			m.kept.keepSeen(client); await m.later(5100); return !!localStorage.getItem("seen"); })()`, "true"},
	})
}

func TestThePanIsDrawnToFillItsRoom(t *testing.T) {
	lines := `[{ id: "a", name: "water, cold", measured: { volume: 200 } }, { id: "b", name: "bread flour",
		measured: { volume: 700 } }, { id: "y", name: "yeast", measured: { volume: 8 } }, { id: "s", name: "salt",
		measured: { volume: 10 } }, { id: "r", name: "raisins", measured: { volume: 100 } }]`
	layers := `[{ stuff: "liquid", lines: ["a"], volume: 200, place: "over all" }, { stuff: "sugar and salt",
		lines: ["s"], volume: 10, place: "over all" }, { stuff: "flour", lines: ["b"], volume: 700,
		place: "over all" }, { stuff: "yeast", lines: ["y"], volume: 8, place: "in a well" }]`
	draw := func(more, show string) string {
		return `((d) => ` + show + `)(m.panLayout.layout({ pan: { fill: { pan: 2000, high: 1500 }, layers: ` + layers +
			` }, lines: ` + lines + `, box: [], filling: undefined, width: 600, height: 424, ` + more + ` }))`
	}
	plain(t, [][2]string{
		{draw(``, `[d.left, d.width, d.middle, d.rim, d.floor, d.perMl, d.labelX]`), `[12,420,222,12,412,0.2,460]`},
		{draw(``, `d.layers.map((l) => [l.key, Math.round(l.y), Math.round(l.height), l.thin, l.well, l.state])`),
			`[["liquid0",372,40,false,false,"in"],["sugar and salt1",366,6,true,false,"in"],["flour2",226,140,false,false,"in"],["yeast3",226,0,false,true,"in"]]`},
		{draw(``, `d.labels.map((l) => [l.name, l.inside, Math.round(l.x), Math.round(l.y), l.width,
			Math.round(l.from.x), Math.round(l.from.y)])`),
			`[["water",true,24,380,396,426,392],["salt",false,460,357,132,426,369],["bread flour",true,24,284,396,426,296],["yeast",false,460,216,132,246,228]]`},
		// A loaf that rises above the rim leaves room for it; a narrow room makes a narrow pan.
		{draw(`pan: { fill: { pan: 2000, high: 3000 }, layers: [] }`, `[d.rim, d.floor, Math.round(d.perMl * 1000)]`),
			`[145.33333333333334,412,133]`},
		{draw(`width: 100`, `[d.left, d.width]`), `[12,80]`}, {draw(`width: 1200`, `[d.left, Math.round(d.width)]`),
			`[302,440]`},
		// While the pan is filled: what is done is in, the next is shown, the rest is not there.
		{draw(`filling: { done: new Set(["a"]), next: "s" }`,
			`[d.layers.map((l) => [l.key, l.state]), d.labels.map((l) => l.name)]`),
			`[[["liquid0","in"],["sugar and salt1","next"]],["water","salt"]]`},
		{draw(`filling: { done: new Set(["a"]), next: undefined }, pan: { fill: { pan: 2000, high: 1500 },
			layers: [{ stuff: "flour", lines: ["b", "a"], volume: 900, place: "over all" }] }`,
			`d.layers.map((l) => [l.state, Math.round(l.height)])`), `[["in",40]]`},
		{draw(`filling: { done: new Set(["z"]), next: "z" }, pan: { fill: { pan: 2000, high: 1500 },
			layers: [{ stuff: "flour", lines: ["z", "q"], volume: 900, place: "over all" }] }`,
			`d.layers.map((l) => [l.state, Math.round(l.height)])`), `[["in",6]]`},
		// What lies in a dispenser hangs over the rim.
		{draw(`box: ["r"]`, `[d.rim, d.hoppers.map((h) => [h.key, h.x, h.y, h.state])]`),
			`[48,[["add-in box",130,4,"in"]]]`},
		{draw(`box: ["r"], pan: { fill: { pan: 2000, high: 1500 }, layers: [{ stuff: "yeast", lines: ["y"], volume: 8,
			place: "in its dispenser" }] }, filling: { done: new Set(), next: "r" }`,
			`[d.layers.length, d.hoppers.map((h) => [h.key, Math.round(h.x), h.state])]`),
			`[0,[["add-in box",230,"next"]]]`},
		// Labels beside the pan do not lie on each other.
		{draw(`pan: { fill: { pan: 2000, high: 1500 }, layers: [{ stuff: "fat", lines: ["s"], volume: 10 },
			{ stuff: "sugar and salt", lines: ["r"], volume: 10 }, { stuff: "dry extra", lines: ["a"], volume: 10,
			place: "from the bag" }] }`,
			`d.labels.map((l) => [l.name, l.y])`), `[["salt",397],["raisins",369],["the bag",341]]`},
		{draw(`lines: [{ id: "b", name: "a flour with a very long name indeed, strong", measured: { volume: 700 } }],
			pan: { fill: { pan: 2000, high: 1500 }, layers: [{ stuff: "flour", lines: ["b", "gone"], volume: 700 },
			{ stuff: "yeast", lines: ["b"], volume: 8, place: "in the middle" }] }`,
			`d.labels.map((l) => [l.name, l.inside, Math.round(l.y)])`),
			`[["a flour with a very long name indeed, ",true,330],["a flour with a very long name indeed",false,238]]`},
	})
}
