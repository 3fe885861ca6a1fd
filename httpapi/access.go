package httpapi

import (
	"context"
	"errors"
	"fmt"
	"net"
	"net/http"
	"net/url"
	"slices"
	"strings"
	"sync/atomic"
	"time"

	"github.com/gin-gonic/gin"

	"warmanvil/account"
	"warmanvil/job"
)

// Door says how the server is reached. The zero value serves loopback only,
// and asks nobody to sign in until there is an account.
type Door struct {
	Listen    bool     // other machines reach it: every visitor signs in
	Hosts     []string // names and addresses it answers to besides loopback
	Reach     string   // the one of them to send other devices to
	TLS       bool
	SetupCode string // what the first owner must type, as printed where the server was started
}

// access is what a route asks for.
type access int

const (
	byMethod access = iota // reading for GET, making for all else
	fixed                  // anybody, whatever becomes of the store: tables of the program's own
	public
	reading
	making
	owning
)

func (a access) of(method string) access {
	if a != byMethod {
		return a
	}
	if method == http.MethodGet {
		return reading
	}
	return making
}

var roleFor = map[access]account.Role{reading: account.Reader, making: account.Maker, owning: account.Owner}

// Errors of the door.
var (
	errSignIn = errors.New("sign in first")
	errRole   = errors.New("your account may look but not change this: ask the owner")
	errFull   = errors.New("the disk is full")
	errSetup  = errors.New("this server has no owner yet: make one with the code printed where it was started")
)

// local is who works on loopback while there is no account.
var local = account.Account{Name: "this machine", Role: account.Owner}

const (
	accountKey = "account"
	deviceKey  = "device"
	whoKey     = "who"
)

// known remembers for a moment whether there is any account, so that work on
// loopback does not ask the database each time.
type known struct {
	any   atomic.Bool
	asked atomic.Int64
}

const knownFor = 2 * time.Second

func (s *server) anyAccount(ctx context.Context) (bool, error) {
	if s.accounts == nil {
		return false, nil
	}
	now := time.Now().UnixNano()
	if s.known.any.Load() || now-s.known.asked.Load() < int64(knownFor) {
		return s.known.any.Load(), nil
	}
	any, err := s.accounts.Store.AnyAccount(ctx)
	if err == nil {
		s.known.any.Store(any)
		s.known.asked.Store(now)
	}
	return any, err
}

// who answers whose request it is.
func (s *server) who(c *gin.Context) (account.Account, error) {
	ctx := c.Request.Context()
	any, err := s.anyAccount(ctx)
	if err != nil {
		return account.Account{}, err
	}
	if !any {
		if s.door.Listen {
			return account.Account{}, errSetup
		}
		return local, nil
	}
	id := s.sessions.GetString(ctx, accountKey)
	if id == "" {
		return account.Account{}, errSignIn
	}
	a, err := s.accounts.Store.Account(ctx, id)
	if errors.Is(err, account.ErrNotFound) {
		return a, errSignIn
	}
	return a, err
}

// admit lets a request through to what it asks for, or refuses it.
func (s *server) admit(c *gin.Context, asked access) error {
	asked = asked.of(c.Request.Method)
	if asked == fixed {
		return nil
	}
	if err := s.again(c, func() error { return s.remember(c) }); err != nil {
		return err
	}
	if asked == public {
		return nil
	}
	var a account.Account
	err := s.again(c, func() (err error) { a, err = s.who(c); return err })
	if err != nil {
		return err
	}
	if !a.Role.May(roleFor[asked]) {
		return errRole
	}
	c.Set(whoKey, a)
	if asked != reading {
		return s.roomLeft()
	}
	return nil
}

// roomLeft refuses what would be written when the disk has hardly any room: a database that
// fills it to the last ends, and takes the reading with it.
func (s *server) roomLeft() error {
	if s.room == nil {
		return nil
	}
	if err := s.room(); err != nil {
		return fmt.Errorf("%w: %w", errFull, err)
	}
	return nil
}

// remember takes up the session that the request's cookie names.
func (s *server) remember(c *gin.Context) error {
	token, err := c.Cookie(s.sessions.Cookie.Name)
	if err != nil {
		token = ""
	}
	c.Writer.Header().Set("Vary", "Cookie")
	ctx, err := s.sessions.Load(c.Request.Context(), token)
	if err == nil {
		c.Request = c.Request.WithContext(ctx)
	}
	return err
}

// again does what only reads a second time when the store went while it was asked: a
// connection may die between being looked at and being used.
func (s *server) again(c *gin.Context, read func() error) error {
	err := read()
	if err != nil && s.trouble(err) == job.Away && c.Request.Context().Err() == nil {
		err = read()
	}
	return err
}

// whoIs answers who was admitted.
func whoIs(c *gin.Context) account.Account {
	a, _ := c.Get(whoKey)
	who, _ := a.(account.Account)
	return who
}

// guarded refuses requests under a name that is not ours, which a foreign
// name's page could have been led to, and requests that a page of another site
// sends.
func (s *server) guarded(c *gin.Context) {
	name := c.Request.Host
	if host, _, err := net.SplitHostPort(name); err == nil {
		name = host
	}
	if !loopbackHost(name) && !s.answersTo(name) {
		deny(c, "This server does not answer to the name "+name+".")
		return
	}
	if origin := c.GetHeader("Origin"); origin != "" {
		u, err := url.Parse(origin)
		if err != nil || !strings.EqualFold(u.Host, c.Request.Host) {
			deny(c, "The request comes from another site's page.")
			return
		}
	}
	if err := s.cross.Check(c.Request); err != nil {
		deny(c, "The request comes from another site's page.")
		return
	}
	c.Next()
}

func (s *server) answersTo(name string) bool {
	return slices.ContainsFunc(s.door.Hosts, func(h string) bool { return strings.EqualFold(h, name) }) // names have no case
}
