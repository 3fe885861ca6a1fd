package account

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/base64"
	"strings"
)

// Remember answers what a browser that has signed in keeps, to be known by the next time.
func (s *Service) Remember(ctx context.Context, account, device string) (token string, err error) {
	b := make([]byte, 24)
	_, _ = rand.Read(b) // never fails
	token = base64.RawURLEncoding.EncodeToString(b)
	return token, s.Store.RememberDevice(ctx, tokenHash(token), account, device, s.Now())
}

// Knows tells whether a browser signed in before to the account of a name.
func (s *Service) Knows(ctx context.Context, token, name string) (bool, error) {
	if token == "" {
		return false, nil
	}
	return s.Store.KnownDevice(ctx, tokenHash(token), strings.TrimSpace(name))
}

func tokenHash(token string) []byte {
	sum := sha256.Sum256([]byte(token))
	return sum[:]
}
