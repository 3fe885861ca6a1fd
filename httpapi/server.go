// Package httpapi is the way in over HTTP: JSON under /api/v1, downloads, the
// built front end. It keeps nothing between requests.
package httpapi

import (
	"encoding/json"
	"io/fs"
	"net/http"
	"reflect"
	"strings"
	"sync"
	"sync/atomic"
	"time"

	"github.com/alexedwards/scs/v2"
	"github.com/danielgtaylor/huma/v2"
	"github.com/gin-gonic/gin"
	lru "github.com/hashicorp/golang-lru/v2"

	"warmanvil/account"
	"warmanvil/calc"
	"warmanvil/core/site"
	"warmanvil/daily"
	"warmanvil/job"
	"warmanvil/task"
)

func init() { huma.DefaultArrayNullable = false }

// Options of a server.
type Options struct {
	Jobs     *job.Service     // nil serves the description alone
	Front    fs.FS            // built front end
	Accounts *account.Service // nil for a server without accounts
	Sessions scs.Store        // nil keeps sign-ins in memory
	Door     Door
	Tasks    *task.Service // nil where nothing takes long
	Backups  *daily.Keeper // nil where nobody writes any
	Room     func() error  // of the disk: nil, or why nothing more is to be written; nil when nobody knows
}

type server struct {
	trouble func(error) job.Trouble // what an error means for the store as a whole
	room    func() error
	jobs    *job.Service
	tasks   *task.Service
	shelves map[string]shelved // by path
	engine  *gin.Engine
	api     *huma.OpenAPI

	accounts  *account.Service
	sessions  *scs.SessionManager
	door      Door
	answers   answers
	heads     *lru.Cache[string, []FrameHead] // of frames, by job and its standing
	holdings  *lru.Cache[string, HoldingView] // by job, day and standing
	waits     *lru.Cache[string, site.Waits]  // by job and standing
	lines     map[work]*line
	known     known
	shopRead  atomic.Pointer[shopAt] // as it was read or saved last
	cross     *http.CrossOriginProtection
	byAddress *limiter // tries to get in
	guesses   *guesses
	pace      *limiter
}

// New answers the handler of the whole application.
func New(opt Options) (http.Handler, error) {
	s := build(opt)
	spec := sync.OnceValues(s.spec) // written out when somebody first asks
	s.engine.GET("/api/openapi.json", func(c *gin.Context) {
		if err := s.admit(c, reading); err != nil {
			s.refuse(c, err)
			return
		}
		raw, err := spec()
		if err != nil {
			s.refuse(c, err)
			return
		}
		c.Data(http.StatusOK, "application/json", raw)
	})
	front, err := newFront(opt.Front)
	if err != nil {
		return nil, err
	}
	s.engine.NoRoute(front.serve)
	return s.engine, nil
}

// Description answers the OpenAPI 3.1 document of the interface.
func Description() ([]byte, error) { return build(Options{}).spec() }

func build(opt Options) *server {
	gin.SetMode(gin.ReleaseMode)
	trouble := noTrouble
	if opt.Jobs != nil { // describing the interface needs no store
		trouble = opt.Jobs.Store.Trouble
		opt.Jobs.Calculates = calc.Known
	}
	s := &server{jobs: opt.Jobs, tasks: opt.Tasks, shelves: map[string]shelved{}, trouble: trouble, room: opt.Room,
		accounts: opt.Accounts, sessions: newSessions(opt.Sessions, opt.Door), door: opt.Door,
		answers: newAnswers(), heads: newHeads(), holdings: newHoldings(), waits: newWaits(), lines: newLines(),
		cross:     http.NewCrossOriginProtection(),
		byAddress: newLimiter(4*time.Second, 20), guesses: newGuesses(), pace: newLimiter(5*time.Millisecond, 1000),
		engine: gin.New(), api: &huma.OpenAPI{
			OpenAPI: "3.1.0", Info: &huma.Info{Title: "Warm Anvil", Version: "1",
				Description: "Lengths in mm, angles in degrees, masses in kg. See docs/calc.md for the calculations.\n\n" + limitsSaid()},
			Components: &huma.Components{Schemas: huma.NewMapRegistry("#/components/schemas/", schemaName)}}}
	s.engine.Use(s.recovered, s.headers, s.guarded, s.limited)
	s.sessionRoutes()
	s.jobRoutes()
	s.wordRoutes()
	s.partRoutes()
	s.bendingRoutes()
	s.goodsRoutes()
	s.tradeRoutes()
	s.familyRoutes()
	s.effortRoutes()
	s.facetsRoutes()
	s.developedRoutes()
	s.holdingRoutes()
	s.surveyRoutes()
	s.shopRoutes()
	s.frameRoutes()
	s.startPartRoutes()
	s.frameFileRoutes()
	s.bendSheetRoutes()
	s.calcRoutes()
	s.fileRoutes()
	s.backupRoutes(opt.Backups)
	s.lineRoutes()
	s.taskRoutes()
	s.packetRoutes()
	if s.tasks != nil {
		s.tasks.Kinds[packing] = s.pack
	}
	return s
}

// schemaName answers a type's name in the description; types of packages whose
// names are common words carry their package before it, those of its rooms too.
func schemaName(t reflect.Type, hint string) string {
	name := huma.DefaultSchemaNamer(t, hint)
	for t.Kind() == reflect.Pointer || t.Kind() == reflect.Slice {
		t = t.Elem()
	}
	_, inside, _ := strings.Cut(t.PkgPath(), "/core/")
	switch pkg, _, _ := strings.Cut(inside, "/"); pkg {
	case "strength", "hold", "load", "survey", "hole", "fit", "solid", "section", "tube", "nest", "frame", "member", "joint":
		return strings.ToUpper(pkg[:1]) + pkg[1:] + name
	}
	return name
}

func (s *server) spec() ([]byte, error) {
	raw, err := json.MarshalIndent(s.api, "", "  ")
	return append(raw, '\n'), err
}
