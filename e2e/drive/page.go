package drive

import (
	"context"
	_ "embed"
	"encoding/json"
	"fmt"
	"maps"
	"os"
	"path/filepath"
	"runtime"
	"slices"
	"strings"
	"time"

	"github.com/chromedp/cdproto/accessibility"
	"github.com/chromedp/cdproto/cdp"
	"github.com/chromedp/cdproto/css"
	"github.com/chromedp/cdproto/dom"
	"github.com/chromedp/cdproto/emulation"
	"github.com/chromedp/cdproto/input"
	"github.com/chromedp/cdproto/network"
	"github.com/chromedp/cdproto/page"
	"github.com/chromedp/cdproto/target"
	"github.com/chromedp/chromedp"
)

// HouseName is a name by which browsers find this computer, as a name of the house: no page of it is a secure context.
const HouseName = "bread.home.arpa"

// needless is what a browser makes ready for a person at each new window: pages behind its address bar and processes in
// store, a third of a test's processor time.
var needless = []string{"WebUIOmniboxPopup", "WebUIOmniboxAimPopup", "WebUIOmniboxFullPopup", "PreloadTopChromeWebUI",
	"SpareRendererForSitePerProcess"}

// Browser starts headless Chromium. Its context ends with cancel. Tabs that are opened in it share what it keeps.
func Browser(parent context.Context) (ctx context.Context, cancel context.CancelFunc, err error) {
	options := []chromedp.ExecAllocatorOption{
		chromedp.ExecPath("chromium"), chromedp.Headless, chromedp.DisableGPU, chromedp.NoFirstRun,
		chromedp.NoDefaultBrowserCheck,
		chromedp.Flag("disable-background-networking", true), chromedp.Flag("disable-component-update", true),
		chromedp.Flag("disable-sync", true), chromedp.Flag("disable-quic", true), chromedp.Flag("hide-scrollbars",
			true),
		chromedp.Flag("disable-features", strings.Join(needless, ",")),
		chromedp.Flag("force-color-profile", "srgb"), chromedp.Flag("host-resolver-rules", "MAP "+HouseName+
			" 127.0.0.1"),
	}
	if os.Getuid() == 0 {
		options = append(options, chromedp.NoSandbox)
	}
	allocator, stop := chromedp.NewExecAllocator(parent, options...)
	ctx, end := chromedp.NewContext(allocator)
	cancel = func() { end(); stop() }
	// a context that has not run yet would start a browser for each of its tabs
	if err := chromedp.Do(ctx); err != nil {
		cancel()
		return nil, nil, fmt.Errorf("the browser: %w", err)
	}
	return ctx, cancel, nil
}

// Device is a profile of its own in a running browser: its tabs share what they keep with each other and with nobody
// else. It ends with forget.
func Device(browser context.Context, r Reporter) (device context.Context, forget func()) {
	r.Helper()
	running := chromedp.FromContext(browser).Browser
	made, err := cdp.Call(browser, running, target.CreateBrowserContext, target.CreateBrowserContextParams{})
	if err != nil {
		r.Fatalf("a device: %v", err)
	}
	device, cancel := chromedp.NewContext(browser, chromedp.WithExistingBrowserContext(made.BrowserContextID))
	return device, func() {
		cancel()
		_, err := cdp.Call(browser, running, target.DisposeBrowserContext,
			target.DisposeBrowserContextParams(made))
		if err != nil {
			r.Fatalf("forgetting a device: %v", err)
		}
	}
}

// Reporter takes a failure and does not return from it.
type Reporter interface {
	Helper()
	Fatalf(format string, args ...any)
}

// Page is one tab. Each step waits for its condition, never for a time, and fails with what was
// expected.
type Page struct {
	ctx    context.Context
	report Reporter
}

// patience is how long a condition may take on a busy machine.
const patience = 60 * time.Second

// Open opens a tab of the given size on an address, in a browser or on a device.
func Open(browser context.Context, r Reporter, url string, width, height int64) *Page {
	r.Helper()
	ctx, _ := chromedp.NewContext(browser)
	p := &Page{ctx, r}
	if err := chromedp.Do(ctx); err != nil { // the first call makes the tab, which lives as long as its context
		r.Fatalf("a new tab: %v", err)
	}
	p.Zone(clock)
	p.do("open "+url, chromedp.EmulateViewport(width, height), chromedp.Navigate(url))
	return p
}

// clock is the zone of the browser's clock in the tests: the demo kitchen's own.
const clock = "Europe/London"

// Zone moves the browser to another zone.
func (p *Page) Zone(name string) {
	p.report.Helper()
	if _, err := chromedp.Call(p.ctx, emulation.SetTimezoneOverride,
		emulation.SetTimezoneOverrideParams{TimezoneID: name}); err != nil {
		p.report.Fatalf("zone %s: %v", name, err)
	}
}

// Speaks sets the language that the browser says its person has.
func (p *Page) Speaks(language string) {
	p.report.Helper()
	if _, err := chromedp.Call(p.ctx, emulation.SetUserAgentOverride, emulation.SetUserAgentOverrideParams{
		UserAgent: Value[string](p, "navigator.userAgent"), AcceptLanguage: language}); err != nil {
		p.report.Fatalf("language %s: %v", language, err)
	}
}

// Dark sets the colour scheme that the page is asked to follow.
func (p *Page) Dark(on bool) {
	p.report.Helper()
	p.prefers("prefers-color-scheme", map[bool]string{true: "dark", false: "light"}[on])
}

// Still asks the page to move nothing.
func (p *Page) Still() {
	p.report.Helper()
	p.prefers("prefers-reduced-motion", "reduce")
}

// prefers sets one wish of the person in front of the page; others are as the browser has them.
func (p *Page) prefers(name, value string) {
	p.report.Helper()
	_, err := chromedp.Call(p.ctx, emulation.SetEmulatedMedia, emulation.SetEmulatedMediaParams{
		Features: []*emulation.MediaFeature{{Name: name, Value: value}},
	})
	if err != nil {
		p.report.Fatalf("%s: %v", name, err)
	}
}

// Resize gives the tab another size.
func (p *Page) Resize(width, height int64) {
	p.report.Helper()
	p.do("another size", chromedp.EmulateViewport(width, height))
	p.Settled()
}

// Slow makes the page's processor so many times slower.
func (p *Page) Slow(times float64) {
	p.report.Helper()
	if _, err := chromedp.Call(p.ctx, emulation.SetCPUThrottlingRate,
		emulation.SetCPUThrottlingRateParams{Rate: times}); err != nil {
		p.report.Fatalf("a slower processor: %v", err)
	}
}

// Far puts the page's server so far away, at so many bytes a second each way.
func (p *Page) Far(away time.Duration, rate float64) {
	p.report.Helper()
	line := []*network.Conditions{{Latency: float64(away.Milliseconds()), DownloadThroughput: rate,
		UploadThroughput: rate}}
	if _, err := chromedp.Call(p.ctx, network.EmulateNetworkConditionsByRule,
		network.EmulateNetworkConditionsByRuleParams{MatchedNetworkConditions: line}); err != nil {
		p.report.Fatalf("a slow line: %v", err)
	}
}

func (p *Page) do(what string, steps ...chromedp.Action[chromedp.Void]) {
	p.report.Helper()
	ctx, cancel := context.WithTimeout(p.ctx, 3*patience)
	defer cancel()
	if err := chromedp.Do(ctx, steps...); err != nil {
		p.report.Fatalf("%s: %v", what, err)
	}
}

//go:embed page.js
var helpers string

// eval runs an expression, with the page's helpers at hand, and decodes its value.
func eval[T any](p *Page, expression string) (T, error) {
	ctx, cancel := context.WithTimeout(p.ctx, 2*patience)
	defer cancel()
	return chromedp.Run(ctx, chromedp.Evaluate[T]("(() => {"+helpers+"; return "+expression+"})()",
		chromedp.EvalAwaitPromise))
}

// Value is the value of an expression in the page.
func Value[T any](p *Page, expression string) T {
	p.report.Helper()
	v, err := eval[T](p, expression)
	if err != nil {
		p.report.Fatalf("%s: %v", expression, err)
	}
	return v
}

// Until waits until an expression is true in the page.
func (p *Page) Until(what, expression string) {
	p.report.Helper()
	end := time.Now().Add(patience)
	var err error
	for time.Now().Before(end) {
		var ok bool
		ok, err = eval[bool](p, "until(() => "+expression+")")
		if err == nil && ok {
			return
		}
	}
	p.miss(what, err)
}

// miss fails with what was expected and what the page says instead.
func (p *Page) miss(what string, err error) {
	p.report.Helper()
	p.Picture(filepath.Join(os.TempDir(), "rise-pan-failed.png"))
	said := strings.Join(strings.Fields(p.Text("body")), " ")
	p.report.Fatalf("expected %s; the page says: %.1500s (%v)", what, said, err)
}

// place waits for what an expression finds, until it stays where it is, and gives its centre.
func (p *Page) place(what, expression string) []float64 {
	p.report.Helper()
	p.Until(what, expression)
	at := Value[[]float64](p, "still(() => "+expression+")")
	if at == nil {
		p.miss(what+", which was there and is gone", nil)
	}
	return at
}

// Sees waits until a text is shown anywhere on the page.
func (p *Page) Sees(text string) {
	p.report.Helper()
	p.Until(fmt.Sprintf("to read %q", text), "shows("+quote(text)+")")
}

// Text is the visible text of the first element that a selector finds.
func (p *Page) Text(selector string) string {
	v, _ := eval[string](p, "document.querySelector("+quote(selector)+")?.innerText ?? ''")
	return v
}

// Click clicks on the control of this name: a button, link, radio or option, by what it says. Where the page moved under
// the mouse, so that something else was pressed, it presses again, as a person would.
func (p *Page) Click(name string) {
	p.report.Helper()
	const tries = 3
	for range tries {
		at := p.place(fmt.Sprintf("something to press that says %q", name), "target("+quote(name)+")")
		Value[bool](p, "aim(target("+quote(name)+"))")
		p.do("click "+name, chromedp.MouseClickXY(at[0], at[1]))
		if hit, err := eval[bool](p, "window.aimed !== false"); hit || err != nil { // another page has no aim
			return
		}
	}
	p.report.Fatalf("%d presses on %q all missed it", tries, name)
}

// Hold presses the mouse's button on the control of this name and keeps it down, until what it returns is called.
func (p *Page) Hold(name string) (release func()) {
	p.report.Helper()
	at := p.place(fmt.Sprintf("something to press that says %q", name), "target("+quote(name)+")")
	mouse := func(does input.DispatchMouseEventType) {
		_, err := chromedp.Call(p.ctx, input.DispatchMouseEvent, input.DispatchMouseEventParams{
			Type: does, X: at[0], Y: at[1], Button: input.MouseButtonLeft, ClickCount: 1,
		})
		if err != nil {
			p.report.Fatalf("%s on %s: %v", does, name, err)
		}
	}
	mouse(input.DispatchMouseEventTypeMousePressed)
	return func() { mouse(input.DispatchMouseEventTypeMouseReleased) }
}

// Drag presses the mouse's button on what a selector finds, moves it by so many pixels and lets go.
func (p *Page) Drag(selector string, dx, dy float64) {
	p.report.Helper()
	at := p.place("something to drag at "+selector, "document.querySelector("+quote(selector)+")")
	const steps = 8
	for n := range steps + 2 {
		does, share := input.DispatchMouseEventTypeMouseMoved, float64(min(n, steps))/steps
		switch n {
		case 0:
			does = input.DispatchMouseEventTypeMousePressed
		case steps + 1:
			does = input.DispatchMouseEventTypeMouseReleased
		}
		_, err := chromedp.Call(p.ctx, input.DispatchMouseEvent, input.DispatchMouseEventParams{
			Type: does, X: at[0] + dx*share, Y: at[1] + dy*share, Button: input.MouseButtonLeft, Buttons: 1,
			ClickCount: 1,
		})
		if err != nil {
			p.report.Fatalf("%s at %s: %v", does, selector, err)
		}
	}
}

// Type clicks into the field of this label and types in the place of what is in it; "\r" presses Enter.
func (p *Page) Type(label, text string) {
	p.report.Helper()
	at := p.place(fmt.Sprintf("a field labelled %q", label), "field("+quote(label)+")")
	p.do("type into "+label, chromedp.MouseClickXY(at[0], at[1]))
	Value[bool](p, "(field("+quote(label)+").select(), true)")
	p.do("type into "+label, chromedp.KeyEvent(text))
}

// File gives a file to the field of this label, as if it were chosen from a folder.
func (p *Page) File(label string, files ...string) {
	p.report.Helper()
	p.Until(fmt.Sprintf("a field for a file labelled %q", label), "field("+quote(label)+")")
	Value[bool](p, "(field("+quote(label)+").dataset.file = 'here', true)")
	p.do("choose "+strings.Join(files, ", "), chromedp.SetUploadFiles(chromedp.CSS("[data-file=here]"), files))
}

// Keys presses keys one after another.
func (p *Page) Keys(keys string) {
	p.report.Helper()
	p.do("keys", chromedp.KeyEvent(keys))
}

// Go opens another address in the tab.
func (p *Page) Go(url string) {
	p.report.Helper()
	p.do("open "+url, chromedp.Navigate(url))
}

// Reload loads the page again.
func (p *Page) Reload() {
	p.report.Helper()
	p.do("reload", chromedp.Reload())
}

// Picture writes the viewport as a PNG.
func (p *Page) Picture(file string) {
	p.report.Helper()
	b, err := chromedp.Run(p.ctx, chromedp.CaptureScreenshot())
	if err == nil {
		err = os.WriteFile(file, b, 0o644)
	}
	if err != nil {
		p.report.Fatalf("picture %s: %v", file, err)
	}
}

// PDF prints the page on to paper as its own style sheet has it.
func (p *Page) PDF(file string) {
	p.report.Helper()
	by := true
	out, err := chromedp.Call(p.ctx, page.PrintToPDF, page.PrintToPDFParams{PreferCSSPageSize: &by})
	if err == nil {
		err = os.WriteFile(file, out.Data, 0o644)
	}
	if err != nil {
		p.report.Fatalf("print %s: %v", file, err)
	}
}

// Settled waits until what measures itself has been drawn by its measure, fonts are there, and no animation runs but a
// dough's, which shows what it is like.
func (p *Page) Settled() {
	p.report.Helper()
	Value[bool](p, "frame().then(frame).then(() => true)")
	p.Until("the page to settle", "document.fonts.status === 'loaded' && document.getAnimations().filter(a => "+
		"a.playState === 'running' && !a.effect.target.matches('.dough')).length === 0")
}

// Violations lists what axe-core finds on the page: by all rules of WCAG 2.2 A and AA and its best practices, or
// by those that are named.
func (p *Page) Violations(rules ...string) []string {
	p.report.Helper()
	if !Value[bool](p, "!!window.axe") {
		axe, err := os.ReadFile(filepath.Join(Root(), "ui/node_modules/axe-core/axe.min.js"))
		if err != nil {
			p.report.Fatalf("axe-core: %v", err)
		}
		if err := chromedp.Do(p.ctx, chromedp.Evaluate[chromedp.Void](string(axe))); err != nil {
			p.report.Fatalf("axe-core: %v", err)
		}
	}
	only := `["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"]`
	if len(rules) > 0 {
		named, _ := json.Marshal(rules)
		only = string(named)
	}
	return Value[[]string](p, `axe.run(document, {resultTypes: ["violations"], runOnly: `+only+`})
		.then(r => r.violations.map(v => v.id + ": " + v.help + ": " + v.nodes.map(n => n.html.slice(0,
			160) + " " + (n.failureSummary ?? "")).join(" | ")))`)
}

// Font is a font that the browser really drew letters with.
type Font struct {
	Name   string
	Custom bool // shipped by the page, not the computer's
	Glyphs float64
}

// PlatformFonts lists the fonts that the page's text is drawn with.
func (p *Page) PlatformFonts() []Font {
	p.report.Helper()
	fail := func(err error) {
		if err != nil {
			p.report.Fatalf("fonts: %v", err)
		}
	}
	_, err := chromedp.Call(p.ctx, dom.Enable, dom.EnableParams{})
	fail(err)
	_, err = chromedp.Call(p.ctx, css.Enable, cdp.Empty{})
	fail(err)
	doc, err := chromedp.Call(p.ctx, dom.GetDocument, dom.GetDocumentParams{})
	fail(err)
	all, err := chromedp.Call(p.ctx, dom.QuerySelectorAll, dom.QuerySelectorAllParams{NodeID: doc.Root.NodeID,
		Selector: "body, body *"})
	fail(err)
	seen := map[string]Font{}
	for _, id := range all.NodeIDs {
		r, err := chromedp.Call(p.ctx, css.GetPlatformFontsForNode, css.GetPlatformFontsForNodeParams{NodeID: id})
		if err != nil && strings.Contains(err.Error(), "Could not find node") {
			continue // it was there to be measured, and is gone
		}
		fail(err)
		for _, f := range r.Fonts {
			seen[f.FamilyName] = Font{f.FamilyName, f.IsCustomFont, seen[f.FamilyName].Glyphs + f.GlyphCount}
		}
	}
	return slices.Collect(maps.Values(seen))
}

// Close closes the tab.
func (p *Page) Close() { chromedp.Cancel(p.ctx) }

// Root is the project's folder.
func Root() string {
	_, file, _, _ := runtime.Caller(0)
	return filepath.Join(filepath.Dir(file), "..", "..")
}

func quote(s string) string {
	b, _ := json.Marshal(s)
	return string(b)
}

// Heard is what a screen reader has of the page, in its order: role and name of each thing, one a line.
func (p *Page) Heard() []string {
	p.report.Helper()
	tree, err := chromedp.Call(p.ctx, accessibility.GetFullAXTree, accessibility.GetFullAXTreeParams{})
	if err != nil {
		p.report.Fatalf("the accessibility tree: %v", err)
	}
	text := func(v *accessibility.Value) string {
		var s string
		if v != nil {
			json.Unmarshal(v.Value, &s)
		}
		return strings.Join(strings.Fields(s), " ")
	}
	nodes := map[accessibility.NodeID]*accessibility.Node{}
	for _, n := range tree.Nodes {
		nodes[n.NodeID] = n
	}
	var out []string
	var walk func(n *accessibility.Node)
	walk = func(n *accessibility.Node) {
		role, name := text(n.Role), text(n.Name)
		if !n.Ignored && role != "InlineTextBox" && role != "none" && (name != "" || role != "generic" &&
			role != "paragraph") {
			out = append(out, role+": "+name)
		}
		for _, id := range n.ChildIDs {
			if child := nodes[id]; child != nil {
				walk(child)
			}
		}
	}
	if len(tree.Nodes) > 0 {
		walk(tree.Nodes[0])
	}
	return out
}
