package e2e

import (
	"context"
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"risepan/e2e/drive"
)

const stepNow = "document.querySelector('[data-step]')?.dataset.step"

// on waits until the bench has left a step, and returns the next one.
func on(p *drive.Page, from string) string {
	p.Until("the step after "+from, fmt.Sprintf("%s && %s !== %q", stepNow, stepNow, from))
	return drive.Value[string](p, stepNow)
}

// toBench goes from the plan to the bench's first step.
func toBench(p *drive.Page) {
	p.Click("To the bench")
	p.Until("the first step", stepNow+" === 'tools'")
}

// nextTo presses Next until a step comes.
func nextTo(p *drive.Page, step string) {
	for now := drive.Value[string](p, stepNow); now != step; {
		p.Click("Next")
		now = on(p, now)
	}
}

// A step that is done does not come back for a moment when the server has heard of it: a quick press would fall on it.
func TestAStepThatIsDoneDoesNotComeBack(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	toBench(p)
	drive.Value[bool](p, `(() => {
		window.steps = [];
		const note = () => { const now = document.querySelector("[data-step]")?.dataset.step;
			if (now && window.steps.at(-1) !== now) window.steps.push(now); };
		new MutationObserver(note).observe(document.body, { childList: true, subtree: true, attributes: true });
		note();
		return true;
	})()`)
	nextTo(p, "panel")
	p.Until("all is told", "!Object.keys(localStorage).some((k) => k.startsWith('outbox '))")
	steps := drive.Value[[]string](p, "window.steps")
	seen := map[string]bool{}
	for _, step := range steps {
		if seen[step] {
			t.Fatalf("%s comes back: %v", step, steps)
		}
		seen[step] = true
	}
}

// The whole loaf with the keyboard alone: from the plan to the running bake.
func TestAWholeBenchByKeyboard(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	drive.Value[bool](p, "([...document.querySelectorAll('button')].find(b => b.innerText === 'To the "+
		"bench').focus(), true)")
	p.Keys(kb.Enter)
	p.Until("the first step", stepNow+" === 'tools'")
	axe(t, p, "Bench, tools")
	drive.Value[bool](p, "(document.activeElement.blur(), true)")
	seen := []string{}
	for step := "tools"; step != "start"; {
		seen = append(seen, step)
		if step == "measure l6" {
			axe(t, p, "Bench, a measure")
			p.Keys(kb.ArrowLeft) // and back again
			back := on(p, step)
			if !drive.Value[bool](p, "[...document.querySelectorAll('[data-step]')].length === 1") || back == step {
				t.Errorf("back from %s is %s", step, back)
			}
			p.Sees("Done")
			p.Keys(kb.ArrowRight)
			p.Until("the same step again", stepNow+" === 'measure l6'")
		}
		p.Keys(" ")
		step = on(p, step)
	}
	if got := strings.Join(seen, " "); !strings.Contains(got, "measure l1 measure l2 measure l3") || len(seen) < 15 {
		t.Errorf("the steps were %s", got)
	}
	p.Sees("I have pressed Start")
	p.Keys(" ")
	p.Until("the countdown", "document.querySelector('[data-countdown]')")
}

// By taps on a phone: the amounts read from two metres; half-way the phone is put down and taken up.
func TestABenchByTapsOnAPhone(t *testing.T) {
	s := serve(t)
	p := tab(t, s.URL, 390, 844)
	p.Sees("Measure, in this order")
	toBench(p)
	for step := "tools"; step != "measure l6"; {
		if strings.HasPrefix(step, "measure") {
			if tall := drive.Value[float64](p, "Math.min(...[...document.querySelectorAll('[data-big] "+
				".figures')].map(e => parseFloat(getComputedStyle(e).fontSize)))"); tall < 64 {
				t.Errorf("%s: the amount is %.0f px high", step, tall)
			}
			if wide := drive.Value[float64](p, "document.documentElement.scrollWidth"); wide > 390 {
				t.Errorf("%s is %.0f px wide on a phone of 390", step, wide)
			}
		}
		p.Click("Next")
		step = on(p, step)
	}
	axe(t, p, "Bench on a phone")
	for _, e := range drive.Value[[]string](p, "[...document.querySelectorAll('footer button')].filter(b => "+
		"b.getBoundingClientRect().height < 56).map(b => b.innerText)") {
		t.Errorf("%q is too low for a floury thumb", e)
	}
	p.Reload()
	p.Until("the same step after a reload", stepNow+" === 'measure l6'")
	p.Go(s.URL + "/bench")
	p.Click("Continue measuring")
	p.Until("the same step", stepNow+" === 'measure l6'")
	p.Click("Stop measuring")
	p.Sees("The bench is cleared")
	p.Until("nothing to go back to", "!shows('half measured')")
	axe(t, p, "An empty bench")
	p.Click("Restore")
	p.Until("the same step, brought back", stepNow+" === 'measure l6'")
}

// A slip: a quarter of a cup too much water, with the butter in already.
func TestASlipIsEnteredAndSolved(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	toBench(p)
	nextTo(p, "measure l3")
	p.Click("Back")
	p.Click("Back")
	p.Until("the water", stepNow+" === 'measure l1'")
	p.Click("Too much?")
	axe(t, p, "A slip")
	p.Type("All of it, as you measured", "a lot")
	p.Click("What can I do?")
	p.Sees("column 1")
	if v := drive.Value[string](p, "field('All of it, as you measured').value"); v != "a lot" {
		t.Errorf("what was typed is lost: %q", v)
	}
	p.Type("All of it, as you measured", "1 1/4 cups")
	p.Click("What can I do?")
	p.Sees("Fit the rest to it")
	axe(t, p, "The ways out of a slip")
	p.Click("Let the loaf grow to it")
	p.Sees("The loaf has grown to what went in")
	p.Until("the butter topped up", stepNow+" === 'top up l2'")
	p.Sees("27 g in all")
	p.Click("Undo")
	p.Until("the loaf as it was", "!shows('The loaf has grown')")
	nextTo(p, "measure l6")
	p.Sees("375 g")
}

// Everything is in, and the yeast was a tablespoon: it lies dry on the flour and comes off again; left there,
// it would be asked about; or the pan is emptied, and what was got ready stays ready.
func TestASlipAtTheEndHasARealWayOut(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	toBench(p)
	nextTo(p, "recall")
	p.Click("not so: another amount of active dry yeast went in")
	p.Type("All of it, as you measured", "2 tbsp")
	p.Click("What can I do?")
	p.Sees("Lift about")
	p.Sees("Fix the warning first. Yeast is")
	p.Click("It lies dry")
	p.Until("nothing to answer any more", "!document.querySelector('[data-out]')")
	p.Until("the list again", stepNow+" === 'recall'")
	p.Click("not so: another amount of table salt went in")
	p.Type("All of it, as you measured", "2 tsp")
	p.Click("What can I do?")
	p.Sees("Salt 3.2 in place of 2.4 per 100 of flour")
	p.Click("Leave as it is")
	p.Sees("The rest is measured around what went in")
	p.Click("Undo")
	p.Until("the salt as planned", "!shows('The rest is measured around')")
	p.Click("not so: another amount of table salt went in")
	p.Type("All of it, as you measured", "1 tbsp")
	p.Click("What can I do?")
	p.Click("Empty the pan")
	p.Until("the measuring begins again", stepNow+" === 'measure l1'")
}

// A step done on one device shows as done on the other.
func TestTwoDevicesAtOneBench(t *testing.T) {
	s := serve(t)
	tablet := open(t, s.URL)
	tablet.Sees("In the pan")
	toBench(tablet)
	phone := device(t, drive.Value[string](tablet, "location.href"), 390, 844)
	phone.Until("the same step", stepNow+" === 'tools'")
	tablet.Click("Next")
	next := on(tablet, "tools")
	phone.Until("the phone in step", fmt.Sprintf("%s === %q", stepNow, next))
	phone.Click("Next")
	further := on(phone, next)
	tablet.Until("the tablet in step", fmt.Sprintf("%s === %q", stepNow, further))
}

// Bloomed yeast waits, and other steps go on meanwhile; another order is kept for good.
func TestBloomedYeastWaitsWhileOtherStepsGoOn(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	p.Click("wet first")
	p.Click("Yeast bloomed in the liquid")
	p.Until("the yeast in the liquid", "document.querySelector('#pan').innerText.includes('yeast bloomed')")
	axe(t, p, "Loading")
	p.Click("Always use this order")
	p.Until("kept for good", "!location.search.includes('order=') && shows('As this kitchen likes it')")
	p.Click("Back to the panel")
	p.Click("Ready by")
	p.Sees("No delay with bloomed yeast")
	p.Click("Start now")
	p.Until("no delay", "!shows('No delay with')")
	toBench(p)
	nextTo(p, "bloom")
	p.Click("Next")
	p.Until("the wait runs", "/^[78]/.test(document.querySelector('[data-wait] .figures')?.innerText)")
	p.Until("the butter is cut meanwhile", stepNow+" === 'cut l2'")
	p.Click("Next")
	p.Until("the froth is waited for", stepNow+" === 'froth'")
	axe(t, p, "A bloom")
	p.Keys(" ")
	p.Sees("No froth after 10 minutes")
	if step := drive.Value[string](p, stepNow); step != "froth" {
		t.Errorf("a key leads past the froth, to %s", step)
	}
	p.Click("It froths")
	p.Until("the wait over", "!document.querySelector('[data-wait]') && "+stepNow+" === 'measure l2'")
	p.Click("Back") // it did not froth after all
	p.Click("Not done after all")
	p.Click("No froth")
	p.Until("the pan is emptied", stepNow+" === 'tools' || "+stepNow+" === 'measure l1'")
}

// The server is killed under the baker's hands: what is pressed meanwhile is kept, and told once it is back.
func TestTheBenchOutlivesAKilledServer(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	toBench(p)
	p.Click("Next")
	at := on(p, "tools")
	s.Kill()
	p.Click("Next")
	next := on(p, at)
	p.Sees("to be written down")
	if err := s.Start(context.Background()); err != nil {
		t.Fatal(err)
	}
	p.Until("the server to have heard", `(() => {
		const ask = new XMLHttpRequest();
		ask.open("GET", location.pathname.replace("/bench/", "/api/v1/kitchens/" + localStorage.getItem("kitchen") + "/benches/"), false);
		ask.send();
		return JSON.parse(ask.responseText).session.done.length === 2;
	})()`)
	p.Reload()
	p.Until("the same step", fmt.Sprintf("%s === %q", stepNow, next))
	if count := p.Text("[data-count]"); !strings.HasPrefix(count, "2 of") {
		t.Errorf("after the server was killed, %s steps are done", count)
	}
}
