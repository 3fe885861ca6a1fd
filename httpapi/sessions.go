package httpapi

import (
	"context"
	"crypto/subtle"
	"encoding/gob"
	"net/http"
	"strings"
	"time"

	"github.com/alexedwards/scs/v2"
	"github.com/google/uuid"

	"warmanvil/account"
	"warmanvil/core/working"
)

func init() { gob.Register(device{}) } // the session library writes it with gob

// device is one signed-in browser.
type device struct {
	ID    string
	Name  string
	Since time.Time
}

// SessionView is who one is to the server.
type SessionView struct {
	State  string       `json:"state" enum:"open,setup,out,in" doc:"open: nobody needs to sign in; setup: an owner is to be made; out; in"`
	Name   string       `json:"name,omitempty"`
	Role   account.Role `json:"role,omitempty" enum:"owner,maker,reader"`
	Secure bool         `json:"secure" doc:"reached over TLS or on this machine"`
}

// SetupRequest makes the first owner.
type SetupRequest struct {
	Code     string `json:"code" doc:"as printed where the server was started"`
	Name     string `json:"name"`
	Password string `json:"password"`
	Device   string `json:"device,omitempty"`
}

// SignInRequest signs a device in.
type SignInRequest struct {
	Name     string `json:"name"`
	Password string `json:"password"`
	Device   string `json:"device,omitempty" doc:"what the device is called in the list"`
}

// JoinRequest makes the account of an invitation.
type JoinRequest struct {
	Code     string `json:"code"`
	Name     string `json:"name"`
	Password string `json:"password"`
	Device   string `json:"device,omitempty"`
}

// PairRequest signs a device in by a pairing code.
type PairRequest struct {
	Code   string `json:"code"`
	Device string `json:"device,omitempty"`
}

// PasswordRequest changes one's own password.
type PasswordRequest struct {
	Old string `json:"old"`
	New string `json:"new"`
}

func newSessions(store scs.Store, door Door) *scs.SessionManager {
	m := scs.New()
	if store != nil {
		m.Store = store
	}
	m.Lifetime = 30 * 24 * time.Hour
	m.HashTokenInStore = true
	m.Cookie.Name = door.cookie("warmanvil")
	m.Cookie.HttpOnly = true
	m.Cookie.SameSite = http.SameSiteStrictMode
	m.Cookie.Secure = door.TLS
	m.Cookie.Persist = true
	return m
}

// cookie names one: over TLS so that no other host, path or plain connection can set it.
func (d Door) cookie(name string) string {
	if d.TLS {
		return "__Host-" + name
	}
	return name
}

// deviceCookie is what a browser is known by that signed in before.
func (s *server) deviceCookie() string { return s.door.cookie("warmanvil-device") }

func (s *server) sessionRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/session", id: "getSession", summary: "Who one is to the server", access: public},
		s.session)
	route(s, operation{method: "POST", path: "/api/v1/setup", id: "setup", summary: "Make the first owner", access: public},
		func(c call, in SetupRequest) (SessionView, error) {
			if err := s.tried(c); err != nil {
				return SessionView{}, err
			}
			if !s.door.Listen || s.door.SetupCode == "" ||
				subtle.ConstantTimeCompare([]byte(strings.ToUpper(strings.TrimSpace(in.Code))), []byte(s.door.SetupCode)) != 1 {
				return SessionView{}, working.Refuse("/code", "That is not the code printed where the server was started.")
			}
			a, err := s.accounts.MakeOwner(c.Request.Context(), in.Name, in.Password)
			if err != nil {
				return SessionView{}, err
			}
			s.known.any.Store(true)
			return s.signedIn(c, a, in.Device)
		})
	route(s, operation{method: "POST", path: "/api/v1/sign-in", id: "signIn", summary: "Sign this device in", access: public},
		func(c call, in SignInRequest) (SessionView, error) {
			x, err := s.guessed(c, in.Name)
			if err != nil {
				return SessionView{}, err
			}
			a, err := s.accounts.SignIn(c.Request.Context(), in.Name, in.Password)
			if err != nil {
				return SessionView{}, err
			}
			s.guesses.right(x)
			return s.signedIn(c, a, in.Device)
		})
	route(s, operation{method: "POST", path: "/api/v1/join", id: "join", summary: "Make the account of an invitation", access: public},
		func(c call, in JoinRequest) (SessionView, error) {
			if err := s.tried(c); err != nil {
				return SessionView{}, err
			}
			a, err := s.accounts.Join(c.Request.Context(), in.Code, in.Name, in.Password)
			if err != nil {
				return SessionView{}, err
			}
			return s.signedIn(c, a, in.Device)
		})
	route(s, operation{method: "POST", path: "/api/v1/pair", id: "pair",
		summary: "Sign this device in by a pairing code", access: public},
		func(c call, in PairRequest) (SessionView, error) {
			if err := s.tried(c); err != nil {
				return SessionView{}, err
			}
			a, err := s.accounts.Paired(c.Request.Context(), in.Code)
			if err != nil {
				return SessionView{}, err
			}
			return s.signedIn(c, a, in.Device)
		})
	route(s, operation{method: "POST", path: "/api/v1/sign-out", id: "signOut", summary: "Sign this device out", access: public},
		func(c call, _ none) (Done, error) {
			if err := s.sessions.Destroy(c.Request.Context()); err != nil {
				return Done{}, err
			}
			s.sessions.WriteSessionCookie(c.Request.Context(), c.Writer, "", time.Time{})
			return Done{true}, nil
		})
	route(s, operation{method: "POST", path: "/api/v1/password", id: "changePassword",
		summary: "Change one's own password; other devices are signed out", access: reading}, func(c call, in PasswordRequest) (Done, error) {
		if err := needAccount(c); err != nil {
			return Done{}, err
		}
		x := guess{name: whoIs(c.Context).Name, from: "device " + s.here(c.Request.Context()), known: true}
		if err := s.guesses.begin(c.Request.Context(), x); err != nil {
			return Done{}, err
		}
		if err := s.accounts.ChangePassword(c.Request.Context(), whoIs(c.Context).ID, in.Old, in.New); err != nil {
			return Done{}, err
		}
		s.guesses.right(x)
		_, err := s.revoke(c.Request.Context(), func(id string, d device) bool {
			return id == whoIs(c.Context).ID && d.ID != s.here(c.Request.Context())
		})
		return Done{true}, err
	})
	s.deviceRoutes()
	s.memberRoutes()
}

func (s *server) session(c call, _ none) (SessionView, error) {
	v := SessionView{State: "in", Secure: s.door.TLS || !s.door.Listen}
	a, err := s.who(c.Context)
	switch err {
	case errSetup:
		v.State = "setup"
	case errSignIn:
		v.State = "out"
	case nil:
		v.Name, v.Role = a.Name, a.Role
		if a.ID == "" {
			v.State = "open"
		}
	default:
		return v, err
	}
	return v, nil
}

// tried takes one of the tries an address has at codes.
func (s *server) tried(c call) error {
	if s.accounts == nil {
		return errSetup
	}
	if !s.byAddress.allow(address(c.Context)) {
		return errTooMany
	}
	return nil
}

// guessed counts a try at a name, and answers when it may be made.
func (s *server) guessed(c call, name string) (x guess, err error) {
	if s.accounts == nil {
		return x, errSetup
	}
	token, err := c.Cookie(s.deviceCookie())
	if err != nil {
		token = ""
	}
	x = guess{name: name, from: address(c.Context)}
	if x.known, err = s.accounts.Knows(c.Request.Context(), token, name); err != nil {
		return x, err
	}
	if x.known {
		x.from = "device " + token
	} else if !s.byAddress.allow(address(c.Context)) {
		return x, errTooMany
	}
	return x, s.guesses.begin(c.Request.Context(), x)
}

// signedIn starts a session under a new token.
func (s *server) signedIn(c call, a account.Account, name string) (SessionView, error) {
	ctx := c.Request.Context()
	if err := s.sessions.RenewToken(ctx); err != nil {
		return SessionView{}, err
	}
	if name = strings.TrimSpace(name); name == "" || len(name) > 100 {
		name = "a browser"
	}
	s.sessions.Put(ctx, accountKey, a.ID)
	d := device{uuid.NewString(), name, time.Now()}
	s.sessions.Put(ctx, deviceKey, d)
	known, err := s.accounts.Remember(ctx, a.ID, d.ID)
	if err != nil {
		return SessionView{}, err
	}
	token, expires, err := s.sessions.Commit(ctx)
	if err != nil {
		return SessionView{}, err
	}
	s.sessions.WriteSessionCookie(ctx, c.Writer, token, expires)
	http.SetCookie(c.Writer, &http.Cookie{Name: s.deviceCookie(), Value: known, Path: "/", MaxAge: 365 * 24 * 3600, HttpOnly: true,
		Secure: s.door.TLS, SameSite: http.SameSiteStrictMode})
	return SessionView{State: "in", Name: a.Name, Role: a.Role, Secure: s.door.TLS || !s.door.Listen}, nil
}

// here answers the id of the device that asks.
func (s *server) here(ctx context.Context) string {
	d, _ := s.sessions.Get(ctx, deviceKey).(device)
	return d.ID
}
