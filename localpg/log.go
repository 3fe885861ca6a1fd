package localpg

import (
	"errors"
	"fmt"
	"io/fs"
	"os"
)

const (
	logSize = 2 << 20 // bytes; a log that has grown to this is put aside at the next start
	logKept = 3       // of those put aside
)

// turn puts a log aside that has grown large: log.1 is the last, log.3 the oldest kept.
func turn(log string, size int64) error {
	info, err := os.Stat(log)
	if errors.Is(err, fs.ErrNotExist) || err == nil && info.Size() < size {
		return nil
	}
	if err != nil {
		return fmt.Errorf("look at the database's log: %w", err)
	}
	name := func(n int) string {
		if n == 0 {
			return log
		}
		return fmt.Sprintf("%s.%d", log, n)
	}
	for n := logKept; n > 0; n-- {
		if err := os.Rename(name(n-1), name(n)); err != nil && !errors.Is(err, fs.ErrNotExist) {
			return fmt.Errorf("put the database's log aside: %w", err)
		}
	}
	return nil
}
