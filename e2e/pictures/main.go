// Pictures makes the PNGs of docs/screenshots from the demo kitchen: go run ./e2e/pictures
package main

import (
	"context"
	"flag"
	"fmt"
	"log"
	"os"
	"path/filepath"

	"risepan/e2e/drive"
)

// fatal reports a failure by ending the program.
type fatal struct{}

func (fatal) Helper()                           {}
func (fatal) Fatalf(format string, args ...any) { log.Panicf(format, args...) }

func main() {
	out := flag.String("out", filepath.Join(drive.Root(), "docs/screenshots"), "folder for the pictures")
	only := flag.String("only", "", "make only the picture of this name")
	flag.Parse()
	if err := run(*out, *only); err != nil {
		log.Fatal(err)
	}
}

func run(out, only string) error {
	temp, err := os.MkdirTemp("", "rise-pan-pictures")
	if err != nil {
		return err
	}
	defer os.RemoveAll(temp)
	program, err := drive.Build(temp)
	if err != nil {
		return err
	}
	server, err := drive.Serve(context.Background(), program, filepath.Join(temp, "data"))
	if err != nil {
		return err
	}
	defer server.Stop()
	browser, cancel, err := drive.Browser(context.Background())
	if err != nil {
		return err
	}
	defer cancel()
	for _, s := range scenes {
		if only != "" && only != s.name {
			continue
		}
		width, height := int64(1280), int64(800)
		if s.phone {
			width, height = 390, 844
		}
		own, forget := drive.Device(browser, fatal{}) // what one picture's page keeps, the next does not know
		p := drive.Open(own, fatal{}, server.URL+s.path, width, height)
		p.Dark(s.dark)
		p.Sees(s.wait)
		if s.act != nil {
			s.act(p)
		}
		p.Settled()
		p.Picture(filepath.Join(out, s.name+".png"))
		p.Close()
		forget()
		fmt.Println(s.name)
	}
	return nil
}
