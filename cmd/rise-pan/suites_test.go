package main

import (
	"crypto/tls"
	"strings"
	"testing"
)

// Under TLS 1.2 nothing is spoken that encrypts before it authenticates, or whose secret outlives its connection.
func TestOldSuitesAreNotSpoken(t *testing.T) {
	got := suites()
	if len(got) < 4 {
		t.Fatalf("%d suites are spoken", len(got))
	}
	for _, id := range got {
		if name := tls.CipherSuiteName(id); strings.Contains(name, "CBC") || !strings.Contains(name, "ECDHE") {
			t.Errorf("%s is spoken", name)
		}
	}
}
