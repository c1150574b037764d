package mariadb

import (
	"context"
	"crypto/rand"
	"encoding/json"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"syscall"
)

// prepare reads the settings, or makes new ones, and the database's own tables where there are none.
// They are made aside and moved into place whole, so that a making that was broken off leaves nothing
// that could be taken for a database.
func (s *Server) prepare(ctx context.Context) error {
	if err := os.MkdirAll(s.path("tmp"), 0o700); err != nil {
		return fmt.Errorf("cannot write to the data folder: %w", err)
	}
	if b, err := os.ReadFile(s.path("settings.json")); err != nil || json.Unmarshal(b, &s.set) != nil ||
		s.set.Port <= 0 || s.set.Password == "" {
		s.set = settings{Port: freePort(), Password: rand.Text()} // the account is given the new password
		if err := s.save(); err != nil {
			return err
		}
	}
	if _, err := os.Stat(s.path("data")); err == nil {
		return nil
	}
	old, _ := filepath.Glob(s.path("making-*"))
	for _, dir := range old {
		os.RemoveAll(dir) // what cannot go yet, for a making that lost its start still writes there, goes next time
	}
	making, err := os.MkdirTemp(s.dir, "making-")
	if err != nil {
		return fmt.Errorf("cannot write to the data folder: %w", err)
	}
	// With a folder of its own for temporary tables: two made at once in a common one take each
	// other's.
	cmd := exec.CommandContext(ctx, "mariadb-install-db", asRoot("--no-defaults",
		"--auth-root-authentication-method=normal",
		"--skip-test-db", "--datadir="+making, "--tmpdir="+s.path("tmp"))...)
	cmd.SysProcAttr = &syscall.SysProcAttr{Setpgid: true}
	cmd.Cancel = func() error { return syscall.Kill(-cmd.Process.Pid, syscall.SIGKILL) }
	if out, err := cmd.CombinedOutput(); err != nil {
		if ctx.Err() != nil {
			return ctx.Err()
		}
		return fmt.Errorf("mariadb-install-db failed in %s: %s", s.dir, firstError(string(out), err))
	}
	if err := os.Rename(making, s.path("data")); err != nil {
		return fmt.Errorf("cannot write to the data folder: %w", err)
	}
	return nil
}

// save writes the settings whole or not at all.
func (s *Server) save() error {
	b, err := json.Marshal(s.set)
	if err == nil {
		err = os.WriteFile(s.path("settings.new"), b, 0o600)
	}
	if err == nil {
		err = os.Rename(s.path("settings.new"), s.path("settings.json"))
	}
	if err != nil {
		return fmt.Errorf("cannot write to the data folder: %w", err)
	}
	return nil
}

// firstError is the line of a tool's output that says what went wrong.
func firstError(out string, err error) string {
	for line := range strings.Lines(out) {
		if strings.Contains(line, "ERROR") {
			return strings.TrimSpace(line)
		}
	}
	lines := strings.Split(strings.TrimSpace(out), "\n")
	if last := strings.TrimSpace(lines[len(lines)-1]); last != "" {
		return last
	}
	return err.Error()
}
