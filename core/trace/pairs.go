package trace

import (
	"bytes"
	"strconv"

	"warmanvil/core/working"
)

// pairs walks a DXF's group codes and values.
type pairs struct {
	rest  []byte
	line  int
	code  int
	value []byte
	back  bool
}

// next reads one group; false at the end. A code that is no number ends it with
// a fault.
func (p *pairs) next() (bool, error) {
	if p.back {
		p.back = false
		return true, nil
	}
	code, ok := p.row()
	if !ok {
		return false, nil
	}
	n, err := strconv.Atoi(string(bytes.TrimSpace(code)))
	if err != nil {
		if len(bytes.TrimSpace(code)) == 0 && len(bytes.TrimSpace(p.rest)) == 0 {
			return false, nil
		}
		return false, working.Refuse("/base64",
			"The DXF is damaged at line %d: a group code is a number, not %q. Save it again where it was drawn.", p.line, clip(code))
	}
	value, ok := p.row()
	if !ok {
		return false, working.Refuse("/base64",
			"The DXF ends in the middle of a group at line %d: it was not saved or sent whole. Save it again where it was drawn.", p.line)
	}
	p.code, p.value = n, bytes.TrimSpace(value)
	return true, nil
}

func (p *pairs) row() ([]byte, bool) {
	if len(p.rest) == 0 {
		return nil, false
	}
	p.line++
	i := bytes.IndexByte(p.rest, '\n')
	if i < 0 {
		row := p.rest
		p.rest = nil
		return row, true
	}
	row := p.rest[:i]
	p.rest = p.rest[i+1:]
	return bytes.TrimSuffix(row, []byte("\r")), true
}

func clip(b []byte) string {
	if len(b) > 40 {
		b = b[:40]
	}
	return string(b)
}
