package httpapi

import (
	"context"
	"net/http"
	"net/http/httptest"
	"strings"
	"testing"
	"testing/synctest"
	"time"

	"github.com/gin-gonic/gin"
)

// asked is one request on its way.
func asked(ctx context.Context) (*gin.Context, *httptest.ResponseRecorder) {
	w := httptest.NewRecorder()
	c, _ := gin.CreateTestContext(w)
	c.Request = httptest.NewRequestWithContext(ctx, http.MethodGet, "/x", nil)
	c.Request.RemoteAddr = "10.0.0.1:1"
	return c, w
}

// Work that takes too long is left off and refused in words, and what it has by then is not
// answered; one whose asker left is answered to nobody. Either way the next is let in.
func TestWorkIsBounded(t *testing.T) {
	gin.SetMode(gin.ReleaseMode)
	synctest.Test(t, func(t *testing.T) {
		s := &server{lines: map[work]*line{whole: newLine(1, 1, 4)}, trouble: noTrouble}
		half := func(c *gin.Context) func() (func(), error) {
			return func() (func(), error) {
				<-c.Request.Context().Done() // a loop that looks whether anybody waits
				return func() { c.JSON(http.StatusOK, "half of it") }, nil
			}
		}
		c, w := asked(t.Context())
		s.within(c, whole, half(c))
		if w.Code != http.StatusUnprocessableEntity || !strings.Contains(w.Body.String(), budget[whole].String()) {
			t.Errorf("too long: %d %s", w.Code, w.Body)
		}
		ctx, leave := context.WithCancel(t.Context())
		c, w = asked(ctx)
		go func() {
			time.Sleep(time.Second)
			leave()
		}()
		s.within(c, whole, half(c))
		if w.Code != 499 {
			t.Errorf("left: %d %s", w.Code, w.Body)
		}
		c, w = asked(t.Context())
		s.within(c, whole, func() (func(), error) { return func() { c.JSON(http.StatusOK, "whole") }, nil })
		if w.Code != http.StatusOK || !strings.Contains(w.Body.String(), "whole") {
			t.Errorf("after that: %d %s", w.Code, w.Body)
		}
	})
}
