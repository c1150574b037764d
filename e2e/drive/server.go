// Package drive runs the real server and drives its pages in headless Chromium, as a baker would:
// by what is written on a button and with a real mouse and keyboard.
package drive

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"strings"
	"sync"
	"syscall"
)

// Server is a running rise-pan with a database of its own.
type Server struct {
	URL  string
	Data string // the data folder

	program string
	cmd     *exec.Cmd
	mu      sync.Mutex
	said    strings.Builder
}

// Build compiles rise-pan into the folder.
func Build(folder string) (program string, err error) {
	program = filepath.Join(folder, "rise-pan")
	out, err := exec.Command("go", "build", "-o", program, "risepan/cmd/rise-pan").CombinedOutput()
	if err != nil {
		return "", fmt.Errorf("rise-pan does not build: %s", out)
	}
	return program, nil
}

// Serve starts the program on a free port with a data folder.
func Serve(ctx context.Context, program, data string, flags ...string) (*Server, error) {
	s := &Server{Data: data, program: program}
	return s, s.Start(ctx, flags...)
}

var readyLine = regexp.MustCompile(`ready at (https?://\S+)`)

// Start starts the server, again after a Kill or Stop on the port that it had.
func (s *Server) Start(ctx context.Context, flags ...string) error {
	port := "0"
	if s.URL != "" {
		port = s.URL[strings.LastIndex(s.URL, ":")+1:]
	}
	s.cmd = exec.CommandContext(ctx, s.program, append([]string{"serve", "--data", s.Data, "--port", port},
		flags...)...)
	s.cmd.SysProcAttr = &syscall.SysProcAttr{Setpgid: true}
	stdout, err := s.cmd.StdoutPipe()
	if err != nil {
		return err
	}
	s.cmd.Stderr = (*said)(s)
	if err := s.cmd.Start(); err != nil {
		return err
	}
	lines := bufio.NewScanner(stdout)
	for lines.Scan() {
		if m := readyLine.FindStringSubmatch(lines.Text()); m != nil {
			s.URL = m[1]
			go func() {
				for lines.Scan() {
				}
			}()
			return nil
		}
	}
	s.cmd.Wait()
	return fmt.Errorf("the server did not start: %s", s.Said())
}

// said collects what the server writes to its log.
type said Server

func (w *said) Write(b []byte) (int, error) {
	w.mu.Lock()
	defer w.mu.Unlock()
	return w.said.Write(b)
}

// Said is the server's log so far, over all its starts.
func (s *Server) Said() string {
	s.mu.Lock()
	defer s.mu.Unlock()
	return s.said.String()
}

// PID is the server's process.
func (s *Server) PID() int { return s.cmd.Process.Pid }

// Kill ends the server at once, as a crash would; its database goes on running.
func (s *Server) Kill() {
	s.cmd.Process.Kill()
	s.cmd.Wait()
}

// Stop ends server and database cleanly.
func (s *Server) Stop() error {
	s.cmd.Process.Signal(os.Interrupt)
	return s.cmd.Wait()
}

// Kitchen is the address of the house's first kitchen in the API.
func (s *Server) Kitchen() (string, error) {
	r, err := http.Get(s.URL + "/api/v1/kitchens")
	if err != nil {
		return "", err
	}
	defer r.Body.Close()
	var all struct{ Kitchens []struct{ ID string } }
	if err := json.NewDecoder(r.Body).Decode(&all); err != nil || len(all.Kitchens) == 0 {
		return "", fmt.Errorf("the house has no kitchen: %v", err)
	}
	return s.URL + "/api/v1/kitchens/" + all.Kitchens[0].ID, nil
}
