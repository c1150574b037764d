package main

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"os"
	"path/filepath"
	"strings"
	"time"

	"risepan/backup"
	"risepan/mariadb"
	"risepan/store"
)

// visiting runs f with the data folder's database, also while a Rise Pan serves it.
func visiting(ctx context.Context, log *slog.Logger, data string, f func(*store.Store) error) error {
	err := withStore(ctx, log, data, func(h rooms) error { return f(h.store) })
	if !errors.Is(err, mariadb.ErrInUse) {
		return err
	}
	return beside(ctx, log, data, func(r rooms) error { return f(r.store) })
}

// beside runs f with the database of another Rise Pan that serves the data folder.
func beside(ctx context.Context, _ *slog.Logger, data string, f func(rooms) error) error {
	db, err := mariadb.Visit(ctx, data)
	if err != nil {
		return err
	}
	s, err := store.Visit(ctx, db.DSN())
	if err != nil {
		return err
	}
	defer s.Close()
	return f(rooms{db, s})
}

// carry are the commands that carry kitchens out of a data folder and into one; each takes the name of a file.
var carry = map[string]func(ctx context.Context, s *store.Store, file, kitchen string, now time.Time) error{
	"export": exportKitchen, "import": importKitchen, "backup": backUp, "restore": restoreAll,
}

// exportKitchen writes a kitchen's file; of several kitchens, the one that is named.
func exportKitchen(ctx context.Context, s *store.Store, file, kitchen string, now time.Time) error {
	k, err := chosen(ctx, s, kitchen)
	if err != nil {
		return err
	}
	out, err := os.CreateTemp(filepath.Dir(file), ".rise-pan-export-*")
	if err != nil {
		return fmt.Errorf("cannot write beside %s: %w", file, err)
	}
	defer os.Remove(out.Name())
	defer out.Close()
	count, err := s.WriteKitchen(ctx, k.ID, out, now)
	if err = errors.Join(err, out.Sync()); err != nil {
		return err
	}
	if err := os.Rename(out.Name(), file); err != nil {
		return err
	}
	fmt.Printf("%s: %s\n", file, backup.Kitchen{Name: k.Name, Holds: count})
	return nil
}

// chosen is the kitchen of a name, or the only one.
func chosen(ctx context.Context, s *store.Store, name string) (store.KitchenName, error) {
	all, err := s.Kitchens(ctx)
	if err != nil {
		return store.KitchenName{}, err
	}
	var names []string
	for _, k := range all {
		if strings.EqualFold(k.Name, name) || name == "" && len(all) == 1 {
			return k, nil
		}
		names = append(names, k.Name)
	}
	if len(names) == 0 {
		return store.KitchenName{}, errors.New("this data folder has no kitchen")
	}
	return store.KitchenName{}, fmt.Errorf("say which kitchen with --kitchen: %s", strings.Join(names, ", "))
}

// importKitchen brings a kitchen's file in. Where there is a kitchen, the new one takes its place, and it is put aside.
func importKitchen(ctx context.Context, s *store.Store, file, kitchen string, _ time.Time) error {
	in, err := os.Open(file)
	if err != nil {
		return fmt.Errorf("there is no file %s", file)
	}
	defer in.Close()
	return s.Do(ctx, func(q store.Queries) error {
		there, err := q.Kitchens(ctx)
		if err != nil {
			return err
		}
		id, count, err := q.ReadKitchen(ctx, in)
		if err != nil {
			return fmt.Errorf("%s: %w", file, err)
		}
		k, err := q.Kitchen(ctx, id, 0)
		if err != nil {
			return err
		}
		fmt.Printf("brought in %s\n", backup.Kitchen{Name: k.Kitchen.Name, Holds: count})
		for _, t := range there {
			if len(there) == 1 && kitchen == "" || strings.EqualFold(t.Name, kitchen) {
				fmt.Printf("%s is put aside: it can be brought back on the Kitchen screen, under Carry away\n", t.Name)
				return q.Replace(ctx, t.ID, id)
			}
		}
		return nil
	})
}

func backUp(ctx context.Context, s *store.Store, file, _ string, now time.Time) error {
	list, err := backup.Write(ctx, s, file, now)
	if err != nil {
		return err
	}
	fmt.Printf("%s is written and verified\n", file)
	return say(list)
}

func restoreAll(ctx context.Context, s *store.Store, file, _ string, _ time.Time) error {
	list, err := backup.Restore(ctx, s, file)
	if err != nil {
		return err
	}
	fmt.Printf("restored from %s, written %s\n", file, list.Written.Format("2 January 2006, 15:04 UTC"))
	return say(list)
}

func say(list backup.List) error {
	for _, k := range list.Kitchens {
		fmt.Println("  " + k.String())
	}
	return nil
}
