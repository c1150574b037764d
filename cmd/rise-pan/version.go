package main

import (
	"fmt"
	"runtime"
	"runtime/debug"
)

// version is that of CHANGELOG.md's newest entry.
const version = "0.30.0"

// versionLine names the program, the commit that it was built from where that is known, and the Go that built it.
func versionLine() string {
	commit := ""
	if info, ok := debug.ReadBuildInfo(); ok {
		for _, s := range info.Settings {
			if s.Key == "vcs.revision" {
				commit = " (" + s.Value[:min(len(s.Value), 12)] + ")"
			}
		}
	}
	return fmt.Sprintf("rise-pan %s%s, %s", version, commit, runtime.Version())
}
