package main

import (
	"bufio"
	"bytes"
	"context"
	"encoding/base64"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"path/filepath"

	"warmanvil/calc"
	"warmanvil/core/working"
)

const (
	maxRequest = 4 << 20
	maxImport  = 150 << 20
)

func runCalc(ctx context.Context, args []string, in io.Reader, out, errs io.Writer) int {
	if len(args) == 1 && args[0] == "--list" {
		for _, c := range calc.All() {
			fmt.Fprintf(out, "%-16s %s\n", c.Name, c.Doc)
		}
		return 0
	}
	if len(args) == 0 || len(args) > 2 {
		fmt.Fprint(errs, usage)
		return 2
	}
	c, err := calc.Find(args[0])
	if err != nil {
		write(out, calc.Refused(err))
		return 2
	}
	switch {
	case len(args) == 1:
		return single(ctx, c, in, out, errs)
	case args[1] == "--lines":
		return lines(ctx, c, in, out, errs)
	case args[1] == "--schema":
		write(out, c.Schema())
		return 0
	}
	fmt.Fprint(errs, usage)
	return 2
}

func single(ctx context.Context, c calc.Calc, in io.Reader, out, errs io.Writer) int {
	limit := int64(maxRequest)
	if c.Name == "import" {
		limit = maxImport
	}
	raw, err := io.ReadAll(io.LimitReader(in, limit+1))
	if err != nil {
		fmt.Fprintln(errs, "warmanvil:", err)
		return 1
	}
	ans, err := answer(ctx, c, raw)
	write(out, ans)
	if err != nil {
		return 2
	}
	return 0
}

// lines answers one line for every line that is not blank.
func lines(ctx context.Context, c calc.Calc, in io.Reader, out, errs io.Writer) int {
	s := bufio.NewScanner(in)
	s.Buffer(make([]byte, 64<<10), maxRequest)
	w := bufio.NewWriter(out)
	for s.Scan() {
		line := bytes.TrimSpace(s.Bytes())
		if len(line) == 0 {
			continue
		}
		ans, _ := answer(ctx, c, line) // a refusal is an answer too
		write(w, ans)
	}
	if err := s.Err(); err != nil {
		_ = w.Flush()
		fmt.Fprintln(errs, "warmanvil: a line is longer than 4 MB or cannot be read:", err)
		return 1
	}
	if err := w.Flush(); err != nil {
		fmt.Fprintln(errs, "warmanvil:", err)
		return 1
	}
	return 0
}

// answer answers the calculation or, beside the error, its refusal.
func answer(ctx context.Context, c calc.Calc, raw []byte) (any, error) {
	if c.Name == "import" {
		var err error
		if raw, err = fetched(raw); err != nil {
			return calc.Refused(err), err
		}
	} else if len(raw) > maxRequest {
		err := &working.Fault{Message: "The request is longer than 4 MB."}
		return calc.Refused(err), err
	}
	ans, err := c.Run(ctx, raw)
	if err != nil {
		return calc.Refused(err), err
	}
	return ans, nil
}

// fetched puts the file a path names into a request of import.
func fetched(raw []byte) ([]byte, error) {
	if len(raw) > maxImport {
		return nil, &working.Fault{Message: "The request is longer than 150 MB."}
	}
	var r map[string]any
	if json.Unmarshal(raw, &r) != nil {
		return raw, nil // refused in its own words
	}
	path, ok := r["path"].(string)
	if !ok || path == "" || r["base64"] != nil {
		return raw, nil
	}
	info, err := os.Stat(path)
	if err == nil && info.Size() > maxImport/2 {
		return nil, working.Refuse("/path", "%s is larger than %d MB.", path, maxImport/2>>20)
	}
	data, err := os.ReadFile(path)
	if err != nil {
		return nil, working.Refuse("/path", "%s cannot be read: %v.", path, err)
	}
	delete(r, "path")
	if r["name"] == nil {
		r["name"] = filepath.Base(path)
	}
	r["base64"] = base64.StdEncoding.EncodeToString(data)
	return json.Marshal(r)
}

func write(w io.Writer, v any) {
	e := json.NewEncoder(w)
	e.SetEscapeHTML(false)
	if err := e.Encode(v); err != nil {
		fmt.Fprintf(w, "{\"error\":{\"message\":%q,\"path\":\"\"}}\n", err.Error())
	}
}
