package main

import (
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/png"
	"maps"
	"net/url"
	"slices"
	"strings"
)

// texts are values that a text may have: usual, odd, hostile, and as long as may be.
func (f *fuzzer) text() string {
	texts := []string{"", " ", "white", "1 lb", "2 cups", "2026-03-11", "2026-03-11T07:00", "good", "x",
		"'; DROP TABLE recipes; --", "<script>alert(1)</script>", "\x00", "\u202e", "%00", "../../etc/passwd", "💥",
		"NaN", "-1", "1e999", "99999999999999999999", "{}", "null", "ﷺ"}
	switch f.random.IntN(12) {
	case 0:
		return strings.Repeat("a", f.random.IntN(6000))
	case 1:
		return strings.Repeat("1 cup flour\n", f.random.IntN(3000))
	case 2:
		return f.anyID()
	}
	return texts[f.random.IntN(len(texts))]
}

func (f *fuzzer) pick(topic string) string {
	f.mu.Lock()
	defer f.mu.Unlock()
	if ids := f.pool[topic]; len(ids) > 0 {
		return ids[f.random.IntN(len(ids))]
	}
	return "01a23263-a744-7185-8155-c15ae63f3c33"
}

func (f *fuzzer) anyID() string {
	f.mu.Lock()
	topics := slices.Sorted(maps.Keys(f.pool))
	f.mu.Unlock()
	if len(topics) == 0 {
		return "x"
	}
	return f.pick(topics[f.random.IntN(len(topics))])
}

// next makes a request.
func (f *fuzzer) next() request {
	o := f.operations[f.random.IntN(len(f.operations))]
	path := strings.Replace(o.path, "/api/v1/kitchens/{kitchen}", f.owner.kitchen, 1)
	short := strings.Replace(o.path, "/api/v1/kitchens/{kitchen}", "", 1)
	topic, _, _ := strings.Cut(strings.TrimPrefix(short, "/"), "/")
	id := f.pick(topic)
	switch f.random.IntN(12) {
	case 0:
		id = f.anyID()
	case 1:
		id = url.PathEscape(f.text())
	}
	date := []string{"2026-12-01", "2026-12-02", "2026-12-03", "2027-02-30", "x", "9999-12-31", "0001-01-01"}
	path = strings.NewReplacer("{id}", id, "{date}", date[f.random.IntN(len(date))], "{token}",
		url.PathEscape(f.text())).Replace(path)
	r := request{operation: o.method + " " + short, method: o.method, header: map[string]string{}}
	query := url.Values{}
	for _, name := range o.query {
		if f.random.IntN(2) == 0 {
			query.Set(name, f.text())
		}
	}
	if r.path = path; len(query) > 0 {
		r.path += "?" + query.Encode()
	}
	if f.random.IntN(10) > 0 {
		r.header["Idempotency-Key"] = fmt.Sprint("k", f.random.IntN(1_000_000))
	}
	if f.random.IntN(4) > 0 {
		r.header["If-Match"] = fmt.Sprintf("%q", fmt.Sprint(f.random.IntN(4)))
	}
	r.body = f.body(o)
	return r
}

// body is what an operation takes, or something else.
func (f *fuzzer) body(o operation) []byte {
	switch {
	case o.method == "GET":
		return nil
	case f.random.IntN(40) == 0:
		return []byte(strings.Repeat("[", f.random.IntN(100_000)))
	case o.media == "image/jpeg":
		return f.picture()
	case o.media == "text/plain":
		return f.file()
	case strings.HasSuffix(o.path, "/restore"):
		return []byte(`{"risePan":"kitchen","version":1,"tables":1,"things":{"kitchens":[{"id":"` + f.text() + `"}]}}`)
	}
	tree := f.copied(o.example)
	f.adopt(tree, "")
	for range f.random.IntN(4) {
		tree = f.spoil(tree)
	}
	b, err := json.Marshal(tree)
	if err != nil {
		return nil
	}
	return b
}

func (f *fuzzer) copied(v any) any {
	b, _ := json.Marshal(v)
	var out any
	_ = json.Unmarshal(b, &out)
	if out == nil {
		out = map[string]any{}
	}
	return out
}

// adopt puts ids of this kitchen in the place of those of an example.
func (f *fuzzer) adopt(v any, key string) any {
	switch v := v.(type) {
	case map[string]any:
		for k, member := range v {
			v[k] = f.adopt(member, k)
		}
	case []any:
		for n, member := range v {
			v[n] = f.adopt(member, key)
		}
	case string:
		topics := map[string]string{"recipe": "recipes", "machine": "machines", "bag": "bags", "bench": "benches",
			"bake": "bakes"}
		if topic, ok := topics[key]; ok && len(v) == 36 {
			return f.pick(topic)
		}
	}
	return v
}

// spoil changes one value somewhere in a tree.
func (f *fuzzer) spoil(v any) any {
	wild := []any{nil, true, 0, -1, 1.5, 1e300, f.text(), []any{}, map[string]any{}, []any{nil, []any{}},
		slices.Repeat([]any{f.text()}, 200)}
	switch in := v.(type) {
	case map[string]any:
		if len(in) == 0 || f.random.IntN(6) == 0 {
			in[[]string{"x", "loaf", "recipe", "size", "text"}[f.random.IntN(5)]] = wild[f.random.IntN(len(wild))]
			return in
		}
		keys := slices.Sorted(maps.Keys(in))
		k := keys[f.random.IntN(len(keys))]
		if f.random.IntN(8) == 0 {
			delete(in, k)
		} else {
			in[k] = f.spoil(in[k])
		}
		return in
	case []any:
		switch {
		case len(in) == 0 || f.random.IntN(6) == 0:
			return slices.Repeat(append(in, wild[f.random.IntN(len(wild))]), 1+f.random.IntN(40))
		default:
			n := f.random.IntN(len(in))
			in[n] = f.spoil(in[n])
			return in
		}
	}
	return wild[f.random.IntN(len(wild))]
}

// picture is a photo, or what claims to be one.
func (f *fuzzer) picture() []byte {
	sides := [][2]int{{40, 30}, {1, 20_000}, {3000, 2000}, {20_000, 20}}
	side := sides[f.random.IntN(len(sides))]
	var b bytes.Buffer
	_ = png.Encode(&b, image.NewGray(image.Rect(0, 0, side[0], side[1])))
	out := b.Bytes()
	if f.random.IntN(3) == 0 {
		out[f.random.IntN(len(out))] ^= byte(1 + f.random.IntN(255))
	}
	return out
}

// file is something to bring in, or what claims to be.
func (f *fuzzer) file() []byte {
	switch f.random.IntN(6) {
	case 0:
		rule := []string{"FREQ=SECONDLY", "FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30", "FREQ=DAILY;COUNT=9", f.text()}
		event := "BEGIN:VEVENT\r\nDTSTART:20200101T000000Z\r\nDURATION:PT1H\r\nRRULE:" + rule[f.random.IntN(4)] +
			"\r\nEND:VEVENT\r\n"
		return []byte("BEGIN:VCALENDAR\r\n" + strings.Repeat(event, 1+f.random.IntN(3000)) + "END:VCALENDAR\r\n")
	case 1:
		return []byte("started,recipe,machine,size\n" + strings.Repeat("2026-10-25 02:30,White,Galley,1 lb\n",
			f.random.IntN(2000)))
	case 2:
		return []byte("<html>" + strings.Repeat("<div>", f.random.IntN(20_000)) + f.text())
	case 3:
		return []byte(`<script type="application/ld+json">{"@type":"Recipe","recipeIngredient":` +
			strings.Repeat(`["1 cup flour"`, 1+f.random.IntN(500)) + `</script>`)
	}
	return []byte("White\n" + strings.Repeat("3 cups bread flour\n1 cup water\n", 1+f.random.IntN(400)) + f.text())
}
