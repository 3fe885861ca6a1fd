package e2e

import (
	"os"
	"strings"
	"testing"
	"bytes"
	"path/filepath"
	"context"

	"github.com/chromedp/chromedp"

	"warmanvil/store"
)

func TestShot(t *testing.T) {
	a := startApp(t)
	p := open(t, a, 1280, 800)
	p.goTo("/jobs")
	list, _ := a.jobs.Jobs(context.Background(), false)
	x, _ := a.jobs.Export(context.Background(), list[0].ID)
	var raw bytes.Buffer
	_ = x.Write(context.Background(), &raw, "")
	dir := t.TempDir()
	good, bad := filepath.Join(dir, "sound-lorry.warmanvil.json"), filepath.Join(dir, "a-very-long-name-of-a-job-that-somebody-kept-on-a-stick-for-years-and-never-renamed.warmanvil.json")
	os.WriteFile(good, raw.Bytes(), 0o600)
	os.WriteFile(bad, []byte(strings.Replace(raw.String(), `"thickness":`, `"thickness":-`, 1)), 0o600)
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{good}))
	p.see("brought in.")
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{bad}))
	p.see("Not taken")
	pool := a.jobs.Store.(*store.Store).Pool()
	if _, err := pool.Exec(context.Background(), `INSERT INTO task (id, kind, name, state, done, total, says, created_at, seen_at) VALUES
		(gen_random_uuid(), 'bring', 'orchard-truck.warmanvil.json', 'running', 40, 100, 'Looking through it.', now(), now() + interval '1 hour'),
		(gen_random_uuid(), 'bring', 'hive-trailer.warmanvil.json', 'waiting', 0, 0, '', now(), now() + interval '1 hour')`); err != nil {
		t.Fatal(err)
	}
	p.goTo("/jobs")
	p.see("Looking through it")
	shot := func(name string) {
		var buf []byte
		buf, err := chromedp.Run(p.ctx, chromedp.FullScreenshot(100))
		if err != nil { t.Fatal(err) }
		os.WriteFile("/tmp/"+name, buf, 0o600)
	}
	shot("long_day.png")
	p.choose("shed")
	p.do(chromedp.EmulateViewport(800, 1000))
	shot("long_shed.png")
}
