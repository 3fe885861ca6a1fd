package store

import (
	"archive/tar"
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
)

// unpack reads a backup: the manifest, what its checksum says, then every table that it
// lists, in its order, and nothing else. What it answers is what was written.
func unpack(r io.Reader) (m manifest, tables map[string][]byte, err error) {
	in := tar.NewReader(r)
	raw, err := entry(in, manifestName)
	if err != nil {
		return m, nil, err
	}
	if err := json.Unmarshal(raw, &m); err != nil {
		return m, nil, fmt.Errorf("the backup is damaged: its manifest cannot be read: %w", err)
	}
	if m.Format != backupFormat {
		return m, nil, errors.New("this is not a backup: it has no manifest of one")
	}
	if m.Version > backupVersion {
		return m, nil, fmt.Errorf("the backup is of version %d, this program reads up to %d", m.Version, backupVersion)
	}
	if again, err := m.text(); err != nil || m.Version < 1 || !bytes.Equal(raw, again) {
		return m, nil, errors.New("the backup is damaged: its manifest is not as it is written")
	}
	if m.Version > 1 {
		sum, err := entry(in, manifestSum)
		if err != nil {
			return m, nil, err
		}
		if string(sum) != checksum(raw) {
			return m, nil, errors.New("the backup is damaged: its manifest is not what its checksum says")
		}
	}
	tables = map[string][]byte{}
	for _, t := range m.Tables {
		if _, twice := tables[t.Name]; twice {
			return m, nil, fmt.Errorf("the backup is damaged: it lists the table %s twice", t.Name)
		}
		if tables[t.Name], err = entry(in, t.Name+".copy"); err != nil {
			return m, nil, err
		}
		if checksum(tables[t.Name]) != t.SHA256 {
			return m, nil, fmt.Errorf("the backup is damaged: the table %s is not what its manifest says", t.Name)
		}
	}
	switch h, err := in.Next(); {
	case err == nil:
		return m, nil, fmt.Errorf("the backup is damaged: it holds %s, which its manifest does not list", h.Name)
	case !errors.Is(err, io.EOF):
		return m, nil, fmt.Errorf("the backup is damaged at its end: %w", err)
	}
	return m, tables, nil
}

// entry reads the next file of a backup, which must have the name.
func entry(in *tar.Reader, name string) ([]byte, error) {
	h, err := in.Next()
	switch {
	case errors.Is(err, io.EOF) && name == manifestName:
		return nil, errors.New("this is not a backup: there is nothing in it")
	case errors.Is(err, io.EOF):
		return nil, fmt.Errorf("the backup is cut short: %s is missing", name)
	case err != nil:
		return nil, fmt.Errorf("this is not a backup, or it is damaged or cut short before %s: %w", name, err)
	case h.Name != name || h.Typeflag != tar.TypeReg:
		return nil, fmt.Errorf("the backup is damaged: %s stands where %s should", h.Name, name)
	}
	raw, err := io.ReadAll(in)
	if err != nil {
		return nil, fmt.Errorf("the backup is cut short in %s: %w", name, err)
	}
	return raw, nil
}

// Readable reads a whole backup and holds it against what it says of itself.
func Readable(r io.Reader) error {
	_, _, err := unpack(r)
	return err
}
