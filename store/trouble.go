package store

import (
	"errors"
	"io"
	"net"
	"strings"

	"github.com/jackc/pgx/v5/pgconn"

	"warmanvil/job"
)

// Trouble tells whether an error means that the database went while it was asked (there is
// no connection to be had, or it broke, it hangs, or the server is shutting down or
// starting up, or has no connection left), or that its disk is full.
func (s *Store) Trouble(err error) job.Trouble {
	var pg *pgconn.PgError
	if errors.As(err, &pg) {
		return troubleOf(pg.Code)
	}
	var connect *pgconn.ConnectError
	var network *net.OpError
	if errors.Is(err, errSilent) || errors.As(err, &connect) || errors.As(err, &network) ||
		errors.Is(err, io.ErrUnexpectedEOF) || errors.Is(err, io.EOF) {
		return job.Away
	}
	return job.NoTrouble
}

// troubleOf reads a code of PostgreSQL's (appendix A of its manual).
func troubleOf(code string) job.Trouble {
	switch {
	case code == "53100": // disk_full
		return job.Full
	case strings.HasPrefix(code, "57P"), strings.HasPrefix(code, "08"), code == "53300": // shutdown, connection, too many
		return job.Away
	}
	return job.NoTrouble
}
