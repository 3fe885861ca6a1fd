package httpapi

import (
	"errors"
	"fmt"
	"net"
	"net/http"
	"strings"

	"github.com/gin-gonic/gin"

	"warmanvil/core/working"
)

// Loopback refuses an address that other machines could reach, for servers that
// ask nobody to sign in.
func Loopback(address string) error {
	host, _, err := net.SplitHostPort(address)
	if err != nil {
		return fmt.Errorf("address %q is not host:port: %w", address, err)
	}
	if loopbackHost(host) {
		return nil
	}
	return fmt.Errorf("only loopback addresses are served, %q is not one: nobody signs in here, so anybody who reaches the address could "+
		"change every job; use 127.0.0.1, or --listen %s with accounts", address, address)
}

func loopbackHost(host string) bool {
	if host == "localhost" {
		return true
	}
	ip := net.ParseIP(host)
	return ip != nil && ip.IsLoopback()
}

func deny(c *gin.Context, detail string) {
	c.AbortWithStatusJSON(http.StatusForbidden,
		Problem{Type: "about:blank", Title: http.StatusText(http.StatusForbidden), Status: http.StatusForbidden, Detail: detail})
}

// recovered turns a panic into a problem instead of a dropped connection.
func (s *server) recovered(c *gin.Context) {
	defer func() {
		r := recover()
		if err, is := r.(error); is && errors.Is(err, http.ErrAbortHandler) {
			panic(r) // the connection is to be dropped
		}
		if r != nil {
			s.refuse(c, fmt.Errorf("panic: %v", r))
		}
	}()
	c.Next()
}

func (s *server) headers(c *gin.Context) {
	h := c.Writer.Header()
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("Referrer-Policy", "same-origin")
	h.Set("X-Frame-Options", "DENY")
	if s.door.TLS {
		h.Set("Strict-Transport-Security", "max-age=31536000")
	}
	h.Set("Cache-Control", "no-store")
	if strings.HasPrefix(c.Request.URL.Path, "/api/") { // never a page of its own
		h.Set("Content-Disposition", `attachment; filename="api.json"`)
	}
	h.Set("Cross-Origin-Opener-Policy", "same-origin")
	h.Set("Cross-Origin-Resource-Policy", "same-origin")
	h.Set("Permissions-Policy", "camera=(), microphone=(), geolocation=(), payment=(), usb=()")
	c.Next()
}

// asFault makes a refusal without a place.
func asFault(format string, args ...any) error { return working.Refuse("", format, args...) }
