// Campaign tries Rise Pan hard, for longer than the tests do:
//
//	go run ./e2e/campaign starts [-n 60]    first starts killed at random moments, each followed by one that works
//	go run ./e2e/campaign house [-n 100]    two households on two servers of one database, all of which are killed
//	go run ./e2e/campaign kills [-n 150]    server and database killed under writers; nothing told is lost, nothing twice
//	go run ./e2e/campaign mutations [-n 40] [-in core]
//	                                        places of core, server and screens broken one at a time: how many of them make a
//	                                        fast test fail
//	go run ./e2e/campaign requests [-n 50000]
//	                                        requests made from the OpenAPI document, good, wrong, hostile and large: what
//	                                        each takes, and how long another household waits meanwhile
//	go run ./e2e/campaign wear              connections that read nothing, say nothing or send hardly anything
//	go run ./e2e/campaign races             the server's tests under the race detector
//	go run ./e2e/campaign searches          the core's tests with all their random draws
package main

import (
	"flag"
	"fmt"
	"log"
	"math/rand/v2"
	"os"
	"os/exec"

	"risepan/e2e/drive"
)

func main() {
	log.SetFlags(0)
	if len(os.Args) < 2 {
		log.Fatal("say which campaign: starts, kills, house, mutations, requests, wear, races or searches")
	}
	flags := flag.NewFlagSet(os.Args[1], flag.ExitOnError)
	n := flags.Int("n", 0, "how often; 0: as often as the campaign is meant")
	seed := flags.Uint64("seed", 1, "of the random moments and draws")
	in := flags.String("in", "", "break only this: core, server or screens")
	flags.Parse(os.Args[2:])
	random := rand.New(rand.NewPCG(*seed, 9))
	temp, err := os.MkdirTemp("", "rise-pan-campaign")
	if err != nil {
		log.Fatal(err)
	}
	defer os.RemoveAll(temp)
	switch os.Args[1] {
	case "starts":
		err = starts(temp, or(*n, 60), random)
	case "kills":
		err = kills(temp, or(*n, 150), random)
	case "house":
		err = house(temp, or(*n, 100), random)
	case "mutations":
		err = mutations(temp, or(*n, 40), random, *in)
	case "requests":
		err = requests(temp, or(*n, 50_000), random)
	case "wear":
		err = wear(temp)
	case "races":
		err = tests("-race", "./gate", "./api", "./store", "./usecase", "./backup", "./mariadb", "./core/schedule")
	case "searches":
		os.Setenv("RISEPAN_LONG", "1")
		err = tests("./core/...")
	default:
		err = fmt.Errorf("there is no campaign %q", os.Args[1])
	}
	if err != nil {
		os.RemoveAll(temp)
		log.Fatal(err)
	}
}

// tests runs tests anew, with what they say for all to read.
func tests(args ...string) error {
	cmd := exec.Command("go", append([]string{"test", "-count=1", "-timeout", "60m"}, args...)...)
	cmd.Dir = drive.Root()
	cmd.Stdout, cmd.Stderr = os.Stdout, os.Stderr
	return cmd.Run()
}

func or(n, usual int) int {
	if n > 0 {
		return n
	}
	return usual
}
