package lan_test

import (
	"crypto/tls"
	"crypto/x509"
	"net/http"
	"net/http/httptest"
	"net/netip"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"risepan/lan"
)

var (
	monday    = time.Date(2026, 3, 2, 8, 0, 0, 0, time.UTC)
	names     = []string{"laptop", "laptop.local", "localhost"}
	addresses = []netip.Addr{netip.MustParseAddr("192.168.1.7"), netip.MustParseAddr("127.0.0.1"),
		netip.MustParseAddr("fd00::7")}
)

func authority(t *testing.T, dir string) *lan.Authority {
	t.Helper()
	a, err := lan.Open(dir, []string{"laptop"}, monday)
	if err != nil {
		t.Fatal(err)
	}
	return a
}

func TestAPhoneThatTrustsTheHouseReachesIt(t *testing.T) {
	dir := filepath.Join(t.TempDir(), "tls")
	a := authority(t, dir)
	cert, err := a.Certificate(names, addresses, time.Now())
	if err != nil {
		t.Fatal(err)
	}
	s := httptest.NewUnstartedServer(http.HandlerFunc(func(http.ResponseWriter, *http.Request) {}))
	s.TLS = &tls.Config{Certificates: []tls.Certificate{cert}}
	s.StartTLS()
	defer s.Close()
	roots := x509.NewCertPool()
	roots.AppendCertsFromPEM(a.PEM)
	phone := http.Client{Transport: &http.Transport{TLSClientConfig: &tls.Config{RootCAs: roots}}}
	answer, err := phone.Get(s.URL)
	if err != nil {
		t.Fatal(err)
	}
	answer.Body.Close()
	if _, err := http.Get(s.URL); err == nil {
		t.Error("a phone that does not trust the house reaches it")
	}
	for name, mode := range map[string]os.FileMode{"authority.key": 0o600, "server.key": 0o600} {
		if i, err := os.Stat(filepath.Join(dir, name)); err != nil || i.Mode().Perm() != mode {
			t.Errorf("%s: %v (%v)", name, i.Mode(), err)
		}
	}
}

// The authority stays, so that phones trust it once; the certificate stays until it is needed anew.
func TestTheAuthorityStaysAndTheCertificateIsRenewed(t *testing.T) {
	dir := t.TempDir()
	first := authority(t, dir)
	serial := func(a *lan.Authority, names []string, at time.Time) string {
		t.Helper()
		c, err := a.Certificate(names, addresses, at)
		if err != nil {
			t.Fatal(err)
		}
		return c.Leaf.SerialNumber.String()
	}
	one := serial(first, names, monday)
	again := authority(t, dir)
	if string(again.PEM) != string(first.PEM) || serial(again, names, monday.AddDate(0, 6, 0)) != one {
		t.Error("opened again, the house has another authority or certificate")
	}
	if serial(again, append(names, "kitchen.lan"), monday) == one {
		t.Error("a new name has no new certificate")
	}
	two := serial(again, names, monday.AddDate(1, 0, 15))
	if two == one {
		t.Error("a certificate that soon ends is not renewed")
	}
}

// Who trusts the authority of a house trusts it for the house alone.
func TestTheAuthorityVouchesForNothingOutside(t *testing.T) {
	a := authority(t, t.TempDir())
	if _, err := a.Certificate([]string{"bank.example"}, nil, monday); err == nil || !strings.Contains(err.Error(),
		"does not vouch for") {
		t.Errorf("a name outside: %v", err)
	}
	if _, err := a.Certificate(nil, []netip.Addr{netip.MustParseAddr("203.0.113.9")}, monday); err == nil {
		t.Error("an address outside is vouched for")
	}
	dir := t.TempDir()
	if err := os.WriteFile(filepath.Join(dir, "authority.crt"), []byte("damaged"), 0o644); err != nil {
		t.Fatal(err)
	}
	if err := os.WriteFile(filepath.Join(dir, "authority.key"), []byte("damaged"), 0o600); err != nil {
		t.Fatal(err)
	}
	if _, err := lan.Open(dir, nil, monday); err == nil || !strings.Contains(err.Error(), "to make another") {
		t.Errorf("a damaged authority: %v", err)
	}
}

func TestAddressesAreThoseOfPrivateNetworks(t *testing.T) {
	all, err := lan.Addresses()
	if err != nil {
		t.Fatal(err)
	}
	for _, a := range all {
		if !a.IsPrivate() {
			t.Errorf("%s is no address of a house", a)
		}
	}
}
