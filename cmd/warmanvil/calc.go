package main

import (
	"bufio"
	"bytes"
	"encoding/json"
	"fmt"
	"io"

	"warmanvil/calc"
	"warmanvil/core/working"
)

const maxRequest = 4 << 20

func runCalc(args []string, in io.Reader, out, errs io.Writer) int {
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
		return single(c, in, out, errs)
	case args[1] == "--lines":
		return lines(c, in, out, errs)
	case args[1] == "--schema":
		write(out, c.Schema())
		return 0
	}
	fmt.Fprint(errs, usage)
	return 2
}

func single(c calc.Calc, in io.Reader, out, errs io.Writer) int {
	raw, err := io.ReadAll(io.LimitReader(in, maxRequest+1))
	if err != nil {
		fmt.Fprintln(errs, "warmanvil:", err)
		return 1
	}
	ans, err := answer(c, raw)
	write(out, ans)
	if err != nil {
		return 2
	}
	return 0
}

// lines answers one line for every line that is not blank.
func lines(c calc.Calc, in io.Reader, out, errs io.Writer) int {
	s := bufio.NewScanner(in)
	s.Buffer(make([]byte, 64<<10), maxRequest)
	w := bufio.NewWriter(out)
	for s.Scan() {
		line := bytes.TrimSpace(s.Bytes())
		if len(line) == 0 {
			continue
		}
		ans, _ := answer(c, line) // a refusal is an answer too
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
func answer(c calc.Calc, raw []byte) (any, error) {
	if len(raw) > maxRequest {
		err := &working.Fault{Message: "The request is longer than 4 MB."}
		return calc.Refused(err), err
	}
	ans, err := c.Run(raw)
	if err != nil {
		return calc.Refused(err), err
	}
	return ans, nil
}

func write(w io.Writer, v any) {
	e := json.NewEncoder(w)
	e.SetEscapeHTML(false)
	if err := e.Encode(v); err != nil {
		fmt.Fprintf(w, "{\"error\":{\"message\":%q,\"path\":\"\"}}\n", err.Error())
	}
}
