package house

import (
	"go/parser"
	"go/token"
	"io/fs"
	"path/filepath"
	"strconv"
	"strings"
	"testing"
)

// allowed says which of the project's packages each may import. Arrows point
// one way; an arrow that is not here fails the test.
var allowed = map[string][]string{
	"core/quantity": {},
	"core/working":  {},
	"core/profile":  {},
	"core/stock":    {},
	"core/bend":     {"core/working", "core/stock"},
	"core/solid":    {"core/profile"},
	"core/sheet":    {"core/develop", "core/quantity", "core/working", "core/profile", "core/stock", "core/bend", "core/solid"},
	"core/sheet/lay": {"core/develop", "core/quantity", "core/working", "core/profile", "core/stock", "core/bend",
		"core/solid", "core/sheet"},
	"core/sheet/bending": {"core/working", "core/quantity", "core/stock", "core/bend", "core/profile", "core/solid", "core/sheet",
		"core/sheet/lay"},
	"core/sheet/flags": {"core/develop", "core/goods", "core/quantity", "core/working", "core/profile", "core/stock",
		"core/bend", "core/solid", "core/sheet", "core/sheet/lay"},
	"core/sheet/made": {"core/develop", "core/quantity", "core/working", "core/profile", "core/bend", "core/solid",
		"core/sheet", "core/sheet/lay", "core/sheet/flags", "core/sheet/bending"},
	"core/sheet/starters": {"core/develop", "core/quantity", "core/working", "core/profile", "core/stock", "core/bend", "core/sheet"},
	"core/sheet/split":    {"core/quantity", "core/working", "core/profile", "core/sheet", "core/sheet/lay", "core/sheet/made"},
	"core/sheet/fresh":    {"core/develop", "core/working", "core/profile", "core/stock", "core/sheet", "core/sheet/made"},
	"core/sheet/plates":   {"core/*"},
	"core/hole":           {"core/quantity", "core/working", "core/profile", "core/solid", "core/stock"},
	"core/shell/starters": {"core/working", "core/shell", "core/shell/facet"},
	"core/develop":        {"core/working", "core/profile", "core/solid"},
	"core/shell/facet":    {"core/working", "core/profile", "core/solid", "core/bend", "core/sheet"},
	"core/shell":          {"core/profile", "core/working", "core/solid", "core/bend", "core/stock", "core/sheet", "core/shell/facet"},
	"core/survey":         {"core/working", "core/profile", "core/solid"},
	"core/fit":            {"core/quantity", "core/working"},
	"core/section":        {"core/working"},
	"core/tube":           {"core/working"},
	"core/nest":           {"core/working"},
	"core/frame":          {"core/working", "core/solid", "core/linear"},
	"core/linear":         {},
	"core/told":           {"core/quantity", "core/working", "core/solid", "core/stock"},
	"core/brief": {"core/quantity", "core/working", "core/stock", "core/solid", "core/strength", "core/told",
		"core/sheet", "core/sheet/*", "core/load", "core/joint", "core/hold", "core/weld"},
	"core/vehicle": {"core/quantity", "core/working", "core/profile", "core/solid", "core/stock", "core/section",
		"core/hole", "core/fit", "core/survey", "core/member", "core/member/shape", "core/told", "core/brief"},
	"core/demo": {"core/*"},
	"core/shop": {"core/effort", "core/section", "core/goods", "core/sheet/made", "core/quantity", "core/working",
		"core/profile", "core/stock", "core/bend", "core/sheet", "core/sheet/flags", "core/sheet/bending", "core/brief"},
	"core/effort": {"core/working"},
	"core/goods":  {"core/working", "core/profile", "core/stock"},
	"core/site":   {"core/*"},
	"core/member": {"core/working", "core/solid", "core/section"},
	"core/member/shape": {"core/working", "core/profile", "core/solid", "core/stock", "core/section", "core/tube", "core/frame",
		"core/member"},
	"core/member/cutlist": {"core/working", "core/stock", "core/section", "core/nest", "core/tube", "core/member", "core/member/shape"},
	"core/member/held": {"core/working", "core/bolt", "core/solid", "core/stock", "core/section", "core/frame", "core/load",
		"core/strength", "core/weld", "core/member", "core/member/shape"},
	"core/member/starters": {"core/quantity", "core/working", "core/section", "core/member"},
	"core/member/racks":    {"core/*"},
	"core/strength":        {"core/working"},
	"core/strength/byhand": {"core/strength"},
	"core/working/wild":    {"core/working"},
	"core/bolt":            {"core/quantity", "core/working", "core/profile", "core/stock", "core/strength"},
	"core/weld":            {"core/working", "core/solid", "core/stock", "core/strength"},
	"core/load":            {"core/working", "core/strength", "core/solid"},
	"core/joint":           {"core/quantity", "core/working", "core/profile", "core/stock", "core/strength", "core/bolt", "core/hole"},
	"core/hold": {"core/quantity", "core/working", "core/profile", "core/stock", "core/strength", "core/bolt",
		"core/solid", "core/sheet", "core/sheet/made"},
	"core/trace":      {"core/working", "core/profile"},
	"core/exchange":   {"core/quantity", "core/profile", "core/solid", "core/sheet", "core/sheet/made", "core/trace"},
	"strictjson":      {"core/working"},
	"calc":            {"core/*", "strictjson"},
	"calc/tangled":    {},
	"job/merge":       {},
	"job/words":       {"core/*"},
	"job":             {"core/*", "job/merge", "strictjson"},
	"account":         {"core/working"},
	"task":            {"core/working", "job"},
	"store":           {"core/site", "core/goods", "job", "account", "task"},
	"store/storetest": {"job", "store", "task", "localpg"},
	"paper":           {"core/*"},
	"localpg":         {},
	"daily":           {},
	"ui":              {},
	"house":           {},
	"httpapi":         {"core/*", "job", "job/words", "account", "calc", "strictjson", "paper", "daily", "task"},
	"cmd/warmanvil": {"core/working", "core/brief", "core/vehicle", "core/site", "strictjson", "calc", "job", "account",
		"store", "httpapi", "localpg", "daily", "task", "ui"},
	"e2e": {"core/*", "httpapi", "job", "account", "store", "store/storetest", "task", "ui"},
}

// outside lists what the core may import that is neither its own nor of the
// standard library: numeric and geometry libraries, and limits on work side by side.
var outside = []string{"gonum.org/v1/gonum", "github.com/peterstace/simplefeatures", "golang.org/x/sync/errgroup"}

// impure packages of the standard library have no place in the core.
var impure = []string{"net", "net/http", "os", "os/exec", "database/sql", "time", "log", "log/slog", "io/fs", "math/rand", "crypto/rand",
	"html/template", "text/template"}

func TestImportsPointOneWay(t *testing.T) {
	seen := map[string]bool{}
	err := filepath.WalkDir("..", func(path string, d fs.DirEntry, err error) error {
		if err != nil {
			return err
		}
		if d.IsDir() && (d.Name() == "node_modules" || strings.HasPrefix(d.Name(), ".") && d.Name() != "..") {
			return fs.SkipDir
		}
		rel, _ := filepath.Rel("..", filepath.Dir(path))
		if !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") && rel != "e2e" || rel == "core" {
			return nil
		}
		seen[rel] = true
		rule, known := allowed[rel]
		if !known {
			t.Errorf("%s is not in the picture: add it to allowed and to docs/architecture.md", rel)
			return nil
		}
		f, err := parser.ParseFile(token.NewFileSet(), path, nil, parser.ImportsOnly)
		if err != nil {
			return err
		}
		for _, spec := range f.Imports {
			name, err := strconv.Unquote(spec.Path.Value)
			if err != nil {
				return err
			}
			checkImport(t, path, rel, name, rule)
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	for name := range allowed {
		if !seen[name] {
			t.Errorf("%s is in the picture but not in the tree", name)
		}
	}
}

func checkImport(t *testing.T, path, from, name string, rule []string) {
	t.Helper()
	if own, ok := strings.CutPrefix(name, "warmanvil/"); ok {
		for _, r := range rule {
			if r == own || strings.HasSuffix(r, "/*") && strings.HasPrefix(own, strings.TrimSuffix(r, "*")) {
				return
			}
		}
		t.Errorf("%s imports %s: that arrow is not in the picture", path, own)
		return
	}
	if !strings.HasPrefix(from, "core/") {
		return
	}
	if strings.Contains(strings.Split(name, "/")[0], ".") {
		for _, o := range outside {
			if strings.HasPrefix(name, o) {
				return
			}
		}
		t.Errorf("%s imports %s: the core takes only numeric and geometry libraries", path, name)
	}
	for _, bad := range impure {
		if name == bad {
			t.Errorf("%s imports %s: the core is pure", path, name)
		}
	}
}
