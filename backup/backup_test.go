package backup_test

import (
	"archive/zip"
	"context"
	"io"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"risepan/backup"
	"risepan/core/kitchen"
	"risepan/demo"
	"risepan/store"
	"risepan/store/storetest"
)

func TestMain(m *testing.M) { storetest.Main(m) }

var (
	ctx  = context.Background()
	noon = time.Date(2026, 5, 2, 12, 0, 0, 0, time.UTC)
)

// A house of three kitchens, one of them put away, is backed up, verified, and restored into an empty house as it was.
func TestAHouseIsBackedUpAndRestored(t *testing.T) {
	s := storetest.Open(t)
	if err := demo.Fill(ctx, s, noon); err != nil {
		t.Fatal(err)
	}
	var ids []string
	for _, name := range []string{"Annexe", "Old boat"} {
		id, err := s.AddKitchen(ctx, kitchen.New(name, "UTC"), noon)
		if err != nil {
			t.Fatal(err)
		}
		ids = append(ids, id)
	}
	if err := s.Do(ctx, func(q store.Queries) error { return q.Replace(ctx, ids[1], ids[0]) }); err != nil {
		t.Fatal(err)
	}
	file := filepath.Join(t.TempDir(), "house.zip")
	list, err := backup.Write(ctx, s, file, noon)
	if err != nil || len(list.Kitchens) != 3 || !list.Kitchens[2].Away || list.Kitchens[0].Holds["bakes"] != 9 {
		t.Fatalf("%+v, %v", list, err)
	}
	if _, err := backup.Write(ctx, s, file, noon); err == nil {
		t.Error("a backup is written over another")
	}
	if again, err := backup.Verify(file); err != nil || len(again.Kitchens) != 3 ||
		again.Kitchens[0].String() != "Heron Lock: 21 recipes in 23 revisions, 2 machines, 9 bakes, 0 photos, 2 bags" {
		t.Errorf("%v, %s", err, again.Kitchens)
	}
	other := storetest.Open(t)
	if _, err := backup.Restore(ctx, other, file); err != nil {
		t.Fatal(err)
	}
	shown, _ := other.Kitchens(ctx)
	away, _ := other.KitchensAway(ctx)
	if len(shown) != 2 || len(away) != 1 || away[0].Name != "Old boat" {
		t.Errorf("restored: %v, put away %v", shown, away)
	}
	if beside, err := other.Beside(ctx, ids[0]); err != nil || len(beside) != 1 || beside[0].Name != "Old boat" {
		t.Errorf("beside the annexe stand %v (%v)", beside, err)
	}
	for _, k := range shown {
		var was, is strings.Builder
		if _, err := s.WriteKitchen(ctx, k.ID, &was, noon); err != nil {
			t.Fatal(err)
		}
		if _, err := other.WriteKitchen(ctx, k.ID, &is, noon); err != nil || was.String() != is.String() {
			t.Errorf("%s is not what it was: %v", k.Name, err)
		}
	}
	if _, err := backup.Restore(ctx, other, file); err == nil || !strings.Contains(err.Error(), "Heron Lock already") {
		t.Errorf("restored over a house: %v", err)
	}
}

// A backup that is partial or damaged is refused with what is wrong, and nothing of it is restored.
func TestADamagedBackupIsRefused(t *testing.T) {
	s := storetest.Open(t)
	if err := demo.Fill(ctx, s, noon); err != nil {
		t.Fatal(err)
	}
	dir := t.TempDir()
	file := filepath.Join(dir, "house.zip")
	if _, err := backup.Write(ctx, s, file, noon); err != nil {
		t.Fatal(err)
	}
	whole, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	flipped := append([]byte{}, whole...)
	flipped[len(flipped)/2] ^= 0x40
	empty := storetest.Open(t)
	for name, c := range map[string]struct {
		bytes []byte
		want  string
	}{
		"half of it": {whole[:len(whole)/2], "its end is missing"}, "all but its last bytes": {whole[:len(whole)-30],
			"its end is missing"}, "nothing": {nil, "its end is missing"},
		"one byte otherwise": {flipped, "damaged"},
		"another archive":    {zipped(t, map[string]string{"letter.txt": "x"}), "no backup of Rise Pan"},
		"a kitchen less": {zipped(t,
			map[string]string{"backup.json": `{"risePan":"backup","version":1,"written":"2026-05-02T12:00:00Z","kitchens":[{"file":"kitchen-1.rise-pan.json","name":"X","sha256":"","bytes":1,"holds":{}}]}`}), "lists 1 kitchens and holds 0"},
		"from the future": {zipped(t,
			map[string]string{"backup.json": `{"risePan":"backup","version":7,"written":"2026-05-02T12:00:00Z","kitchens":[]}`}), "newer Rise Pan"},
		"a changed kitchen": {zipped(t,
			map[string]string{"backup.json": `{"risePan":"backup","version":1,"written":"2026-05-02T12:00:00Z","kitchens":[{"file":"k","name":"X","sha256":"ab","bytes":1,"holds":{}}]}`, "k": "x"}), "its sum differs"},
	} {
		bad := filepath.Join(dir, "bad.zip")
		if err := os.WriteFile(bad, c.bytes, 0o600); err != nil {
			t.Fatal(err)
		}
		if _, err := backup.Restore(ctx, empty, bad); err == nil || !strings.Contains(err.Error(), c.want) {
			t.Errorf("%s is answered with %v, want something of %q", name, err, c.want)
		}
		if k, _ := empty.Kitchens(ctx); len(k) != 0 {
			t.Fatalf("%s left %d kitchens", name, len(k))
		}
	}
	if _, err := backup.Verify(filepath.Join(dir, "none.zip")); err == nil || !strings.Contains(err.Error(),
		"no file") {
		t.Errorf("a file that is not there: %v", err)
	}
}

func zipped(t *testing.T, files map[string]string) []byte {
	t.Helper()
	var b strings.Builder
	w := zip.NewWriter(&b)
	for name, text := range files {
		f, err := w.Create(name)
		if err == nil {
			_, err = io.WriteString(f, text)
		}
		if err != nil {
			t.Fatal(err)
		}
	}
	w.Close()
	return []byte(b.String())
}
