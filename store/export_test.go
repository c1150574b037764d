package store

// Document is a kind of stored document, for tests of all of them.
type Document = document

// NewDocument is a kind of document of a test's own.
func NewDocument(what string, shape int, upgrades map[int]func(map[string]any) error) Document {
	return document{what, "", shape, upgrades}
}

// Documents lists every kind by its name.
func Documents() map[string]Document {
	out := map[string]Document{}
	for _, d := range documents {
		out[d.what] = d
	}
	return out
}

func (d document) Shape() int { return d.shape }

func (d document) Decode(id string, shape int, doc string, v any) error {
	return d.decode(id, shape, doc, v)
}
