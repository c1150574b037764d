package ui_test

import (
	"net/http"
	"strings"
	"testing"

	"risepan/e2e/drive"
)

// What hooks give in a page: the wish of an address, what a press has changed already, the next moment, a draft.

const shelf = `({ recipes: [{ id: "r1", name: "White" }, { id: "r2", name: "Rye" }], machines: [{ id: "m1" },
	{ id: "m2" }] })`

func TestTheAddressHoldsTheWish(t *testing.T) {
	wish := func(address string) string {
		return `(async () => { const u = m.use(() => m.wish.useWish(` + shelf + `), { at: ` + address +
			` }); await m.until(() => u.now); u.end(); return u.now[0]?.wish; })()`
	}
	plain(t, [][2]string{
		{wish(`"/"`), `{"recipe":"r1","machine":"m1","loaf":{}}`},
		{wish(`"/?recipe=r2&machine=m2&size=2 lb&slices=8&eaters=3&bag=b1"`),
			`{"recipe":"r2","machine":"m2","loaf":{"size":"2 lb","slices":8,"eaters":3,"bag":"b1"}}`},
		{wish(`"/?recipe=r1&slices=0&eaters=-1&within=x"`), `{"recipe":"r1","machine":"m1","loaf":{}}`},
		{wish(`"/?slices=1&within=1.5"`), `{"recipe":"r1","machine":"m1","loaf":{"slices":1}}`},
		{wish(`"/?have=l3:1/2 cup&without=l4|l5&instead=l2:oil|l6:milk"`),
			`{"recipe":"r1","machine":"m1","loaf":{"have":{"line":"l3","amount":"1/2 cup"},"without":["l4","l5"],"instead":{"l2":"oil","l6":"milk"}}}`},
		{wish(`"/?swap=" + encodeURIComponent("l1:milk>dry-milk:0|l6:bread-flour>wholemeal-flour:25")`),
			`{"recipe":"r1","machine":"m1","loaf":{"swaps":[{"line":"l1","swap":"milk>dry-milk"},{"line":"l6","swap":"bread-flour>wholemeal-flour","share":25}]}}`},
		{wish(`"/?ready=2026-03-11T07:00&home=1&within=90&away-at-beep=1&cycle=c1&crust=dark&add-ins=dispenser&ways=l9:by hand|l8:nonsense"`),
			`{"recipe":"r1","machine":"m1","loaf":{},"time":{"ready":"2026-03-11T07:00","notYet":true,"within":90,"away":true,"cycle":"c1","crust":"dark","addIns":"dispenser","ways":{"l9":"by hand"}}}`},
		{wish(`"/?crust=burnt&add-ins=by magic&ways=l8:nonsense"`), `{"recipe":"r1","machine":"m1","loaf":{}}`},
		{wish(`"/?closer=2&away=c1|c2&lock=l1:1 cup&weigh=l2&order=dry first&salt-place=in the liquid&fat-place=melted&yeast-place=on top&room=19 °C&flour=20 °C&cold=l1&tempered=yes"`),
			`{"recipe":"r1","machine":"m1","loaf":{},"hands":{"closer":2,"notToHand":["c1","c2"],"locks":[{"line":"l1","amount":"1 cup"}],"weigh":["l2"],"loading":{"order":"dry first","salt":"in the liquid","fat":"melted","yeast":"on top"},"warmth":{"room":"19 °C","flour":"20 °C","cold":["l1"],"tempered":true}}}`},
		{wish(`"/?closer=0&order=upside down"`), `{"recipe":"r1","machine":"m1","loaf":{}}`},
		{wish(`"/?closer=-1&closer=3"`), `{"recipe":"r1","machine":"m1","loaf":{},"hands":{"closer":-1}}`},
		{wish(`"/?closer=1.5"`), `{"recipe":"r1","machine":"m1","loaf":{}}`},
	})
}

func TestAChangeOfTheWishChangesTheAddress(t *testing.T) {
	changed := func(address, change string) string {
		return `(async () => { const u = m.use(() => m.wish.useWish(` + shelf + `), { at: ` + address + ` });
			await m.until(() => u.now);
			const before = u.seen.length; u.now[1](` + change + `); await m.until(() => u.seen.length > before);
				u.end(); return decodeURIComponent(u.where.search.replaceAll("+", " ")); })()`
	}
	plain(t, [][2]string{
		{changed(`"/?size=1 lb&cycle=c1"`, `{ size: "2 lb", cycle: null }`), `"?size=2 lb"`},
		{changed(`"/?recipe=r1&size=1 lb&cycle=c&crust=dark&closer=1&lock=l1:1&weigh=l1&have=l1:1&without=l1&instead=l1:a&slices=8&eaters=2&bag=b&swap=x&cold=l1&tempered=yes&add-ins=dispenser&ways=l1:by hand&order=dry first&salt-place=x&fat-place=x&yeast-place=x&ready=2026-03-11T07:00&room=19"`,
			`{ ...m.wish.forThisLoaf, recipe: "r2" }`), `"?recipe=r2&ready=2026-03-11T07:00&room=19"`},
		{`[m.wish.listed([]), m.wish.listed(["a", "b"]), m.wish.locked([{ line: "l1", amount: "1 cup" }, { line: "l2",
			amount: "3 g" }]), m.wish.swapped([{ line: "l1", swap: "a>b" }, { line: "l2", swap: "c>d", share: 30 }])]`,
			`[null,"a|b","l1:1 cup|l2:3 g","l1:a>b:0|l2:c>d:30"]`},
		{`(async () => { const u = m.use(() => m.wish.useWish(undefined)); await m.until(() => u.now); u.end();
			return u.now[0]; })()`, `null`},
		{`(async () => { const u = m.use(() => m.wish.useWish({ recipes: [], machines: [{ id: "m1" }] }));
			await m.until(() => u.now); u.end(); return u.now[0]; })()`, `null`},
		{`(async () => { const u = m.use(() => m.wish.useWish({ recipes: [{ id: "r1" }], machines: [] }));
			await m.until(() => u.now); u.end(); return u.now[0]; })()`, `null`},
	})
}

// A recipe beyond the window that the shelf shows is asked for by its id.
func TestARecipeBeyondTheShelfIsAskedFor(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	s.answers(func(w http.ResponseWriter, in sent) {
		reply(w, http.StatusOK, map[string]any{"id": "far", "revision": 4, "recipe": map[string]any{"name": "Far loaf",
			"kind": "white"}})
	})
	p := tab(t, d, s.URL)
	works(t, p, [][2]string{
		{`(async () => { const u = m.use(() => m.wish.useWish(` + shelf +
			`), { at: "/?recipe=far&size=1 lb" }); await m.until(() => u.now?.[0]); u.end(); return [u.seen[0][0],
				u.now[0].recipe, u.now[0].wish]; })()`,
			`[null,{"id":"far","revision":4,"name":"Far loaf","kind":"white","size":"","note":""},{"recipe":"far","machine":"m1","loaf":{"size":"1 lb"}}]`},
	})
	if len(s.got) != 1 || s.got[0].Path != "/api/v1/kitchens//recipes/far" {
		t.Errorf("the server was asked %+v", s.got)
	}
}

// What was pressed while the server is away is done on the page at once, at the bench and beside a bake, and the
// server is told of neither.
func TestAPressShowsBeforeTheServerKnows(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	s.answers(refusing(http.StatusServiceUnavailable, "away"))
	p := tab(t, d, s.URL)
	drive.Value[bool](p, `(() => { const tell = (path, body) => void m.outbox.press(path, body).catch(() => 0);
		window.done = m.use(() => m.done.useDone({ id: "b1", session: { done: ["paddle"] } }));
		window.bake = m.use(() => m.untold.useTold({ id: "k1", state: { due: { moment: "look" },
			moments: [{ id: "look", stays: true }, { id: "beep", stays: true }, { id: "ready" }] } }));
		tell("/benches/b1/happenings", { do: "done", step: "tools" });
		tell("/benches/b1/happenings", { do: "undone", step: "paddle" });
		tell("/benches/b1/happenings", { do: "slip", line: "l1", step: "x" });
		tell("/benches/other/happenings", { do: "done", step: "well" });
		tell("/bakes/k1/happenings", { what: "done", moment: "look" });
		tell("/bakes/k1/happenings", { what: "stood", moment: "beep" });
		tell("/bakes/k2/happenings", { what: "skipped", moment: "ready" });
		return true; })()`)
	p.Until("the page to know that the server is away", "window.done.now.untold === 3")
	works(t, p, [][2]string{
		{`[...window.done.now.done]`, `["tools"]`},
		{`window.bake.now.state`,
			`{"moments":[{"id":"look","stays":false,"done":true},{"id":"beep","stays":true},{"id":"ready"}]}`},
		{`(m.outbox.press("/bakes/k1/happenings", { what: "skipped", moment: "beep" }).catch(() => 0),
			m.later().then(() => window.bake.now.state.moments.map((x) => [!!x.done, x.stays])))`,
			`[[true,false],[true,false],[false,null]]`},
	})
	s.answers(func(w http.ResponseWriter, in sent) { reply(w, http.StatusOK, in.Body) })
	p.Until("all to be told", nothingLeft)
	works(t, p, [][2]string{
		// as the bench has it, which was not asked again
		{`[[...window.done.now.done], window.done.now.untold]`, `[["paddle"],0]`},
		{`window.bake.now.state.due`, `{"moment":"look"}`},
	})
}

func TestTheNextMomentOfAllThatRuns(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	s.answers(func(w http.ResponseWriter, in sent) {
		if strings.HasSuffix(in.Path, "/days/next") {
			reply(w, http.StatusOK, map[string]any{"now": "2026-03-10T20:00:00Z", "date": "2026-03-11",
				"moment": map[string]any{"name": "Rye", "say": "Load it", "does": "load",
					"at": "2026-03-11T06:00:00Z"}})
			return
		}
		reply(w, http.StatusOK, map[string]any{"now": "2026-03-10T20:00:00Z", "zone": "UTC", "bakes": []any{}})
	})
	p := tab(t, d, s.URL)
	next := func(bakes string) string {
		return `(async () => { m.clock.setServerTime("2026-03-10T20:00:00Z"); const client = new m.QueryClient();
			client.setQueryData(m.kitchen.at("running"), { zone: "UTC", now: "2026-03-10T20:00:00Z",
				bakes: ` + bakes + ` });
			const u = m.use(() => m.nextMoment.useNextMoment(), { client }); await m.until(() => u.seen.length);
				u.end(); const n = u.now; return n && [n.id, n.time, n.say, n.short, n.overdue]; })()`
	}
	bake := func(ready, moments string) string {
		return `{ id: "b", recipe: "White", phase: "running", ready: "` + ready + `", moments: [` + moments + `] }`
	}
	works(t, p, [][2]string{
		{next(`[]`), "undefined"},
		{next(`[` + bake("2026-03-10T21:30:00Z", ``) + `]`), `["b","21:30","ready","ready",false]`},
		{next(`[` + bake("2026-03-10T21:30:00Z",
			`{ kind: "add-ins", say: "Put them in", at: "2026-03-10T20:12:03Z" }`) + `]`),
			`["b","12:03","Put them in","add-ins",false]`},
		{next(`[` + bake("2026-03-10T21:30:00Z",
			`{ kind: "add-ins", say: "Put them in", at: "2026-03-10T20:12:03Z", done: true }, { kind: "warm ends",
				say: "Warm ends", at: "2026-03-10T22:00:00Z" }`) + `]`),
			`["b","2:00:00","Warm ends","next",false]`},
		// What stays until it is answered comes before what is to come; a machine that waits before all.
		{next(`[` + bake("2026-03-10T21:30:00Z",
			`{ kind: "look", say: "Look", at: "2026-03-10T19:50:00Z", stays: true }, { kind: "paddle",
				say: "Take it out", at: "2026-03-10T19:55:00Z", stays: true, waits: true }`) + `]`),
			`["b","19:55","Take it out","it waits",true]`},
		{next(`[` + bake("2026-03-10T21:30:00Z",
			`{ kind: "look", say: "Look", at: "2026-03-10T19:50:00Z", stays: true }, { kind: "bakes", say: "Bakes",
				at: "2026-03-10T20:10:00Z" }`) + `]`),
			`["b","19:50","Look","look in",true]`},
		{next(`[` + bake("2026-03-10T21:30:00Z",
			`{ kind: "look", say: "Look", at: "2026-03-10T19:50:00Z", stays: true, skipped: true }, { kind: "scrape",
				say: "Scrape", at: "2026-03-10T19:51:00Z" }`) + `]`),
			`["b","21:30","ready","ready",false]`},
		{next(`[` + bake("2026-03-10T21:30:00Z",
			`{ kind: "warm ends", say: "Now what", at: "2026-03-10T19:00:00Z", stays: true }`) + `]`),
			`["b","19:00","Now what","now",true]`},
		// A loaf that is ready is taken out first, unless hands have it already.
		{next(`[` + bake("2026-03-10T19:30:00Z",
			`{ kind: "warm ends", say: "Warm ends", at: "2026-03-10T20:30:00Z" }`) + `]`),
			`["b","19:30","ready: take it out","take out",true]`},
		{next(`[{ ...` + bake("2026-03-10T19:30:00Z",
			`{ kind: "oven", say: "Into the oven", at: "2026-03-10T20:30:00Z" }`) + `, phase: "in hand" }]`),
			`["b","30:00","Into the oven","oven",false]`},
		{next(`[{ ...` + bake("2026-03-10T20:30:00Z", ``) + `, id: "later" }, ` + bake("2026-03-10T20:10:00Z", ``) +
			`]`), `["b","20:10","ready","ready",false]`},
		{`(async () => { m.clock.setServerTime("2026-03-10T20:00:00Z");
			const u = m.use(() => m.nextMoment.useNextPlanned()); await m.until(() => u.now); u.end();
			return [u.now.id, u.now.recipe, u.now.time, u.now.say, u.now.short, u.now.overdue]; })()`,
			`["2026-03-11","Rye","10:00:00","Load it","load",false]`},
	})
	planned := func(moment string) string {
		return `(async () => { m.clock.setServerTime("2026-03-10T20:00:00Z"); const client = new m.QueryClient();
			client.setQueryData(m.kitchen.at("running"), { zone: "UTC", bakes: [] });
				client.setQueryData(m.kitchen.at("next of days"), { date: "2026-03-11", moment: ` + moment + ` });
			const u = m.use(() => m.nextMoment.useNextPlanned(), { client }); await m.until(() => u.seen.length);
				u.end(); return u.now && [u.now.time, u.now.overdue]; })()`
	}
	works(t, p, [][2]string{
		{planned(`undefined`), "undefined"},
		{planned(`{ name: "Rye", say: "Load it", does: "load", at: "2026-03-11T08:00:00Z" }`), `["12:00:00",false]`},
		{planned(`{ name: "Rye", say: "Load it", does: "load", at: "2026-03-11T08:00:02Z" }`), "undefined"},
		{planned(`{ name: "Rye", say: "Load it", does: "load", at: "2026-03-10T19:00:00Z" }`), `["19:00",true]`},
	})
}

func TestADraftSurvivesAReloadUntilItIsForgotten(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	p := tab(t, d, s.URL)
	works(t, p, [][2]string{
		{`(async () => { m.kitchen.setKitchen("k1"); window.u = m.use(() => m.draft.useDraft("recipe", "start"));
			await m.until(() => u.now); const first = u.now[0];
			u.now[1]((before) => before + " and more"); await m.until(() => u.now[0] !== "start"); return [first,
				u.now[0], m.draft.drafted("recipe"), sessionStorage.getItem("k1 recipe")]; })()`,
			`["start","start and more","start and more","\"start and more\""]`},
	})
	p.Reload()
	works(t, p, [][2]string{
		{`(async () => { window.u = m.use(() => m.draft.useDraft("recipe", "start")); await m.until(() => u.now);
			const kept = u.now[0]; u.now[2](); await m.until(() => u.now[0] === "start"); return [kept,
			m.draft.drafted("recipe")]; })()`,
			`["start and more",null]`},
		{`(m.kitchen.setKitchen("k2"), [m.kitchen.own("x"), m.kitchen.at("plan", 1), localStorage.getItem("kitchen"),
			m.kitchen.kitchen()])`, `["k2 x",["k2","plan",1],"k2","k2"]`},
	})
}

func TestWhatChangedInAPlanIsMarked(t *testing.T) {
	plain(t, [][2]string{
		{`(async () => { const plan = (digest, recipe, ...exact) => ({ digest, plan: { recipe, lines: exact.map((e,
			n) => ({ id: "l" + n, exact: e })) } });
			const u = m.use((answer) => m.hooks.useChanged(answer)); const give = async (a) => { u.give(a);
				await m.later(50); return [...u.now]; };
			const out = [await give(plan("a", "White", 1, 2)), await give(plan("b", "White", 1, 3)),
				await give(plan("b", "White", 1, 4)), await give(plan("c", "Rye", 9, 9)), await give(plan("d", "Rye",
				9, 9, 1))];
			await m.later(1650); out.push([...u.now]); u.end(); return out; })()`,
			`[[],["l1"],["l1"],["l1"],["l2"],[]]`},
		{`(async () => { const u = m.use((v) => m.hooks.useKept(v)); u.give(undefined); await m.later(10); u.give(3);
			await m.later(10); u.give(undefined); await m.later(10); u.end(); return [u.seen[0], u.now];
			})()`, `[null,3]`},
		{`(async () => { const wish = { time: { ready: "x" } }; const u = m.use((answer) => m.hooks.useRenewed(wish,
			answer)); const give = async (setting) => { u.give(setting === undefined ? undefined : { plan: { timer: { setting } } }); await m.later(20); return u.now ?? null; };
			const out = [await give(600), await give(600), await give(590), await give(590)]; u.end(); return out;
				})()`, `[null,null,600,600]`},
		{`(async () => { const u = m.use((answer) => m.hooks.useRenewed({}, answer));
			u.give({ plan: { timer: { setting: 1 } } }); await m.later(20); u.give({ plan: { timer: { setting: 2 } }
			}); await m.later(20); u.end(); return u.now ?? null; })()`, `null`},
		{`(async () => { const picked = []; const u = m.use(() => m.hooks.useSizeKeys(["1 lb", "2 lb"],
			(s) => picked.push(s))); await m.later(20);
			const key = (key, more = {}) => window.dispatchEvent(new KeyboardEvent("keydown", { key, ...more }));
				["1", "2", "3", "0", "x"].forEach((k) => key(k)); key("1", { ctrlKey: true }); key("1",
				{ metaKey: true }); key("1", { altKey: true });
			m.singleKeys.setSingleKeys(false); key("1"); m.singleKeys.setSingleKeys(true); u.end(); key("1");
				return picked; })()`, `["1 lb","2 lb"]`},
		{`(async () => { const u = m.use((w) => m.hooks.useLate(w)); u.give(true); await m.later(500); const soon = u.now;
			await m.until(() => u.now); u.give(false); await m.later(50); u.end(); return [soon, true, u.now]; })()`,
			`[false,true,false]`},
	})
}
