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

	"github.com/alexedwards/scs/pgxstore"

	"warmanvil/account"
	"warmanvil/daily"
	"warmanvil/httpapi"
	"warmanvil/localpg"
	"warmanvil/store"
	"warmanvil/task"
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

// way is how a server is to be reached.
type way struct {
	address, listen, cert, key string
	names                      string
	backups                    string       // folder
	room                       func() error // of the private database's disk
}

func flags(name string, args []string) (way, error) {
	var w way
	f := flag.NewFlagSet(name, flag.ContinueOnError)
	f.StringVar(&w.address, "address", "", "loopback host:port; without it 127.0.0.1 on the first free port from 8460")
	f.StringVar(&w.listen, "listen", "", "host:port that other machines reach; everybody signs in")
	f.StringVar(&w.cert, "tls-cert", "", "certificate file (PEM) for --listen")
	f.StringVar(&w.key, "tls-key", "", "its key file (PEM)")
	f.StringVar(&w.names, "name", "", "names the server is reached by, with commas, besides this machine's own")
	f.StringVar(&w.backups, "backups", "", "folder for a backup a day, or none; without it beside the data folder")
	if err := f.Parse(args); err != nil {
		return w, err
	}
	switch {
	case w.listen != "" && w.address != "":
		return w, errors.New("give --address for this machine alone or --listen for others too, not both")
	case (w.cert == "") != (w.key == ""):
		return w, errors.New("give both --tls-cert and --tls-key, or neither")
	case w.cert != "" && w.listen == "":
		return w, errors.New("--tls-cert goes with --listen")
	}
	return w, nil
}

// runDemo starts the private cluster, or uses WARMANVIL_DATABASE_URL, loads
// the demo jobs once and serves.
func runDemo(ctx context.Context, args []string) error {
	w, err := flags("demo", args)
	if err != nil {
		return err
	}
	listener, err := listen(w) // before the database: a wrong address should say so at once
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
		w.room = cluster.Room
		fmt.Println("Data in", dir, "(may be deleted while nothing runs)")
		url = cluster.URL(cluster.Database())
	}
	return serve(ctx, listener, w, url, true)
}

func runServe(ctx context.Context, args []string) error {
	w, err := flags("serve", args)
	if err != nil {
		return err
	}
	url := os.Getenv("WARMANVIL_DATABASE_URL")
	if url == "" {
		return errors.New("set WARMANVIL_DATABASE_URL to the database, or run warmanvil demo for a private one")
	}
	listener, err := listen(w)
	if err != nil {
		return err
	}
	return serve(ctx, listener, w, url, false)
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
func listen(w way) (net.Listener, error) {
	if w.listen != "" {
		return net.Listen("tcp", w.listen)
	}
	if w.address != "" {
		if err := httpapi.Loopback(w.address); err != nil {
			return nil, err
		}
		return net.Listen("tcp", w.address)
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

func serve(ctx context.Context, listener net.Listener, w way, url string, demo bool) error {
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
		if err := s.Once(ctx, "demo jobs", func() error {
			if err := jobs.LoadDemo(ctx); err != nil {
				return err
			}
			return jobs.LoadDemoShop(ctx)
		}); err != nil {
			return fmt.Errorf("load the demo jobs: %w", err)
		}
	}
	front, err := ui.Dist()
	if err != nil {
		return err
	}
	d, err := door(w)
	if err != nil {
		return err
	}
	backups, err := keeping(w, s)
	if err != nil {
		return err
	}
	tasks := task.New(s, jobs, time.Now, newID)
	accounts := &account.Service{Store: s, Now: time.Now, NewID: newID}
	handler, err := httpapi.New(httpapi.Options{Jobs: jobs, Front: front, Accounts: accounts, Sessions: pgxstore.New(s.Pool()), Door: d,
		Room: w.room, Backups: backups, Tasks: tasks})
	if err != nil {
		return err
	}
	working, stop := context.WithCancel(context.WithoutCancel(ctx))
	done := make(chan error, 1)
	go func() { done <- tasks.Run(working) }()
	defer func() { // before the database is left
		stop()
		if err := <-done; err != nil {
			fmt.Fprintln(os.Stderr, "warmanvil: long work:", err)
		}
	}()
	server := &http.Server{Handler: handler, ReadHeaderTimeout: 10 * time.Second, ReadTimeout: time.Minute, WriteTimeout: 2 * time.Minute,
		IdleTimeout: 2 * time.Minute, MaxHeaderBytes: 64 << 10}
	failed := make(chan error, 1)
	go func() {
		if d.TLS {
			failed <- server.ServeTLS(listener, w.cert, w.key)
			return
		}
		failed <- server.Serve(listener)
	}()
	if err := announce(ctx, accounts, listener, d); err != nil {
		return err
	}
	if backups != nil {
		fmt.Println("A backup a day in", backups.Dir, "(the last", daily.Kept, "are kept)")
		go backups.Run(ctx)
	}
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
