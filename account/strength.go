package account

import (
	"strings"
	"unicode/utf8"

	"github.com/trustelem/zxcvbn"

	"warmanvil/core/working"
)

// How many guesses a password must be worth: safe from 10^8 on, by the estimator's own
// scale (zxcvbn; Wheeler 2016), whose least score that is.
const (
	leastScore = 3
	judged     = 72 // runes that are looked at: the estimator takes long over longer ones, which are stronger still
)

// words answers what a password may not be made of: a name, and each word of it.
func words(own []string) (out []string) {
	for _, o := range own {
		out = append(append(out, o), strings.Fields(o)...)
	}
	return out
}

// checkPassword refuses one that is short, or that is guessed easily: a common one, a name,
// a pattern of the keyboard. There is no rule about what letters it holds.
func checkPassword(password string, own ...string) error {
	n := utf8.RuneCountInString(password)
	if n < leastPassword || n > mostPassword {
		return working.Refuse("/password", "A password has %d to %d characters; a few words make a good one.", leastPassword, mostPassword)
	}
	head := []rune(password)
	if n > judged {
		head = head[:judged]
	}
	if zxcvbn.PasswordStrength(string(head), append(words(own), "warm", "anvil", "warmanvil")).Score < leastScore {
		return working.Refuse("/password", "That password is guessed easily: it is a common one, a name, or a pattern. Four or five words "+
			"that have nothing to do with each other make a good one.")
	}
	return nil
}
