package machine_test

import (
	"testing"

	"github.com/go-json-experiment/json"

	"risepan/core/machine"
	"risepan/core/readtest"
	"risepan/demo"
)

// Whatever machine is brought in, it is refused or can be used: each of its programmes has a length, and its panel is
// worked out.
func FuzzAMachineBroughtIn(f *testing.F) {
	for _, m := range append(machine.Profiles(), demo.Galley(), demo.Boatyard()) {
		m.Cycles = m.Cycles[:1] // a fuzzer's turns are short
		b, err := json.Marshal(m)
		if err != nil {
			f.Fatal(err)
		}
		f.Add(b)
	}
	f.Fuzz(func(t *testing.T, doc []byte) {
		readtest.Within(t, 64*len(doc), func() {
			var m machine.Machine
			if json.Unmarshal(doc, &m, json.RejectUnknownMembers(true)) != nil || m.Check() != nil {
				return
			}
			m.Doubts()
			m.Full()
			for _, c := range m.Cycles {
				for _, size := range m.Sizes {
					if p := c.Programme(size, machine.Medium); p.Total <= 0 {
						t.Errorf("%s takes %d minutes at %s", c.Name, p.Total, size)
					}
				}
			}
		})
	})
}
