package api

import (
	"bytes"
	"fmt"
	"maps"
	"reflect"
	"slices"
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

// Words is a TypeScript module with the words of every vocabulary that crosses the wire, so that the screens need not
// list them: a word that is new or gone is an error of types there.
func Words() []byte {
	found := map[string][]string{}
	seen := map[reflect.Type]bool{}
	var walk func(reflect.Type)
	walk = func(t reflect.Type) {
		if seen[t] {
			return
		}
		seen[t] = true
		switch {
		case t.Implements(wordedType):
			found[typeName(t)] = reflect.Zero(t).Interface().(worded).Words()
		case t.Kind() == reflect.Struct:
			for f := range t.Fields() {
				if f.IsExported() {
					walk(f.Type)
				}
			}
		case t.Kind() == reflect.Map:
			walk(t.Key())
			walk(t.Elem())
		case t.Kind() == reflect.Pointer || t.Kind() == reflect.Slice || t.Kind() == reflect.Array:
			walk(t.Elem())
		}
	}
	walk(reflect.TypeOf(shapes()))
	out := []byte("/* Made by ./tools/types of the program's vocabularies. */\n")
	for _, name := range slices.Sorted(maps.Keys(found)) {
		words, err := stdjson.Marshal(found[name])
		if err != nil {
			panic("api: words are always writable: " + err.Error())
		}
		out = fmt.Appendf(out, "\nexport const %s = %s as const;\nexport type %s = (typeof %s)[number];\n", name,
			words, name, name)
	}
	return out
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
