package lan

import (
	"crypto/ecdsa"
	"crypto/elliptic"
	"crypto/rand"
	"crypto/tls"
	"crypto/x509"
	"crypto/x509/pkix"
	"encoding/pem"
	"errors"
	"fmt"
	"io/fs"
	"math/big"
	"net"
	"net/netip"
	"os"
	"path/filepath"
	"time"
)

// How long certificates are good: browsers refuse one of a server beyond 398 days.
const (
	authorityLives = 10 * 365 * 24 * time.Hour
	serverLives    = 397 * 24 * time.Hour
	renewed        = 30 * 24 * time.Hour // before its end
)

// private are the addresses that an authority of a house may vouch for; with names, it may do so for no other. A phone
// that trusts it is no less safe on the network outside.
var private = []string{"10.0.0.0/8", "172.16.0.0/12", "192.168.0.0/16", "169.254.0.0/16", "127.0.0.0/8", "fc00::/7",
	"fe80::/10", "::1/128"}

// domains are the names of networks at home that the authority may vouch for, beside the computer's own.
var domains = []string{"local", "localhost", "lan", "internal", "home.arpa"}

// Authority is the certificate authority of one house, kept in a folder.
type Authority struct {
	dir  string
	cert *x509.Certificate
	key  *ecdsa.PrivateKey
	PEM  []byte // its certificate, for phones to trust
}

// Open reads the authority that is kept in a folder, or makes one there, which also vouches for names.
func Open(dir string, names []string, now time.Time) (*Authority, error) {
	a := &Authority{dir: dir}
	err := a.read()
	if errors.Is(err, fs.ErrNotExist) {
		return a, a.make(names, now)
	}
	if err != nil {
		return nil, fmt.Errorf("the house's certificate authority in %s cannot be read (%w): put the folder "+
			"elsewhere to make another", dir, err)
	}
	return a, nil
}

func (a *Authority) read() error {
	pair, err := tls.LoadX509KeyPair(a.path("authority.crt"), a.path("authority.key"))
	if err != nil {
		return err
	}
	key, ok := pair.PrivateKey.(*ecdsa.PrivateKey)
	if !ok {
		return errors.New("its key is of another kind")
	}
	a.cert, a.key = pair.Leaf, key
	a.PEM, err = os.ReadFile(a.path("authority.crt"))
	return err
}

func (a *Authority) path(name string) string { return filepath.Join(a.dir, name) }

func (a *Authority) make(names []string, now time.Time) error {
	key, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	if err != nil {
		return err
	}
	t := template("Rise Pan, this house", now, authorityLives)
	t.IsCA, t.BasicConstraintsValid, t.MaxPathLenZero = true, true, true
	t.KeyUsage = x509.KeyUsageCertSign | x509.KeyUsageCRLSign
	t.PermittedDNSDomainsCritical = true
	t.PermittedDNSDomains = append(append([]string{}, domains...), names...)
	for _, p := range private {
		_, net, err := net.ParseCIDR(p)
		if err != nil {
			return err
		}
		t.PermittedIPRanges = append(t.PermittedIPRanges, net)
	}
	der, err := x509.CreateCertificate(rand.Reader, t, t, &key.PublicKey, key)
	if err != nil {
		return err
	}
	if err := os.MkdirAll(a.dir, 0o700); err != nil {
		return err
	}
	if err := write(a.path("authority.key"), a.path("authority.crt"), key, der); err != nil {
		return err
	}
	return a.read()
}

func template(name string, now time.Time, lives time.Duration) *x509.Certificate {
	serial, err := rand.Int(rand.Reader, new(big.Int).Lsh(big.NewInt(1), 120))
	if err != nil {
		panic("house: the system gives no random numbers: " + err.Error())
	}
	return &x509.Certificate{SerialNumber: serial, Subject: pkix.Name{CommonName: name},
		NotBefore: now.Add(-time.Hour), NotAfter: now.Add(lives)}
}

// write keeps a key, for its owner's eyes alone, and then its certificate.
func write(keyPath, certPath string, key *ecdsa.PrivateKey, der []byte) error {
	b, err := x509.MarshalPKCS8PrivateKey(key)
	if err != nil {
		return err
	}
	for _, f := range []struct {
		path, kind string
		bytes      []byte
		mode       fs.FileMode
	}{{keyPath, "PRIVATE KEY", b, 0o600}, {certPath, "CERTIFICATE", der, 0o644}} {
		half := f.path + ".new"
		if err := os.WriteFile(half, pem.EncodeToMemory(&pem.Block{Type: f.kind, Bytes: f.bytes}), f.mode); err != nil {
			return err
		}
		if err := os.Rename(half, f.path); err != nil {
			return err
		}
	}
	return nil
}

// Certificate is one for this server under some names and addresses: the one that is kept, where it is good for all of
// them for a month or more, or another.
func (a *Authority) Certificate(names []string, addresses []netip.Addr, now time.Time) (tls.Certificate, error) {
	if pair, err := tls.LoadX509KeyPair(a.path("server.crt"), a.path("server.key")); err == nil &&
		a.covers(pair.Leaf, names, addresses, now) {
		return pair, nil
	}
	key, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	if err != nil {
		return tls.Certificate{}, err
	}
	t := template("Rise Pan", now, serverLives)
	t.KeyUsage, t.ExtKeyUsage = x509.KeyUsageDigitalSignature, []x509.ExtKeyUsage{x509.ExtKeyUsageServerAuth}
	t.DNSNames = names
	for _, ip := range addresses {
		t.IPAddresses = append(t.IPAddresses, ip.AsSlice())
	}
	der, err := x509.CreateCertificate(rand.Reader, t, a.cert, &key.PublicKey, a.key)
	if err != nil {
		return tls.Certificate{}, err
	}
	leaf, err := x509.ParseCertificate(der)
	if err != nil {
		return tls.Certificate{}, err
	}
	if !a.covers(leaf, names, addresses, now) {
		return tls.Certificate{}, fmt.Errorf("the certificate authority in %s does not vouch for all of %v %v: put "+
			"the folder elsewhere to make another, which phones must trust anew", a.dir, names, addresses)
	}
	if err := write(a.path("server.key"), a.path("server.crt"), key, der); err != nil {
		return tls.Certificate{}, err
	}
	return tls.LoadX509KeyPair(a.path("server.crt"), a.path("server.key"))
}

// covers reports whether a browser that trusts the authority takes a certificate for all names and addresses.
func (a *Authority) covers(leaf *x509.Certificate, names []string, addresses []netip.Addr, now time.Time) bool {
	roots := x509.NewCertPool()
	roots.AddCert(a.cert)
	for _, ip := range addresses {
		names = append(names[:len(names):len(names)], ip.String())
	}
	for _, name := range names {
		if _, err := leaf.Verify(x509.VerifyOptions{DNSName: name, Roots: roots, CurrentTime: now}); err != nil {
			return false
		}
	}
	return leaf.NotAfter.After(now.Add(renewed))
}
