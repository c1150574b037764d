package main

import (
	"context"
	"fmt"
	"io"
	"net"
	"path/filepath"
	"strings"
	"syscall"
	"time"

	"risepan/e2e/drive"
)

// crowd is one way to wear a server out by connections alone.
type crowd struct {
	name string
	n    int
	open func(c net.Conn) error // what each of them sends, once
	drip []byte                 // and then again and again
}

// wear has readers that read nothing, connections that say nothing and restores that trickle in wait at a server, and
// tells how long another household waits for its plan meanwhile, and what memory the server holds.
func wear(temp string) error {
	program, err := drive.Build(temp)
	if err != nil {
		return err
	}
	s, err := drive.Serve(context.Background(), program, filepath.Join(temp, "data"))
	if err != nil {
		return err
	}
	defer s.Stop()
	owner, other := &writer{servers: []string{s.URL}}, &writer{n: 1, servers: []string{s.URL}}
	for n, w := range []*writer{owner, other} {
		if err := w.found([]string{"Wharf House", "Mill Cottage"}[n]); err != nil {
			return err
		}
	}
	var shelf struct{ Machines, Recipes []struct{ ID string } }
	if err := other.ask("GET", "", nil, "", &shelf); err != nil {
		return err
	}
	wish := map[string]any{"recipe": shelf.Recipes[0].ID, "machine": shelf.Machines[0].ID,
		"loaf": map[string]any{"size": "1 lb"}}
	asks := func(request string) func(net.Conn) error {
		return func(c net.Conn) error { _, err := io.WriteString(c, request); return err }
	}
	host := "Host: 127.0.0.1\r\nCookie: " + owner.cookie + "\r\n"
	get := func(path string) string { return "GET " + path + " HTTP/1.1\r\n" + host + "\r\n" }
	crowds := []crowd{
		{"readers that read nothing", 400, asks(strings.Repeat(get("/api/v1/openapi.json"), 40)), nil},
		{"connections that say nothing", min(10_000, files()-200), func(net.Conn) error { return nil }, nil},
		{"restores that trickle in", 200, asks("POST " + owner.kitchen + "/restore HTTP/1.1\r\n" + host +
			"Idempotency-Key: r\r\nContent-Length: 60000000\r\n\r\n{\"risePan\":\"kitchen\","), []byte(" ")},
		{"photos that trickle in", 200, asks("POST " + owner.kitchen + "/bakes/" + shelf.Recipes[0].ID +
			"/photos HTTP/1.1\r\n" +
			host + "Idempotency-Key: p\r\nContent-Length: 9000000\r\n\r\n\x89PNG"), []byte{0}},
	}
	for _, c := range crowds {
		if err := c.wear(s, other, wish); err != nil {
			return fmt.Errorf("%s: %w", c.name, err)
		}
	}
	return nil
}

// files is how many files and connections a process may have open.
func files() int {
	var l syscall.Rlimit
	if syscall.Getrlimit(syscall.RLIMIT_NOFILE, &l) != nil {
		return 1000
	}
	return int(l.Cur)
}

// worn is how long each crowd stands there.
const worn = 40 * time.Second

func (c crowd) wear(s *drive.Server, other *writer, wish map[string]any) error {
	before := resident(s.PID())
	var all []net.Conn
	defer func() {
		for _, conn := range all {
			conn.Close()
		}
	}()
	address := strings.TrimPrefix(s.URL, "http://")
	for range c.n {
		conn, err := net.Dial("tcp", address)
		if err != nil {
			return err
		}
		if tcp, ok := conn.(*net.TCPConn); ok {
			_ = tcp.SetReadBuffer(4 << 10)
		}
		all = append(all, conn)
		if err := c.open(conn); err != nil {
			return err
		}
	}
	var waits []time.Duration
	most := int64(0)
	for began := time.Now(); time.Since(began) < worn; time.Sleep(25 * time.Millisecond) {
		asked := time.Now()
		if err := other.ask("POST", "/plan", wish, "", nil); err != nil {
			return err
		}
		waits = append(waits, time.Since(asked))
		most = max(most, resident(s.PID()))
		for _, conn := range all {
			if c.drip != nil && len(waits)%40 == 0 {
				_, _ = conn.Write(c.drip) // it may be cut off by now
			}
		}
	}
	cut := 0
	for _, conn := range all {
		if gone(conn) {
			cut++
		}
	}
	fmt.Printf("%d %s: another's plan p50 %d, p99 %d, most %d ms; resident %d MB before, %d at the most; %d were cut "+
		"off after %s\n", c.n, c.name, at(waits, 0.5), at(waits, 0.99), at(waits, 1), before>>20, most>>20, cut, worn)
	return nil
}

// gone reports whether the other side has ended a connection, after whatever of an answer had come.
func gone(conn net.Conn) bool {
	_ = conn.SetReadDeadline(time.Now().Add(50 * time.Millisecond))
	for buffer := make([]byte, 64<<10); ; {
		_, err := conn.Read(buffer)
		if timeout, ok := err.(net.Error); ok && timeout.Timeout() {
			return false
		}
		if err != nil {
			return true
		}
	}
}
