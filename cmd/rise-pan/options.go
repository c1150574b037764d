package main

import (
	"context"
	"crypto/tls"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"net/netip"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"time"

	"rsc.io/qr"

	"risepan/api"
	"risepan/demo"
	"risepan/lan"
	"risepan/ui"
	"risepan/usecase"
)

// options are what the command line says.
type options struct {
	data, kitchen string
	port          int
	empty         bool
	ahead         time.Duration

	house           bool
	listen          string
	hosts           []string
	tls             string
	tlsCert, tlsKey string
	proxies         []netip.Prefix
	proxied         bool
	beside          bool
	metrics         int
	log             string
}

func (o *options) addHost(name string) error {
	o.hosts = append(o.hosts, strings.ToLower(name))
	return nil
}

func (o *options) addProxy(text string) error {
	if a, err := netip.ParseAddr(text); err == nil {
		o.proxies = append(o.proxies, netip.PrefixFrom(a, a.BitLen()))
		return nil
	}
	p, err := netip.ParsePrefix(text)
	if err != nil {
		return errors.New("want an address or a network, such as 127.0.0.1 or 192.168.1.0/24")
	}
	o.proxies = append(o.proxies, p)
	return nil
}

func (o *options) logger() (*slog.Logger, error) {
	switch o.log {
	case "text":
		return slog.New(slog.NewTextHandler(os.Stderr, nil)), nil
	case "json":
		return slog.New(slog.NewJSONHandler(os.Stderr, nil)), nil
	}
	return nil, fmt.Errorf("--log is text or json, not %q", o.log)
}

// doorway is where the server listens, and how it stands to the house.
type doorway struct {
	address string
	secure  *tls.Config // nil: plain HTTP
	house   usecase.House
	net     api.Net
	trust   []byte // the certificate of the house's authority

	addresses []netip.Addr // under which devices reach it
}

// doorway works out what the options say of the house. It opens nothing.
func (o *options) doorway(now time.Time) (d doorway, err error) {
	host, port := "127.0.0.1", strconv.Itoa(o.port)
	if o.house = o.house || o.listen != ""; o.house {
		host = ""
	}
	if o.listen != "" {
		host = o.listen
		if h, p, err := net.SplitHostPort(o.listen); err == nil {
			host, port = h, p
		}
		if _, err := netip.ParseAddr(strings.Trim(host, "[]")); err != nil {
			return d, fmt.Errorf("--listen wants an address of this computer, such as 192.168.1.7 or "+
				"192.168.1.7:8443, not %q", o.listen)
		}
	}
	d.address = net.JoinHostPort(strings.Trim(host, "[]"), port)
	if !o.house {
		if o.tls != "" || o.tlsCert != "" || len(o.hosts) > 0 || len(o.proxies) > 0 || o.proxied {
			return d, errors.New("--tls, --tls-cert, --host, --proxy and --proxied-tls are for a server that is " +
				"open to the house: add --house")
		}
		return d, nil
	}
	addresses, err := o.addresses(host)
	if err != nil {
		return d, err
	}
	names := append(append([]string{}, o.hosts...), lan.Names()...)
	if err := o.secure(&d, names, addresses, now); err != nil {
		return d, err
	}
	d.house = usecase.House{Open: true, Secure: d.secure != nil || o.proxied}
	d.net = api.Net{Hosts: names, Proxies: o.proxies, Authority: d.trust}
	d.addresses = addresses
	return d, nil
}

// where are the addresses under which devices find a server that listens on a port; a proxy in front of it is called by
// its names alone.
func (o *options) where(d doorway, port string) []string {
	scheme := "http://"
	if d.house.Secure {
		scheme = "https://"
	}
	var out []string
	for _, name := range o.hosts {
		if !o.proxied {
			name = net.JoinHostPort(name, port)
		}
		out = append(out, scheme+name)
	}
	if !o.proxied {
		for _, a := range d.addresses {
			out = append(out, scheme+net.JoinHostPort(a.String(), port))
		}
	}
	return out
}

// addresses are those under which devices of the house reach this server.
func (o *options) addresses(host string) ([]netip.Addr, error) {
	if a, err := netip.ParseAddr(strings.Trim(host, "[]")); err == nil && !a.IsUnspecified() {
		return []netip.Addr{a}, nil
	}
	return lan.Addresses()
}

// secure reads or makes the certificate that the options ask for.
func (o *options) secure(d *doorway, names []string, addresses []netip.Addr, now time.Time) error {
	var cert tls.Certificate
	switch {
	case o.tls != "" && o.tls != "self":
		return fmt.Errorf("--tls knows only self; a certificate of your own is given by --tls-cert and --tls-key")
	case o.tls != "" && o.tlsCert != "", (o.tlsCert == "") != (o.tlsKey == ""):
		return errors.New("give either --tls self, or both --tls-cert and --tls-key")
	case o.tls == "self":
		a, err := lan.Open(filepath.Join(o.data, "tls"), names, now)
		if err != nil {
			return err
		}
		all := append(addresses[:len(addresses):len(addresses)], netip.MustParseAddr("127.0.0.1"),
			netip.MustParseAddr("::1"))
		if cert, err = a.Certificate(append(names[:len(names):len(names)], "localhost"), all, now); err != nil {
			return err
		}
		d.trust = a.PEM
	case o.tlsCert != "":
		var err error
		if cert, err = tls.LoadX509KeyPair(o.tlsCert, o.tlsKey); err != nil {
			return fmt.Errorf("the certificate cannot be used: %w", err)
		}
	default:
		return nil
	}
	d.secure = &tls.Config{Certificates: []tls.Certificate{cert}, MinVersion: tls.VersionTLS12, CipherSuites: suites()}
	return nil
}

// suites are those of TLS 1.2 that encrypt and authenticate in one, with a secret of each connection's own; those of
// 1.3 all do.
func suites() (out []uint16) {
	for _, s := range tls.CipherSuites() {
		if strings.Contains(s.Name, "ECDHE") && (strings.Contains(s.Name, "GCM") || strings.Contains(s.Name, "POLY1305")) {
			out = append(out, s.ID)
		}
	}
	return out
}

// errNoOwner keeps the house closed.
var errNoOwner = errors.New("the house stays closed until a kitchen has an owner: start without --house, open " +
	"Kitchen, House, and give it a passphrase")

func (o *options) serve(ctx context.Context, log *slog.Logger) error {
	began := time.Now()
	now := func() time.Time { return time.Now().Add(o.ahead) }
	d, err := o.doorway(began)
	if err != nil {
		return err
	}
	listener, err := net.Listen("tcp", d.address)
	if errors.Is(err, syscall.EADDRINUSE) {
		return fmt.Errorf("port %d is in use: choose another with --port", o.port)
	}
	if err != nil {
		return fmt.Errorf("cannot listen on %s: %w", d.address, err)
	}
	defer listener.Close()
	if d.house.Open {
		_, port, _ := net.SplitHostPort(listener.Addr().String())
		d.house.Where = o.where(d, port)
	}
	with := withStore
	if o.beside {
		with = beside
	}
	return with(ctx, log, o.data, func(h rooms) error {
		if err := h.firstKitchen(ctx, o.empty, now()); err != nil {
			return err
		}
		if d.house.Open {
			if n, err := h.store.Households(ctx); err != nil || n == 0 {
				return errors.Join(err, errNoOwner)
			}
		}
		seen, stop, err := o.measure(log, h.store)
		if err != nil {
			return err
		}
		defer stop()
		base := usecase.Base{Store: h.store, Log: log, House: d.house, FillDemo: demo.Furnish, Samples: demo.Samples(), MoorDemo: demo.Moor}
		server := &http.Server{
			Handler:   api.New(api.Config{Base: base, Pages: ui.Pages(), Now: now, Net: d.net, Seen: seen}),
			TLSConfig: d.secure, ReadHeaderTimeout: 10 * time.Second, ReadTimeout: 30 * time.Second,
			WriteTimeout: time.Minute, IdleTimeout: 2 * time.Minute, // calls set their own: docs/limits.md
			MaxHeaderBytes: 32 << 10,
			ErrorLog:       slog.NewLogLogger(log.Handler(), slog.LevelDebug),
		}
		go prune(ctx, log, h.store)
		done := make(chan error, 1)
		go func() {
			if d.secure != nil {
				done <- server.ServeTLS(listener, "", "")
			} else {
				done <- server.Serve(listener)
			}
		}()
		o.greet(d, listener.Addr(), time.Since(began))
		select {
		case err := <-done:
			return err
		case <-ctx.Done():
		}
		fmt.Println("Stopping ...")
		patience, cancel := context.WithTimeout(context.Background(), 5*time.Second)
		defer cancel()
		return server.Shutdown(patience)
	})
}

// greet says where Rise Pan is found; to the house also as a QR code.
func (o *options) greet(d doorway, at net.Addr, took time.Duration) {
	scheme, host := "http", at.String()
	if d.secure != nil {
		scheme = "https"
	}
	if a, err := netip.ParseAddrPort(host); err == nil && a.Addr().IsUnspecified() {
		host = netip.AddrPortFrom(netip.MustParseAddr("127.0.0.1"), a.Port()).String()
	}
	fmt.Printf("Rise Pan is ready at %s://%s (after %.1f s). Ctrl-C stops it.\n", scheme, host, took.Seconds())
	if !d.house.Open {
		return
	}
	if len(d.house.Where) == 0 {
		fmt.Println("It is open to the house, but this computer has no address in a private network: say by which " +
			"name it is reached with --host.")
		return
	}
	fmt.Println("In the house it is at")
	for _, w := range d.house.Where {
		fmt.Println("  " + w)
	}
	if code, err := qr.Encode(d.house.Where[0], qr.M); err == nil {
		fmt.Print(inBlocks(code))
	}
	if !d.house.Secure {
		fmt.Println("It speaks plain HTTP: what is sent can be read in the house's network. --tls self is safer; " +
			"docs/house.md says how phones trust it.")
	}
}

// quiet is the width of the light margin round a QR code on a terminal, in squares.
const quiet = 2

// inBlocks is a QR code for a terminal: two rows of squares in each line of text, light ones filled, for most terminals
// are dark.
func inBlocks(code *qr.Code) string {
	var out strings.Builder
	for y := -quiet; y < code.Size+quiet; y += 2 {
		for x := -quiet; x < code.Size+quiet; x++ {
			upper, lower := 0, 0
			if !code.Black(x, y) {
				upper = 1
			}
			if !code.Black(x, y+1) {
				lower = 2
			}
			out.WriteString([]string{" ", "▀", "▄", "█"}[upper+lower])
		}
		out.WriteByte('\n')
	}
	return out.String()
}
