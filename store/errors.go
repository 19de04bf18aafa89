package store

import (
	"context"
	"database/sql/driver"
	"errors"
	"fmt"
	"net"
	"syscall"

	mysqldriver "github.com/go-sql-driver/mysql"
)

// Errors that callers tell apart.
var (
	ErrNotFound  = errors.New("there is no such thing here")
	ErrConflict  = errors.New("it was changed elsewhere in the meantime")
	ErrDown      = errors.New("the database cannot be reached")
	ErrFull      = errors.New("the database's disk is full")
	ErrNewer     = errors.New("the database was written by a newer version of this program")
	ErrNothing   = errors.New("there is nothing to go back or forward to")
	errRaced     = errors.New("another node of the cluster changed it first") // and it is tried again
	errBadSource = errors.New("the database address cannot be read")
)

// numbers of the server's errors, https://mariadb.com/kb/en/mariadb-error-codes/
var (
	passing = map[uint16]bool{1205: true, 1213: true} // lock wait timeout, deadlock
	away    = map[uint16]bool{
		1040: true, 1053: true, 1927: true, 2006: true, 2013: true, // too many connections, shutting down, killed, gone
		1047: true, 1290: true, // a node of a cluster that is not ready, or may only be read
	}
	full = map[uint16]bool{1021: true, 1114: true} // disk full, table full
)

// mayPass reports whether a transaction that failed so can be tried again as it is.
func mayPass(err error) bool {
	var my *mysqldriver.MySQLError
	return errors.Is(err, errRaced) || errors.As(err, &my) && passing[my.Number]
}

// taken reports whether a row of that key is there already.
func taken(err error) bool {
	var my *mysqldriver.MySQLError
	return errors.As(err, &my) && my.Number == 1062
}

// known turns the many shapes of a database that cannot be worked with into ErrDown and
// ErrFull; all else stays as it is.
func known(err error) error {
	var my *mysqldriver.MySQLError
	var op *net.OpError
	switch {
	case err == nil, errors.Is(err, ErrNotFound), errors.Is(err, ErrConflict), errors.Is(err, ErrNothing), errors.Is(err, ErrDown), errors.Is(err, ErrFull):
		return err
	case errors.Is(err, errRaced):
		return fmt.Errorf("%w: %v", ErrConflict, err)
	case errors.As(err, &my) && (full[my.Number] || my.Number == 1030 && containsErrno(my.Message, syscall.ENOSPC, syscall.EFBIG)):
		return fmt.Errorf("%w: %v", ErrFull, err)
	case errors.As(err, &my) && (away[my.Number] || passing[my.Number]): // what passes was tried again and did not
		return fmt.Errorf("%w: %v", ErrDown, err)
	case errors.As(err, &my):
		return err
	case errors.As(err, &op), errors.Is(err, mysqldriver.ErrInvalidConn), errors.Is(err, driver.ErrBadConn), errors.Is(err, context.DeadlineExceeded):
		return fmt.Errorf("%w: %v", ErrDown, err)
	}
	return err
}

// containsErrno reports whether a message of the storage engine names one of the errors.
func containsErrno(message string, errs ...syscall.Errno) bool {
	for _, e := range errs {
		var n int
		if _, err := fmt.Sscanf(message, "Got error %d", &n); err == nil && n == int(e) {
			return true
		}
	}
	return false
}
