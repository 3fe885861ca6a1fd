package httpapi

import (
	"fmt"
	"net"
	"net/http"
	"net/url"

	"github.com/gin-gonic/gin"

	"warmanvil/core/working"
)

// Loopback refuses an address that other machines could reach: there is no
// sign-in yet.
func Loopback(address string) error {
	host, _, err := net.SplitHostPort(address)
	if err != nil {
		return fmt.Errorf("address %q is not host:port: %w", address, err)
	}
	if loopbackHost(host) {
		return nil
	}
	return fmt.Errorf("only loopback addresses are served, %q is not one: there is no sign-in yet, so anybody who reaches the address could change every job; use 127.0.0.1", address)
}

func loopbackHost(host string) bool {
	if host == "localhost" {
		return true
	}
	ip := net.ParseIP(host)
	return ip != nil && ip.IsLoopback()
}

// guarded refuses requests that a page of another site could have sent: the
// Host must be a loopback one, and an Origin must be the Host itself.
func guarded(c *gin.Context) {
	name := c.Request.Host
	if host, _, err := net.SplitHostPort(name); err == nil {
		name = host
	}
	if !loopbackHost(name) {
		deny(c, "This server answers on loopback addresses only.")
		return
	}
	if origin := c.GetHeader("Origin"); origin != "" {
		u, err := url.Parse(origin)
		if err != nil || u.Host != c.Request.Host {
			deny(c, "The request comes from another site's page.")
			return
		}
	}
	c.Next()
}

func deny(c *gin.Context, detail string) {
	c.AbortWithStatusJSON(http.StatusForbidden, Problem{Type: "about:blank", Title: http.StatusText(http.StatusForbidden), Status: http.StatusForbidden, Detail: detail})
}

// recovered turns a panic into a problem instead of a dropped connection.
func recovered(c *gin.Context) {
	defer func() {
		if r := recover(); r != nil {
			refuse(c, fmt.Errorf("panic: %v", r))
		}
	}()
	c.Next()
}

func headers(c *gin.Context) {
	h := c.Writer.Header()
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("Referrer-Policy", "same-origin")
	h.Set("X-Frame-Options", "DENY")
	h.Set("Cache-Control", "no-store")
	c.Next()
}

// asFault makes a refusal without a place.
func asFault(format string, args ...any) error { return working.Refuse("", format, args...) }
