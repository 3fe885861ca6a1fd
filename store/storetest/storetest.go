// Package storetest gives tests databases of their own: one cluster a test
// binary, one database a test, copied from a migrated template.
package storetest

import (
	"context"
	"flag"
	"fmt"
	"os"
	"sync/atomic"
	"testing"
	"time"

	"github.com/google/uuid"

	"warmanvil/job"
	"warmanvil/localpg"
	"warmanvil/store"
	"warmanvil/task"
)

var (
	cluster *localpg.Cluster
	count   atomic.Int64
)

const template = "template_migrated"

// Main runs a test binary's tests with a cluster beside; TestMain calls it. What
// is handed in is done when they are over.
func Main(m *testing.M, after ...func()) {
	code := run(m)
	for _, f := range after {
		f()
	}
	os.Exit(code)
}

func run(m *testing.M) int {
	ctx := context.Background()
	dir, err := os.MkdirTemp("", "warmanvil-test-")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	if cluster, err = localpg.Start(ctx, localpg.Options{Dir: dir, Fsync: benchmarking()}); err != nil {
		fmt.Fprintln(os.Stderr, "tests need PostgreSQL:", err)
		return 1
	}
	defer func() { _ = cluster.Stop() }() // its folder is removed anyway
	if err := makeTemplate(ctx); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	return m.Run()
}

// benchmarking tells whether figures are wanted: they count only when a commit
// really reaches the disk.
func benchmarking() bool {
	flag.Parse()
	f := flag.Lookup("test.bench")
	return f != nil && f.Value.String() != ""
}

func makeTemplate(ctx context.Context) error {
	if err := cluster.Clone(ctx, template, "template1"); err != nil {
		return err
	}
	s, err := store.Open(ctx, cluster.URL(template))
	if err != nil {
		return err
	}
	defer s.Close()
	return s.Migrate(ctx)
}

// URL answers the address of a fresh, migrated database.
func URL(t testing.TB) string {
	t.Helper()
	name := fmt.Sprintf("test_%d", count.Add(1))
	if err := cluster.Clone(context.Background(), name, template); err != nil {
		t.Fatal(err)
	}
	return cluster.URL(name)
}

// Open answers a store on a fresh, migrated database.
func Open(t testing.TB) *store.Store {
	t.Helper()
	return at(t, URL(t))
}

func at(t testing.TB, url string) *store.Store {
	t.Helper()
	s, err := store.Open(context.Background(), url)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	return s
}

// Jobs answers a service on a fresh database.
func Jobs(t testing.TB) *job.Service { return JobsAt(t, URL(t)) }

// JobsAt answers a service on the database at an address.
func JobsAt(t testing.TB, url string) *job.Service {
	kept := at(t, url)
	return &job.Service{Store: kept, Goods: kept, Now: time.Now, NewID: func() string { return uuid.Must(uuid.NewV7()).String() }}
}

// Tasks answers a service of long work on a store, which does it until the test ends.
func Tasks(t testing.TB, jobs *job.Service) *task.Service {
	t.Helper()
	s := Queue(jobs)
	ctx, stop := context.WithCancel(context.Background())
	done := make(chan error, 1)
	go func() { done <- s.Run(ctx) }()
	t.Cleanup(func() {
		stop()
		if err := <-done; err != nil {
			t.Error("long work:", err)
		}
	})
	return s
}

// Queue answers a service of long work that nobody does.
func Queue(jobs *job.Service) *task.Service {
	return task.New(jobs.Store.(*store.Store), jobs, jobs.Now, jobs.NewID)
}
