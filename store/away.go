package store

import (
	"errors"
	"io"
	"net"
	"strings"

	"github.com/jackc/pgx/v5/pgconn"
)

// Away tells whether an error means that the database went while it was asked: there is
// no connection to be had, or it broke, it hangs, or the server is
// shutting down or starting up, or has no connection left.
func (s *Store) Away(err error) bool {
	var connect *pgconn.ConnectError
	var network *net.OpError
	var pg *pgconn.PgError
	if errors.As(err, &pg) {
		return strings.HasPrefix(pg.Code, "57P") || strings.HasPrefix(pg.Code, "08") || pg.Code == "53300"
	}
	return errors.Is(err, errSilent) || errors.As(err, &connect) || errors.As(err, &network) || errors.Is(err, io.ErrUnexpectedEOF) || errors.Is(err, io.EOF)
}
