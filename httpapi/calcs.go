package httpapi

import (
	"net/http"

	"github.com/gin-gonic/gin"

	"warmanvil/calc"
)

// calcRoutes serves every calculation of the contract.
func (s *server) calcRoutes() {
	for _, k := range calc.All() {
		path := "/api/v1/calc/" + k.Name
		s.describe(operation{method: "POST", path: path, id: "calc." + k.Name, summary: k.Doc}, k.Request, k.Answer)
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
			ans, err := k.Run(raw)
			if err != nil {
				s.refuse(c, err)
				return
			}
			c.JSON(http.StatusOK, ans)
		})
	}
}
