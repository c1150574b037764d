// Rise-pan serves the Rise Pan web application with a private MariaDB of its own.
package main

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"log/slog"
	"os"
	"os/signal"
	"runtime/debug"
	"syscall"
	"time"
	_ "time/tzdata"

	"risepan/api"
	"risepan/backup"
	"risepan/store"
)

const usage = `usage: rise-pan COMMAND [flags]

  serve     serve the application, with a private MariaDB in the data folder
  migrate   bring the data folder's database up to date and stop
  demo      load the demo kitchen into a data folder that has no kitchen
  export FILE   write a kitchen's file, also while it is served; --kitchen NAME says which
  import FILE   bring a kitchen's file in, in the place of the kitchen that is there, which is put aside
  backup FILE   copy all kitchens, as they stand at one instant, into one file, and verify it
  restore FILE  verify a backup and restore it into a data folder that has no kitchen
  verify FILE   say what a backup holds, and whether it is whole
  schema    print the JSON Schema of the API's shapes
`

// tidy is by how many per cent the heap may grow before it is swept: what is held is small, so that sweeping often costs
// little, and memory stays flat.
const tidy = 40

func main() {
	if err := run(os.Args[1:]); err != nil {
		fmt.Fprintln(os.Stderr, "rise-pan:", err)
		os.Exit(1)
	}
}

func run(args []string) error {
	if len(args) == 0 {
		return errors.New("say what to do\n" + usage)
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	log := slog.New(slog.NewTextHandler(os.Stderr, nil))

	flags := flag.NewFlagSet(args[0], flag.ContinueOnError)
	data := flags.String("data", "var/data", "folder of the database")
	port := flags.Int("port", 8080, "port on 127.0.0.1")
	empty := flags.Bool("empty", false, "load no demo kitchen on the first start")
	ahead := flags.Duration("ahead", 0, "serve as if it were so much later, such as 4h: for tests and demonstrations")
	kitchen := flags.String("kitchen", "", "name of the kitchen")
	if err := flags.Parse(args[1:]); err != nil {
		return err
	}
	if run, ok := carry[args[0]]; ok || args[0] == "verify" {
		if flags.NArg() != 1 {
			return fmt.Errorf("name one file: rise-pan %s FILE, with flags before it", args[0])
		}
		if args[0] == "verify" {
			list, err := backup.Verify(flags.Arg(0))
			if err != nil {
				return err
			}
			fmt.Printf("%s is whole, written %s\n", flags.Arg(0), list.Written.Format("2 January 2006, 15:04 UTC"))
			return say(list)
		}
		return visiting(ctx, log, *data, func(s *store.Store) error { return run(ctx, s, flags.Arg(0), *kitchen, time.Now()) })
	}
	switch args[0] {
	case "serve":
		debug.SetGCPercent(tidy)
		return serve(ctx, log, *data, *port, *empty, func() time.Time { return time.Now().Add(*ahead) })
	case "migrate":
		return withStore(ctx, log, *data, func(house) error { return nil })
	case "demo":
		return withStore(ctx, log, *data, func(h house) error { return h.firstKitchen(ctx, false, time.Now()) })
	case "schema":
		_, err := os.Stdout.Write(api.Schema())
		return err
	}
	return fmt.Errorf("%q is no command\n%s", args[0], usage)
}
