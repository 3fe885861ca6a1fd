package httpapi

import (
	"crypto/rand"
	"encoding/base64"
	"errors"
	"fmt"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strings"

	"github.com/gin-gonic/gin"

	"warmanvil/job"
)

// front serves the built front end: files by name, the page for every other
// path. Styles made at run time carry the page's nonce.
type front struct {
	files fs.FS
	page  string
}

const nonceMark = "__NONCE__"

func newFront(files fs.FS) (*front, error) {
	if files == nil {
		return &front{}, nil
	}
	page, err := fs.ReadFile(files, "index.html")
	if errors.Is(err, fs.ErrNotExist) {
		page, err = fs.ReadFile(files, "placeholder.html")
	}
	if err != nil {
		return nil, fmt.Errorf("read the front end: %w", err)
	}
	return &front{files, string(page)}, nil
}

func (f *front) serve(c *gin.Context) {
	name := strings.TrimPrefix(path.Clean(c.Request.URL.Path), "/")
	if strings.HasPrefix(name, "api/") || c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead || f.files == nil {
		refuse(c, job.ErrNotFound)
		return
	}
	if strings.HasPrefix(name, "assets/") || name == "favicon.svg" {
		f.asset(c, name)
		return
	}
	f.html(c)
}

// asset serves a file whose name holds its content's hash, squeezed where the
// build left a squeezed copy.
func (f *front) asset(c *gin.Context, name string) {
	c.Header("Cache-Control", "public, max-age=31536000, immutable")
	if strings.Contains(c.GetHeader("Accept-Encoding"), "gzip") {
		if raw, err := fs.ReadFile(f.files, name+".gz"); err == nil {
			c.Header("Content-Encoding", "gzip")
			c.Data(http.StatusOK, mime.TypeByExtension(path.Ext(name)), raw)
			return
		}
	}
	raw, err := fs.ReadFile(f.files, name)
	if err != nil {
		c.Header("Cache-Control", "no-store")
		refuse(c, job.ErrNotFound)
		return
	}
	c.Data(http.StatusOK, mime.TypeByExtension(path.Ext(name)), raw)
}

func (f *front) html(c *gin.Context) {
	var b [16]byte
	_, _ = rand.Read(b[:]) // never fails
	nonce := base64.StdEncoding.EncodeToString(b[:])
	c.Header("Content-Security-Policy", "default-src 'self'; script-src 'self'; style-src 'self' 'nonce-"+nonce+
		"'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; "+
		"form-action 'self'")
	c.Data(http.StatusOK, "text/html; charset=utf-8", []byte(strings.ReplaceAll(f.page, nonceMark, nonce)))
}
