package account

import (
	"strings"
	"testing"
)

func TestPasswords(t *testing.T) {
	const word = "a few plain words, ü"
	a, err := Hash(word)
	if err != nil {
		t.Fatal(err)
	}
	b, err := Hash(word)
	if err != nil {
		t.Fatal(err)
	}
	if a == b {
		t.Error("two accounts with one password look alike: there is no salt")
	}
	if strings.Contains(a, "plain") || !strings.HasPrefix(a, "$argon2id$v=19$m=65536,t=3,p=4$") {
		t.Errorf("kept as %s", a)
	}
	for _, c := range []struct {
		word string
		want bool
	}{{word, true}, {word + " ", false}, {"", false}, {strings.ToUpper(word), false}} {
		if got, err := Verify(a, c.word); err != nil || got != c.want {
			t.Errorf("%q: %v, %v", c.word, got, err)
		}
	}
	if ok, err := Verify(nobody, word); err != nil || ok {
		t.Errorf("nobody's password fits: %v %v", ok, err)
	}
	for _, kept := range []string{"", "plain", "$argon2i$v=19$m=65536,t=3,p=4$AA$AA", "$argon2id$v=18$m=1,t=1,p=1$AA$AA",
		"$argon2id$v=19$m=x$AA$AA", "$argon2id$v=19$m=65536,t=3,p=4$!$AA"} {
		if ok, err := Verify(kept, word); err == nil || ok {
			t.Errorf("%q was read: %v", kept, ok)
		}
	}
}

// A code may be typed in small letters, with spaces and hyphens, and with the
// figures that look like its letters.
func TestCodesAsTyped(t *testing.T) {
	same := func(a, b string) bool { return string(hashOf(a)) == string(hashOf(b)) }
	if !same("ABCD OI23", "abcd-0123") || !same("AB CD", "ABCD") {
		t.Error("a code typed another way is another code")
	}
	if same("ABCD", "ABCE") {
		t.Error("two codes are one")
	}
	seen := map[string]bool{}
	for range 200 {
		c := newCode(8)
		if len(c) != 8 || seen[c] || strings.ContainsAny(c, "01") {
			t.Fatalf("code %q", c)
		}
		seen[c] = true
	}
}

func TestRoles(t *testing.T) {
	for _, c := range []struct {
		role, asked Role
		want        bool
	}{{Owner, Maker, true}, {Maker, Owner, false}, {Maker, Reader, true}, {Reader, Reader, true}, {Reader, Maker, false}, {"", Reader, false},
		{"boss", Reader, false}} {
		if got := c.role.May(c.asked); got != c.want {
			t.Errorf("%s may %s: %v", c.role, c.asked, got)
		}
	}
}

func TestNamesAndPasswordsRefused(t *testing.T) {
	for _, name := range []string{"", "  ", strings.Repeat("x", mostName+1)} {
		if checkName(name) == nil {
			t.Errorf("the name %q was taken", name)
		}
	}
	for _, word := range []string{"", "short", "12345678901", strings.Repeat("x", mostPassword+1), strings.Repeat("a", 40),
		"password1234", "qwertyuiop[]", "123456789012", "Joan Farrier", "joanjoanjoan", "farrier joan", "warmanvil123"} {
		if checkPassword(word, "Joan Farrier") == nil {
			t.Errorf("the password %q was taken", word)
		}
	}
	// Length alone is a rule, whatever the letters are.
	for _, word := range []string{"a few plain words", "kettle moss orbit", "zqxvkjwpmbtf", "ünübersichtlich grün", "Rq7#vLw0!xPd",
		strings.Repeat("kettle moss orbit ", 7)} {
		if err := checkPassword(word, "Joan Farrier"); err != nil {
			t.Errorf("the password %q was refused: %v", word, err)
		}
	}
}
