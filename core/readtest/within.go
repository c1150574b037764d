package readtest

import (
	"runtime/metrics"
	"testing"
	"time"
)

// What a reader may take for a text: so much to begin with, and so much for each byte of it.
const (
	leastMemory, memoryPerByte = 8 << 20, 8 << 10 // bytes
	leastTime, timePerByte     = 2 * time.Second, 100 * time.Microsecond
)

// Within runs a reader on a text of so many bytes, and wants it to take no more memory and time than grow with the
// text: what is built, whether it is kept or not, counts. It is meant for fuzz targets; the time has room for a slow machine,
// and still tells a reader whose work grows with the square of its text.
func Within(t testing.TB, bytes int, read func()) {
	t.Helper()
	before, began := allocated(), time.Now()
	read()
	if took, most := allocated()-before, uint64(leastMemory+memoryPerByte*bytes); took > most {
		t.Errorf("%d bytes take %d kB of memory, and may take %d", bytes, took>>10, most>>10)
	}
	if took, most := time.Since(began), leastTime+time.Duration(bytes)*timePerByte; took > most {
		t.Errorf("%d bytes take %s, and may take %s", bytes, took, most)
	}
}

// allocated is how many bytes were taken from the heap since the program began.
func allocated() uint64 {
	s := []metrics.Sample{{Name: "/gc/heap/allocs:bytes"}}
	metrics.Read(s)
	return s[0].Value.Uint64()
}
