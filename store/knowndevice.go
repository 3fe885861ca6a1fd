package store

import (
	"context"
	"time"
)

// RememberDevice keeps that a browser signed in to an account, and forgets those that were
// not seen for a year.
func (s *Store) RememberDevice(ctx context.Context, hash []byte, account, device string, now time.Time) error {
	_, err := s.pool.Exec(ctx, `WITH swept AS (DELETE FROM known_device WHERE seen_at < $4::timestamptz - interval '1 year')
		INSERT INTO known_device (hash, account_id, device, seen_at) VALUES ($1, $2, $3, $4)`, hash, account, device, now)
	return err
}

// KnownDevice tells whether a browser signed in before to the account of a name.
func (s *Store) KnownDevice(ctx context.Context, hash []byte, name string) (known bool, err error) {
	err = s.pool.QueryRow(ctx, `SELECT EXISTS (SELECT FROM known_device k JOIN account a ON a.id = k.account_id
		WHERE k.hash = $1 AND lower(a.name) = lower($2))`, hash, name).Scan(&known)
	return known, err
}

// ForgetDevice takes a browser's standing away: it was signed out from elsewhere.
func (s *Store) ForgetDevice(ctx context.Context, device string) error {
	_, err := s.pool.Exec(ctx, `DELETE FROM known_device WHERE device = $1`, device)
	return err
}
