// Package backup copies all kitchens of a house into one file, verifies such a file and restores it: a ZIP archive
// with a kitchen's file for each, and a list of them with their sums.
package backup

import (
	"archive/zip"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"slices"
	"time"

	"github.com/go-json-experiment/json"
	"github.com/go-json-experiment/json/jsontext"

	"risepan/store"
)

// version is that of the archive's list.
const version = 1

const listName = "backup.json"

// List is what a backup holds.
type List struct {
	RisePan  string    `json:"risePan"` // backup
	Version  int       `json:"version"`
	Written  time.Time `json:"written"`
	Kitchens []Kitchen `json:"kitchens"`
}

// Kitchen is one kitchen of a backup.
type Kitchen struct {
	File   string      `json:"file"`
	Name   string      `json:"name"`
	Away   bool        `json:"away,omitzero"`   // put away
	Beside string      `json:"beside,omitzero"` // of one that was put away: the file of the kitchen that took its place
	Sum    string      `json:"sha256"`
	Bytes  int64       `json:"bytes"`
	Holds  store.Count `json:"holds"`
}

// String says what a kitchen holds in one line.
func (k Kitchen) String() string {
	away := ""
	if k.Away {
		away = ", put away"
	}
	return fmt.Sprintf("%s%s: %d recipes in %d revisions, %d machines, %d bakes, %d photos, %d bags", k.Name, away,
		k.Holds["recipes"], k.Holds["recipe_versions"], k.Holds["machines"], k.Holds["bakes"], k.Holds["photos"],
		k.Holds["bags"])
}

// Write copies all kitchens, as they stand at one instant, into a file that is there whole or not at all, and verifies
// it.
func Write(ctx context.Context, s *store.Store, path string, now time.Time) (List, error) {
	if _, err := os.Stat(path); err == nil {
		return List{}, fmt.Errorf("%s is there already: choose another name", path)
	}
	file, err := os.CreateTemp(filepath.Dir(path), ".rise-pan-backup-*")
	if err != nil {
		return List{}, fmt.Errorf("cannot write beside %s: %w", path, err)
	}
	defer os.Remove(file.Name())
	defer file.Close()
	list := List{RisePan: "backup", Version: version, Written: now.UTC().Truncate(time.Second)}
	archive := zip.NewWriter(file)
	err = s.Snapshot(ctx, func(q store.Queries) (err error) {
		list.Kitchens, err = writeKitchens(ctx, q, archive, now)
		return err
	})
	if err == nil {
		err = writeList(archive, list)
	}
	if err = errors.Join(err, archive.Close(), file.Sync()); err != nil {
		return list, fmt.Errorf("the backup was not written: %w", err)
	}
	if _, err := Verify(file.Name()); err != nil {
		return list, fmt.Errorf("the backup was written and cannot be read again: %w", err)
	}
	return list, os.Rename(file.Name(), path)
}

// writeKitchens writes every kitchen into the archive, those that were put away last, each with the file of the one
// that took its place.
func writeKitchens(ctx context.Context, q store.Queries, archive *zip.Writer, now time.Time) (out []Kitchen,
	err error) {
	shown, err := q.Kitchens(ctx)
	if err != nil {
		return nil, err
	}
	away, err := q.KitchensAway(ctx)
	if err != nil {
		return nil, err
	}
	files := map[string]string{} // by the kitchen's id
	for n, k := range slices.Concat(shown, away) {
		one, err := write(ctx, q, archive, k, n+1, now)
		if err != nil {
			return nil, err
		}
		files[k.ID] = one.File
		if one.Away = n >= len(shown); one.Away {
			beside, err := q.BesideOf(ctx, k.ID)
			if err != nil && !errors.Is(err, store.ErrNotFound) {
				return nil, err
			}
			one.Beside = files[beside]
		}
		out = append(out, one)
	}
	return out, nil
}

func write(ctx context.Context, q store.Queries, archive *zip.Writer, k store.KitchenName, n int,
	now time.Time) (Kitchen, error) {
	one := Kitchen{File: fmt.Sprintf("kitchen-%d.rise-pan.json", n), Name: k.Name}
	w, err := archive.Create(one.File)
	if err != nil {
		return one, err
	}
	sum, size := sha256.New(), counter(0)
	if one.Holds, err = q.WriteKitchen(ctx, k.ID, io.MultiWriter(w, sum, &size), now); err != nil {
		return one, err
	}
	one.Sum, one.Bytes = hex.EncodeToString(sum.Sum(nil)), int64(size)
	return one, nil
}

// counter counts bytes.
type counter int64

func (c *counter) Write(p []byte) (int, error) { *c += counter(len(p)); return len(p), nil }

func writeList(archive *zip.Writer, list List) error {
	w, err := archive.Create(listName)
	if err != nil {
		return err
	}
	b, err := json.Marshal(list, jsontext.WithIndent("  "))
	if err == nil {
		_, err = w.Write(b)
	}
	return err
}

// Verify reads a backup to its end and says what it holds. A partial or damaged one is an error that says what is
// wrong.
func Verify(path string) (List, error) {
	list := List{}
	archive, err := zip.OpenReader(path)
	if errors.Is(err, os.ErrNotExist) {
		return list, fmt.Errorf("there is no file %s", path)
	}
	if err != nil {
		return list, fmt.Errorf("%s is no whole backup: its end is missing (%w)", path, err)
	}
	defer archive.Close()
	f, err := archive.Open(listName)
	if err != nil {
		return list, fmt.Errorf("%s is no backup of Rise Pan: it has no list of kitchens", path)
	}
	err = json.UnmarshalRead(f, &list)
	f.Close()
	switch {
	case err != nil || list.RisePan != "backup":
		return list, fmt.Errorf("%s is damaged: its list of kitchens cannot be read", path)
	case list.Version > version:
		return list, fmt.Errorf("%s was written by a newer Rise Pan: bring this program up to date first", path)
	case len(archive.File) != len(list.Kitchens)+1:
		return list, fmt.Errorf("%s is damaged: it lists %d kitchens and holds %d", path, len(list.Kitchens),
			len(archive.File)-1)
	}
	for _, k := range list.Kitchens {
		if err := verify(archive, k); err != nil {
			return list, fmt.Errorf("%s is damaged: %s: %w", path, k.Name, err)
		}
	}
	return list, nil
}

func verify(archive *zip.ReadCloser, k Kitchen) error {
	f, err := archive.Open(k.File)
	if err != nil {
		return fmt.Errorf("its file %s is missing", k.File)
	}
	defer f.Close()
	sum := sha256.New()
	n, err := io.Copy(sum, f)
	switch {
	case err != nil:
		return err
	case n != k.Bytes:
		return fmt.Errorf("it has %d bytes, and %d should be there", n, k.Bytes)
	case hex.EncodeToString(sum.Sum(nil)) != k.Sum:
		return errors.New("it was changed since it was written: its sum differs")
	}
	return nil
}

// Restore verifies a backup and writes all its kitchens into a house that has none, whole or not at all.
func Restore(ctx context.Context, s *store.Store, path string) (List, error) {
	list, err := Verify(path)
	if err != nil {
		return list, err
	}
	archive, err := zip.OpenReader(path)
	if err != nil {
		return list, err
	}
	defer archive.Close()
	return list, s.Do(ctx, func(q store.Queries) error {
		there, err := q.Kitchens(ctx)
		if err != nil {
			return err
		}
		if len(there) > 0 {
			return fmt.Errorf("this house has the kitchen %s already: restore into another folder with --data, or "+
				"bring one kitchen in with rise-pan import", there[0].Name)
		}
		ids := map[string]string{} // by the kitchen's file; those that were put away come last
		for _, k := range list.Kitchens {
			id, err := restore(ctx, q, archive, k)
			if shown := ids[k.Beside]; err == nil && shown != "" {
				err = q.PutBeside(ctx, id, shown)
			}
			if err != nil {
				return fmt.Errorf("%s: %w", k.Name, err)
			}
			ids[k.File] = id
		}
		return nil
	})
}

func restore(ctx context.Context, q store.Queries, archive *zip.ReadCloser, k Kitchen) (id string, err error) {
	f, err := archive.Open(k.File)
	if err != nil {
		return "", err
	}
	defer f.Close()
	file, err := os.CreateTemp("", "rise-pan-kitchen-*")
	if err != nil {
		return "", err
	}
	defer os.Remove(file.Name())
	defer file.Close()
	if _, err := io.Copy(file, f); err != nil {
		return "", err
	}
	id, _, err = q.ReadKitchen(ctx, file)
	return id, err
}
