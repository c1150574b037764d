// Package ui holds the built front end.
package ui

import (
	"embed"
	"io/fs"
)

//go:embed all:dist
var dist embed.FS

// Pages is the built front end, as its files are served. It is empty before the first build.
func Pages() fs.FS {
	pages, err := fs.Sub(dist, "dist")
	if err != nil {
		panic(err) // the folder is embedded above
	}
	return pages
}
