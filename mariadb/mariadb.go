// Package mariadb runs a private MariaDB server on loopback, in a folder, port and socket of its
// own; it never touches the system's.
package mariadb

import (
	"context"
	"database/sql"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"net"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"time"

	"github.com/go-sql-driver/mysql"
)

const (
	database = "risepan"
	account  = "risepan"
)

// settings is what a server's folder remembers between starts.
type settings struct {
	Port     int    `json:"port"`
	Password string `json:"password"`
}

// Server is a private MariaDB. Its folder holds data/, the settings, the log, the lock of whoever uses
// it and, where its path is short enough, the socket.
type Server struct {
	dir    string
	socket string
	lock   *os.File
	log    *slog.Logger

	mu      sync.Mutex
	set     settings
	stopped bool
	visited bool          // another process serves it
	exited  chan struct{} // closed when the child ends; nil for a server that was found running
}

// ErrInUse is returned for a folder that another Rise Pan uses.
var ErrInUse = errors.New("another Rise Pan is using this data folder: stop that one first, or choose another " +
	"folder with --data")

// Start makes the folder's database when it is new, and starts its server or reuses the one that
// an earlier, killed process left behind. It returns when the server answers. A folder serves one
// process at a time.
func Start(ctx context.Context, dir string, log *slog.Logger) (*Server, error) {
	dir, err := filepath.Abs(dir)
	if err != nil {
		return nil, err
	}
	s := &Server{dir: dir, log: log, socket: filepath.Join(dir, "db.sock")}
	if err := s.claim(); err != nil {
		return nil, err
	}
	if err := s.start(ctx); err != nil {
		s.lock.Close()
		return nil, err
	}
	s.register()
	go s.watch()
	return s, nil
}

// Visit finds the server of a folder that another process uses. Stop then leaves it running.
func Visit(ctx context.Context, dir string) (*Server, error) {
	dir, err := filepath.Abs(dir)
	if err != nil {
		return nil, err
	}
	s := &Server{dir: dir, visited: true}
	b, err := os.ReadFile(s.path("settings.json"))
	if err == nil {
		err = json.Unmarshal(b, &s.set)
	}
	if err != nil {
		return nil, fmt.Errorf("there is no kitchen in %s", dir)
	}
	s.register()
	if err := s.ping(ctx, s.DSN()); err != nil {
		return nil, fmt.Errorf("the database of %s does not answer: %w", dir, err)
	}
	return s, nil
}

// register lets data source names find this folder's server.
func (s *Server) register() {
	mysql.RegisterDialContext(fmt.Sprintf("rise-pan-%08x", hash(s.dir)), func(ctx context.Context, _ string) (net.Conn,
		error) {
		var d net.Dialer
		return d.DialContext(ctx, "tcp", s.address())
	})
}

func (s *Server) start(ctx context.Context) (err error) {
	if len(s.socket) > longestSocket {
		if s.socket, err = shortSocket(s.dir); err != nil {
			return err
		}
	}
	if err := s.prepare(ctx); err != nil {
		return err
	}
	if s.left(ctx) {
		s.log.Info("reusing the database that is still running", "folder", s.dir)
	} else if err := s.launch(ctx); err != nil {
		return err
	}
	if err := s.account(ctx); err != nil {
		s.shut()
		return fmt.Errorf("the database in %s cannot be set up: %w", s.dir, err)
	}
	return nil
}

// claim makes the folder, keeps others out of it and takes it for this process. The lock goes with the
// process, however that ends.
func (s *Server) claim() error {
	if err := os.MkdirAll(s.dir, 0o700); err != nil {
		return fmt.Errorf("cannot make the data folder %s: %w", s.dir, errors.Unwrap(err))
	}
	info, err := os.Stat(s.dir)
	if err != nil {
		return err
	}
	if info.Mode().Perm()&0o077 != 0 { // whoever reaches the socket is the database's root
		if err := os.Chmod(s.dir, 0o700); err != nil {
			return fmt.Errorf("others can look into the data folder %s, and it cannot be closed to them: %w", s.dir,
				errors.Unwrap(err))
		}
		s.log.Warn("the data folder was open to others; now only you can look into it", "folder", s.dir)
	}
	if s.lock, err = os.OpenFile(s.path("lock"), os.O_CREATE|os.O_RDWR, 0o600); err != nil {
		return fmt.Errorf("cannot write to the data folder: %w", err)
	}
	if err := syscall.Flock(int(s.lock.Fd()), syscall.LOCK_EX|syscall.LOCK_NB); err != nil {
		s.lock.Close()
		return ErrInUse
	}
	return nil
}

// longestSocket is what a Unix socket's address holds, less its closing zero.
const longestSocket = 106

func shortSocket(dir string) (string, error) {
	short := filepath.Join(os.TempDir(), fmt.Sprintf("rise-pan-%d-%08x", os.Getuid(), hash(dir)))
	if err := os.MkdirAll(short, 0o700); err != nil {
		return "", fmt.Errorf("cannot make a folder for the database's socket: %w", err)
	}
	if info, err := os.Lstat(short); err != nil || !info.IsDir() || info.Mode().Perm() != 0o700 {
		return "", fmt.Errorf("the folder %s for the database's socket belongs to somebody else", short)
	}
	return filepath.Join(short, "db.sock"), nil
}

func hash(s string) (h uint32) {
	for _, b := range []byte(s) {
		h = h*16777619 ^ uint32(b)
	}
	return h
}

func (s *Server) path(name string) string { return filepath.Join(s.dir, name) }

// left reports whether the server of an earlier process still runs in this folder; one that is still
// coming up is waited for.
func (s *Server) left(ctx context.Context) bool {
	for {
		if s.ping(ctx, s.rootDSN()) == nil {
			return true
		}
		if !s.alive() || ctx.Err() != nil {
			return false
		}
		time.Sleep(50 * time.Millisecond)
	}
}

// asRoot tells a server that root starts to run as root knowingly.
func asRoot(args ...string) []string {
	if os.Getuid() == 0 {
		args = append(args, "--user=root")
	}
	return args
}

// errExited is for a mariadbd that ended before it answered.
var errExited = errors.New("the database did not come up")

// launch starts mariadbd and waits until it answers. Where another program took its port in between, it is started
// again on another.
func (s *Server) launch(ctx context.Context) error {
	const tries = 3
	for n := 1; ; n++ {
		err := s.launchOnce(ctx)
		if !errors.Is(err, errExited) || n == tries || portFree(s.port()) {
			return err
		}
		s.log.Warn("the database's port was taken; trying another")
	}
}

func (s *Server) port() int {
	s.mu.Lock()
	defer s.mu.Unlock()
	return s.set.Port
}

// launchOnce starts mariadbd in a process group of its own, so that Ctrl-C reaches it only through us,
// and waits until it answers.
func (s *Server) launchOnce(ctx context.Context) error {
	program, err := exec.LookPath("mariadbd")
	if err != nil {
		if program, err = exec.LookPath("/usr/sbin/mariadbd"); err != nil {
			return errors.New("mariadbd is missing: install Debian's package mariadb-server-core")
		}
	}
	s.mu.Lock()
	if !portFree(s.set.Port) {
		s.set.Port = freePort()
		if err := s.save(); err != nil {
			s.mu.Unlock()
			return err
		}
	}
	port := s.set.Port
	s.mu.Unlock()
	log, err := os.OpenFile(s.path("mariadb.log"), os.O_CREATE|os.O_APPEND|os.O_WRONLY, 0o600)
	if err != nil {
		return fmt.Errorf("cannot write to the data folder: %w", err)
	}
	defer log.Close()
	before, err := log.Seek(0, io.SeekEnd)
	if err != nil {
		return fmt.Errorf("cannot write to the data folder: %w", err)
	}
	cmd := exec.Command(program, asRoot("--no-defaults", "--bind-address=127.0.0.1", "--port="+strconv.Itoa(port),
		"--socket="+s.socket, "--datadir="+s.path("data"), "--tmpdir="+s.path("tmp"), "--pid-file="+
			s.path("mariadb.pid"),
		"--character-set-server=utf8mb4", "--collation-server=utf8mb4_uca1400_ai_ci",
		"--default-time-zone=+00:00", "--skip-name-resolve", "--innodb-flush-log-at-trx-commit=1",
		"--query-cache-type=1", "--query-cache-size=16M")...)
	cmd.Stdout, cmd.Stderr = log, log
	cmd.SysProcAttr = &syscall.SysProcAttr{Setpgid: true}
	if err := cmd.Start(); err != nil {
		return fmt.Errorf("mariadbd does not start: %w", err)
	}
	exited := make(chan struct{})
	go func() { cmd.Wait(); close(exited) }()
	s.mu.Lock()
	s.exited = exited
	s.mu.Unlock()

	patience := time.After(60 * time.Second)
	for s.ping(ctx, s.rootDSN()) != nil {
		select {
		case <-ctx.Done():
			syscall.Kill(cmd.Process.Pid, syscall.SIGTERM)
			<-exited
			return ctx.Err()
		case <-exited:
			return fmt.Errorf("%w%s: see %s", errExited, s.lastError(before), s.path("mariadb.log"))
		case <-patience:
			syscall.Kill(cmd.Process.Pid, syscall.SIGKILL)
			return fmt.Errorf("the database did not come up within a minute: see %s", s.path("mariadb.log"))
		case <-time.After(30 * time.Millisecond):
		}
	}
	return nil
}

// lastError is what the database's log says last of an error behind a place in it, in brackets; nothing where it says
// nothing.
func (s *Server) lastError(from int64) string {
	log, err := os.ReadFile(s.path("mariadb.log"))
	if err != nil || int64(len(log)) < from {
		return ""
	}
	lines := strings.Split(string(log[from:]), "\n")
	for n := len(lines) - 1; n >= 0; n-- {
		if _, say, ok := strings.Cut(lines[n], "[ERROR] "); ok && !strings.HasPrefix(say, "Aborting") {
			return " (" + say + ")"
		}
	}
	return ""
}

// account makes the application's database and account, and leaves root no way in but the socket.
func (s *Server) account(ctx context.Context) error {
	db, err := sql.Open("mysql", s.rootDSN())
	if err != nil {
		return err
	}
	defer db.Close()
	for _, q := range []string{
		"CREATE DATABASE IF NOT EXISTS " + database,
		"CREATE USER IF NOT EXISTS '" + account + "'@'127.0.0.1'",
		"ALTER USER '" + account + "'@'127.0.0.1' IDENTIFIED BY '" + s.set.Password + "'",
		"GRANT ALL ON `" + database + "%`.* TO '" + account + "'@'127.0.0.1'",
		"DROP USER IF EXISTS 'root'@'127.0.0.1', 'root'@'::1', 'root'@'" + hostname() + "'",
	} {
		if _, err := db.ExecContext(ctx, q); err != nil {
			return err
		}
	}
	return nil
}

// watch starts the server again when it dies while it is wanted.
func (s *Server) watch() {
	for {
		s.mu.Lock()
		exited, stopped := s.exited, s.stopped
		s.mu.Unlock()
		if stopped {
			return
		}
		if exited == nil { // found running: no child of ours to wait for
			time.Sleep(time.Second)
			if s.ping(context.Background(), s.rootDSN()) == nil || s.alive() {
				continue
			}
		} else {
			<-exited
		}
		s.mu.Lock()
		stopped = s.stopped
		s.mu.Unlock()
		if stopped {
			return
		}
		s.log.Warn("the database stopped; starting it again")
		if err := s.launch(context.Background()); err != nil {
			s.log.Error("the database does not come back", "error", err)
			time.Sleep(2 * time.Second)
		}
	}
}

// Pid is the process of its mariadbd; 0: none is known.
func (s *Server) Pid() int {
	b, err := os.ReadFile(s.path("mariadb.pid"))
	if err != nil {
		return 0
	}
	pid, _ := strconv.Atoi(strings.TrimSpace(string(b)))
	return pid
}

// alive reports whether the process that the folder names still runs on its data. A number that another
// program was given since is not taken for it.
func (s *Server) alive() bool {
	pid := s.Pid()
	if pid <= 0 {
		return false
	}
	line, err := os.ReadFile(fmt.Sprintf("/proc/%d/cmdline", pid))
	if err != nil {
		return !errors.Is(err, os.ErrNotExist) && syscall.Kill(pid, 0) == nil
	}
	return strings.Contains(string(line), "--datadir="+s.path("data"))
}

// Stop shuts the server down cleanly, waits for its end and gives the folder free.
func (s *Server) Stop() {
	if s.visited {
		return
	}
	s.shut()
	s.lock.Close()
}

func (s *Server) shut() {
	s.mu.Lock()
	if s.stopped {
		s.mu.Unlock()
		return
	}
	s.stopped = true
	exited := s.exited
	s.mu.Unlock()
	if s.alive() {
		syscall.Kill(s.Pid(), syscall.SIGTERM)
	}
	deadline := time.Now().Add(20 * time.Second)
	for time.Now().Before(deadline) {
		if exited == nil && !s.alive() {
			return
		}
		select {
		case <-exited: // never ready when nil
			return
		case <-time.After(20 * time.Millisecond):
		}
	}
}

// DSN is the application's data source name. It holds in this process, also where the server comes back
// on another port.
func (s *Server) DSN() string {
	c := config()
	c.User, c.Passwd, c.DBName = account, s.set.Password, database
	c.Net, c.Addr = fmt.Sprintf("rise-pan-%08x", hash(s.dir)), "database"
	return c.FormatDSN()
}

// address is where the server listens just now: a server that came back may have another port.
func (s *Server) address() string {
	s.mu.Lock()
	defer s.mu.Unlock()
	return net.JoinHostPort("127.0.0.1", strconv.Itoa(s.set.Port))
}

func (s *Server) rootDSN() string {
	c := config()
	c.User, c.Net, c.Addr = "root", "unix", s.socket
	return c.FormatDSN()
}

func config() *mysql.Config {
	c := mysql.NewConfig()
	c.ParseTime, c.Loc, c.InterpolateParams = true, time.UTC, true
	c.Params = map[string]string{"time_zone": "'+00:00'"}
	c.Timeout = 5 * time.Second
	c.Logger = &mysql.NopLogger{}
	return c
}

func (s *Server) ping(ctx context.Context, dsn string) error {
	db, err := sql.Open("mysql", dsn)
	if err != nil {
		return err
	}
	defer db.Close()
	ctx, cancel := context.WithTimeout(ctx, 2*time.Second)
	defer cancel()
	return db.PingContext(ctx)
}

func hostname() string {
	h, err := os.Hostname()
	if err != nil || strings.ContainsAny(h, "'\\") {
		return "localhost.invalid"
	}
	return strings.ToLower(h)
}

func freePort() int {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 33060
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port
}

func portFree(port int) bool {
	l, err := net.Listen("tcp", net.JoinHostPort("127.0.0.1", strconv.Itoa(port)))
	if err != nil {
		return false
	}
	l.Close()
	return true
}
