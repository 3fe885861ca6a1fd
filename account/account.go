// Package account is who may use a shared server: accounts with a role, the
// words that let somebody in once, passwords. It owns the store it needs.
package account

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/base32"
	"errors"
	"strings"
	"time"
	"unicode/utf8"

	"warmanvil/core/working"
)

// Role is what an account may do.
type Role string

// A reader looks, a maker changes jobs, an owner also says who else may.
const (
	Reader Role = "reader"
	Maker  Role = "maker"
	Owner  Role = "owner"
)

var rank = map[Role]int{Reader: 1, Maker: 2, Owner: 3}

// May tells whether a role is enough for what asks for another.
func (r Role) May(asked Role) bool { return rank[r] >= rank[asked] }

// Account is one person.
type Account struct {
	ID       string
	Name     string
	Role     Role
	Password string // argon2id string form
	Created  time.Time
}

// Kind tells what a pass is for.
type Kind string

// Invitation makes an account, pairing signs another device in.
const (
	Invitation Kind = "invitation"
	Pairing    Kind = "pairing"
)

// Pass lets somebody in once. Account is who gave it.
type Pass struct {
	Hash    []byte
	Kind    Kind
	Role    Role
	Account string
	Expires time.Time
}

// Errors a caller decides on.
var (
	ErrNotFound  = errors.New("there is no such account")
	ErrNameTaken = errors.New("that name is taken")
	ErrWrong     = working.Refuse("/password", "Name and password do not go together.")
	ErrNoPass    = working.Refuse("/code", "That code is not known, was used already, or is too old: ask for a new one.")
	ErrOwned     = errors.New("there is an owner already: ask them for an invitation")
	ErrLastOwner = working.Refuse("", "The last owner cannot go or become less: make somebody else owner first.")
)

// Store keeps accounts and passes.
type Store interface {
	AnyAccount(ctx context.Context) (bool, error)
	Accounts(ctx context.Context) ([]Account, error)
	Account(ctx context.Context, id string) (Account, error)
	AccountNamed(ctx context.Context, name string) (Account, error)
	// AddFirstAccount adds an account if there is none yet, else ErrOwned.
	AddFirstAccount(ctx context.Context, a Account) error
	// AddInvited spends an invitation and adds the account in one transaction.
	AddInvited(ctx context.Context, hash []byte, now time.Time, a Account) error
	// SetRole and RemoveAccount answer ErrLastOwner where no owner would be left.
	SetRole(ctx context.Context, id string, r Role) error
	RemoveAccount(ctx context.Context, id string) error
	SetPassword(ctx context.Context, id, password string) error
	GivePass(ctx context.Context, p Pass) error
	// FindPass answers a pass that is still good; SpendPass takes it away.
	FindPass(ctx context.Context, hash []byte, kind Kind, now time.Time) (Pass, error)
	SpendPass(ctx context.Context, hash []byte, kind Kind, now time.Time) (Pass, error)
	// RememberDevice keeps that a browser signed in to an account; KnownDevice tells it of
	// the account of a name.
	RememberDevice(ctx context.Context, hash []byte, account, device string, now time.Time) error
	KnownDevice(ctx context.Context, hash []byte, name string) (bool, error)
	ForgetDevice(ctx context.Context, device string) error
}

// Service is what may be done about accounts.
type Service struct {
	Store Store
	Now   func() time.Time
	NewID func() string
}

const (
	invitationLife = 7 * 24 * time.Hour
	pairingLife    = 3 * time.Minute
	leastPassword  = 12
	mostPassword   = 128
	mostName       = 60
)

// newCode answers a word that can be typed from one screen to another: 16
// letters and digits for an invitation, 8 for a pairing that lives minutes.
func newCode(letters int) string {
	b := make([]byte, 16)
	_, _ = rand.Read(b) // never fails
	return base32.StdEncoding.EncodeToString(b)[:letters]
}

// hashOf answers what is kept of a code, however it was typed.
func hashOf(code string) []byte {
	plain := strings.ToUpper(strings.NewReplacer(" ", "", "-", "", "0", "O", "1", "I").Replace(code))
	sum := sha256.Sum256([]byte(plain))
	return sum[:]
}

func checkName(name string) error {
	if strings.TrimSpace(name) == "" || utf8.RuneCountInString(name) > mostName {
		return working.Refuse("/name", "Give a name of up to %d characters.", mostName)
	}
	return nil
}

func (s *Service) fresh(name, password string, role Role) (Account, error) {
	name = strings.TrimSpace(name)
	if err := working.First(checkName(name), checkPassword(password, name)); err != nil {
		return Account{}, err
	}
	hashed, err := Hash(password)
	return Account{ID: s.NewID(), Name: name, Role: role, Password: hashed, Created: s.Now()}, err
}

// MakeOwner makes the first account.
func (s *Service) MakeOwner(ctx context.Context, name, password string) (Account, error) {
	a, err := s.fresh(name, password, Owner)
	if err != nil {
		return a, err
	}
	return a, s.Store.AddFirstAccount(ctx, a)
}

// SignIn answers the account that name and password go together for. It takes
// as long for a name that is not known.
func (s *Service) SignIn(ctx context.Context, name, password string) (Account, error) {
	a, err := s.Store.AccountNamed(ctx, strings.TrimSpace(name))
	if errors.Is(err, ErrNotFound) {
		_, _ = Verify(nobody, password)
		return Account{}, ErrWrong
	}
	if err != nil {
		return Account{}, err
	}
	ok, err := Verify(a.Password, password)
	if err != nil {
		return Account{}, err
	}
	if !ok {
		return Account{}, ErrWrong
	}
	return a, nil
}

// Invite answers a code that makes one account of a role.
func (s *Service) Invite(ctx context.Context, by string, role Role) (code string, expires time.Time, err error) {
	if rank[role] == 0 {
		return "", expires, working.Refuse("/role", "The role is owner, maker or reader, not %q.", role)
	}
	code, expires = newCode(16), s.Now().Add(invitationLife)
	return code, expires, s.Store.GivePass(ctx, Pass{hashOf(code), Invitation, role, by, expires})
}

// Join makes the account of an invitation.
func (s *Service) Join(ctx context.Context, code, name, password string) (Account, error) {
	p, err := s.Store.FindPass(ctx, hashOf(code), Invitation, s.Now())
	if err != nil {
		return Account{}, err
	}
	a, err := s.fresh(name, password, p.Role)
	if err != nil {
		return a, err
	}
	err = s.Store.AddInvited(ctx, p.Hash, s.Now(), a)
	if errors.Is(err, ErrNameTaken) {
		return a, working.Refuse("/name", "%s is taken: choose another name.", a.Name)
	}
	return a, err
}

// Pair answers a code that signs another device in to the account once.
func (s *Service) Pair(ctx context.Context, by Account) (code string, expires time.Time, err error) {
	code, expires = newCode(8), s.Now().Add(pairingLife)
	return code, expires, s.Store.GivePass(ctx, Pass{hashOf(code), Pairing, by.Role, by.ID, expires})
}

// Paired answers the account a pairing code signs in to.
func (s *Service) Paired(ctx context.Context, code string) (Account, error) {
	p, err := s.Store.SpendPass(ctx, hashOf(code), Pairing, s.Now())
	if err != nil {
		return Account{}, err
	}
	return s.Store.Account(ctx, p.Account)
}

// ChangePassword sets another password, if the old one is right.
func (s *Service) ChangePassword(ctx context.Context, id, old, next string) error {
	a, err := s.Store.Account(ctx, id)
	if err != nil {
		return err
	}
	ok, err := Verify(a.Password, old)
	if err != nil {
		return err
	}
	if !ok {
		return working.Refuse("/old", "That is not the password as it stands.")
	}
	if err := checkPassword(next, a.Name); err != nil {
		return err
	}
	hashed, err := Hash(next)
	if err != nil {
		return err
	}
	return s.Store.SetPassword(ctx, id, hashed)
}
