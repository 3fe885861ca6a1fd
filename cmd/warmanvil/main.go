// Command warmanvil serves the application, runs the demo, and answers single
// calculations.
package main

import (
	"context"
	"fmt"
	"os"
	"os/signal"
	"syscall"
)

const usage = `warmanvil — design help for one-off sheet parts

  warmanvil demo                 private database, demo jobs, loopback server
  warmanvil serve                server on the database in WARMANVIL_DATABASE_URL
                                 both: --listen host:port shares it, with accounts;
                                 --tls-cert, --tls-key, --name
  warmanvil migrate              bring that database to this version
  warmanvil backup FILE          everything into one file
  warmanvil restore FILE         a backup into an empty database
  warmanvil export ID > FILE     one job as JSON
  warmanvil import FILE          add the job of such a file
  warmanvil calc NAME            one JSON request on standard input
  warmanvil calc NAME --lines    one request a line in, one answer a line out
  warmanvil calc NAME --schema   JSON Schemas of request and answer
  warmanvil calc --list          names, a line each
  warmanvil openapi              description of the HTTP interface
`

func main() {
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt, syscall.SIGTERM)
	code := run(ctx, os.Args[1:])
	stop()
	os.Exit(code)
}

// run answers the exit status: 0 done, 1 failed, 2 refused.
func run(ctx context.Context, args []string) int {
	if len(args) == 0 {
		fmt.Print(usage)
		return 2
	}
	var err error
	switch args[0] {
	case "calc":
		return runCalc(ctx, args[1:], os.Stdin, os.Stdout, os.Stderr)
	case "demo":
		err = runDemo(ctx, args[1:])
	case "serve":
		err = runServe(ctx, args[1:])
	case "migrate":
		err = runMigrate(ctx)
	case "backup":
		err = runBackup(ctx, args[1:])
	case "restore":
		err = runRestore(ctx, args[1:])
	case "export":
		err = runExport(ctx, args[1:], os.Stdout)
	case "import":
		err = runImport(ctx, args[1:])
	case "openapi":
		err = runOpenAPI(os.Stdout)
	default:
		fmt.Fprint(os.Stderr, usage)
		return 2
	}
	if err != nil {
		fmt.Fprintln(os.Stderr, "warmanvil:", err)
		return 1
	}
	return 0
}
