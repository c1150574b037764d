package validate

import (
	"encoding"
	"fmt"
	"math"
	"reflect"
	"strings"
	"sync"
	"unicode"
	"unicode/utf8"

	"risepan/core/fault"
)

// Check reports the first field of v that could be written but not read again, as a *fault.Fault at
// its JSON pointer: a word outside its vocabulary or left out, a text of a value that its own reader
// refuses, a number that is none, a text with characters that cannot be seen. Fields that are left out
// when they are zero are not looked at while they are.
func Check(v any) error { return check("", reflect.ValueOf(v)) }

// largest is more than any figure in a kitchen, and can still be rounded to thousandths.
const largest = 1e12

var textReader = reflect.TypeFor[encoding.TextUnmarshaler]()

// shape is what a check wants to know of a type, found out once.
type shape struct {
	text   bool    // it is read from text
	fields []field // of a struct, those that are written
}

type field struct {
	at       int    // its place in the struct
	pointer  string // from the struct; empty: its own fields stand there
	omitzero bool
}

var shapes sync.Map // by type

func shapeOf(t reflect.Type) shape {
	if s, ok := shapes.Load(t); ok {
		return s.(shape)
	}
	s := shape{text: t.Kind() != reflect.Pointer && reflect.PointerTo(t).Implements(textReader)}
	if t.Kind() == reflect.Struct {
		s.fields = fieldsOf(t)
	}
	shapes.Store(t, s)
	return s
}

func fieldsOf(t reflect.Type) (out []field) {
	for n := range t.NumField() {
		f := t.Field(n)
		name, options, _ := strings.Cut(f.Tag.Get("json"), ",")
		if !f.IsExported() && !f.Anonymous || name == "-" {
			continue
		}
		if name == "" && !f.Anonymous {
			name = f.Name
		}
		if name != "" {
			name = "/" + name
		}
		out = append(out, field{n, name, strings.Contains(options, "omitzero")})
	}
	return out
}

func check(at string, v reflect.Value) error {
	t := v.Type()
	if shapeOf(t).text {
		return checkText(at, v)
	}
	switch t.Kind() {
	case reflect.Pointer:
		if v.IsNil() {
			return nil
		}
		return check(at, v.Elem())
	case reflect.Struct:
		return checkStruct(at, v)
	case reflect.Slice, reflect.Array:
		for n := range v.Len() {
			if err := check(fmt.Sprintf("%s/%d", at, n), v.Index(n)); err != nil {
				return err
			}
		}
	case reflect.Map:
		for _, key := range v.MapKeys() {
			name := fmt.Sprint(key.Interface())
			if err := Text(at, name); err != nil {
				return err
			}
			if err := check(at+"/"+escape.Replace(name), v.MapIndex(key)); err != nil {
				return err
			}
		}
	case reflect.String:
		return Text(at, v.String())
	case reflect.Float64:
		if f := v.Float(); !(math.Abs(f) <= largest) {
			return fault.At(at, "that number is not possible here")
		}
	}
	return nil
}

func checkStruct(at string, v reflect.Value) error {
	for _, f := range shapeOf(v.Type()).fields {
		if f.omitzero && v.Field(f.at).IsZero() {
			continue
		}
		if err := check(at+f.pointer, v.Field(f.at)); err != nil {
			return err
		}
	}
	return nil
}

// checkText writes a value as text and reads that text again.
func checkText(at string, v reflect.Value) error {
	write := func(v reflect.Value) (string, error) {
		if w, ok := v.Interface().(encoding.TextMarshaler); ok {
			text, err := w.MarshalText()
			return string(text), err
		}
		return v.String(), nil
	}
	text, err := write(v)
	if err != nil {
		return fault.At(at, "%v", err)
	}
	again := reflect.New(v.Type())
	if err := again.Interface().(encoding.TextUnmarshaler).UnmarshalText([]byte(text)); err != nil {
		return fault.At(at, "%v", err)
	}
	if back, err := write(again.Elem()); err != nil || back != text {
		return fault.At(at, "%q comes back as %q", text, back)
	}
	return nil
}

var escape = strings.NewReplacer("~", "~0", "/", "~1")

// Text reports, at a field, what a text holds that cannot be seen or would turn the writing round:
// control characters other than line ends and tabs, direction marks, bytes that are no letters.
func Text(at, s string) error {
	if !utf8.ValidString(s) {
		return fault.At(at, "this text holds bytes that are no letters")
	}
	for _, r := range s {
		if unicode.IsControl(r) && r != '\n' && r != '\t' || unicode.Is(unicode.Bidi_Control, r) {
			return fault.At(at, "this text holds a character that cannot be seen (U+%04X): write it without", r)
		}
	}
	return nil
}

// Name reports, at a field, why s is no name: one line of 1 to most letters, one of which can be seen.
func Name(at, what, s string, most int) error {
	seen := strings.ContainsFunc(s, func(r rune) bool { return unicode.IsGraphic(r) && !unicode.IsSpace(r) })
	if !seen || utf8.RuneCountInString(s) > most || strings.ContainsAny(s, "\n\t") {
		return fault.At(at, "give %s a name of 1 to %d letters", what, most)
	}
	return Text(at, s)
}

// Short reports, at a field, that a text is longer than most letters.
func Short(at, what, s string, most int) error {
	if n := utf8.RuneCountInString(s); n > most {
		return fault.At(at, "%s is too long, with %d letters: at most %d", what, n, most)
	}
	return Text(at, s)
}

// First is the first of some checks that failed.
func First(checks ...error) error {
	for _, err := range checks {
		if err != nil {
			return err
		}
	}
	return nil
}
