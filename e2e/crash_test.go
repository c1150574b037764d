package e2e

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"testing"
	"time"

	"risepan/e2e/drive"
)

func post(t *testing.T, url string, body any, key string, version ...string) (int, map[string]any) {
	t.Helper()
	b, err := json.Marshal(body)
	if err != nil {
		t.Fatal(err)
	}
	r, _ := http.NewRequest("POST", url, bytes.NewReader(b))
	r.Header.Set("Idempotency-Key", key)
	for _, v := range version {
		r.Header.Set("If-Match", v)
	}
	w, err := http.DefaultClient.Do(r)
	if err != nil {
		return 0, nil
	}
	defer w.Body.Close()
	text, _ := io.ReadAll(w.Body)
	var v map[string]any
	json.Unmarshal(text, &v)
	return w.StatusCode, v
}

func get(t *testing.T, url string) map[string]any {
	t.Helper()
	w, err := http.Get(url)
	if err != nil {
		t.Fatal(err)
	}
	defer w.Body.Close()
	var v map[string]any
	if err := json.NewDecoder(w.Body).Decode(&v); err != nil {
		t.Fatal(err)
	}
	return v
}

// again tries until what is expected of a server that may be down comes true, as a client does.
func again(t *testing.T, s *drive.Server, expected string, try func() bool) {
	t.Helper()
	const patience = 30 * time.Second
	ctx, cancel := context.WithTimeout(t.Context(), patience)
	defer cancel()
	for tick := time.NewTicker(50 * time.Millisecond); !try(); {
		select {
		case <-ctx.Done():
			t.Fatalf("expected %s\n%s", expected, s.Said())
		case <-tick.C:
		}
	}
}

// kitchenOf is the address of a server's kitchen in the API.
func kitchenOf(t *testing.T, s *drive.Server) string {
	t.Helper()
	var at string
	again(t, s, "the server to name its kitchen", func() (ok bool) {
		var err error
		at, err = s.Kitchen()
		return err == nil
	})
	return at
}

// startLoaf starts a bake of the first recipe and returns its id.
func startLoaf(t *testing.T, s *drive.Server) string {
	t.Helper()
	kitchen := kitchenOf(t, s)
	shelf := get(t, kitchen)
	first := func(list string) any { return shelf[list].([]any)[0].(map[string]any)["id"] }
	wish := map[string]any{"recipe": first("recipes"), "machine": first("machines"),
		"loaf": map[string]any{"size": "1 1/2 lb"}, "time": map[string]any{"atPanel": true}}
	_, plan := post(t, kitchen+"/plan", wish, "p")
	status, bake := post(t, kitchen+"/bakes", map[string]any{"wish": wish, "digest": plan["digest"]}, "start")
	if status != 201 {
		t.Fatalf("the bake did not start: %d %v", status, bake)
	}
	return bake["id"].(string)
}

// Whatever is killed, and whenever: each happening that was acknowledged is there afterwards, in
// order, and none twice.
func TestNothingAcknowledgedIsLostWhenServerOrDatabaseIsKilled(t *testing.T) {
	s := serve(t)
	id := startLoaf(t, s)
	acknowledged := 0
	happenings := kitchenOf(t, s) + "/bakes/" + id + "/happenings"
	tell := func(n int) {
		what := map[string]any{"what": "done", "moment": "look"}
		again(t, s, fmt.Sprintf("happening %d to be taken", n), func() bool {
			status, _ := post(t, happenings, what, fmt.Sprint("h", n))
			return status == 201
		})
		acknowledged++
	}
	for n := range 24 {
		switch n {
		case 8:
			kill(t, filepath.Join(s.Data, "mariadb.pid"))
		case 16:
			s.Kill()
			if err := s.Start(context.Background()); err != nil {
				t.Fatal(err)
			}
		case 20:
			kill(t, filepath.Join(s.Data, "mariadb.pid"))
			s.Kill()
			if err := s.Start(context.Background()); err != nil {
				t.Fatal(err)
			}
		}
		tell(n)
	}
	bake := get(t, kitchenOf(t, s)+"/bakes/"+id)
	happened := bake["happenings"].([]any)
	if len(happened) != acknowledged {
		t.Errorf("%d happenings were acknowledged, %d are there", acknowledged, len(happened))
	}
	for n, h := range happened {
		if seq := h.(map[string]any)["seq"].(float64); int(seq) != n+1 {
			t.Errorf("happening %d has the number %v", n+1, seq)
		}
	}
}

// A rehearsal stands in the database as a bake does: killed in the middle, it goes on from where it was.
func TestARehearsalOutlivesItsServer(t *testing.T) {
	s := serve(t)
	kitchen := kitchenOf(t, s)
	shelf := get(t, kitchen)
	first := func(list string) any { return shelf[list].([]any)[0].(map[string]any)["id"] }
	wish := map[string]any{"recipe": first("recipes"), "machine": first("machines"),
		"loaf": map[string]any{"size": "1 1/2 lb"}, "time": map[string]any{"atPanel": true}}
	status, made := post(t, kitchen+"/rehearsals", map[string]any{"wish": wish}, "practice")
	if status != 201 {
		t.Fatalf("no rehearsal: %d %v", status, made)
	}
	at := kitchen + "/rehearsals/" + made["id"].(string)
	for n, did := range []map[string]any{{"what": "paced", "pace": 600}, {"what": "pressed", "button": "Start"}} {
		if status, v := post(t, at+"/happenings", did, fmt.Sprint("did", n)); status != 201 {
			t.Fatalf("%v: %d %v", did, status, v)
		}
	}
	kill(t, filepath.Join(s.Data, "mariadb.pid"))
	s.Kill()
	if err := s.Start(context.Background()); err != nil {
		t.Fatal(err)
	}
	state := func() map[string]any { return get(t, at+"?only=state")["state"].(map[string]any) }
	if phase := state()["phase"]; phase != "running" {
		t.Errorf("after the kill the stand-in's phase is %v", phase)
	}
	again(t, s, "the clock to come to the dough ball and wait", func() bool { return state()["waits"] != nil })
}

func kill(t *testing.T, pidFile string) {
	t.Helper()
	b, err := os.ReadFile(pidFile)
	if err != nil {
		t.Fatal(err)
	}
	pid, err := strconv.Atoi(strings.TrimSpace(string(b)))
	if err != nil || syscall.Kill(pid, syscall.SIGKILL) != nil {
		t.Fatalf("cannot kill the database %q: %v", b, err)
	}
}

// A start that cannot be gives one clear line and a non-zero exit.
func TestStartsThatCannotBeSayWhyInOneLine(t *testing.T) {
	taken, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer taken.Close()
	port := strconv.Itoa(taken.Addr().(*net.TCPAddr).Port)
	file := filepath.Join(t.TempDir(), "file")
	if err := os.WriteFile(file, nil, 0o600); err != nil {
		t.Fatal(err)
	}
	broken := filepath.Join(t.TempDir(), "broken")
	if err := os.MkdirAll(filepath.Join(broken, "data"), 0o700); err != nil {
		t.Fatal(err)
	}
	os.WriteFile(filepath.Join(broken, "settings.json"), []byte(`{"port":1,"password":"x"}`), 0o600)
	os.WriteFile(filepath.Join(broken, "made"), nil, 0o600)
	for _, c := range []struct{ args, say string }{
		{"serve --port " + port + " --data " + t.TempDir(), "port " + port + " is in use"},
		{"serve --port 0 --data " + file + "/below", "data folder"},
		{"serve --port 0 --data " + broken, "did not come up"},
		{"serve --port loaf", "port"},
		{"knead", "no command"},
	} {
		out, err := exec.Command(kitchen.program, strings.Fields(c.args)...).CombinedOutput()
		if err == nil || !strings.Contains(string(out), c.say) || strings.Contains(string(out), "panic") {
			t.Errorf("rise-pan %s: %v, says %q; want %q", c.args, err, out, c.say)
		}
	}
	for args, say := range map[string]string{"--port loaf": "--port wants a number",
		"--port 70000": "--port wants a number", "--colour": "unknown option", "--data": "--data wants a folder"} {
		out, err := exec.Command(filepath.Join(drive.Root(), "start"), strings.Fields(args)...).CombinedOutput()
		if err == nil || !strings.Contains(string(out), say) || strings.Count(string(out), "\n") != 1 {
			t.Errorf("./start %s: %v, says %q; want the one line %q", args, err, out, say)
		}
	}
}

func TestASecondStartIsQuickAndKeepsTheKitchen(t *testing.T) {
	s := serve(t)
	id := startLoaf(t, s)
	if err := s.Stop(); err != nil {
		t.Fatal(err)
	}
	if _, err := os.Stat(filepath.Join(s.Data, "mariadb.pid")); err == nil {
		t.Error("after a clean stop the database still runs")
	}
	began := time.Now()
	if err := s.Start(context.Background()); err != nil {
		t.Fatal(err)
	}
	t.Logf("second start of the server: %.1f s", time.Since(began).Seconds())
	if got := get(t, kitchenOf(t, s)+"/bakes/"+id)["id"]; got != id {
		t.Errorf("after a restart the bake is %v", got)
	}
}
