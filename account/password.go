package account

import (
	"crypto/rand"
	"crypto/subtle"
	"encoding/base64"
	"fmt"
	"strings"

	"golang.org/x/crypto/argon2"
)

// Cost of argon2id (RFC 9106, second recommended choice): 64 MiB, three
// passes, four lanes.
const (
	memory = 64 * 1024
	passes = 3
	lanes  = 4
	keyLen = 32
)

// atOnce keeps many sign-ins from taking all memory: two are worked out at a
// time.
var atOnce = make(chan struct{}, 2)

func key(password string, salt []byte, time, memory uint32, threads uint8, length uint32) []byte {
	atOnce <- struct{}{}
	defer func() { <-atOnce }()
	return argon2.IDKey([]byte(password), salt, time, memory, threads, length)
}

// Hash answers a password as it is kept, salted, in the usual string form.
func Hash(password string) (string, error) {
	salt := make([]byte, 16)
	if _, err := rand.Read(salt); err != nil {
		return "", err
	}
	enc := base64.RawStdEncoding
	return fmt.Sprintf("$argon2id$v=%d$m=%d,t=%d,p=%d$%s$%s", argon2.Version, memory, passes, lanes,
		enc.EncodeToString(salt), enc.EncodeToString(key(password, salt, passes, memory, lanes, keyLen))), nil
}

// nobody is a hash no password fits, to spend the same time on unknown names.
var nobody = func() string {
	enc := base64.RawStdEncoding
	return fmt.Sprintf("$argon2id$v=%d$m=%d,t=%d,p=%d$%s$%s", argon2.Version, memory, passes, lanes, enc.EncodeToString(make([]byte, 16)),
		enc.EncodeToString(make([]byte, keyLen)))
}()

// Verify tells whether a password fits what is kept.
func Verify(kept, password string) (bool, error) {
	fields := strings.Split(kept, "$")
	if len(fields) != 6 || fields[1] != "argon2id" {
		return false, fmt.Errorf("a kept password is not of the form argon2id")
	}
	var version int
	var m, t uint32
	var p uint8
	if _, err := fmt.Sscanf(fields[2], "v=%d", &version); err != nil || version != argon2.Version {
		return false, fmt.Errorf("a kept password is of another argon2 version")
	}
	if _, err := fmt.Sscanf(fields[3], "m=%d,t=%d,p=%d", &m, &t, &p); err != nil {
		return false, fmt.Errorf("read the cost of a kept password: %w", err)
	}
	enc := base64.RawStdEncoding
	salt, err := enc.DecodeString(fields[4])
	if err != nil {
		return false, fmt.Errorf("read the salt of a kept password: %w", err)
	}
	want, err := enc.DecodeString(fields[5])
	if err != nil {
		return false, fmt.Errorf("read a kept password: %w", err)
	}
	return subtle.ConstantTimeCompare(key(password, salt, t, m, p, uint32(len(want))), want) == 1, nil
}
