package main

import (
	"context"
	"fmt"
	"path/filepath"
	"slices"
	"time"

	"risepan/e2e/drive"
)

// presses is how often a size is pressed.
const presses = 60

// eye prints what a first sight of Plan carries over the wire, how long a press on a size takes until the changed
// figures are painted, and how long the first sight of a screen takes on a phone far away.
func eye(ctx context.Context, temp string) error {
	program, err := drive.Build(temp)
	if err != nil {
		return err
	}
	s, err := drive.Serve(ctx, program, filepath.Join(temp, "eye"))
	if err != nil {
		return err
	}
	defer s.Stop()
	browser, cancel, err := drive.Browser(ctx)
	if err != nil {
		return err
	}
	defer cancel()
	p := drive.Open(browser, fatal{}, s.URL, 1280, 800)
	defer p.Close()
	p.Until("the amounts", "document.querySelector('[data-amount]')")
	type load struct{ Script, Style, Font, Data, All float64 }
	l := drive.Value[load](p, firstLoad)
	fmt.Printf("first load of Plan over the wire: %.1f kB (script %.1f, style %.1f, fonts %.1f, the page and data "+
		"%.1f); at most 180, script 130\n",
		l.All, l.Script, l.Style, l.Font, l.Data)

	fmt.Printf("%-44s %10s %10s\n", "press on a size to the changed figures", "p50", "p95")
	for _, times := range []float64{1, 4} {
		p.Slow(times)
		took := drive.Value[[]float64](p, fmt.Sprintf(pressSizes, presses))
		slices.Sort(took)
		fmt.Printf("%-44s %7.0f ms %7.0f ms\n", fmt.Sprintf("processor %.0f times slower, %d presses", times,
			len(took)), took[len(took)/2], took[len(took)*95/100])
	}
	farSights(browser, s)
	return nil
}

// farSights opens screens on phones that nothing is known to, and prints how long it took until what they are about was
// there.
func farSights(browser context.Context, s *drive.Server) {
	const away, rate, times = 150 * time.Millisecond, 200_000, 4
	fmt.Printf("first sight on a phone, server %v away, %d kB a second, processor %d times slower:\n", away, rate/1000,
		times)
	for _, look := range []struct{ path, sees string }{{"/", "[data-amount]"}, {"/log", "h1"},
		{"/recipes", "main li"}} {
		var took []time.Duration
		for range 9 {
			phone, forget := drive.Device(browser, fatal{})
			p := drive.Open(phone, fatal{}, s.URL+"/icon.svg", 412, 823)
			p.Slow(times)
			p.Far(away, rate)
			began := time.Now()
			p.Go(s.URL + look.path)
			p.Until(look.sees, "document.querySelector('"+look.sees+"')")
			took = append(took, time.Since(began))
			p.Close()
			forget()
		}
		slices.Sort(took)
		fmt.Printf("  %-10s median %4d ms\n", look.path, took[len(took)/2].Milliseconds())
	}
}

// firstLoad adds up what was asked for until the largest part of the page was painted.
const firstLoad = `new Promise(done => new PerformanceObserver(list => {
	const painted = list.getEntries().at(-1).startTime;
	const kB = { Script: 0, Style: 0, Font: 0, Data: 0, All: 0 };
	for (const e of [...performance.getEntriesByType("navigation"), ...performance.getEntriesByType("resource")]) {
		if (e.startTime > painted) continue;
		const kind = /\.js$/.test(e.name) ? "Script" : /\.css$/.test(e.name) ? "Style" : /\.woff2$/.test(e.name) ? "Font" : "Data";
		kB[kind] += e.transferSize / 1000;
		kB.All += e.transferSize / 1000;
	}
	done(kB);
}).observe({ type: "largest-contentful-paint", buffered: true }))`

// pressSizes presses one size after another, each when the page has come to rest, and times each from the press
// to the frame after the one in which the figures have changed.
const pressSizes = `(async () => {
	const rest = (ms) => new Promise(done => setTimeout(done, ms));
	const figures = () => [...document.querySelectorAll("[data-amount]")].map(e => e.textContent).join("|");
	const took = [];
	for (let n = 0; n < %d; n++) {
		await rest(700);
		const sizes = [...document.querySelectorAll("[role=radiogroup][aria-label='Loaf size'] input")];
		const next = sizes.filter(e => !e.checked && !e.disabled)[n %% 2];
		const before = figures();
		const from = performance.now();
		next.dispatchEvent(new PointerEvent("pointerdown", { bubbles: true }));
		next.click();
		while (figures() === before) await new Promise(requestAnimationFrame);
		await new Promise(done => requestAnimationFrame(() => { const c = new MessageChannel();
			c.port1.onmessage = done; c.port2.postMessage(0); }));
		took.push(performance.now() - from);
	}
	return took;
})()`
