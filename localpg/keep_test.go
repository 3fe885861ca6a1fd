package localpg

import (
	"math"
	"os"
	"path/filepath"
	"strings"
	"testing"
)

// A log that has grown is put aside, three of those are kept, a small one goes on.
func TestLogIsTurned(t *testing.T) {
	log := filepath.Join(t.TempDir(), "postgres.log")
	if err := turn(log, 8); err != nil {
		t.Fatal("without a log:", err)
	}
	for _, line := range []string{"first one", "second one", "third one", "fourth one", "fifth one", "short"} {
		if err := turn(log, 8); err != nil {
			t.Fatal(err)
		}
		f, err := os.OpenFile(log, os.O_CREATE|os.O_WRONLY|os.O_APPEND, 0o600)
		if err != nil {
			t.Fatal(err)
		}
		if _, err := f.WriteString(line); err != nil {
			t.Fatal(err)
		}
		if err := f.Close(); err != nil {
			t.Fatal(err)
		}
	}
	if err := turn(log, 8); err != nil { // the last one is short
		t.Fatal(err)
	}
	for name, want := range map[string]string{"": "short", ".1": "fifth one", ".2": "fourth one", ".3": "third one"} {
		if raw, err := os.ReadFile(log + name); err != nil || string(raw) != want {
			t.Errorf("log%s holds %q (%v), want %q", name, raw, err, want)
		}
	}
	if _, err := os.Stat(log + ".4"); err == nil {
		t.Error("a fourth is kept")
	}
}

func TestRoomOfTheDisk(t *testing.T) {
	dir := t.TempDir()
	if err := room(dir, 1); err != nil {
		t.Error("no room for a byte:", err)
	}
	if err := room(dir, math.MaxUint64); err == nil || !strings.Contains(err.Error(), dir) {
		t.Error("room for everything:", err)
	}
	if err := room(filepath.Join(dir, "none"), 1); err == nil {
		t.Error("room where there is no disk")
	}
}
