package e2e

import (
	"fmt"
	"net/http"
	"strings"
	"testing"
	"time"

	"risepan/e2e/drive"
)

// long names a thing in 120 letters of a script.
func long(word string) string {
	return string([]rune(strings.Repeat(word, 120))[:120])
}

// scripts are names as people write them: one word without an end, and three scripts that no font here has.
var scripts = map[string]string{
	"Latin": long("Sauerteigvollkornroggenmischbrot"), "Greek": long("Σταρένιο ψωμί του Σαββάτου "),
	"Arabic": long("خبز القمح الكامل بالعسل "), "Chinese": long("全麦蜂蜜核桃面包早餐"),
}

// cut lists what a page shows only in part: text wider or higher than its box where the box hides it, boxes that
// reach beyond the page, and buttons that lie on one another.
const cut = `(() => {
	const out = [];
	const width = document.documentElement.clientWidth;
	if (document.documentElement.scrollWidth > width) out.push("the page is " + document.documentElement.scrollWidth + " wide");
	const says = (e) => squeeze(e.innerText || e.getAttribute("aria-label")).slice(0, 40);
	const scrolls = (e) => { for (let a = e.parentElement; a;
		a = a.parentElement) { const o = getComputedStyle(a).overflowX;
		if (o === "auto" || o === "scroll") return a !== document.documentElement && a.id !== "sheet"; } return false;
		};
	for (const e of document.querySelectorAll("main *, nav *")) {
		if (!seen(e) || e.closest(".sr-only") || e.matches(".sr-only, input, textarea, svg, svg *")) continue;
		const owns = [...e.childNodes].some(n => n.nodeType === 3 && n.textContent.trim());
		const style = getComputedStyle(e);
		const hides = style.overflowX !== "visible" && style.overflowX !== "auto" && style.overflowX !== "scroll";
		if (hides && e.scrollWidth > e.clientWidth + 1) out.push("cut: <" + e.tagName.toLowerCase() + "> " + says(e) + " " + e.scrollWidth + " in " + e.clientWidth);
		if (!owns) continue;
		const right = Math.max(...[...e.childNodes].filter(n => n.nodeType === 3 && n.textContent.trim()).map(n => {
			const r = document.createRange();
			r.selectNodeContents(n);
			return r.getBoundingClientRect().right;
		}));
		if (right > width + 1 && !scrolls(e)) out.push("beyond the page: " + says(e) + " to " + Math.round(right));
	}
	const pressed = "main button, main a[href], nav a[href], main label:has(> input)";
	const pressables = [...document.querySelectorAll(pressed)].filter(e => seen(e) && !e.closest("[inert]") && !e.closest("svg"));
	const window = (e) => { for (let a = e.parentElement; a; a = a.parentElement) if (["auto",
		"scroll"].includes(getComputedStyle(a).overflowY)) return a.getBoundingClientRect();
		return document.documentElement.getBoundingClientRect(); };
	const boxes = pressables.map(e => {
		const r = e.getBoundingClientRect();
		const sheet = window(e);
		return [e, e.closest("nav") ? r : { left: r.left, right: r.right, top: Math.max(r.top, sheet.top),
			bottom: Math.min(r.bottom, sheet.bottom) }];
	});
	for (let i = 0; i < boxes.length; i++) for (let k = i + 1; k < boxes.length; k++) {
		const [a, x] = boxes[i], [b, y] = boxes[k];
		if (a.contains(b) || b.contains(a)) continue;
		const fixed = (e) => { for (; e; e = e.parentElement) if (["fixed",
			"sticky"].includes(getComputedStyle(e).position)) return true; return false; };
		if (fixed(a) !== fixed(b)) continue;
		const w = Math.min(x.right, y.right) - Math.max(x.left, y.left), h = Math.min(x.bottom,
			y.bottom) - Math.max(x.top, y.top);
		if (w > 2 && h > 2) out.push("on one another: " + says(a) + " / " + says(b));
	}
	return [...new Set(out)];
})()`

// No name, however long and in whatever script, is cut or covers anything, on any screen at any width.
func TestLongNamesInFourScriptsAreWholeOnEveryScreen(t *testing.T) {
	s := serve(t)
	at := kitchenOf(t, s)
	shelf := get(t, at)
	machine := shelf["machines"].([]any)[0].(map[string]any)["id"].(string)
	read := get(t, at+"/machines/"+machine)
	n := 0 // changes of the day
	for script, name := range scripts {
		status, made := post(t, at+"/recipes", map[string]any{"name": name, "kind": "white", "size": "1 1/2 lb",
			"standard": "us", "note": name,
			"text": "1 cup water\n3 cups bread flour\n1 1/2 tsp salt\n2 tsp active dry yeast\n1/2 cup raisins, " +
				string([]rune(name)[:50])}, "recipe-"+script)
		if status != http.StatusCreated {
			t.Fatalf("%s: %d %v", script, status, made)
		}
		m := map[string]any{}
		for k, v := range read["machine"].(map[string]any) {
			m[k] = v
		}
		m["name"] = string([]rune(name)[:60])
		status, owned := post(t, at+"/machines", m, "machine-"+script)
		if status != http.StatusCreated {
			t.Fatalf("%s: %d %v", script, status, owned)
		}
		wish := map[string]any{"recipe": made["id"], "machine": owned["id"], "loaf": map[string]any{"size": "1 1/2 lb"}}
		_, bench := post(t, at+"/benches", wish, "bench-"+script)
		wish["time"] = map[string]any{"atPanel": true}
		_, plan := post(t, at+"/plan", wish, "p")
		status, bake := post(t, at+"/bakes", map[string]any{"wish": wish, "digest": plan["digest"]}, "bake-"+script)
		if status != http.StatusCreated {
			t.Fatalf("%s: %d %v", script, status, bake)
		}
		delete(wish, "time")
		date := dayAfterTomorrow(t)
		put(t, at+"/days/"+date.Format(time.DateOnly), map[string]any{"hands": 1,
			"loaves": []any{map[string]any{"id": "a", "when": "by", "by": date.Format(time.DateOnly) + "T12:00",
				"only": true, "wish": wish}}}, n)
		n++
		p := open(t, s.URL)
		for _, path := range []string{fmt.Sprintf("/?recipe=%v&machine=%v", made["id"], owned["id"]),
			fmt.Sprintf("/bench/%v", bench["id"]), fmt.Sprintf("/watch/%v", bake["id"]),
			fmt.Sprintf("/verdict/%v", bake["id"]), "/log", fmt.Sprintf("/log/%v", bake["id"]), "/recipes",
			fmt.Sprintf("/recipes/%v", made["id"]), "/machines", fmt.Sprintf("/machines/%v", owned["id"]), "/kitchen",
			"/day/" + date.Format(time.DateOnly)} {
			p.Go(s.URL + path)
			p.Until("the page "+path, "document.querySelector('h1') && !shows('One moment') && !shows('Loading "+
				"recipes')")
			p.Settled()
			widths := []int64{390, 1024}
			if script == "Latin" { // one word without an end: the hardest
				widths = []int64{390, 768, 1024, 1280, 1920}
			}
			for _, width := range widths {
				p.Resize(width, 844)
				found := drive.Value[[]string](p, cut)
				for n := 0; n < 5 && len(found) > 0; n++ { // what measures itself may not have done so yet
					p.Settled()
					found = drive.Value[[]string](p, cut)
				}
				for _, say := range found {
					t.Errorf("%s at %d, %s: %s", script, width, strings.SplitN(path[1:], "?", 2)[0], say)
				}
			}
		}
	}
}
