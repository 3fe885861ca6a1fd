package httpapi_test

import (
	"fmt"
	"math/rand/v2"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"os"
	"slices"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/alexedwards/scs/pgxstore"
	"github.com/google/uuid"

	"warmanvil/account"
	"warmanvil/calc/tangled"
	"warmanvil/httpapi"
	"warmanvil/job"
	"warmanvil/store"
	"warmanvil/store/storetest"
)

// soaking is how long each part of a soak lasts; nothing is soaked without it.
func soaking(t *testing.T) time.Duration {
	t.Helper()
	d, err := time.ParseDuration(os.Getenv("WARMANVIL_SOAK"))
	if err != nil {
		t.Skip("only with WARMANVIL_SOAK, as make soak sets it")
	}
	return d
}

// soaked is a server that everybody signs in to.
type soaked struct {
	t    testing.TB
	url  string
	jobs *job.Service
}

func soak(t testing.TB) soaked {
	t.Helper()
	jobs := storetest.Jobs(t)
	s := jobs.Store.(*store.Store)
	accounts := &account.Service{Store: s, Now: time.Now, NewID: uuid.NewString}
	h, err := httpapi.New(httpapi.Options{Jobs: jobs, Accounts: accounts, Sessions: pgxstore.NewWithCleanupInterval(s.Pool(), 0)})
	if err != nil {
		t.Fatal(err)
	}
	server := httptest.NewServer(h)
	t.Cleanup(server.Close)
	mara, err := accounts.MakeOwner(t.Context(), "Mara", password)
	if err != nil {
		t.Fatal(err)
	}
	code, _, err := accounts.Invite(t.Context(), mara.ID, account.Maker)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := accounts.Join(t.Context(), code, "Joan", password); err != nil {
		t.Fatal(err)
	}
	return soaked{t, server.URL, jobs}
}

// as answers how somebody asks.
func (s soaked) as(name string) func(method, path, body string, header ...string) reply {
	jar, _ := cookiejar.New(nil) // never fails
	web := &http.Client{Jar: jar, Transport: &http.Transport{MaxIdleConnsPerHost: 600}}
	ask := func(method, path, body string, header ...string) reply {
		req, err := http.NewRequest(method, s.url+path, strings.NewReader(body))
		if err != nil {
			s.t.Fatal(err)
		}
		for i := 0; i+1 < len(header); i += 2 {
			req.Header.Set(header[i], header[i+1])
		}
		return answered(s.t, web, req)
	}
	if r := ask("POST", "/api/v1/sign-in", `{"name":"`+name+`","password":"`+password+`"}`); r.status != 200 {
		s.t.Fatalf("%s", r.body)
	}
	return ask
}

// took gathers how long things took.
type took struct {
	mutex sync.Mutex
	list  []time.Duration
}

func (k *took) since(begin time.Time) {
	d := time.Since(begin)
	k.mutex.Lock()
	k.list = append(k.list, d)
	k.mutex.Unlock()
}

func (k *took) at(share float64) time.Duration {
	slices.Sort(k.list)
	return k.list[min(int(share*float64(len(k.list))), len(k.list)-1)]
}

func (k *took) String() string {
	return fmt.Sprintf("%d, p50 %.1f ms, p95 %.1f ms, worst %.0f ms", len(k.list), k.at(.5).Seconds()*1e3, k.at(.95).Seconds()*1e3,
		k.at(1).Seconds()*1e3)
}

// saver saves one part again and again.
type saver struct {
	id       string
	revision int
}

func (v *saver) save(t *testing.T, ask func(method, path, body string, header ...string) reply) bool {
	r := ask("PUT", "/api/v1/parts/"+v.id, state(fmt.Sprint(100+v.revision)), "If-Match", fmt.Sprint(v.revision))
	if r.status != 200 {
		t.Errorf("save: %d %s", r.status, r.body)
		return false
	}
	var p httpapi.PartView
	r.into(t, &p)
	v.revision = p.Revision
	return true
}

// Sixteen requests that are as heavy as may be, over and over, of one person: another one
// reads and saves meanwhile.
func TestSoakHeavyBesideAnother(t *testing.T) {
	last := soaking(t)
	s := soak(t)
	mara, joan := s.as("Mara"), s.as("Joan")
	var j httpapi.JobView
	joan("POST", "/api/v1/jobs", newJob).into(t, &j)
	var p httpapi.PartView
	joan("POST", "/api/v1/jobs/"+j.ID+"/parts", state("100")).into(t, &p)
	heavy, body := &took{}, tangled.Frame(900, 0)
	end := time.Now().Add(last)
	var wait sync.WaitGroup
	for range 16 {
		wait.Go(func() {
			for time.Now().Before(end) {
				begin := time.Now()
				if r := mara("POST", "/api/v1/calc/frame", body); r.status != 200 {
					t.Errorf("heavy: %d %.200s", r.status, r.body)
				}
				heavy.since(begin)
			}
		})
	}
	reads, saves, v := &took{}, &took{}, &saver{p.ID, p.Revision}
	for n := 0; time.Now().Before(end); n++ {
		begin := time.Now()
		if r := joan("GET", "/api/v1/parts/"+p.ID, ""); r.status != 200 {
			t.Fatalf("read: %d %s after %v", r.status, r.body, time.Since(begin))
		}
		reads.since(begin)
		if n%4 == 0 {
			begin = time.Now()
			v.save(t, joan)
			saves.since(begin)
		}
		time.Sleep(50 * time.Millisecond)
	}
	wait.Wait()
	t.Logf("reads %v; saves %v; heavy %v", reads, saves, heavy)
}

// Five hundred people save every two seconds each, one heavy request after the other
// beside them. None is lost.
func TestSoakFiveHundredPeople(t *testing.T) {
	last := soaking(t)
	s := soak(t)
	ask, heavy := s.as("Joan"), s.as("Mara")
	var j httpapi.JobView
	ask("POST", "/api/v1/jobs", newJob).into(t, &j)
	list := make([]saver, 500)
	for i := range list {
		var p httpapi.PartView
		ask("POST", "/api/v1/jobs/"+j.ID+"/parts", state("100")).into(t, &p)
		list[i] = saver{p.ID, p.Revision}
	}
	end, body := time.Now().Add(last), tangled.Frame(900, 0)
	var wait sync.WaitGroup
	var done atomic.Int64
	wait.Go(func() {
		for time.Now().Before(end) {
			heavy("POST", "/api/v1/calc/frame", body)
			done.Add(1)
		}
	})
	saves := &took{}
	for i := range list {
		wait.Go(func() {
			v := &list[i]
			for time.Sleep(rand.N(2 * time.Second)); time.Now().Before(end); time.Sleep(2 * time.Second) {
				begin := time.Now()
				if !v.save(t, ask) {
					return
				}
				saves.since(begin)
			}
		})
	}
	wait.Wait()
	t.Logf("saves %v; %d heavy beside them", saves, done.Load())
	kept := 0
	for _, v := range list {
		got, err := s.jobs.Part(t.Context(), v.id)
		if err != nil || got.Revision != v.revision {
			t.Errorf("%s stands at %d, not %d (%v)", v.id, got.Revision, v.revision, err)
		}
		kept += got.Revision - 1
	}
	if kept != len(saves.list) {
		t.Errorf("%d saves were acknowledged and %d are kept", len(saves.list), kept)
	}
}
