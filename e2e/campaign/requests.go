package main

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math/rand/v2"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"sync"
	"time"

	"risepan/e2e/drive"
)

// What no request may take: processor time, but for kinds of calls that docs/limits.md names with their own bound.
const (
	mostProcessor = 250 * time.Millisecond
	mostAnswer    = 20 * time.Second
)

// costly are the calls that docs/limits.md lists by their kinds.
var costly map[string]bool

// requests sends n requests to a server, made from its own OpenAPI document: every operation, with values that are
// good, wrong, hostile and as large as may be. It counts answers of 500, words that are no baker's, the processor time
// of each, and how the memory is before and after; and then, while several come at once, how long another household
// waits for its plan.
func requests(temp string, n int, random *rand.Rand) error {
	program, err := drive.Build(temp)
	if err != nil {
		return err
	}
	s, err := drive.Serve(context.Background(), program, filepath.Join(temp, "data"))
	if err != nil {
		return err
	}
	defer s.Stop()
	f, err := newFuzzer(s, random)
	if err != nil {
		return err
	}
	if costly, err = costlyCalls(); err != nil {
		return err
	}
	for range 300 { // warm
		f.send(f.next())
	}
	f.found = findings{}
	before, began := resident(s.PID()), time.Now()
	alone := n * 4 / 5
	for k := range alone {
		r := f.next()
		spent, ok := f.spent(r)
		if !ok {
			return fmt.Errorf("after %d requests: %s %s %s", k, r, s.Said()[max(0, len(s.Said())-2000):], errDown)
		}
		if spent > mostProcessor && !costly[r.operation] {
			f.found.add("slow", fmt.Sprintf("%s took %d ms of processor", r, spent.Milliseconds()))
		}
		f.most[r.operation] = max(f.most[r.operation], spent)
	}
	took := time.Since(began)
	waits, err := f.crowded(n - alone)
	if err != nil {
		return err
	}
	time.Sleep(5 * time.Second)
	after := settled(s.PID())
	fmt.Printf("%d requests of %d operations in %.0f s: %s; resident %d MB before, %d after, %d at the most\n", n,
		len(f.operations), took.Seconds(), f.found.sum(), before>>20, after>>20, peak(s.PID())>>20)
	fmt.Println("answered:", f.answers)
	fmt.Printf("another household's plan while four at once send %d: p50 %d, p99 %d, most %d ms of %d\n", n-alone,
		at(waits, 0.5), at(waits, 0.99), at(waits, 1), len(waits))
	f.dearest()
	for kind, all := range f.found {
		for _, one := range all[:min(len(all), 12)] {
			fmt.Printf("  %s: %s\n", kind, one)
		}
	}
	return nil
}

var errDown = errors.New("the server is gone")

// findings are what was found, by its kind.
type findings map[string][]string

func (f findings) add(kind, what string) { f[kind] = append(f[kind], what) }

func (f findings) sum() string {
	var out []string
	for _, kind := range []string{"500", "slow", "late", "words"} {
		out = append(out, fmt.Sprintf("%d %s", len(f[kind]), kind))
	}
	return strings.Join(out, ", ")
}

// at is the value below which a share of some waits lies, ms.
func at(waits []time.Duration, share float64) int64 {
	if len(waits) == 0 {
		return 0
	}
	slices.Sort(waits)
	return waits[min(int(share*float64(len(waits))), len(waits)-1)].Milliseconds()
}

// costlyCalls are the operations of the kinds in docs/limits.md that have a gate, as "POST ~/plan".
func costlyCalls() (map[string]bool, error) {
	page, err := os.ReadFile(filepath.Join(drive.Root(), "docs/limits.md"))
	if err != nil {
		return nil, err
	}
	_, list, _ := strings.Cut(string(page), "## The calls of each kind")
	out := map[string]bool{}
	for n, part := range strings.Split(list, "`") {
		if n%2 == 1 {
			method, path, _ := strings.Cut(part, " ")
			out[method+" "+strings.NewReplacer(":id", "{id}", ":date", "{date}", ":token", "{token}").Replace(path)] = true
		}
	}
	out["GET /bakes"] = true // where something is looked for
	if len(out) < 10 {
		return nil, errors.New("docs/limits.md lists no calls")
	}
	return out, nil
}

// request is one that is sent.
type request struct {
	operation    string // method and path as the limits name it
	method, path string
	header       map[string]string
	body         []byte
}

func (r request) String() string {
	body := string(r.body)
	return fmt.Sprintf("%s %.200s %.300q", r.method, r.path, body)
}

// operation is one of the document.
type operation struct {
	method, path string
	query        []string
	example      any
	media        string
}

// fuzzer makes requests and sends them.
type fuzzer struct {
	s          *drive.Server
	random     *rand.Rand
	operations []operation
	pool       map[string][]string // ids by topic
	owner      *writer             // whose kitchen it is
	other      *writer             // another household
	wish       map[string]any      // a good one of the other's
	mu         sync.Mutex
	found      findings
	most       map[string]time.Duration
	answers    map[int]int // by status
	client     http.Client
	addresses  int
}

func newFuzzer(s *drive.Server, random *rand.Rand) (*fuzzer, error) {
	f := &fuzzer{s: s, random: random, pool: map[string][]string{}, found: findings{}, most: map[string]time.Duration{},
		answers: map[int]int{}}
	f.client = http.Client{Timeout: 40 * time.Second, Transport: &http.Transport{MaxIdleConnsPerHost: 8}}
	if err := f.settle(); err != nil {
		return nil, err
	}
	f.other = &writer{n: 1, servers: []string{s.URL}}
	if err := f.other.found("Mill Cottage"); err != nil {
		return nil, err
	}
	var shelf struct{ Machines, Recipes []struct{ ID string } }
	if err := f.other.ask("GET", "", nil, "", &shelf); err != nil {
		return nil, err
	}
	f.wish = map[string]any{"recipe": shelf.Recipes[0].ID, "machine": shelf.Machines[0].ID,
		"loaf": map[string]any{"size": "1 lb"}}
	return f, f.learn()
}

// settle makes a kitchen to send to, in the place of one that was closed or replaced.
func (f *fuzzer) settle() error {
	f.addresses++
	from := &net.TCPAddr{IP: net.IPv4(127, 0, byte(1+f.addresses/250), byte(1+f.addresses%250))}
	f.owner = &writer{n: 0, servers: []string{f.s.URL}, from: from}
	if err := f.owner.found(fmt.Sprintf("Wharf House %d", f.addresses)); err != nil {
		return err
	}
	f.pool = map[string][]string{}
	return f.fill()
}

// fill learns the ids of what is in the kitchen.
func (f *fuzzer) fill() error {
	var shelf struct{ Machines, Recipes []struct{ ID string } }
	if err := f.owner.ask("GET", "", nil, "", &shelf); err != nil {
		return err
	}
	for _, r := range shelf.Recipes {
		f.know("recipes", r.ID)
	}
	for _, m := range shelf.Machines {
		f.know("machines", m.ID)
	}
	return nil
}

func (f *fuzzer) know(topic, id string) {
	f.mu.Lock()
	defer f.mu.Unlock()
	if f.pool[topic] = append(f.pool[topic], id); len(f.pool[topic]) > 60 {
		f.pool[topic] = f.pool[topic][1:]
	}
}

// learn reads the server's document.
func (f *fuzzer) learn() error {
	answer, err := http.Get(f.s.URL + "/api/v1/openapi.json")
	if err != nil {
		return err
	}
	defer answer.Body.Close()
	var doc struct {
		Paths map[string]map[string]struct {
			Parameters []struct {
				Name, In string
			}
			RequestBody struct {
				Content map[string]struct{ Example any }
			}
		}
	}
	if err := json.NewDecoder(answer.Body).Decode(&doc); err != nil {
		return err
	}
	for path, methods := range doc.Paths {
		for method, is := range methods {
			o := operation{method: strings.ToUpper(method), path: path}
			for _, p := range is.Parameters {
				if p.In == "query" {
					o.query = append(o.query, p.Name)
				}
			}
			for media, content := range is.RequestBody.Content {
				o.media, o.example = media, content.Example
			}
			f.operations = append(f.operations, o)
		}
	}
	slices.SortFunc(f.operations, func(a, b operation) int {
		return strings.Compare(a.path+a.method, b.path+b.method)
	})
	if len(f.operations) < 100 {
		return fmt.Errorf("the document has %d operations", len(f.operations))
	}
	return nil
}

// send sends a request and notes what is wrong with its answer; ok is false where the server is gone.
func (f *fuzzer) send(r request) (ok bool) {
	began := time.Now()
	q, err := http.NewRequest(r.method, f.s.URL+r.path, bytes.NewReader(r.body))
	if err != nil {
		return true // what no client can send
	}
	for name, v := range r.header {
		q.Header.Set(name, v)
	}
	q.Header.Set("Cookie", f.owner.cookie)
	answer, err := f.client.Do(q)
	if err != nil {
		var reset *net.OpError
		return !errors.As(err, &reset) || reset.Op != "dial"
	}
	defer answer.Body.Close()
	said, _ := io.ReadAll(io.LimitReader(answer.Body, 4<<20))
	f.mu.Lock()
	f.answers[answer.StatusCode]++
	if took := time.Since(began); took > mostAnswer {
		f.found.add("late", fmt.Sprintf("%s after %.1f s", r, took.Seconds()))
	}
	if answer.StatusCode == 500 {
		f.found.add("500", fmt.Sprintf("%s: %.300s", r, said))
	}
	if answer.StatusCode >= 400 {
		for _, word := range []string{"unmarshal", "float64", "goroutine", "jsontext", "2006-01", "strconv", "%!"} {
			if strings.Contains(string(said), word) && !strings.Contains(string(r.body)+r.path, word) {
				f.found.add("words", fmt.Sprintf("%s: %.200s", r, said))
			}
		}
	}
	f.mu.Unlock()
	var made struct{ ID string }
	if answer.StatusCode == 201 && json.Unmarshal(said, &made) == nil && len(made.ID) == 36 {
		topic, _, _ := strings.Cut(strings.TrimPrefix(r.operation[strings.Index(r.operation, " ")+1:], "/"), "/")
		f.know(topic, made.ID)
	}
	return true
}

// spent sends a request while nobody else does, and is how much of a processor the server took for it.
func (f *fuzzer) spent(r request) (time.Duration, bool) {
	before := processor(f.s.PID())
	ok := f.send(r)
	out := processor(f.s.PID()) - before
	if f.closed(r) {
		if err := f.settle(); err != nil {
			return out, false
		}
	}
	return out, ok
}

// ending are the operations after which the kitchen may be closed to who sends.
var ending = []string{"/session", "/household", "/restore", "/reset", "/swap", "/calendar"}

func (f *fuzzer) closed(r request) bool {
	if !f.closedBy(r) {
		return false
	}
	q, _ := http.NewRequest("GET", f.s.URL+f.owner.kitchen, nil)
	q.Header.Set("Cookie", f.owner.cookie)
	answer, err := f.client.Do(q)
	if err != nil {
		return true
	}
	answer.Body.Close()
	return answer.StatusCode != 200
}

// crowded sends n requests, four at a time, and is how long another household waits meanwhile for each of its plans.
func (f *fuzzer) crowded(n int) ([]time.Duration, error) {
	var all sync.WaitGroup
	next := make(chan request)
	for range 4 {
		all.Go(func() {
			for r := range next {
				f.send(r)
			}
		})
	}
	var waits []time.Duration
	var fault error
	stop, ended := make(chan struct{}), make(chan struct{})
	go func() {
		defer close(ended)
		for {
			select {
			case <-stop:
				return
			case <-time.After(20 * time.Millisecond):
			}
			began := time.Now()
			if fault = f.other.ask("POST", "/plan", f.wish, "", nil); fault != nil {
				return
			}
			waits = append(waits, time.Since(began))
		}
	}()
	for range n {
		r := f.next()
		if f.closedBy(r) {
			continue
		}
		next <- r
	}
	close(next)
	all.Wait()
	close(stop)
	<-ended
	return waits, fault
}

// closedBy reports whether a request may close the kitchen; several at a time would then all go to a closed one.
func (f *fuzzer) closedBy(r request) bool {
	return slices.ContainsFunc(ending, func(e string) bool { return strings.Contains(r.operation, e) })
}

// dearest prints the operations that took most of a processor.
func (f *fuzzer) dearest() {
	names := make([]string, 0, len(f.most))
	for name := range f.most {
		names = append(names, name)
	}
	slices.SortFunc(names, func(a, b string) int { return int(f.most[b] - f.most[a]) })
	var out []string
	for _, name := range names[:min(len(names), 8)] {
		out = append(out, fmt.Sprintf("%s %d", name, f.most[name].Milliseconds()))
	}
	fmt.Println("most of a processor, ms:", strings.Join(out, ", "))
}

// processor is how much of a processor's time a process has taken.
func processor(pid int) (all time.Duration) {
	tasks, _ := filepath.Glob(fmt.Sprintf("/proc/%d/task/*/schedstat", pid))
	for _, task := range tasks {
		b, _ := os.ReadFile(task)
		first, _, _ := strings.Cut(string(b), " ")
		ns, _ := strconv.ParseInt(first, 10, 64)
		all += time.Duration(ns)
	}
	return all
}

func status(pid int, field string) (bytes int64) {
	b, _ := os.ReadFile(fmt.Sprintf("/proc/%d/status", pid))
	for line := range strings.Lines(string(b)) {
		if rest, ok := strings.CutPrefix(line, field+":"); ok {
			kb, _ := strconv.ParseInt(strings.Fields(rest)[0], 10, 64)
			return kb << 10
		}
	}
	return 0
}

func resident(pid int) int64 { return status(pid, "VmRSS") }
func peak(pid int) int64     { return status(pid, "VmHWM") }

// settled is the least memory that a process comes back to within three minutes, in which the runtime collects at
// least once.
func settled(pid int) int64 {
	least := resident(pid)
	for range 18 {
		time.Sleep(10 * time.Second)
		least = min(least, resident(pid))
	}
	return least
}
