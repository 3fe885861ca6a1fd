package store

import (
	"context"
	"errors"
	"fmt"
	"time"

	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"

	"warmanvil/account"
)

const accountColumns = `id::text, name, role, password, created_at FROM account`

func scanAccount(row pgx.Row) (a account.Account, err error) {
	err = row.Scan(&a.ID, &a.Name, &a.Role, &a.Password, &a.Created)
	if errors.Is(err, pgx.ErrNoRows) {
		err = account.ErrNotFound
	}
	return a, err
}

// AnyAccount tells whether there is an account.
func (s *Store) AnyAccount(ctx context.Context) (any bool, err error) {
	err = s.pool.QueryRow(ctx, `SELECT EXISTS (SELECT FROM account)`).Scan(&any)
	return any, err
}

// Accounts lists all, by name.
func (s *Store) Accounts(ctx context.Context) ([]account.Account, error) {
	rows, err := s.pool.Query(ctx, `SELECT `+accountColumns+` ORDER BY lower(name)`)
	if err != nil {
		return nil, err
	}
	return pgx.CollectRows(rows, func(row pgx.CollectableRow) (account.Account, error) { return scanAccount(row) })
}

// Account answers one by id.
func (s *Store) Account(ctx context.Context, id string) (account.Account, error) {
	return scanAccount(s.pool.QueryRow(ctx, `SELECT `+accountColumns+` WHERE id = $1`, id))
}

// AccountNamed answers one by name, whatever its case.
func (s *Store) AccountNamed(ctx context.Context, name string) (account.Account, error) {
	return scanAccount(s.pool.QueryRow(ctx, `SELECT `+accountColumns+` WHERE lower(name) = lower($1)`, name))
}

func addAccount(ctx context.Context, tx pgx.Tx, a account.Account) error {
	_, err := tx.Exec(ctx, `INSERT INTO account (id, name, role, password, created_at) VALUES ($1, $2, $3, $4, $5)`, a.ID, a.Name,
		a.Role, a.Password, a.Created)
	var pg *pgconn.PgError
	if errors.As(err, &pg) && pg.Code == "23505" {
		return account.ErrNameTaken
	}
	if err != nil {
		return fmt.Errorf("add account: %w", err)
	}
	return nil
}

// AddFirstAccount adds an account if there is none yet.
func (s *Store) AddFirstAccount(ctx context.Context, a account.Account) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, `LOCK TABLE account IN EXCLUSIVE MODE`); err != nil {
			return err
		}
		var any bool
		if err := tx.QueryRow(ctx, `SELECT EXISTS (SELECT FROM account)`).Scan(&any); err != nil {
			return err
		}
		if any {
			return account.ErrOwned
		}
		return addAccount(ctx, tx, a)
	})
}

// AddInvited spends an invitation and adds the account.
func (s *Store) AddInvited(ctx context.Context, hash []byte, now time.Time, a account.Account) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := spendPass(ctx, tx, hash, account.Invitation, now); err != nil {
			return err
		}
		return addAccount(ctx, tx, a)
	})
}

// SetRole changes what an account may do.
func (s *Store) SetRole(ctx context.Context, id string, r account.Role) error {
	return s.keepingAnOwner(ctx, func(tx pgx.Tx) (pgconn.CommandTag, error) {
		return tx.Exec(ctx, `UPDATE account SET role = $2 WHERE id = $1`, id, r)
	})
}

// RemoveAccount takes an account away, with the passes it gave.
func (s *Store) RemoveAccount(ctx context.Context, id string) error {
	return s.keepingAnOwner(ctx, func(tx pgx.Tx) (pgconn.CommandTag, error) {
		return tx.Exec(ctx, `DELETE FROM account WHERE id = $1`, id)
	})
}

func (s *Store) keepingAnOwner(ctx context.Context, change func(tx pgx.Tx) (pgconn.CommandTag, error)) error {
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		if _, err := tx.Exec(ctx, `LOCK TABLE account IN EXCLUSIVE MODE`); err != nil {
			return err
		}
		tag, err := change(tx)
		if err != nil {
			return err
		}
		if tag.RowsAffected() == 0 {
			return account.ErrNotFound
		}
		var owned bool
		if err := tx.QueryRow(ctx, `SELECT EXISTS (SELECT FROM account WHERE role = 'owner')`).Scan(&owned); err != nil {
			return err
		}
		if !owned {
			return account.ErrLastOwner
		}
		return nil
	})
}

// SetPassword keeps another password.
func (s *Store) SetPassword(ctx context.Context, id, password string) error {
	tag, err := s.pool.Exec(ctx, `UPDATE account SET password = $2 WHERE id = $1`, id, password)
	if err == nil && tag.RowsAffected() == 0 {
		err = account.ErrNotFound
	}
	return err
}

// GivePass keeps a pass and sweeps out old ones.
func (s *Store) GivePass(ctx context.Context, p account.Pass) error {
	_, err := s.pool.Exec(ctx, `WITH swept AS (DELETE FROM pass WHERE expires_at < now() - interval '1 day')
		INSERT INTO pass (hash, kind, role, account_id, expires_at) VALUES ($1, $2, $3, $4, $5)`, p.Hash, p.Kind, p.Role, p.Account, p.Expires)
	return err
}

const passColumns = `hash, kind, role, account_id::text, expires_at`

func scanPass(row pgx.Row) (p account.Pass, err error) {
	err = row.Scan(&p.Hash, &p.Kind, &p.Role, &p.Account, &p.Expires)
	if errors.Is(err, pgx.ErrNoRows) {
		err = account.ErrNoPass
	}
	return p, err
}

// FindPass answers a pass that is still good.
func (s *Store) FindPass(ctx context.Context, hash []byte, kind account.Kind, now time.Time) (account.Pass, error) {
	return scanPass(s.pool.QueryRow(ctx, `SELECT `+passColumns+` FROM pass WHERE hash = $1 AND kind = $2 AND expires_at > $3`, hash, kind,
		now))
}

// SpendPass takes a good pass away: of two who come with it, one gets it.
func (s *Store) SpendPass(ctx context.Context, hash []byte, kind account.Kind, now time.Time) (account.Pass, error) {
	return spendPass(ctx, s.pool, hash, kind, now)
}

func spendPass(ctx context.Context, on asker, hash []byte, kind account.Kind, now time.Time) (account.Pass, error) {
	return scanPass(on.QueryRow(ctx, `DELETE FROM pass WHERE hash = $1 AND kind = $2 AND expires_at > $3 RETURNING `+passColumns, hash, kind,
		now))
}
