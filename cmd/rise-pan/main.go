// Rise-pan serves the Rise Pan web application with a private MariaDB of its own.
package main

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"os"
	"os/signal"
	"runtime/debug"
	"strings"
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
  words     print its vocabularies as a TypeScript module
  version   say which Rise Pan this is
`

// tidy is by how many per cent the heap may grow before it is swept: what is held is small, so that sweeping often
// costs little, and memory stays flat.
const tidy = 40

func main() {
	if err := run(os.Args[1:]); err != nil {
		fmt.Fprintln(os.Stderr, "rise-pan:", err)
		os.Exit(1)
	}
}

func run(args []string) error {
	if len(args) == 0 {
		return errors.New("say what to do\n" + strings.TrimSpace(usage))
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	defer stop()
	flags := flag.NewFlagSet(args[0], flag.ContinueOnError)
	var o options
	flags.StringVar(&o.data, "data", "var/data", "folder of the database")
	flags.IntVar(&o.port, "port", 8080, "port on 127.0.0.1, or of the house")
	flags.BoolVar(&o.empty, "empty", false, "load no demo kitchen on the first start")
	flags.DurationVar(&o.ahead, "ahead", 0, "serve as if it were so much later, such as 4h: for tests and "+
		"demonstrations")
	flags.StringVar(&o.kitchen, "kitchen", "", "name of the kitchen")
	flags.BoolVar(&o.house, "house", false, "open to the devices of the house")
	flags.StringVar(&o.listen, "listen", "", "open to the house at this address alone, such as 192.168.1.7 or "+
		"192.168.1.7:8443")
	flags.Func("host", "a name by which the server is called in the house; may be given again", o.addHost)
	flags.StringVar(&o.tls, "tls", "", "self: TLS by a certificate authority of the house's own")
	flags.StringVar(&o.tlsCert, "tls-cert", "", "file of a TLS certificate")
	flags.StringVar(&o.tlsKey, "tls-key", "", "file of its key")
	flags.Func("proxy", "address or network of a proxy whose X-Forwarded-For is believed; may be given again",
		o.addProxy)
	flags.BoolVar(&o.proxied, "proxied-tls", false, "a proxy in front of this server speaks TLS to browsers")
	flags.BoolVar(&o.beside, "beside", false, "serve beside another Rise Pan, with its database")
	flags.IntVar(&o.metrics, "metrics", 0, "port on 127.0.0.1 for figures in Prometheus' form; 0: none")
	flags.StringVar(&o.log, "log", "text", "form of the log: text or json")
	if err := flags.Parse(args[1:]); err != nil {
		return err
	}
	log, err := o.logger()
	if err != nil {
		return err
	}
	data, kitchen := &o.data, &o.kitchen
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
		return visiting(ctx, log, *data, func(s *store.Store) error {
			return run(ctx, s, flags.Arg(0), *kitchen,
				time.Now())
		})
	}
	switch args[0] {
	case "serve":
		debug.SetGCPercent(tidy)
		return o.serve(ctx, log)
	case "migrate":
		return withStore(ctx, log, *data, func(rooms) error { return nil })
	case "demo":
		return withStore(ctx, log, *data, func(h rooms) error { return h.firstKitchen(ctx, false, time.Now()) })
	case "version":
		fmt.Println(versionLine())
		return nil
	case "words":
		_, err := os.Stdout.Write(api.Words())
		return err
	case "schema":
		_, err := os.Stdout.Write(api.Schema())
		return err
	}
	return fmt.Errorf("%q is no command\n%s", args[0], usage)
}
