package job

import (
	"context"
	"encoding/json"
	"fmt"
	"io"

	"github.com/go-json-experiment/json/jsontext"
)

// Outline is all there is of a job but its states: those are read as they are written.
type Outline struct {
	Job       Row
	Documents []Outlined // in the order they were added
	Numbers   []Number
}

// Outlined is a document with the numbers of its first and its last revision.
type Outlined struct {
	ID          string
	Kind        Kind
	Archived    bool
	First, Last int
}

// Export is a job on its way into a file, as it stood when it was asked for.
type Export struct {
	Name    string // of the job
	outline Outline
	store   DocumentStore
}

// statesAtOnce is how many states are in memory while a file is written.
const statesAtOnce = 8

// Export answers a job to be written as a file.
func (s *Service) Export(ctx context.Context, id string) (Export, error) {
	o, err := s.Store.Outline(ctx, id)
	if err != nil {
		return Export{}, err
	}
	for _, d := range o.Documents {
		if _, err := d.Kind.known(); err != nil {
			return Export{}, err
		}
	}
	j, err := jobOf(o.Job)
	return Export{j.Brief.Name, o, s.Store}, err
}

// Write writes the file, indented by the text given. States are kept for good, so that
// what is read later is what stood then.
func (x Export) Write(ctx context.Context, w io.Writer, indent string) error {
	opts := []jsontext.Options{jsontext.PreserveRawStrings(true)}
	if indent != "" {
		opts = append(opts, jsontext.WithIndent(indent))
	}
	out := pieces{enc: jsontext.NewEncoder(w, opts...)}
	out.tokens(jsontext.BeginObject, jsontext.String("format"), jsontext.String(fileFormat), jsontext.String("version"),
		jsontext.Int(fileVersion), jsontext.String("documents"), jsontext.BeginArray)
	for _, d := range x.outline.Documents {
		out.tokens(jsontext.BeginObject, jsontext.String("id"), jsontext.String(d.ID), jsontext.String("kind"), jsontext.String(string(d.Kind)))
		if d.Archived {
			out.tokens(jsontext.String("archived"), jsontext.Bool(true))
		}
		out.tokens(jsontext.String("revisions"), jsontext.BeginArray)
		if err := x.states(ctx, d, &out); err != nil {
			return err
		}
		out.tokens(jsontext.EndArray, jsontext.EndObject)
	}
	out.tokens(jsontext.EndArray, jsontext.String("numbers"), jsontext.BeginArray)
	for _, n := range x.outline.Numbers {
		out.piece(FileNumber{n.Calc, n.Title, n.Request, n.Created.UTC()})
	}
	out.tokens(jsontext.EndArray, jsontext.EndObject)
	return out.err
}

// states writes a document's history.
func (x Export) states(ctx context.Context, d Outlined, out *pieces) error {
	k, err := d.Kind.known()
	if err != nil {
		return err
	}
	for next := d.First; next <= d.Last && out.err == nil; {
		list, err := x.store.States(ctx, d.ID, next, min(statesAtOnce, d.Last+1-next))
		if err != nil {
			return err
		}
		if len(list) == 0 {
			return fmt.Errorf("revision %d of a document is gone", next)
		}
		for _, r := range list {
			raw, err := k.today(r.Body)
			if err != nil {
				return err
			}
			out.piece(FileRevision{Number: r.Number, Body: raw, Summary: r.Summary, Who: r.Who, UndoTo: r.UndoTo, RedoTo: r.RedoTo,
				Created: r.Created.UTC()})
		}
		next += len(list)
	}
	return out.err
}

// pieces writes JSON until something fails.
type pieces struct {
	enc *jsontext.Encoder
	err error
}

func (p *pieces) tokens(list ...jsontext.Token) {
	for _, t := range list {
		if p.err == nil {
			p.err = p.enc.WriteToken(t)
		}
	}
}

func (p *pieces) piece(v any) {
	raw, err := json.Marshal(v)
	if err == nil && p.err == nil {
		err = p.enc.WriteValue(raw)
	}
	if p.err == nil {
		p.err = err
	}
}
