package mariadb

import (
	"context"
	"database/sql"
	"errors"
	"io/fs"
	"log/slog"
	"net"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"syscall"
	"testing"
)

var quiet = slog.New(slog.DiscardHandler)

func start(t *testing.T, dir string) *Server {
	t.Helper()
	s, err := Start(context.Background(), dir, quiet)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Stop)
	return s
}

// run runs a statement as the application does.
func run(t *testing.T, s *Server, query string) {
	t.Helper()
	db, err := sql.Open("mysql", s.DSN())
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	if _, err := db.Exec(query); err != nil {
		t.Fatalf("%s: %v", query, err)
	}
}

// Databases that are made at the same moment keep out of each other's way: their temporary tables
// once stood in one common folder.
func TestSeveralDatabasesAreMadeAtOnce(t *testing.T) {
	var all sync.WaitGroup
	for range 6 {
		dir := t.TempDir()
		all.Go(func() {
			s, err := Start(context.Background(), dir, quiet)
			if err != nil {
				t.Error(err)
				return
			}
			s.Stop()
		})
	}
	all.Wait()
}

// Two first starts on one folder once ruined it, and a second server took the first one's database down.
func TestAFolderServesOneProcessAtATime(t *testing.T) {
	dir := t.TempDir()
	var all sync.WaitGroup
	var mu sync.Mutex
	var running []*Server
	for range 4 {
		all.Go(func() {
			s, err := Start(context.Background(), dir, quiet)
			mu.Lock()
			defer mu.Unlock()
			if err == nil {
				running = append(running, s)
			} else if !errors.Is(err, ErrInUse) {
				t.Errorf("a start beside another says %v", err)
			}
		})
	}
	all.Wait()
	if len(running) != 1 {
		t.Fatalf("%d of four starts on one folder run", len(running))
	}
	run(t, running[0], "CREATE TABLE loaf (id INT PRIMARY KEY)")
	if _, err := Start(context.Background(), dir, quiet); !errors.Is(err, ErrInUse) {
		t.Errorf("a second server on a live folder: %v", err)
	}
	run(t, running[0], "INSERT INTO loaf VALUES (1)")
	running[0].Stop()
	again := start(t, dir)
	run(t, again, "INSERT INTO loaf VALUES (2)")
}

// Whatever a broken-off first start, or a careless hand, leaves in the folder: the database that is there
// is kept, and what is not whole is made anew.
func TestFirstStartGoesOnFromWhatAnEarlierOneLeft(t *testing.T) {
	for name, leave := range map[string]func(dir string) error{
		"nothing but a lock": func(dir string) error {
			return os.WriteFile(filepath.Join(dir, "lock"), nil,
				0o600)
		},
		"a making that broke off": func(dir string) error {
			return os.MkdirAll(filepath.Join(dir, "making-1", "mysql"),
				0o700)
		},
		"an empty settings file": func(dir string) error {
			return os.WriteFile(filepath.Join(dir, "settings.json"),
				nil, 0o600)
		},
		"half a settings file": func(dir string) error {
			return os.WriteFile(filepath.Join(dir, "settings.json"), []byte(`{"port":33`), 0o600)
		},
		"a number nobody has": func(dir string) error {
			return os.WriteFile(filepath.Join(dir, "mariadb.pid"), []byte("4194000"), 0o600)
		},
		"another program's number": func(dir string) error {
			return os.WriteFile(filepath.Join(dir, "mariadb.pid"),
				[]byte("1"), 0o600)
		},
	} {
		t.Run(name, func(t *testing.T) {
			dir := t.TempDir()
			if err := leave(dir); err != nil {
				t.Fatal(err)
			}
			s := start(t, dir)
			run(t, s, "CREATE TABLE loaf (id INT PRIMARY KEY)")
			s.Stop()
			if err := leave(dir); err != nil {
				t.Fatal(err)
			}
			run(t, start(t, dir), "INSERT INTO loaf VALUES (1)") // the table is still there
		})
	}
}

func TestAFolderThatOthersCanLookIntoIsClosedToThem(t *testing.T) {
	dir := filepath.Join(t.TempDir(), "open")
	if err := os.Mkdir(dir, 0o755); err != nil {
		t.Fatal(err)
	}
	var said strings.Builder
	s, err := Start(context.Background(), dir, slog.New(slog.NewTextHandler(&said, nil)))
	if err != nil {
		t.Fatal(err)
	}
	defer s.Stop()
	if info, err := os.Stat(dir); err != nil || info.Mode().Perm() != 0o700 || !strings.Contains(said.String(),
		"open to others") {
		t.Errorf("the folder is %v (%v), and the log says %q", info.Mode(), err, said.String())
	}
	err = filepath.WalkDir(dir, func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || filepath.Dir(path) != dir {
			return err
		}
		if info, err := d.Info(); err == nil && info.Mode().IsRegular() && info.Mode().Perm()&0o077 != 0 &&
			filepath.Base(path) != "mariadb.pid" {
			t.Errorf("%s has the mode %v", path, info.Mode())
		}
		return nil
	})
	if err != nil {
		t.Error(err)
	}
}

// A database that comes back after its end may find its port taken; the application goes on with the DSN
// that it has.
func TestADatabaseThatComesBackOnAnotherPortIsFound(t *testing.T) {
	s := start(t, t.TempDir())
	dsn := s.DSN()
	run(t, s, "CREATE TABLE loaf (id INT PRIMARY KEY)")
	before := s.address()
	s.mu.Lock()
	exited := s.exited
	s.set.Port = 1 // another one; where this user may not listen there, a third is taken
	s.mu.Unlock()
	if err := syscall.Kill(s.Pid(), syscall.SIGKILL); err != nil {
		t.Fatal(err)
	}
	<-exited
	db, err := sql.Open("mysql", dsn)
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	for {
		if _, err := db.Exec("INSERT INTO loaf VALUES (1)"); err == nil {
			break
		}
		if t.Context().Err() != nil {
			t.Fatal("the database never came back")
		}
	}
	t.Logf("it was at %s and is at %s", before, s.address())
}

// A port that was free when the database was started may be another program's when it comes to listen there: it is
// started again on another.
func TestAPortThatIsTakenMeanwhile(t *testing.T) {
	dir := t.TempDir()
	first := start(t, dir)
	address, log := first.address(), first.path("mariadb.log")
	first.Stop()
	before, err := os.Stat(log)
	if err != nil {
		t.Fatal(err)
	}
	taken := make(chan net.Listener, 1)
	go func() { // as soon as it has begun, and long before it listens
		for {
			if now, err := os.Stat(log); err == nil && now.Size() > before.Size() {
				break
			}
		}
		l, _ := net.Listen("tcp", address)
		taken <- l
	}()
	s := start(t, dir)
	if l := <-taken; l != nil {
		defer l.Close()
		if s.address() == address {
			t.Errorf("it says that it listens at %s, where another program does", address)
		}
	} else {
		t.Errorf("%s could not be taken", address)
	}
	run(t, s, "CREATE TABLE loaf (id INT PRIMARY KEY)")
	if say := s.lastError(before.Size()); !strings.Contains(say, "port") {
		t.Errorf("the log says%q of it", say)
	}
}
