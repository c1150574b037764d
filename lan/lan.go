// Package lan opens a server to the network of a house: under which addresses it is found there, and a certificate
// authority of its own by which browsers reach it over TLS.
package lan

import (
	"fmt"
	"net"
	"net/netip"
	"os"
	"slices"
	"strings"
)

// Addresses are this computer's addresses in private networks, those of version 4 first: a phone's keyboard finds them
// sooner.
func Addresses() ([]netip.Addr, error) {
	all, err := net.InterfaceAddrs()
	if err != nil {
		return nil, fmt.Errorf("this computer's addresses cannot be read: %w", err)
	}
	var out []netip.Addr
	for _, a := range all {
		prefix, err := netip.ParsePrefix(a.String())
		if err != nil {
			continue
		}
		if ip := prefix.Addr().Unmap(); ip.IsPrivate() {
			out = append(out, ip)
		}
	}
	slices.SortStableFunc(out, func(a, b netip.Addr) int { return a.BitLen() - b.BitLen() })
	return out, nil
}

// Names are the names by which this computer is called in the house: its own, and the same under .local.
func Names() []string {
	name, err := os.Hostname()
	if name, _, _ = strings.Cut(strings.ToLower(name), "."); err != nil || name == "" {
		return nil
	}
	return []string{name, name + ".local"}
}
