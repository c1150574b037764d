package ui_test

import (
	"slices"
	"strings"
	"testing"

	"risepan/api"
	"risepan/e2e/drive"
)

// Whatever the pages ask by client/api is a call that the server has, by its method and path.
func TestThePagesAskWhatTheServerAnswers(t *testing.T) {
	t.Parallel()
	p := tab(t, device(t), serve(t).URL)
	asked := drive.Value[[][]string](p, `(async () => {
		const not = ["call", "isShut", "Trouble", "savePlan"], out = [];
		AbortSignal.any = () => undefined;
		m.kitchen.setKitchen("k");
		for (const [name, f] of Object.entries(m.api)) {
			if (typeof f !== "function" || not.includes(name)) continue;
			window.fetch = (url, how) => { out.push([name, how?.method ?? "GET", String(url)]); throw new Error("asked"); };
			const first = { putAway: "/recipes/x", pairDevice: "devices", endIn: "gone" }[name] ?? "x";
			const gave = await Promise.resolve().then(() => f(first, "x", "x")).catch(() => undefined);
			if (typeof gave === "string") out.push([name, "GET", gave]);
			if (out.at(-1)?.[0] !== name) out.push([name, "asks nothing", ""]);
		}
		return out;
	})()`)
	if len(asked) < 50 {
		t.Fatalf("only %d calls were found: %v", len(asked), asked)
	}
	for _, a := range asked {
		if !answered(a[1], a[2]) {
			t.Errorf("%s asks %s %s, which the server does not answer", a[0], a[1], a[2])
		}
	}
}

// answered reports whether the server has a call of that method at that address.
func answered(method, address string) bool {
	path, _, _ := strings.Cut(address, "?")
	is := strings.Split(path, "/")
	return slices.ContainsFunc(api.DocumentedRoutes(), func(key string) bool {
		by, known, _ := strings.Cut(key, " ")
		want := strings.Split(known, "/")
		if by != method || len(is) != len(want) {
			return false
		}
		for n, part := range want {
			if part != is[n] && !(strings.HasPrefix(part, ":") && is[n] != "") {
				return false
			}
		}
		return true
	})
}
