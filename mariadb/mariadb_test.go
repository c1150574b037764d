package mariadb

import (
	"context"
	"log/slog"
	"sync"
	"testing"
)

// Databases that are made at the same moment keep out of each other's way: their temporary tables
// once stood in one common folder.
func TestSeveralDatabasesAreMadeAtOnce(t *testing.T) {
	var all sync.WaitGroup
	for range 6 {
		dir := t.TempDir()
		all.Go(func() {
			s, err := Start(context.Background(), dir, slog.New(slog.DiscardHandler))
			if err != nil {
				t.Error(err)
				return
			}
			s.Stop()
		})
	}
	all.Wait()
}
