package api

import (
	"bytes"
	_ "embed"
	"fmt"
	"net/http"
	"reflect"
	"regexp"
	"slices"
	"strings"

	stdjson "encoding/json"

	"github.com/gin-gonic/gin"
)

// below is a route whose path begins with another.
func (r route) below(path string) route {
	method, rest, _ := strings.Cut(r.key, " ")
	r.key = method + " " + path + rest
	return r
}

// all are the routes, each with its whole path.
func all() []route {
	out := outside()
	for _, r := range inside() {
		out = append(out, r.below(kitchenPath))
	}
	return out
}

// Example is a call as a test made it.
type Example struct {
	Request  stdjson.RawMessage `json:"request,omitempty"`
	Response stdjson.RawMessage `json:"response,omitempty"`
}

//go:embed examples.json
var examples []byte

type object = map[string]any

var parameter = regexp.MustCompile(`:(\w+)`)

// OpenAPI is the document of the API: its calls, their shapes, and an example of each taken from a test.
func OpenAPI() []byte {
	var schema struct {
		Defs map[string]any `json:"$defs"`
	}
	var shown map[string]Example
	for _, from := range []struct {
		text []byte
		into any
	}{{bytes.ReplaceAll(Schema(), []byte("#/$defs/"), []byte("#/components/schemas/")), &schema}, {examples, &shown}} {
		if err := stdjson.Unmarshal(from.text, from.into); err != nil {
			panic("api: what stands in the program is JSON: " + err.Error())
		}
	}
	paths := map[string]object{}
	for _, r := range all() {
		method, path, _ := strings.Cut(r.key, " ")
		at := parameter.ReplaceAllString(path, "{$1}")
		if paths[at] == nil {
			paths[at] = object{}
		}
		paths[at][strings.ToLower(method)] = r.operation(method, path, shown[r.key])
	}
	out := object{
		"openapi": "3.1.0",
		"info": object{"title": "Rise Pan", "version": "1", "summary": "Loaves for a bread machine: planned, " +
			"measured, watched, judged.",
			"description": "Errors are problem details of RFC 9457 with the pointer to the field that is wrong. A " +
				"call that adds something wants an Idempotency-Key: sent again under the same key it counts once."},
		"servers":  []any{object{"url": "/"}},
		"security": []any{object{}, object{"device": []any{}}},
		"paths":    paths,
		"components": object{"schemas": schema.Defs, "securitySchemes": object{"device": object{"type": "apiKey",
			"in": "cookie", "name": "rise-pan",
			"description": "What a device holds that is signed in to a kitchen; over TLS it is called " +
				"__Host-rise-pan. A kitchen without a household, on a server that serves its own computer alone, " +
				"needs none."}}},
	}
	b, err := stdjson.MarshalIndent(out, "", " ")
	if err != nil {
		panic("api: the document is always writable: " + err.Error())
	}
	return append(b, '\n')
}

func ref(v any) object { return object{"$ref": "#/components/schemas/" + typeName(reflect.TypeOf(v))} }

func (d route) operation(method, path string, e Example) object {
	op := object{"summary": d.says, "operationId": operation(method, path), "parameters": d.parameters(path)}
	content := object{"application/json": withExample(object{}, d.gives, e.Response)}
	if d.gives == nil {
		content = object{d.media: object{"schema": object{"type": "string"}}}
	}
	status := "200"
	if d.is == adds {
		status = "201"
	}
	op["responses"] = object{
		status: object{"description": "As asked", "content": content},
		"4XX": object{"description": "A mistake of the sender's",
			"content": object{"application/problem+json": object{"schema": ref(Problem{})}}},
		"5XX": object{"description": "The server's trouble; nothing was stored",
			"content": object{"application/problem+json": object{"schema": ref(Problem{})}}},
	}
	switch {
	case d.takes != nil:
		op["requestBody"] = object{"required": true, "content": object{"application/json": withExample(object{},
			d.takes, e.Request)}}
	case d.media != "" && method == http.MethodPost:
		op["requestBody"] = object{"required": true,
			"content": object{d.media: object{"schema": object{"type": "string"}}}}
	}
	return op
}

func withExample(media object, shape any, example stdjson.RawMessage) object {
	if shape != nil {
		media["schema"] = ref(shape)
	}
	if example != nil {
		media["example"] = example
	}
	return media
}

// operation is a call's name: postBakesHappenings.
func operation(method, path string) string {
	name := strings.ToLower(method)
	for _, part := range strings.FieldsFunc(strings.TrimPrefix(strings.TrimPrefix(path, "/api/v1"),
		"/kitchens/:kitchen"), func(r rune) bool { return r == '/' || r == '.' }) {
		if part = strings.TrimPrefix(part, ":"); part != "" {
			name += strings.ToUpper(part[:1]) + part[1:]
		}
	}
	if name == strings.ToLower(method) {
		name += "Kitchen"
	}
	return name
}

func (d deed) parameters(path string) []any {
	out := []any{}
	for _, m := range parameter.FindAllStringSubmatch(path, -1) {
		out = append(out, object{"name": m[1], "in": "path", "required": true, "schema": object{"type": "string",
			"format": "uuid"}})
	}
	for _, q := range d.query {
		name, says, _ := strings.Cut(q, ": ")
		out = append(out, object{"name": name, "in": "query", "description": says, "schema": object{"type": "string"}})
	}
	header := func(name, says string) {
		out = append(out, object{"name": name, "in": "header", "required": true, "description": says,
			"schema": object{"type": "string"}})
	}
	if d.is == adds {
		header("Idempotency-Key", "of 1 to 100 plain letters: sent again under the same key, the call counts once")
	}
	if d.versioned {
		header("If-Match", "the version that was changed, such as \"3\"")
	}
	return out
}

func (s *server) openAPI(c *gin.Context) { c.Data(http.StatusOK, "application/json", s.document()) }

// DocumentedRoutes lists the calls that are documented, as "GET /path".
func DocumentedRoutes() []string {
	var out []string
	for _, r := range all() {
		out = append(out, r.key)
	}
	slices.Sort(out)
	return out
}

// Documented says of a call whether it takes and gives JSON.
func Documented(key string) (takes, gives string, err error) {
	n := slices.IndexFunc(all(), func(r route) bool { return r.key == key })
	if n < 0 {
		return "", "", fmt.Errorf("%s is not documented", key)
	}
	d := all()[n]
	name := func(v any) string {
		if v == nil {
			return ""
		}
		return typeName(reflect.TypeOf(v))
	}
	return name(d.takes), name(d.gives), nil
}
