package kitchen

import "risepan/core/vocab"

// English is whose words a kitchen uses where the two differ: for foods, for dates and for its paper. Cards of either
// are read everywhere. Empty is British.
type English string

const (
	British  English = "british"
	American English = "american"
)

var AllEnglish = []English{British, American}

func (e English) Words() []string { return vocab.List(AllEnglish) }
func (e *English) UnmarshalText(text []byte) error {
	return vocab.Read(e, text, "kind of English (leave it empty, or)", AllEnglish)
}
