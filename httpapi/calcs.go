package httpapi

import (
	"net/http"

	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"

	"warmanvil/calc"
	"warmanvil/core/working"
)

// calcRoutes serves every calculation of the contract.
func (s *server) calcRoutes() {
	for _, k := range calc.All() {
		path := "/api/v1/calc/" + k.Name
		w := brisk
		if k.Long {
			w = whole
		}
		s.describe(operation{method: "POST", path: path, id: "calc." + k.Name, summary: k.Doc,
			query: []*huma.Param{query("written", "units its working is written in for people; without it it has values alone", "in", "mm")}},
			k.Request, k.Answer)
		s.engine.POST(path, func(c *gin.Context) {
			if err := s.admit(c, reading); err != nil { // it keeps nothing
				s.refuse(c, err)
				return
			}
			raw, err := body(c, 0)
			if err != nil {
				s.refuse(c, err)
				return
			}
			s.within(c, w, func() (func(), error) {
				ans, err := k.Run(c.Request.Context(), raw)
				if units := c.Query("written"); err == nil && (units == "in" || units == "mm") {
					ans = calc.Written(ans, units == "in")
				}
				err = working.SpokenError(err, c.Query("written") == "in")
				return func() { c.JSON(http.StatusOK, ans) }, err
			})
		})
	}
}
