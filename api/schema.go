package api

import (
	"bytes"
	"reflect"
	"strings"

	stdjson "encoding/json"

	"github.com/invopop/jsonschema"
)

// shapes is a struct with a field for every shape that crosses the wire, as the table of routes has it; the front end's
// types are made from it.
func shapes() any {
	var fields []reflect.StructField
	known := map[string]bool{}
	add := func(v any) {
		if v == nil {
			return
		}
		name := typeName(reflect.TypeOf(v))
		if !known[name] {
			known[name] = true
			fields = append(fields, reflect.StructField{Name: name, Type: reflect.TypeOf(v)})
		}
	}
	add(Problem{})
	for _, r := range all() {
		add(r.takes)
		add(r.gives)
	}
	return reflect.New(reflect.StructOf(fields)).Elem().Interface()
}

type worded interface{ Words() []string }

var (
	textType   = reflect.TypeFor[interface{ MarshalText() ([]byte, error) }]()
	wordedType = reflect.TypeFor[worded]()
)

// Schema is the JSON Schema of the API's shapes, with a closing newline.
func Schema() []byte {
	r := jsonschema.Reflector{
		AllowAdditionalProperties: false,
		Namer:                     typeName,
		Mapper: func(t reflect.Type) *jsonschema.Schema {
			switch {
			case t.Implements(wordedType):
				return vocabulary(t)
			case t.PkgPath() == "time":
				return nil
			case t.Implements(textType):
				return &jsonschema.Schema{Type: "string"}
			case t.Kind() == reflect.Float64:
				return &jsonschema.Schema{Type: "number"}
			}
			return nil
		},
	}
	s := r.Reflect(shapes())
	b, err := s.MarshalJSON()
	if err != nil {
		panic("api: the schema is always writable: " + err.Error())
	}
	var out bytes.Buffer
	if err := stdjson.Indent(&out, b, "", "  "); err != nil {
		panic("api: the schema is JSON: " + err.Error())
	}
	out.WriteByte('\n')
	return out.Bytes()
}

// vocabulary is the schema of a closed list of words.
func vocabulary(t reflect.Type) *jsonschema.Schema {
	s := &jsonschema.Schema{Type: "string"}
	for _, w := range reflect.Zero(t).Interface().(worded).Words() {
		s.Enum = append(s.Enum, w)
	}
	return s
}

// plain are types that the screens call by their own name alone.
var plain = map[string]string{"PlanWish": "Wish", "StoreRecipeOnShelf": "RecipeOnShelf"}

// typeName tells apart types of one name in several rooms: kitchen.Kitchen keeps its name, but
// plan.Line and recipe.Line become PlanLine and RecipeLine.
func typeName(t reflect.Type) string {
	name := t.Name()
	room := t.PkgPath()[strings.LastIndex(t.PkgPath(), "/")+1:]
	if room == "api" || room == "usecase" || room == "" || strings.EqualFold(room, name) {
		return name
	}
	long := strings.ToUpper(room[:1]) + room[1:] + name
	if short, ok := plain[long]; ok {
		return short
	}
	return long
}
