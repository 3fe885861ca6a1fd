package httpapi

import (
	"encoding/json"
	"errors"
	"fmt"
	"net/http"

	"github.com/gin-gonic/gin"

	"warmanvil/core/sheet/bending"
	"warmanvil/core/sheet/made"
	"warmanvil/core/working"
	"warmanvil/strictjson"
)

// BendingLine is one line of what is told while an order of bends is looked for: how far it
// is, and at the end what was found or why nothing can be.
type BendingLine struct {
	Done    int              `json:"done" doc:"bends of those found so far"`
	Total   int              `json:"total"`
	Bending *bending.Bending `json:"bending,omitempty" doc:"in the last line"`
	Why     string           `json:"why,omitempty" doc:"in the last line: why nothing was looked for"`
}

// bendingRoutes serves the order of a part's bends, told line by line while it is looked for.
// Whoever closes the connection ends the work.
func (s *server) bendingRoutes() {
	s.describe(operation{method: "POST", path: "/api/v1/bending", id: "findBending", access: reading,
		summary: "The order of a recipe's bends that a brake can make, as lines of JSON: progress, then what was found"},
		typeOf[BuildRequest](), typeOf[BendingLine]())
	s.engine.POST("/api/v1/bending", s.findBending)
}

func (s *server) findBending(c *gin.Context) {
	var in BuildRequest
	err := s.admit(c, reading)
	if err == nil {
		var raw []byte
		if raw, err = body(c, 0); err == nil {
			err = strictjson.Decode(raw, &in)
		}
	}
	if err != nil {
		s.refuse(c, err)
		return
	}
	end, err := s.begin(c, whole)
	if err != nil {
		s.refuse(c, err)
		return
	}
	r, opt := s.read(call{Context: c}, in)
	if err := r.Validate(); err != nil {
		_ = end()
		s.refuse(c, working.Under("/recipe", err))
		return
	}
	c.Header("Content-Type", "application/x-ndjson")
	c.Status(http.StatusOK)
	tell := json.NewEncoder(c.Writer)
	line := func(l BendingLine) {
		if tell.Encode(l) == nil {
			c.Writer.Flush()
		}
	}
	total := 0
	b, err := made.Bend(r, opt, func(done, of int) {
		total = of
		line(BendingLine{Done: done, Total: of})
	})
	if late := end(); late != nil {
		err = late
	}
	var fault *working.Fault
	switch {
	case err == nil:
		line(BendingLine{Done: total, Total: total, Bending: &b})
	case errors.As(err, &fault):
		line(BendingLine{Why: fault.Error()})
	case errors.Is(err, errLong):
		line(BendingLine{Why: fmt.Sprintf("Looking for the order was left off: %v.", err)})
	}
}
