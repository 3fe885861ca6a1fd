package localpg

import (
	"fmt"
	"syscall"
)

// Reserve is how many bytes of the disk are left to the database itself. It keeps its
// journal there, and one that cannot be written ends the server, which then cannot even be
// read from.
const Reserve = 100 << 20

// Room answers an error when less than the reserve is left on the disk of the cluster.
func (c *Cluster) Room() error { return room(c.dir, Reserve) }

func room(dir string, reserve uint64) error {
	var s syscall.Statfs_t
	if err := syscall.Statfs(dir, &s); err != nil {
		return fmt.Errorf("look for room on the disk: %w", err)
	}
	if free := s.Bavail * uint64(s.Bsize); free < reserve {
		return fmt.Errorf("%d MB are left on the disk of %s, and %d MB are kept for the database itself", free>>20, dir, reserve>>20)
	}
	return nil
}
