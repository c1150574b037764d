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

	"risepan/core/daybook"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/plan"
)

// way is what a call is like: what it wants beside its body, and how it may fail.
type way int

const (
	reads   way = iota // it changes nothing
	changes            // what is there; sent twice it changes nothing more
	edits              // it names the version that was seen, in If-Match
	adds               // it wants an Idempotency-Key; sent again it counts once
)

// call of the API, as it is documented.
type documented struct {
	says  string
	takes any // a value of what is sent; nil: nothing
	gives any // a value of what comes back; nil: a file
	is    way
	media string   // of a file that is sent or comes back
	query []string // "name: what it says"
}

// Paging and looking, where several calls have them.
var (
	looks = []string{"find: words, each a part of the recipe's name or of the note", "kind: of recipe", "mark: good or poor", "sign: that was told of the loaf", "recipe: its id", "machine: its id",
		"from: the first day, such as 2026-11-01", "to: the day after the last"}
	after = []string{"after: the number of the last happening that was seen; 304 where nothing happened since"}
)

// docs are all calls by method and path. A test holds them against the router.
var docs = map[string]documented{
	"GET /healthz":             {says: "Whether the server runs", media: "text/plain"},
	"GET /readyz":              {says: "Whether its database answers", media: "text/plain"},
	"GET /house.crt":           {says: "The certificate of the house's own authority, for a phone to trust", media: "application/x-x509-ca-cert"},
	"GET /api/v1/health":       {says: "Whether the server and its database answer", gives: Health{}},
	"GET /api/v1/openapi.json": {says: "This document", media: "application/json"},
	"GET /api/v1/kitchens":     {says: "The kitchens that this device may enter", gives: Kitchens{}},

	"POST /api/v1/kitchens":          {says: "Make a kitchen with its owner; this device is signed in", takes: NewKitchen{}, gives: Opened{}, is: adds},
	"POST /api/v1/session":           {says: "Sign in by a kitchen's name and passphrase", takes: SigningIn{}, gives: Opened{}, is: changes},
	"POST /api/v1/session/recovered": {says: "Change a forgotten passphrase by the code that was printed; all devices are signed out", takes: SigningIn{}, gives: Opened{}, is: changes},
	"POST /api/v1/session/paired":    {says: "Come in by a code that another device shows", takes: Pairing{}, gives: Opened{}, is: changes},
	"POST /api/v1/session/ended":     {says: "Sign this device out", gives: SignedOut{}, is: changes},
	"GET /api/v1/calendar/:token":    {says: "The moments of all bakes that run, for a calendar that knows the address", media: "text/calendar"},

	"POST /api/v1/kitchens/:kitchen/reset":               {says: "Put the demo kitchen as new in the place of this one, which is put aside", gives: Restored{}, is: adds},
	"GET /api/v1/kitchens/:kitchen/changes":              {says: "How often each topic changed: what another device did", gives: Changes{}, query: []string{"after: the sum that was seen; 304 where nothing changed since"}},
	"GET /api/v1/kitchens/:kitchen/household":            {says: "Who may come into the kitchen, and by which devices", gives: Household{}},
	"POST /api/v1/kitchens/:kitchen/household":           {says: "Give an open kitchen its owner and passphrase", takes: NewKitchen{}, gives: Opened{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/household/devices":   {says: "A code by which a further device of yours comes in", gives: PairingCode{}, is: changes},
	"POST /api/v1/kitchens/:kitchen/household/people":    {says: "A code by which somebody else comes in", gives: PairingCode{}, is: changes},
	"POST /api/v1/kitchens/:kitchen/household/ended":     {says: "Sign a device out", takes: Gone{}, gives: Household{}, is: changes},
	"POST /api/v1/kitchens/:kitchen/household/others":    {says: "Sign all devices out but this one", gives: Household{}, is: changes},
	"POST /api/v1/kitchens/:kitchen/household/gone":      {says: "Take somebody out of the household", takes: Gone{}, gives: Household{}, is: changes},
	"PUT /api/v1/kitchens/:kitchen/household/passphrase": {says: "Change the passphrase; all other devices are signed out", takes: Relocking{}, gives: Household{}, is: changes},
	"POST /api/v1/kitchens/:kitchen/household/recovery":  {says: "Another code for recovery", takes: Relocking{}, gives: Recovery{}, is: changes},
	"PUT /api/v1/kitchens/:kitchen/calendar":             {says: "Make the secret address of this kitchen's moments, or take it back", takes: Shared{}, gives: SecretAddress{}, is: changes},
	"PUT /api/v1/kitchens/:kitchen/recipes/:id/link":     {says: "Make the link by which another kitchen here copies a recipe, or take it back", takes: Shared{}, gives: SecretAddress{}, is: changes},
	"POST /api/v1/kitchens/:kitchen/links":               {says: "The recipe behind a link", takes: Link{}, gives: Linked{}},
	"POST /api/v1/kitchens/:kitchen/recipes/linked":      {says: "Copy the recipe behind a link", takes: Link{}, gives: RecipeKept{}, is: adds},

	"GET /api/v1/kitchens/:kitchen":          {says: "The shelf: settings, machines, the first of the recipes", gives: Shelf{}},
	"PUT /api/v1/kitchens/:kitchen":          {says: "Change the kitchen's settings", takes: kitchen.Kitchen{}, gives: KitchenSettings{}, is: edits},
	"POST /api/v1/kitchens/:kitchen/undo":    {says: "Bring the settings before the last change back", gives: KitchenSettings{}, is: edits},
	"POST /api/v1/kitchens/:kitchen/demo":    {says: "Load the demo's machines and recipes into an empty kitchen", gives: Loaded{}, is: adds},
	"GET /api/v1/kitchens/:kitchen/larder":   {says: "What is known of ingredients; of one name, what it is taken for", gives: Larder{}, query: []string{"name: one name, in place of all"}},
	"POST /api/v1/kitchens/:kitchen/larder":  {says: "Say what a name means here, or what a thing is like", takes: AnswerOf{}, gives: Facts{}, is: changes},
	"GET /api/v1/kitchens/:kitchen/file":     {says: "All of the kitchen as one file (docs/kitchen-file.md)", media: "application/json"},
	"POST /api/v1/kitchens/:kitchen/restore": {says: "Put the kitchen of a file in the place of this one, which is put aside", gives: Restored{}, is: adds, media: "application/json"},
	"POST /api/v1/kitchens/:kitchen/swap":    {says: "Bring a kitchen back that was put aside, in the place of this one", takes: Swapped{}, gives: Restored{}, is: changes},

	"POST /api/v1/kitchens/:kitchen/bring":            {says: "Understand a file or a text; nothing is kept", gives: Brought{}, media: "text/plain"},
	"POST /api/v1/kitchens/:kitchen/imports":          {says: "Keep recipes and bakes that were understood", takes: Bringing{}, gives: BringDone{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/imports/:id/undo": {says: "Take all of an import back", gives: BringDone{}, is: changes},

	"GET /api/v1/kitchens/:kitchen/recipes":                {says: "Recipes on the shelf, or put away", gives: Recipes{}, query: []string{"find: words, each a part of the name or of an ingredient", "kind: of recipe", "away: true for those put away", "after: the id of the last one that was seen"}},
	"POST /api/v1/kitchens/:kitchen/recipes":               {says: "Keep a new recipe", takes: RecipeText{}, gives: RecipeRead{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/recipes/read":          {says: "What is understood of a recipe's text; nothing is kept", takes: RecipeText{}, gives: RecipeRead{}},
	"GET /api/v1/kitchens/:kitchen/recipes/:id":            {says: "A recipe at its newest revision", gives: RecipeRead{}},
	"POST /api/v1/kitchens/:kitchen/recipes/:id/revisions": {says: "Keep a recipe's next revision", takes: RecipeText{}, gives: RecipeRead{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/recipes/:id/swaps":     {says: "Make swaps in a recipe for good", takes: SwapsKept{}, gives: RecipeKept{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/recipes/:id/taught":    {says: "Keep an amount that a loaf has taught", takes: Taught{}, gives: RecipeKept{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/recipes/:id/meant":     {says: "Say that a figure of a recipe is meant, though no loaf holds it", takes: MeantOf{}, gives: RecipeKept{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/recipes/:id/undo":      {says: "Bring the revision before the newest back", takes: RecipeKept{}, gives: RecipeKept{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/recipes/:id/back":      {says: "Make an older revision the newest again", takes: Back{}, gives: RecipeKept{}, is: adds},
	"GET /api/v1/kitchens/:kitchen/recipes/:id/story":      {says: "Its revisions, its bakes and what they teach", gives: Story{}},
	"GET /api/v1/kitchens/:kitchen/recipes/:id/difference": {says: "What two revisions differ in", gives: Difference{}, query: []string{"from: a revision's number", "to: another's"}},
	"GET /api/v1/kitchens/:kitchen/recipes/:id/paper":      {says: "A recipe as it is written, as a file", media: "text/plain", query: []string{"as: text, markdown or json (schema.org's Recipe)"}},
	"GET /api/v1/kitchens/:kitchen/recipes/:id/photos":     {says: "Photos of a recipe's card", gives: CardPhotos{}},
	"POST /api/v1/kitchens/:kitchen/recipes/:id/photos":    {says: "Keep a photo of a recipe's card: a JPEG, PNG or WebP of up to 10 MB", gives: CardPhotos{}, is: adds, media: "image/jpeg"},
	"PUT /api/v1/kitchens/:kitchen/photos/:id/shelf":       {says: "Take a photo of a card off, or bring it back", takes: PutAway{}, gives: PutAway{}, is: changes},
	"PUT /api/v1/kitchens/:kitchen/recipes/:id/shelf":      {says: "Put a recipe away, or bring it back", takes: PutAway{}, gives: PutAway{}, is: changes},

	"GET /api/v1/kitchens/:kitchen/machines/profiles":     {says: "Likely machines to begin a description from", gives: Profiles{}},
	"POST /api/v1/kitchens/:kitchen/machines/doubts":      {says: "What is unusual about a machine's description", takes: machine.Machine{}, gives: Doubts{}},
	"POST /api/v1/kitchens/:kitchen/machines/estimate":    {says: "The likely stages of a cycle of which only the total is known", takes: Estimate{}, gives: Estimated{}},
	"GET /api/v1/kitchens/:kitchen/machines/away":         {says: "Machines that were put away", gives: MachinesAway{}},
	"POST /api/v1/kitchens/:kitchen/machines":             {says: "Keep a new machine", takes: machine.Machine{}, gives: MachineRead{}, is: adds},
	"GET /api/v1/kitchens/:kitchen/machines/:id":          {says: "A machine's description", gives: MachineRead{}},
	"PUT /api/v1/kitchens/:kitchen/machines/:id":          {says: "Change a machine's description", takes: machine.Machine{}, gives: MachineRead{}, is: edits},
	"POST /api/v1/kitchens/:kitchen/machines/:id/undo":    {says: "Bring the description before the last change back", gives: MachineRead{}, is: edits},
	"POST /api/v1/kitchens/:kitchen/machines/:id/compare": {says: "Cycles side by side", takes: Compare{}, gives: Compared{}},
	"PUT /api/v1/kitchens/:kitchen/machines/:id/shelf":    {says: "Put a machine away, or bring it back", takes: PutAway{}, gives: PutAway{}, is: changes},
	"PUT /api/v1/kitchens/:kitchen/habits":                {says: "Remember the baker's own cycle and crust for a recipe on a machine", takes: HabitOf{}, gives: HabitOf{}, is: changes},

	"POST /api/v1/kitchens/:kitchen/plan":        {says: "The plan of a wish; nothing is kept", takes: plan.Wish{}, gives: PlanAnswer{}},
	"POST /api/v1/kitchens/:kitchen/plan/offers": {says: "What can stand in an ingredient's place", takes: OffersFor{}, gives: Offers{}},
	"POST /api/v1/kitchens/:kitchen/plan/oven":   {says: "The loaf by mixer and oven", takes: plan.Wish{}, gives: ByOven{}},
	"POST /api/v1/kitchens/:kitchen/plan/paper":  {says: "A planned loaf as a file", takes: plan.Wish{}, media: "text/plain", query: []string{"what: recipe, timetable (iCalendar) or shopping", "as: text, markdown or json"}},

	"GET /api/v1/kitchens/:kitchen/days":                {says: "How much is baked on the days of a week", gives: Week{}, query: []string{"of: a date of the week; else this one"}},
	"GET /api/v1/kitchens/:kitchen/days/next":           {says: "The next thing for hands of what is planned for today and tomorrow", gives: NextOfDays{}},
	"GET /api/v1/kitchens/:kitchen/days/:date":          {says: "A baking day and the best plan of it", gives: DayView{}},
	"PUT /api/v1/kitchens/:kitchen/days/:date":          {says: "Change a baking day; what is told is how it moved", takes: daybook.Book{}, gives: DayView{}, is: edits},
	"POST /api/v1/kitchens/:kitchen/days/:date/undo":    {says: "Bring a day back as it was before its last change", gives: DayView{}, is: edits},
	"GET /api/v1/kitchens/:kitchen/days/:date/mends":    {says: "What would have a loaf of a day nearer to its time", gives: Mends{}, query: []string{"loaf: its id"}},
	"GET /api/v1/kitchens/:kitchen/days/:date/needs":    {says: "What a day's loaves want in all", gives: daybook.Needs{}},
	"GET /api/v1/kitchens/:kitchen/days/:date/calendar": {says: "A day's hours as iCalendar with alarms", media: "text/calendar"},
	"GET /api/v1/kitchens/:kitchen/regulars":            {says: "Loaves that are baked every week, and how long flour and yeast last for them", gives: daybook.Regular{}},
	"GET /api/v1/kitchens/:kitchen/bags":                {says: "Bags on the shelf", gives: BagShelf{}},
	"POST /api/v1/kitchens/:kitchen/bags":               {says: "Keep bags that were filled", takes: Bagging{}, gives: Bags{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/bags/preview":       {says: "What goes into bags; nothing is kept", takes: Bagging{}, gives: Bags{}},
	"GET /api/v1/kitchens/:kitchen/bags/:id":            {says: "Some bags and their label", gives: Bags{}},
	"PUT /api/v1/kitchens/:kitchen/bags/:id":            {says: "Say how many bags are left", takes: BagsLeft{}, gives: Bags{}, is: changes},

	"POST /api/v1/kitchens/:kitchen/benches":                {says: "Begin measuring a loaf", takes: plan.Wish{}, gives: BenchView{}, is: adds},
	"GET /api/v1/kitchens/:kitchen/benches/:id":             {says: "A bench as it stands", gives: BenchView{}, query: after},
	"POST /api/v1/kitchens/:kitchen/benches/:id/outs":       {says: "The ways out of a slip", takes: SlipOf{}, gives: WaysOut{}},
	"POST /api/v1/kitchens/:kitchen/benches/:id/happenings": {says: "Say what happened at a bench", takes: AtBench{}, gives: BenchTold{}, is: adds},

	"POST /api/v1/kitchens/:kitchen/rehearsals":                {says: "Begin a rehearsal on the stand-in machine", takes: Rehearse{}, gives: RehearsalView{}, is: adds},
	"GET /api/v1/kitchens/:kitchen/rehearsals/:id":             {says: "A rehearsal as it stands", gives: RehearsalView{}, query: []string{"only: state, for how it stands alone"}},
	"POST /api/v1/kitchens/:kitchen/rehearsals/:id/happenings": {says: "Press the panel, answer, set the pace", takes: InRehearsal{}, gives: Rehearsed{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/rehearsals/:id/kept":       {says: "Write a rehearsal that came to its end into the log", gives: BakeView{}, is: adds},

	"GET /api/v1/kitchens/:kitchen/bakes":                 {says: "A page of the log, newest first", gives: Log{}, query: append([]string{"before: where the page begins, as the page before it said"}, looks...)},
	"GET /api/v1/kitchens/:kitchen/bakes.csv":             {says: "The log as a table (docs/table.md)", media: "text/csv", query: looks},
	"GET /api/v1/kitchens/:kitchen/bakes/running":         {says: "The bakes that have not ended", gives: Log{}},
	"POST /api/v1/kitchens/:kitchen/bakes":                {says: "Start a bake; 409 with the new plan where it differs from the one that was seen", takes: Start{}, gives: BakeView{}, is: adds},
	"GET /api/v1/kitchens/:kitchen/bakes/:id":             {says: "A bake as it stands", gives: BakeView{}, query: after},
	"POST /api/v1/kitchens/:kitchen/bakes/:id/happenings": {says: "Say what happened in a bake, judge the loaf, or take something back", takes: Happened{}, gives: BakeTold{}, is: adds},
	"POST /api/v1/kitchens/:kitchen/bakes/:id/photos":     {says: "Keep a photo of a bake: a JPEG, PNG or WebP of up to 10 MB", gives: BakeTold{}, is: adds, media: "image/jpeg"},
	"GET /api/v1/kitchens/:kitchen/bakes/:id/timetable":   {says: "A bake's hours as iCalendar with alarms", media: "text/calendar"},
	"PUT /api/v1/kitchens/:kitchen/bakes/:id/shelf":       {says: "Put a bake away, or bring it back", takes: PutAway{}, gives: PutAway{}, is: changes},
	"GET /api/v1/kitchens/:kitchen/photos/:id":            {says: "A photo as it is kept", media: "image/jpeg", query: []string{"small: anything, for the small one"}},
	"GET /api/v1/kitchens/:kitchen/year":                  {says: "What was baked in a year", gives: Year{}, query: []string{"year: such as 2026; left out: this one"}},
	"GET /api/v1/kitchens/:kitchen/lessons":               {says: "What the log teaches", gives: Lessons{}},
	"POST /api/v1/kitchens/:kitchen/lessons":              {says: "Take a lesson: the recipe, the machine or the kitchen is changed", takes: LessonOf{}, gives: Lessons{}, is: adds},
	"PUT /api/v1/kitchens/:kitchen/lessons":               {says: "Decline a lesson, or let it be offered again", takes: Declining{}, gives: Lessons{}, is: changes},
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
	delete(schema.Defs, "shapes")
	paths := map[string]object{}
	for key, d := range docs {
		method, path, _ := strings.Cut(key, " ")
		at := parameter.ReplaceAllString(path, "{$1}")
		if paths[at] == nil {
			paths[at] = object{}
		}
		paths[at][strings.ToLower(method)] = d.operation(method, path, shown[key])
	}
	out := object{
		"openapi": "3.1.0",
		"info": object{"title": "Rise Pan", "version": "1", "summary": "Loaves for a bread machine: planned, measured, watched, judged.",
			"description": "Errors are problem details of RFC 9457 with the pointer to the field that is wrong. A call that adds something wants an Idempotency-Key: sent again under the same key it counts once."},
		"servers":  []any{object{"url": "/"}},
		"security": []any{object{}, object{"device": []any{}}},
		"paths":    paths,
		"components": object{"schemas": schema.Defs, "securitySchemes": object{"device": object{"type": "apiKey", "in": "cookie", "name": "rise-pan",
			"description": "What a device holds that is signed in to a kitchen; over TLS it is called __Host-rise-pan. A kitchen without a household, on a server that serves its own computer alone, needs none."}}},
	}
	b, err := stdjson.MarshalIndent(out, "", " ")
	if err != nil {
		panic("api: the document is always writable: " + err.Error())
	}
	return append(b, '\n')
}

func ref(v any) object { return object{"$ref": "#/components/schemas/" + typeName(reflect.TypeOf(v))} }

func (d documented) operation(method, path string, e Example) object {
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
		"4XX":  object{"description": "A mistake of the sender's", "content": object{"application/problem+json": object{"schema": ref(Problem{})}}},
		"5XX":  object{"description": "The server's trouble; nothing was stored", "content": object{"application/problem+json": object{"schema": ref(Problem{})}}},
	}
	switch {
	case d.takes != nil:
		op["requestBody"] = object{"required": true, "content": object{"application/json": withExample(object{}, d.takes, e.Request)}}
	case d.media != "" && method == http.MethodPost:
		op["requestBody"] = object{"required": true, "content": object{d.media: object{"schema": object{"type": "string"}}}}
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
	for _, part := range strings.FieldsFunc(strings.TrimPrefix(strings.TrimPrefix(path, "/api/v1"), "/kitchens/:kitchen"), func(r rune) bool { return r == '/' || r == '.' }) {
		if part = strings.TrimPrefix(part, ":"); part != "" {
			name += strings.ToUpper(part[:1]) + part[1:]
		}
	}
	if name == strings.ToLower(method) {
		name += "Kitchen"
	}
	return name
}

func (d documented) parameters(path string) []any {
	out := []any{}
	for _, m := range parameter.FindAllStringSubmatch(path, -1) {
		out = append(out, object{"name": m[1], "in": "path", "required": true, "schema": object{"type": "string", "format": "uuid"}})
	}
	for _, q := range d.query {
		name, says, _ := strings.Cut(q, ": ")
		out = append(out, object{"name": name, "in": "query", "description": says, "schema": object{"type": "string"}})
	}
	header := func(name, says string) {
		out = append(out, object{"name": name, "in": "header", "required": true, "description": says, "schema": object{"type": "string"}})
	}
	switch {
	case d.is == adds:
		header("Idempotency-Key", "of 1 to 100 plain letters: sent again under the same key, the call counts once")
	case d.is == edits:
		header("If-Match", "the version that was changed, such as \"3\"")
	}
	if d.is == adds && slices.Contains([]string{"/api/v1/kitchens/:kitchen/recipes/:id/revisions", "/api/v1/kitchens/:kitchen/recipes/:id/taught"}, path) {
		header("If-Match", "the revision that was changed, such as \"3\"")
	}
	return out
}

func (s *server) openAPI(c *gin.Context) { c.Data(http.StatusOK, "application/json", OpenAPI()) }

// DocumentedRoutes lists the calls that are documented, as "GET /path".
func DocumentedRoutes() []string {
	out := make([]string, 0, len(docs))
	for key := range docs {
		out = append(out, key)
	}
	slices.Sort(out)
	return out
}

// Documented says of a call whether it takes and gives JSON.
func Documented(key string) (takes, gives string, err error) {
	d, ok := docs[key]
	if !ok {
		return "", "", fmt.Errorf("%s is not documented", key)
	}
	name := func(v any) string {
		if v == nil {
			return ""
		}
		return typeName(reflect.TypeOf(v))
	}
	return name(d.takes), name(d.gives), nil
}
