package main

import (
	"context"
	"errors"
	"flag"
	"fmt"
	"io"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"strconv"
	"syscall"
	"time"

	"github.com/google/uuid"

	"warmanvil/httpapi"
	"warmanvil/localpg"
	"warmanvil/store"
	"warmanvil/ui"
)

const (
	firstPort = 8460
	portTries = 40
)

// dataDir is where the private cluster lies; it may be deleted.
func dataDir() (string, error) {
	if d := os.Getenv("WARMANVIL_DATA"); d != "" {
		return d, nil
	}
	if os.Geteuid() == 0 {
		return "/var/lib/warmanvil", nil // the postgres user must be able to reach it
	}
	home, err := os.UserHomeDir()
	if err != nil {
		return "", fmt.Errorf("find the home folder (or set WARMANVIL_DATA): %w", err)
	}
	return filepath.Join(home, ".local", "share", "warmanvil"), nil
}

func addressFlag(name string, args []string) (string, error) {
	f := flag.NewFlagSet(name, flag.ContinueOnError)
	address := f.String("address", "", "loopback host:port; without it 127.0.0.1 on the first free port from 8460")
	if err := f.Parse(args); err != nil {
		return "", err
	}
	return *address, nil
}

// runDemo starts the private cluster, or uses WARMANVIL_DATABASE_URL, loads
// the demo jobs once and serves.
func runDemo(ctx context.Context, args []string) error {
	address, err := addressFlag("demo", args)
	if err != nil {
		return err
	}
	listener, err := listen(address) // before the database: a wrong address should say so at once
	if err != nil {
		return err
	}
	url := os.Getenv("WARMANVIL_DATABASE_URL")
	if url == "" {
		dir, err := dataDir()
		if err != nil {
			return err
		}
		cluster, err := localpg.Start(ctx, localpg.Options{Dir: dir, Fsync: true})
		if err != nil {
			return err
		}
		defer func() {
			if err := cluster.Stop(); err != nil {
				fmt.Fprintln(os.Stderr, "warmanvil: stop the database:", err)
			}
		}()
		cluster.Tend(ctx)
		fmt.Println("Data in", dir, "(may be deleted while nothing runs)")
		url = cluster.URL(cluster.Database())
	}
	return serve(ctx, listener, url, true)
}

func runServe(ctx context.Context, args []string) error {
	address, err := addressFlag("serve", args)
	if err != nil {
		return err
	}
	url := os.Getenv("WARMANVIL_DATABASE_URL")
	if url == "" {
		return errors.New("set WARMANVIL_DATABASE_URL to the database, or run warmanvil demo for a private one")
	}
	listener, err := listen(address)
	if err != nil {
		return err
	}
	return serve(ctx, listener, url, false)
}

func runMigrate(ctx context.Context) error {
	s, err := store.Open(ctx, os.Getenv("WARMANVIL_DATABASE_URL"))
	if err != nil {
		return err
	}
	defer s.Close()
	return s.Migrate(ctx)
}

func runOpenAPI(w io.Writer) error {
	raw, err := httpapi.Description()
	if err != nil {
		return err
	}
	_, err = w.Write(raw)
	return err
}

// listen takes the address asked for, or the first free port.
func listen(address string) (net.Listener, error) {
	if address != "" {
		if err := httpapi.Loopback(address); err != nil {
			return nil, err
		}
		return net.Listen("tcp", address)
	}
	var last error
	for port := firstPort; port < firstPort+portTries; port++ {
		l, err := net.Listen("tcp", net.JoinHostPort("127.0.0.1", strconv.Itoa(port)))
		if err == nil {
			return l, nil
		}
		if last = err; !errors.Is(err, syscall.EADDRINUSE) {
			break
		}
	}
	return nil, fmt.Errorf("find a free port from %d: %w", firstPort, last)
}

func newID() string { return uuid.Must(uuid.NewV7()).String() }

func serve(ctx context.Context, listener net.Listener, url string, demo bool) error {
	s, err := store.Open(ctx, url)
	if err != nil {
		return err
	}
	defer s.Close()
	if err := s.Migrate(ctx); err != nil {
		return err
	}
	jobs := service(s)
	if demo {
		if err := s.Once(ctx, "demo jobs", func() error { return jobs.LoadDemo(ctx) }); err != nil {
			return fmt.Errorf("load the demo jobs: %w", err)
		}
	}
	front, err := ui.Dist()
	if err != nil {
		return err
	}
	handler, err := httpapi.New(httpapi.Options{Jobs: jobs, Front: front})
	if err != nil {
		return err
	}
	server := &http.Server{Handler: handler, ReadHeaderTimeout: 10 * time.Second, ReadTimeout: time.Minute, IdleTimeout: 2 * time.Minute}
	failed := make(chan error, 1)
	go func() { failed <- server.Serve(listener) }()
	fmt.Printf("Warm Anvil is at http://%s  (Ctrl-C stops it)\n", listener.Addr())
	select {
	case err := <-failed:
		return err
	case <-ctx.Done():
	}
	// A fresh context: the one we were given has ended.
	quit, cancel := context.WithTimeout(context.WithoutCancel(ctx), 10*time.Second)
	defer cancel()
	fmt.Println("Stopping.")
	return server.Shutdown(quit)
}
