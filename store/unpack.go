package store

import (
	"archive/tar"
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"io"
)

// most is how long a manifest may be, in bytes.
const most = 1 << 20

// unpack reads a backup: the manifest, what its checksum says, then every table that it
// lists, in its order, and nothing else. Each table is handed on as it is read; that it is
// what was written is known when it is through.
func unpack(r io.Reader, take func(t manifestTable, content io.Reader) error) (m manifest, err error) {
	in := tar.NewReader(r)
	raw, err := short(in, manifestName)
	if err != nil {
		return m, err
	}
	if err := json.Unmarshal(raw, &m); err != nil {
		return m, fmt.Errorf("the backup is damaged: its manifest cannot be read: %w", err)
	}
	if m.Format != backupFormat {
		return m, errors.New("this is not a backup: it has no manifest of one")
	}
	if m.Version > backupVersion {
		return m, fmt.Errorf("the backup is of version %d, this program reads up to %d", m.Version, backupVersion)
	}
	if again, err := m.text(); err != nil || m.Version < 1 || !bytes.Equal(raw, again) {
		return m, errors.New("the backup is damaged: its manifest is not as it is written")
	}
	if m.Version > 1 {
		sum, err := short(in, manifestSum)
		if err != nil {
			return m, err
		}
		if string(sum) != checksum(raw) {
			return m, errors.New("the backup is damaged: its manifest is not what its checksum says")
		}
	}
	seen := map[string]bool{}
	for _, t := range m.Tables {
		if seen[t.Name] {
			return m, fmt.Errorf("the backup is damaged: it lists the table %s twice", t.Name)
		}
		seen[t.Name] = true
		if err := table(in, t, take); err != nil {
			return m, err
		}
	}
	switch h, err := in.Next(); {
	case err == nil:
		return m, fmt.Errorf("the backup is damaged: it holds %s, which its manifest does not list", h.Name)
	case !errors.Is(err, io.EOF):
		return m, fmt.Errorf("the backup is damaged at its end: %w", err)
	}
	return m, nil
}

// table hands on the next file of a backup, which must be what its manifest says.
func table(in *tar.Reader, t manifestTable, take func(t manifestTable, content io.Reader) error) error {
	if err := entry(in, t.Name+".copy"); err != nil {
		return err
	}
	sum := sha256.New()
	content := io.TeeReader(in, sum)
	if err := take(t, content); err != nil {
		return fmt.Errorf("the backup is cut short in %s, or that cannot be written: %w", t.Name, err)
	}
	if _, err := io.Copy(io.Discard, content); err != nil { // what was not taken
		return fmt.Errorf("the backup is cut short in %s: %w", t.Name, err)
	}
	if hex.EncodeToString(sum.Sum(nil)) != t.SHA256 {
		return fmt.Errorf("the backup is damaged: the table %s is not what its manifest says", t.Name)
	}
	return nil
}

// entry goes to the next file of a backup, which must have the name.
func entry(in *tar.Reader, name string) error {
	h, err := in.Next()
	switch {
	case errors.Is(err, io.EOF) && name == manifestName:
		return errors.New("this is not a backup: there is nothing in it")
	case errors.Is(err, io.EOF):
		return fmt.Errorf("the backup is cut short: %s is missing", name)
	case err != nil:
		return fmt.Errorf("this is not a backup, or it is damaged or cut short before %s: %w", name, err)
	case h.Name != name || h.Typeflag != tar.TypeReg:
		return fmt.Errorf("the backup is damaged: %s stands where %s should", h.Name, name)
	}
	return nil
}

// short reads the next file of a backup, which is a short one.
func short(in *tar.Reader, name string) ([]byte, error) {
	if err := entry(in, name); err != nil {
		return nil, err
	}
	raw, err := io.ReadAll(io.LimitReader(in, most+1))
	if err == nil && len(raw) > most {
		err = fmt.Errorf("it is longer than %d MB", most>>20)
	}
	if err != nil {
		return nil, fmt.Errorf("the backup is cut short or damaged in %s: %w", name, err)
	}
	return raw, nil
}

// Readable reads a whole backup and holds it against what it says of itself.
func Readable(r io.Reader) error {
	_, err := unpack(r, through)
	return err
}

// through takes a table for nothing but its checksum.
func through(manifestTable, io.Reader) error { return nil }
