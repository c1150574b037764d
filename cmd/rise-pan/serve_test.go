package main

import (
	"testing"
	"time"
)

// An empty kitchen takes the zone of the machine it is made on; it once was UTC wherever TZ was not set.
func TestAnEmptyKitchenTakesTheZoneOfTheMachine(t *testing.T) {
	for tz, want := range map[string]string{"Asia/Tokyo": "Asia/Tokyo", ":Europe/Paris": "Europe/Paris"} {
		t.Setenv("TZ", tz)
		if got := localZone(); got != want {
			t.Errorf("with TZ=%s the zone is %s", tz, got)
		}
	}
	t.Setenv("TZ", "Moon/Crater")
	if _, err := time.LoadLocation(localZone()); err != nil {
		t.Errorf("with a TZ that is none: %v", err)
	}
}
