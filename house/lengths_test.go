package house

import (
	"fmt"
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"unicode/utf8"
)

const (
	mostColumns = 140 // a tab counts one
	mostLines   = 90
	leastRows   = 4 // rows that make a literal a table
)

// longer names the functions that stay longer, each with its reason.
var longer = map[string]string{}

// sources calls see with every Go file of the project, parsed.
func sources(t *testing.T, see func(path string, src string, fset *token.FileSet, f *ast.File)) {
	t.Helper()
	err := filepath.WalkDir("..", func(path string, d fs.DirEntry, err error) error {
		if err != nil {
			return err
		}
		if d.IsDir() && (d.Name() == "node_modules" || strings.HasPrefix(d.Name(), ".") && d.Name() != "..") {
			return fs.SkipDir
		}
		if !strings.HasSuffix(path, ".go") {
			return nil
		}
		src, err := os.ReadFile(path)
		if err != nil {
			return err
		}
		fset := token.NewFileSet()
		f, err := parser.ParseFile(fset, path, src, parser.ParseComments)
		if err != nil {
			return err
		}
		see(path, string(src), fset, f)
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
}

// spared are the lines that may be wide: rows of a table, fields with what is
// said of them, and what is written in another language (a raw string).
func spared(fset *token.FileSet, f *ast.File) map[int]bool {
	out := map[int]bool{}
	line := func(p token.Pos) int { return fset.Position(p).Line }
	ast.Inspect(f, func(n ast.Node) bool {
		switch n := n.(type) {
		case *ast.BasicLit:
			if n.Kind == token.STRING && n.Value[0] == '`' {
				for i := line(n.Pos()); i <= line(n.End()); i++ {
					out[i] = true
				}
			}
		case *ast.CompositeLit:
			rows := map[int]bool{}
			for _, e := range n.Elts {
				if at := line(e.Pos()); at == line(e.End()) && at != line(n.Lbrace) {
					rows[at] = true
				}
			}
			if _, fields := n.Type.(*ast.Ident); !fields && len(rows) >= leastRows {
				for at := range rows {
					out[at] = true
				}
			}
		}
		return true
	})
	return out
}

func TestLinesFitThePage(t *testing.T) {
	sources(t, func(path, src string, fset *token.FileSet, f *ast.File) {
		wide := spared(fset, f)
		for i, line := range strings.Split(src, "\n") {
			if n := utf8.RuneCountInString(line); n > mostColumns && !wide[i+1] {
				t.Errorf("%s:%d is %d columns wide: only tables are wider than %d", path, i+1, n, mostColumns)
			}
		}
	})
}

func TestFunctionsAreOneIdea(t *testing.T) {
	met := map[string]bool{}
	sources(t, func(path, _ string, fset *token.FileSet, f *ast.File) {
		if strings.HasSuffix(path, "_test.go") {
			return
		}
		for _, d := range f.Decls {
			fn, is := d.(*ast.FuncDecl)
			if !is || fn.Body == nil {
				continue
			}
			name := fmt.Sprintf("%s.%s", filepath.Base(filepath.Dir(path)), fn.Name.Name)
			if n := fset.Position(fn.End()).Line - fset.Position(fn.Pos()).Line + 1; n > mostLines {
				met[name] = true
				if longer[name] == "" {
					t.Errorf("%s:%d: %s has %d lines: split it, or say in longer why it stays", path, fset.Position(fn.Pos()).Line, name, n)
				}
			}
		}
	})
	for name := range longer {
		if !met[name] {
			t.Errorf("%s is short by now: take it off the list", name)
		}
	}
}
