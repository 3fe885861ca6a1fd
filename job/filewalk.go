package job

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"maps"
	"slices"

	"github.com/go-json-experiment/json/jsontext"

	"warmanvil/core/working"
	"warmanvil/strictjson"
)

// visit is told what a file holds, piece by piece in its order. What a document says of
// itself is known when its revisions are through.
type visit struct {
	revision func(document, i int, r FileRevision) error
	document func(i int, d FileDocument) error
	number   func(i int, n FileNumber) error
}

// walk reads a job's file of today strictly. It fails with *working.Fault, or with what
// the reader failed with.
func walk(r io.Reader, v visit) error {
	p := parser{in: &bounded{from: r}}
	p.dec = jsontext.NewDecoder(p.in)
	var f File
	err := p.object(&f, "", map[string]apart{
		"documents": {"[]", func() error { return p.list(func(i int) error { return p.document(i, v) }) }},
		"numbers": {"[]", func() error {
			return p.list(func(i int) error {
				var n FileNumber
				if err := p.value(&n); err != nil {
					return err
				}
				return v.number(i, n)
			})
		}},
	})
	if err != nil {
		return p.explained(err)
	}
	if _, err := p.dec.ReadToken(); !errors.Is(err, io.EOF) {
		return working.Refuse("", "Something follows after the end of the file: fetch it again.")
	}
	switch {
	case f.Version != fileVersion:
		return newerFile(float64(f.Version))
	case f.Brief != nil || f.Survey != nil || f.Parts != nil:
		return working.Refuse("", "The file holds a brief, survey or parts of its own, as files up to version 4 do, and says it is "+
			"of version %d: take the job away as a file again.", f.Version)
	}
	return nil
}

func (p parser) document(i int, v visit) error {
	var d FileDocument
	err := p.object(&d, fmt.Sprintf("/documents/%d", i), map[string]apart{"revisions": {"[]", func() error {
		return p.list(func(k int) error {
			r, err := p.state(fmt.Sprintf("/documents/%d/revisions/%d", i, k))
			if err != nil {
				return err
			}
			return v.revision(i, k, r)
		})
	}}})
	if err != nil {
		return err
	}
	return v.document(i, d)
}

// state reads a revision. Its body is left as it is: who keeps it reads it strictly.
func (p parser) state(at string) (r FileRevision, err error) {
	var body []byte
	err = p.object(&r, at, map[string]apart{"body": {"{}", func() error {
		raw, err := p.piece()
		body = bytes.Clone(raw)
		return err
	}}})
	if body != nil {
		r.Body = body
	}
	return r, err
}

// head answers the form and the version that a file says it is of, wherever it says so.
func head(r io.Reader) (format string, version float64, err error) {
	p := parser{in: &bounded{from: r}}
	p.dec = jsontext.NewDecoder(p.in)
	if t, err := p.dec.ReadToken(); err != nil || t.Kind() != '{' {
		return "", 0, p.explained(err)
	}
	for said := 0; said < 2 && p.dec.PeekKind() == '"'; {
		name, err := p.dec.ReadToken()
		if err != nil {
			return "", 0, p.explained(err)
		}
		var into any
		switch name.String() {
		case "format":
			into = &format
		case "version":
			into = &version
		}
		if into == nil {
			if err := p.skip(); err != nil {
				return "", 0, p.explained(err)
			}
			continue
		}
		raw, err := p.dec.ReadValue()
		if err != nil {
			return "", 0, p.explained(err)
		}
		_ = json.Unmarshal(raw, into) // what it is not is said when it is read strictly
		said++
	}
	return format, version, nil
}

// parser goes through a file without ever holding more of it than one piece.
type parser struct {
	in  *bounded
	dec *jsontext.Decoder
}

// bounded lets no piece become so long that reading it would fill the memory.
type bounded struct {
	from  io.Reader
	piece int // bytes since the last piece was through
}

var errLongPiece = errors.New("a piece of the file is too long")

func (b *bounded) Read(p []byte) (int, error) {
	if b.piece > 4*maxPiece { // the decoder reads ahead
		return 0, errLongPiece
	}
	n, err := b.from.Read(p)
	b.piece += n
	return n, err
}

// apart is a member that is read by itself: empty is what stands in its place, [] or {}.
type apart struct {
	empty string
	read  func() error
}

// object reads an object into v: what is read apart, and the others, which are short, as
// v's form has them.
func (p parser) object(v any, at string, apart map[string]apart) error {
	if p.dec.PeekKind() != '{' {
		return p.value(v)
	}
	if _, err := p.dec.ReadToken(); err != nil {
		return err
	}
	rest, length := map[string]jsontext.Value{}, 0
	for p.dec.PeekKind() == '"' {
		t, err := p.dec.ReadToken()
		if err != nil {
			return err
		}
		name := t.String()
		if m, is := apart[name]; is && p.dec.PeekKind() == jsontext.Kind(m.empty[0]) {
			rest[name] = jsontext.Value(m.empty)
			if err := m.read(); err != nil {
				return err
			}
			continue
		}
		raw, err := p.piece()
		if err != nil {
			return err
		}
		if length += len(name) + len(raw); length > maxRequest {
			return working.Refuse(string(p.dec.StackPointer()),
				"This is too long, or not known here: leave it out, or take the job away as a file again.")
		}
		rest[name] = bytes.Clone(raw)
	}
	if _, err := p.dec.ReadToken(); err != nil {
		return err
	}
	var short bytes.Buffer
	for i, name := range slices.Sorted(maps.Keys(rest)) {
		key, err := json.Marshal(name)
		if err != nil {
			return err
		}
		fmt.Fprintf(&short, "%c%s:%s", "{,"[min(i, 1)], key, rest[name])
	}
	if short.Len() == 0 {
		short.WriteByte('{')
	}
	short.WriteByte('}')
	return working.Under(at, strictjson.Decode(short.Bytes(), v))
}

// list reads a list, item by item.
func (p parser) list(item func(i int) error) error {
	if _, err := p.dec.ReadToken(); err != nil {
		return err
	}
	for i := 0; p.dec.PeekKind() != ']'; i++ {
		if k := p.dec.PeekKind(); k == 0 {
			_, err := p.dec.ReadToken() // says what is wrong
			return err
		}
		if err := item(i); err != nil {
			return err
		}
	}
	_, err := p.dec.ReadToken()
	return err
}

// value reads one short value strictly.
func (p parser) value(v any) error {
	raw, err := p.piece()
	if err != nil {
		return err
	}
	return working.Under(string(p.dec.StackPointer()), strictjson.Decode(raw, v))
}

func (p parser) piece() (jsontext.Value, error) {
	raw, err := p.dec.ReadValue()
	p.in.piece = 0
	if err == nil && len(raw) > maxPiece {
		err = errLongPiece
	}
	return raw, err
}

// skip goes over a value without keeping it.
func (p parser) skip() error {
	for depth := p.dec.StackDepth(); ; {
		if _, err := p.dec.ReadToken(); err != nil {
			return err
		}
		p.in.piece = 0
		if p.dec.StackDepth() <= depth {
			return nil
		}
	}
}

// explained puts what went wrong with the file itself into words.
func (p parser) explained(err error) error {
	var wrong *jsontext.SyntacticError
	switch {
	case err == nil:
		return nil
	case errors.Is(err, errLongPiece):
		return working.Refuse(string(p.dec.StackPointer()), "This is too long: no state or number of a job has more than %d MB.", maxPiece>>20)
	case errors.Is(err, io.ErrUnexpectedEOF) || errors.Is(err, io.EOF):
		return working.Refuse("", "The file ends in the middle (after %d bytes): fetch it again.", p.dec.InputOffset())
	case errors.As(err, &wrong):
		return strictjson.Explain(err)
	}
	return err
}
