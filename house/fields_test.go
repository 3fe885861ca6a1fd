package house

import (
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
)

// Every number that is typed into a document says at itself why it was refused: a refusal
// that stands elsewhere is looked for in vain.
func TestFieldsSayTheirFaults(t *testing.T) {
	field := regexp.MustCompile(`(?s)<ValueField\b.*?/>`)
	kept := regexp.MustCompile(`\b(set|slope|axis|put|change|setStep|setAt|setWide)\(`)
	seen := 0
	err := filepath.WalkDir("../ui/src/benches", func(path string, d fs.DirEntry, err error) error {
		if err != nil || filepath.Ext(path) != ".vue" {
			return err
		}
		raw, err := os.ReadFile(path)
		if err != nil {
			return err
		}
		for _, f := range field.FindAllString(string(raw), -1) {
			seen++
			_, handler, _ := strings.Cut(f, "@update:model-value")
			if kept.MatchString(handler) && !strings.Contains(f, "wrong") {
				t.Errorf("%s: this number says nowhere why it was refused:\n%s", path, f)
			}
		}
		return nil
	})
	if err != nil || seen < 80 {
		t.Errorf("%d fields were looked at: %v", seen, err)
	}
}
