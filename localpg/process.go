package localpg

import (
	"bytes"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"runtime"
	"strconv"
	"syscall"
	"time"
)

// process is the running server.
type process struct {
	cmd  *exec.Cmd
	done chan struct{} // closed when it has ended
}

// launch starts the server. It has a process group of its own, so that Ctrl-C
// reaches us first and it is stopped in order; and it is told to shut down
// when we die.
func launch(bin string, cred *syscall.Credential, data, log string, port int, fsync bool) (*process, error) {
	if err := turn(log, logSize); err != nil {
		return nil, err
	}
	out, err := os.OpenFile(log, os.O_CREATE|os.O_WRONLY|os.O_APPEND, 0o600)
	if err != nil {
		return nil, err
	}
	onOff := map[bool]string{true: "on", false: "off"}[fsync]
	cmd := exec.Command(filepath.Join(bin, "postgres"), "-D", data, "-p", strconv.Itoa(port),
		"-c", "listen_addresses=127.0.0.1", "-c", "unix_socket_directories=", "-c", "fsync="+onOff,
		"-c", "synchronous_commit="+onOff, "-c", "full_page_writes="+onOff, "-c", "max_connections=100",
		"-c", "shared_buffers=64MB", "-c", "max_wal_size=256MB")
	cmd.Dir = data
	cmd.Stdout, cmd.Stderr = out, out
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: cred, Setpgid: true, Pdeathsig: syscall.SIGINT}
	p := &process{cmd: cmd, done: make(chan struct{})}
	started := make(chan error)
	go func() {
		// The kernel sends the death signal when the thread that forked ends.
		runtime.LockOSThread()
		defer runtime.UnlockOSThread()
		defer close(p.done)
		err := cmd.Start()
		_ = out.Close() // the child has its own
		started <- err
		if err == nil {
			_ = cmd.Wait() // how it ended is in its log
		}
	}()
	return p, <-started
}

// stop asks for a fast shutdown, which rolls back what is open.
func (p *process) stop() {
	_ = p.cmd.Process.Signal(syscall.SIGINT) // it may have ended already
	select {
	case <-p.done:
	case <-time.After(20 * time.Second):
		p.kill()
	}
}

// kill ends the server and its children at once.
func (p *process) kill() {
	_ = syscall.Kill(-p.cmd.Process.Pid, syscall.SIGKILL) // it may have ended already
	<-p.done
}

// stopLeftover ends a server that outlived a killed process of ours.
func stopLeftover(data string) error {
	raw, err := os.ReadFile(filepath.Join(data, "postmaster.pid"))
	if err != nil {
		return nil // none
	}
	first, _, _ := bytes.Cut(raw, []byte("\n"))
	pid, err := strconv.Atoi(string(bytes.TrimSpace(first)))
	if err != nil || pid <= 1 {
		return nil
	}
	ours := func() bool {
		line, err := os.ReadFile(fmt.Sprintf("/proc/%d/cmdline", pid))
		return err == nil && bytes.Contains(line, []byte(data))
	}
	if !ours() {
		return nil
	}
	_ = syscall.Kill(pid, syscall.SIGINT) // it may be ending already
	for range 200 {
		if !ours() {
			return nil
		}
		time.Sleep(50 * time.Millisecond)
	}
	return fmt.Errorf("a PostgreSQL server of an earlier run (process %d) does not stop", pid)
}
