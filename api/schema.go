package api

import (
	"bytes"
	"reflect"
	"strings"

	stdjson "encoding/json"

	"github.com/invopop/jsonschema"

	"risepan/core/daybook"
	"risepan/core/plan"
)

// shapes names every shape that crosses the wire; the front end's types are made from it.
type shapes struct {
	Kitchens      Kitchens
	NewKitchen    NewKitchen
	Opened        Opened
	SigningIn     SigningIn
	Pairing       Pairing
	SignedOut     SignedOut
	Changes       Changes
	Household     Household
	PairingCode   PairingCode
	Gone          Gone
	Relocking     Relocking
	Recovery      Recovery
	Shared        Shared
	SecretAddress SecretAddress
	Link          Link
	Linked        Linked
	Shelf         Shelf
	Recipes       Recipes
	DayView       DayView
	Week          Week
	Mends         Mends
	NextOfDays    NextOfDays
	Needs         daybook.Needs
	Regulars      daybook.Regular
	PutAway       PutAway
	Wish          plan.Wish
	PlanAnswer    PlanAnswer
	ByOven        ByOven
	OffersFor     OffersFor
	Offers        Offers
	Start         Start
	Rehearse      Rehearse
	RehearsalView RehearsalView
	Rehearsed     Rehearsed
	InRehearsal   InRehearsal
	Health        Health
	CardPhotos    CardPhotos
	Log           Log
	Restored      Restored
	Swapped       Swapped
	Brought       Brought
	Bringing      Bringing
	BringDone     BringDone
	Year          Year
	Story         Story
	Difference    Difference
	Back          Back
	Lessons       Lessons
	LessonOf      LessonOf
	Declining     Declining
	BakeView      BakeView
	BakeTold      BakeTold
	Happened      Happened
	Loaded        Loaded
	RecipeText    RecipeText
	RecipeRead    RecipeRead
	Taught        Taught
	SwapsKept     SwapsKept
	MeantOf       MeantOf
	Bagging       Bagging
	Bags          Bags
	BagShelf      BagShelf
	BagsLeft      BagsLeft
	Bench         BenchView
	BenchTold     BenchTold
	AtBench       AtBench
	SlipOf        SlipOf
	WaysOut       WaysOut
	Machine       MachineRead
	MachinesAway  MachinesAway
	Profiles      Profiles
	Doubts        Doubts
	Estimate      Estimate
	Estimated     Estimated
	Compare       Compare
	Compared      Compared
	HabitOf       HabitOf
	RecipeKept    RecipeKept
	Larder        Larder
	Facts         Facts
	AnswerOf      AnswerOf
	Settings      KitchenSettings
	Problem       Problem
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
	s := r.Reflect(shapes{})
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
	if room == "api" || room == "" || strings.EqualFold(room, name) {
		return name
	}
	long := strings.ToUpper(room[:1]) + room[1:] + name
	if short, ok := plain[long]; ok {
		return short
	}
	return long
}
