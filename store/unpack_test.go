package store

import (
	"archive/tar"
	"bytes"
	"io"
	"maps"
	"math/rand/v2"
	"reflect"
	"testing"
)

// small is a backup with every oddity of one: an empty table, rows of two lines.
func small(t testing.TB) []byte {
	t.Helper()
	tables := make([]bytes.Buffer, 3)
	tables[0].WriteString("01a2\t{\"name\": \"Bracket\\\\n\"}\n01a3\t\\N\n")
	tables[2].WriteString("x\n")
	m := manifest{Format: backupFormat, Version: backupVersion, Schema: 7}
	for i, name := range []string{"job", "document", "done_once"} {
		m.Tables = append(m.Tables, manifestTable{name, int64(bytes.Count(tables[i].Bytes(), []byte("\n"))), checksum(tables[i].Bytes())})
	}
	return packed(t, m, tables)
}

// packed writes a backup of tables that are in memory.
func packed(t testing.TB, m manifest, tables []bytes.Buffer) []byte {
	t.Helper()
	var b bytes.Buffer
	sizes := make([]int64, len(tables))
	for i := range tables {
		sizes[i] = int64(tables[i].Len())
	}
	err := writeBackup(&b, m, sizes, func(i int, to io.Writer) error {
		_, err := to.Write(tables[i].Bytes())
		return err
	})
	if err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// unpacked reads a backup into memory.
func unpacked(raw []byte) (manifest, map[string][]byte, error) {
	tables := map[string][]byte{}
	m, err := unpack(bytes.NewReader(raw), func(t manifestTable, content io.Reader) (err error) {
		tables[t.Name], err = io.ReadAll(content)
		return err
	})
	return m, tables, err
}

// Any single bit of a backup flipped, and any cut: it is refused in words, or what is
// read is what was written.
func TestNoBitOfABackupLies(t *testing.T) {
	t.Parallel()
	raw := small(t)
	m, tables, err := unpacked(raw)
	if err != nil || len(tables) != 3 || len(tables["job"]) == 0 {
		t.Fatal(m, tables, err)
	}
	refused, same := 0, 0
	ask := func(what string, at int, damaged []byte) {
		t.Helper()
		got, read, err := unpacked(damaged)
		switch {
		case err != nil && len(err.Error()) > 20:
			refused++
		case err == nil && reflect.DeepEqual(got, m) && maps.EqualFunc(read, tables, bytes.Equal):
			same++
		default:
			t.Errorf("%s at %d: %v, %+v", what, at, err, got)
		}
	}
	for i := range raw {
		ask("cut", i, raw[:i])
		for bit := range 8 {
			raw[i] ^= 1 << bit
			ask("flipped", i*8+bit, raw)
			raw[i] ^= 1 << bit
		}
	}
	if refused < len(raw) || same == 0 { // padding says nothing
		t.Errorf("of %d bytes %d changes were refused, %d read the same", len(raw), refused, same)
	}
}

// A backup with a table twice, one that it does not list, one under another's name, or a
// manifest that says the same in other words is refused.
func TestForeignEntries(t *testing.T) {
	t.Parallel()
	raw := small(t)
	var names []string
	var files [][]byte
	for in := tar.NewReader(bytes.NewReader(raw)); ; {
		h, err := in.Next()
		if err != nil {
			break
		}
		var b bytes.Buffer
		if _, err := b.ReadFrom(in); err != nil {
			t.Fatal(err)
		}
		names, files = append(names, h.Name), append(files, b.Bytes())
	}
	for what, change := range map[string]func(names []string, files [][]byte) ([]string, [][]byte){
		"listed nowhere": func(n []string, f [][]byte) ([]string, [][]byte) { return append(n, "more.copy"), append(f, nil) },
		"twice":          func(n []string, f [][]byte) ([]string, [][]byte) { return append(n, n[2]), append(f, f[2]) },
		"left out":       func(n []string, f [][]byte) ([]string, [][]byte) { return n[:4], f[:4] },
		"changed places": func(n []string, f [][]byte) ([]string, [][]byte) { n[2], n[3] = n[3], n[2]; return n, f },
		"no checksum": func(n []string, f [][]byte) ([]string, [][]byte) {
			return append(n[:1:1], n[2:]...), append(f[:1:1], f[2:]...)
		},
		"in other words": func(n []string, f [][]byte) ([]string, [][]byte) {
			f[0] = bytes.Replace(f[0], []byte(`"tables"`), []byte(`"Tables"`), 1)
			f[1] = []byte(checksum(f[0]))
			return n, f
		},
	} {
		n, f := change(append([]string{}, names...), append([][]byte{}, files...))
		var b bytes.Buffer
		out := tar.NewWriter(&b)
		for i := range n {
			if err := put(out, n[i], f[i]); err != nil {
				t.Fatal(err)
			}
		}
		if err := out.Close(); err != nil {
			t.Fatal(err)
		}
		if _, _, err := unpacked(b.Bytes()); err == nil {
			t.Errorf("%s: read", what)
		}
	}
}

// Whatever is read as a backup is one: written again it reads the same.
func FuzzUnpack(f *testing.F) {
	raw := small(f)
	f.Add(raw)
	rnd := rand.New(rand.NewPCG(1, 2))
	for range 20 {
		x := bytes.Clone(raw)
		x[rnd.IntN(len(x))] ^= 1 << rnd.IntN(8)
		f.Add(x[:rnd.IntN(len(x))])
	}
	f.Fuzz(func(t *testing.T, raw []byte) {
		m, tables, err := unpacked(raw)
		if err != nil {
			return
		}
		list := make([]bytes.Buffer, len(m.Tables))
		for i, x := range m.Tables {
			list[i].Write(tables[x.Name])
		}
		m.Version = backupVersion
		if again, read, err := unpacked(packed(t, m, list)); err != nil || !reflect.DeepEqual(again, m) ||
			!maps.EqualFunc(read, tables, bytes.Equal) {
			t.Errorf("read as %+v, then %+v, %v", m, again, err)
		}
	})
}
