package httpapi_test

import (
	"fmt"
	"math/rand"
	"sort"
	"sync"
	"testing"
	"time"

	"warmanvil/httpapi"
)

const (
	people = 50
	saves  = 12
	quiet  = 900 * time.Millisecond // of typing before a page saves
)

// BenchmarkFiftyPeopleAutosaving has fifty signed-in people change a part each
// and the page draw and save it, a moment of quiet apart, all at once. None may
// be lost. One run takes about twelve seconds.
func BenchmarkFiftyPeopleAutosaving(b *testing.B) {
	shop := soak(b)
	jobs, send := shop.jobs, shop.as("Mara")
	var j httpapi.JobView
	send("POST", "/api/v1/jobs", newJob).into(b, &j)
	for b.Loop() {
		var mutex sync.Mutex
		var took []time.Duration
		var wait sync.WaitGroup
		for range people {
			wait.Go(func() {
				var p httpapi.PartView
				send("POST", "/api/v1/jobs/"+j.ID+"/parts", state("100")).into(b, &p)
				for i := range saves {
					time.Sleep(quiet/2 + time.Duration(rand.Int63n(int64(quiet))))
					next := state(fmt.Sprint(101 + i))
					begin := time.Now()
					r := send("PUT", "/api/v1/parts/"+p.ID, next, "If-Match", fmt.Sprint(p.Revision))
					d := time.Since(begin)
					if r.status != 200 {
						b.Errorf("save: %d %s", r.status, r.body)
						return
					}
					r.into(b, &p)
					mutex.Lock()
					took = append(took, d)
					mutex.Unlock()
				}
				got, err := jobs.Part(b.Context(), p.ID)
				if err != nil || got.Revision != saves+1 || got.Recipe.Base.Length != 100+saves {
					b.Errorf("lost: revision %d, length %g (%v)", got.Revision, got.Recipe.Base.Length, err)
				}
			})
		}
		wait.Wait()
		if len(took) != people*saves {
			b.Fatalf("%d saves of %d", len(took), people*saves)
		}
		sort.Slice(took, func(i, k int) bool { return took[i] < took[k] })
		b.ReportMetric(float64(took[len(took)/2].Microseconds())/1000, "p50-ms")
		b.ReportMetric(float64(took[len(took)*95/100].Microseconds())/1000, "p95-ms")
		b.ReportMetric(float64(took[len(took)-1].Microseconds())/1000, "worst-ms")
	}
}
