package httpapi

import (
	"bytes"
	"context"
	"encoding/base64"
	"image/png"
	"net"
	"slices"
	"time"
	"warmanvil/core/working"
	"warmanvil/job"

	"github.com/boombuler/barcode"
	"github.com/boombuler/barcode/qr"
)

// CodeView is a code to be typed or scanned on another device.
type CodeView struct {
	Code    string    `json:"code"`
	URL     string    `json:"url" doc:"opens the page with the code filled in"`
	QR      string    `json:"qr" doc:"the same as a picture, PNG as a data address"`
	Expires time.Time `json:"expires"`
}

// DeviceView is one signed-in device.
type DeviceView struct {
	ID    string    `json:"id" format:"uuid"`
	Name  string    `json:"name"`
	Since time.Time `json:"since"`
	Here  bool      `json:"here" doc:"this very one"`
}

func (s *server) deviceRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/devices", id: "listDevices", summary: "One's signed-in devices"},
		func(c call, _ none) ([]DeviceView, error) {
			ctx, list := c.Request.Context(), []DeviceView{}
			err := s.sessions.Iterate(ctx, func(in context.Context) error {
				if d, ok := s.sessions.Get(in, deviceKey).(device); ok && s.sessions.GetString(in, accountKey) == whoIs(c.Context).ID {
					list = append(list, DeviceView{d.ID, d.Name, d.Since, d.ID == s.here(ctx)})
				}
				return nil
			})
			slices.SortFunc(list, func(a, b DeviceView) int { return b.Since.Compare(a.Since) })
			return list, err
		})
	route(s, operation{method: "DELETE", path: "/api/v1/devices/{id}", id: "revokeDevice", summary: "Sign a device of one's own out",
		access: reading}, func(c call, _ none) (Done, error) {
		n, err := s.revoke(c.Request.Context(), func(id string, d device) bool { return id == whoIs(c.Context).ID && d.ID == c.id })
		if err == nil && n == 0 {
			err = job.ErrNotFound // somebody else's, or gone already
		}
		if err == nil {
			err = s.accounts.Store.ForgetDevice(c.Request.Context(), c.id) // it may be in other hands
		}
		return Done{true}, err
	})
	route(s, operation{method: "POST", path: "/api/v1/pairing", id: "givePairing",
		summary: "A code that signs another device in, once, within minutes", access: reading}, func(c call, _ none) (CodeView, error) {
		if err := needAccount(c); err != nil {
			return CodeView{}, err
		}
		code, expires, err := s.accounts.Pair(c.Request.Context(), whoIs(c.Context))
		if err != nil {
			return CodeView{}, err
		}
		return s.codeView(c, "/pair", code, expires)
	})
}

// needAccount refuses what makes no sense while nobody signs in.
func needAccount(c call) error {
	if whoIs(c.Context).ID == "" {
		return working.Refuse("", "Nobody signs in to this server, so it has no members and devices: start it with --listen to share it.")
	}
	return nil
}

// revoke ends the sessions that a test picks and counts them.
func (s *server) revoke(ctx context.Context, pick func(account string, d device) bool) (n int, err error) {
	err = s.sessions.Iterate(ctx, func(in context.Context) error {
		if d, ok := s.sessions.Get(in, deviceKey).(device); ok && pick(s.sessions.GetString(in, accountKey), d) {
			n++
			return s.sessions.Store.Delete(s.sessions.Token(in)) // as it is kept: Destroy would hash it once more
		}
		return nil
	})
	return n, err
}

// codeView answers a code with the address that carries it behind the hash,
// where it stays in the browser and out of every log.
func (s *server) codeView(c call, page, code string, expires time.Time) (CodeView, error) {
	scheme := "http"
	if s.door.TLS {
		scheme = "https"
	}
	host := c.Request.Host
	if name, port, err := net.SplitHostPort(host); err == nil && loopbackHost(name) && s.door.Reach != "" {
		host = net.JoinHostPort(s.door.Reach, port) // a tablet's loopback is the tablet
	}
	v := CodeView{Code: code, URL: scheme + "://" + host + page + "#" + code, Expires: expires}
	picture, err := qr.Encode(v.URL, qr.M, qr.Auto)
	if err != nil {
		return v, err
	}
	if picture, err = barcode.Scale(picture, 288, 288); err != nil {
		return v, err
	}
	var out bytes.Buffer
	if err := png.Encode(&out, picture); err != nil {
		return v, err
	}
	v.QR = "data:image/png;base64," + base64.StdEncoding.EncodeToString(out.Bytes())
	return v, nil
}
