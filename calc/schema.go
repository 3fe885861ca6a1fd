package calc

import (
	"reflect"

	"github.com/danielgtaylor/huma/v2"
)

func init() { huma.DefaultArrayNullable = false }

// Schema is the pair of JSON Schemas of a calculation.
type Schema struct {
	Name        string                  `json:"name"`
	Doc         string                  `json:"description"`
	Request     *huma.Schema            `json:"request"`
	Answer      *huma.Schema            `json:"answer"`
	Definitions map[string]*huma.Schema `json:"$defs"`
}

// Schema answers the JSON Schemas of the request and the answer; references
// point into $defs.
func (c Calc) Schema() Schema {
	r := huma.NewMapRegistry("#/$defs/", huma.DefaultSchemaNamer)
	s := Schema{Name: c.Name, Doc: c.Doc, Request: schemaOf(r, c.Request), Answer: schemaOf(r, c.Answer)}
	s.Definitions = r.Map()
	return s
}

func schemaOf(r huma.Registry, t reflect.Type) *huma.Schema { return r.Schema(t, true, t.Name()) }
