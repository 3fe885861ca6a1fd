package httpapi_test

import (
	"encoding/json"
	"fmt"
	"net/http"
	"net/http/cookiejar"
	"net/http/httptest"
	"net/url"
	"strings"
	"testing"
	"time"

	"github.com/alexedwards/scs/pgxstore"
	"github.com/google/uuid"

	"warmanvil/account"
	"warmanvil/httpapi"
	"warmanvil/job"
	"warmanvil/store"
	"warmanvil/store/storetest"
)

const setupCode = "SETUPCODE234"

// shared is a server that others reach, with its clock.
type shared struct {
	t    *testing.T
	url  string
	jobs *job.Service
	now  *time.Time
}

func share(t *testing.T) shared {
	t.Helper()
	alongside(t)
	jobs := storetest.Jobs(t)
	if err := jobs.LoadDemo(t.Context()); err != nil {
		t.Fatal(err)
	}
	s := jobs.Store.(*store.Store)
	now := time.Now()
	out := shared{t: t, jobs: jobs, now: &now}
	h, err := httpapi.New(httpapi.Options{Jobs: jobs, Tasks: storetest.Queue(jobs),
		Accounts: &account.Service{Store: s, Now: func() time.Time { return *out.now }, NewID: uuid.NewString},
		Sessions: pgxstore.NewWithCleanupInterval(s.Pool(), 0),
		Door:     httpapi.Door{Listen: true, Hosts: []string{"shop.local"}, Reach: "shop.local", SetupCode: setupCode}})
	if err != nil {
		t.Fatal(err)
	}
	server := httptest.NewServer(h)
	t.Cleanup(server.Close)
	out.url = server.URL
	return out
}

// visitor is one browser.
type visitor struct {
	shared
	http.Client
}

func (s shared) visitor() visitor {
	jar, _ := cookiejar.New(nil) // never fails
	return visitor{s, http.Client{Jar: jar}}
}

// ask answers status and body of a request.
func (v visitor) ask(method, path, body string, header ...string) (int, map[string]any) {
	v.t.Helper()
	req, err := http.NewRequest(method, v.url+path, strings.NewReader(body))
	if err != nil {
		v.t.Fatal(err)
	}
	for i := 0; i+1 < len(header); i += 2 {
		if header[i] == "Host" {
			req.Host = header[i+1]
			continue
		}
		req.Header.Set(header[i], header[i+1])
	}
	r, err := v.Do(req)
	if err != nil {
		v.t.Fatal(err)
	}
	defer r.Body.Close()
	var out any
	_ = json.NewDecoder(r.Body).Decode(&out) // downloads are no JSON
	members, _ := out.(map[string]any)
	return r.StatusCode, members
}

func (v visitor) want(status int, method, path, body string) map[string]any {
	v.t.Helper()
	got, out := v.ask(method, path, body)
	if got != status {
		v.t.Fatalf("%s %s: %d, want %d: %v", method, path, got, status, out)
	}
	return out
}

const (
	password = "a few plain words"
	newJob   = `{"name":"New","quantity":1,"unit":"mm","grain":1}`
)

// owner makes the owner of a shared server.
func (s shared) owner() visitor {
	v := s.visitor()
	v.want(200, "POST", "/api/v1/setup", `{"code":"`+setupCode+`","name":"Mara","password":"`+password+`"}`)
	return v
}

// invited makes an account of a role.
func (s shared) invited(by visitor, role, name string) visitor {
	code := by.want(200, "POST", "/api/v1/invitations", `{"role":"`+role+`"}`)["code"]
	v := s.visitor()
	v.want(200, "POST", "/api/v1/join", fmt.Sprintf(`{"code":%q,"name":%q,"password":%q}`, code, name, password))
	return v
}

// Every route of the interface, and who may reach it. A route that is not
// here fails the test.
var routes = map[string]string{
	"GET /api/v1/health": "public", "GET /api/v1/words": "public", "GET /api/v1/session": "public", "POST /api/v1/setup": "public",
	"POST /api/v1/sign-in":  "public",
	"POST /api/v1/sign-out": "public", "POST /api/v1/join": "public", "POST /api/v1/pair": "public",
	"GET /api/openapi.json": "reader", "POST /api/v1/password": "reader", "GET /api/v1/devices": "reader", "DELETE " +
		"/api/v1/devices/{id}": "reader", "POST /api/v1/pairing": "reader",
	"GET /api/v1/members": "owner", "PUT /api/v1/members/{id}": "owner", "DELETE /api/v1/members/{id}": "owner", "POST " +
		"/api/v1/invitations": "owner",
	"GET /api/v1/backups": "reader", "GET /api/v1/line": "reader", "GET /api/v1/jobs": "reader", "POST /api/v1/jobs": "maker", "GET " +
		"/api/v1/jobs/{id}": "reader", "POST /api/v1/jobs/{id}/archive": "maker",
	"POST /api/v1/jobs/{id}/duplicate": "maker", "GET /api/v1/jobs/{id}/export": "reader", "POST /api/v1/import": "maker",
	"GET /api/v1/tasks": "reader", "GET /api/v1/tasks/{id}": "reader", "POST /api/v1/tasks/{id}/stop": "reader", "DELETE " +
		"/api/v1/tasks/{id}": "reader",
	"GET /api/v1/tasks/{id}/file": "reader", "POST /api/v1/jobs/{id}/packet": "reader",
	"POST /api/v1/jobs/{id}/bring": "maker", "POST /api/v1/jobs/{id}/map-holes": "maker", "POST /api/v1/points": "reader", "GET " +
		"/api/v1/jobs/{id}/sheets/{kind}": "reader",
	"GET /api/v1/jobs/{id}/holding": "reader", "GET /api/v1/jobs/{id}/waits": "reader", "GET /api/v1/jobs/{id}/whole": "reader",
	"GET /api/v1/jobs/{id}/named-by": "reader", "POST /api/v1/jobs/{id}/rules-seen": "maker", "GET " +
		"/api/v1/jobs/{id}/assembly": "reader", "GET /api/v1/jobs/{id}/parts-list/{kind}": "reader", "GET " +
		"/api/v1/jobs/{id}/dummies/{device}/{kind}": "reader", "GET /api/v1/jobs/{id}/torque-sheet": "reader", "GET " +
		"/api/v1/jobs/{id}/rating-label": "reader", "GET /api/v1/jobs/{id}/suggestions": "reader",
	"GET /api/v1/jobs/{id}/weld-ways": "reader", "GET /api/v1/jobs/{id}/weld-schools": "reader", "POST /api/v1/jobs/{id}/weld-add": "maker",
	"GET /api/v1/jobs/{id}/weld-plan": "reader", "GET /api/v1/jobs/{id}/flat-runs": "reader", "GET /api/v1/jobs/{id}/weld-map": "reader",
	"POST /api/v1/jobs/{id}/numbers": "maker", "DELETE /api/v1/numbers/{id}": "maker",
	"POST /api/v1/jobs/{id}/parts": "maker", "POST /api/v1/jobs/{id}/started-parts": "maker", "POST " +
		"/api/v1/jobs/{id}/trace": "maker", "POST /api/v1/parts/{id}/split": "maker", "POST /api/v1/parts/{id}/fixture": "maker", "POST " +
		"/api/v1/parts/{id}/split-lines": "reader", "POST /api/v1/parts/{id}/join": "maker", "GET " +
		"/api/v1/part-starters": "public", "POST /api/v1/part-sketch": "reader", "POST /api/v1/parts/{id}/duplicate": "maker",
	"GET /api/v1/sections": "public", "GET /api/v1/bending-sheet": "reader", "GET /api/v1/jobs/{id}/frames": "reader", "POST " +
		"/api/v1/jobs/{id}/frames": "maker",
	"GET /api/v1/developed/{kind}": "reader", "GET /api/v1/facet-starters": "public", "POST /api/v1/jobs/{id}/facets": "maker",
	"POST /api/v1/facets/{id}/duplicate": "maker",
	"POST /api/v1/facets/{id}/parts":     "maker", "POST /api/v1/facets/{id}/bends": "reader", "POST /api/v1/facets/{id}/work": "reader",
	"GET /api/v1/facets/{id}/files/{kind}": "reader",
	"POST /api/v1/frames/{id}/duplicate":   "maker", "POST /api/v1/frames/{id}/sections": "reader",
	"GET /api/v1/frames/{id}/files/{kind}": "reader",
	"GET /api/v1/parts/{id}/files/{kind}":  "reader", "POST /api/v1/build": "reader", "POST /api/v1/bending": "reader", "GET " +
		"/api/v1/goods": "reader", "POST /api/v1/trade": "reader", "POST /api/v1/routes": "reader", "GET " +
		"/api/v1/jobs/{id}/effort": "reader", "POST /api/v1/frames/{id}/trade": "reader", "POST /api/v1/stations": "reader",
	"GET /api/v1/parts/{id}/family": "reader", "POST /api/v1/parts/{id}/family": "maker", "GET " +
		"/api/v1/jobs/{id}/goods": "reader", "GET /api/v1/jobs/{id}/suppliers": "reader", "POST " +
		"/api/v1/jobs/{id}/goods/move-over": "maker", "POST /api/v1/goods": "maker", "PUT " +
		"/api/v1/goods/{id}": "maker", "GET /api/v1/goods/{id}/moves": "reader", "POST " +
		"/api/v1/goods/{id}/moves": "maker", "POST /api/v1/goods/choose": "reader", "POST " +
		"/api/v1/fresh": "reader", "POST /api/v1/change": "reader", "POST /api/v1/body": "reader",
	"POST /api/v1/fixes": "reader", "POST /api/v1/working": "reader", "GET /api/v1/stock": "public",
	"GET /api/v1/shop/kinds": "public", "POST /api/v1/shop/effects": "reader",
}

// asks answers who may reach a route; false for one nobody thought of.
func asks(route string) (role string, known bool) {
	if strings.Contains(route, "/api/v1/calc/") {
		return "reader", true
	}
	for _, path := range []string{"/api/v1/parts/{id}", "/api/v1/frames/{id}", "/api/v1/facets/{id}", "/api/v1/jobs/{id}/survey",
		"/api/v1/jobs/{id}/brief", "/api/v1/shop"} {
		switch method, rest, found := strings.Cut(route, " "+path); {
		case !found:
		case method == "GET" && (rest == "" || rest == "/revisions" || rest == "/revisions/{number}" || rest == "/revisions/{number}/since" ||
			rest == "/dependants"):
			return "reader", true
		case method == "PUT" && rest == "" || method == "POST" && (rest == "/undo" || rest == "/redo" || rest == "/archive"):
			return "maker", true
		}
	}
	role, known = routes[route]
	return role, known
}

// described lists the routes of the description.
func described(t *testing.T) []string {
	t.Helper()
	raw, err := httpapi.Description()
	if err != nil {
		t.Fatal(err)
	}
	var d struct {
		Paths map[string]map[string]any `json:"paths"`
	}
	if err := json.Unmarshal(raw, &d); err != nil {
		t.Fatal(err)
	}
	out := []string{"GET /api/openapi.json"}
	for path, methods := range d.Paths {
		for m := range methods {
			if m != "parameters" {
				out = append(out, strings.ToUpper(m)+" "+path)
			}
		}
	}
	return out
}

// fill puts an id of nothing into a path.
func fill(path string) string {
	return strings.NewReplacer("{id}", "00000000-0000-7000-8000-000000000000", "{kind}", "dxf").Replace(path)
}

func TestWhoMayReachWhat(t *testing.T) {
	s := share(t)
	stranger := s.visitor()
	for _, r := range described(t) { // before there is an owner nobody gets in
		if role, _ := asks(r); role == "public" {
			continue
		}
		method, path, _ := strings.Cut(r, " ")
		if code, _ := stranger.ask(method, fill(path), "{}"); code != 401 {
			t.Errorf("%s before setup: %d", r, code)
		}
	}
	owner := s.owner()
	people := []struct {
		role string
		v    visitor
	}{{"stranger", stranger}, {"reader", s.invited(owner, "reader", "Rolf")}, {"maker", s.invited(owner, "maker", "Mine")},
		{"owner", owner}}
	rank := map[string]int{"public": 0, "stranger": 0, "reader": 1, "maker": 2, "owner": 3}
	for _, r := range described(t) {
		asked, there := asks(r)
		if !there {
			t.Errorf("%s is new: say in this test who may reach it", r)
			continue
		}
		method, path, _ := strings.Cut(r, " ")
		if asked == "public" && method == "POST" {
			continue // they change who one is; they have tests of their own
		}
		for _, p := range people {
			code, body := p.v.ask(method, fill(path), "{}")
			let := code != 401 && code != 403
			if want := rank[p.role] >= rank[asked]; let != want {
				t.Errorf("%s as %s: %d %v", r, p.role, code, body["detail"])
			}
		}
	}
}

func TestSetupOnce(t *testing.T) {
	s := share(t)
	v := s.visitor()
	if state := v.want(200, "GET", "/api/v1/session", "")["state"]; state != "setup" {
		t.Fatalf("state %v", state)
	}
	v.want(422, "POST", "/api/v1/setup", `{"code":"WRONG","name":"Eve","password":"`+password+`"}`)
	v.want(422, "POST", "/api/v1/setup", `{"code":"`+setupCode+`","name":"Mara","password":"short"}`)
	s.owner()
	v.want(409, "POST", "/api/v1/setup", `{"code":"`+setupCode+`","name":"Eve","password":"`+password+`"}`)
	if state := v.want(200, "GET", "/api/v1/session", "")["state"]; state != "out" {
		t.Errorf("state %v", state)
	}
}

func TestSignInAndOut(t *testing.T) {
	s := share(t)
	s.owner()
	v := s.visitor()
	v.want(422, "POST", "/api/v1/sign-in", `{"name":"Mara","password":"guess"}`)
	v.want(422, "POST", "/api/v1/sign-in", `{"name":"Nobody","password":"guess"}`)
	got := v.want(200, "POST", "/api/v1/sign-in", `{"name":" mara ","password":"`+password+`","device":"Bench tablet"}`)
	if got["role"] != "owner" || got["name"] != "Mara" {
		t.Errorf("%v", got)
	}
	v.want(200, "GET", "/api/v1/jobs", "")
	v.want(200, "POST", "/api/v1/sign-out", "")
	v.want(401, "GET", "/api/v1/jobs", "")
}

// Somebody who guesses at a name keeps its owner out of nothing: a device that signed in
// before is let in, and is not any more once it was signed out from elsewhere. Codes are
// tried a few times.
func TestGuessingKeepsNobodyOut(t *testing.T) {
	s := share(t)
	owner := s.owner()
	owner.want(200, "POST", "/api/v1/sign-out", "")
	stranger := s.visitor()
	codes := map[int]int{}
	for range 30 { // beyond what an address has; each name of its own, so that none is slowed down
		code, _ := stranger.ask("POST", "/api/v1/sign-in", fmt.Sprintf(`{"name":"%d","password":"guess"}`, len(codes)*100+codes[422]))
		codes[code]++
	}
	if codes[429] == 0 || codes[422] == 0 || codes[200] != 0 {
		t.Errorf("a guesser is answered %v", codes)
	}
	right := `{"name":"Mara","password":"` + password + `","device":"Bench"}`
	stranger.want(429, "POST", "/api/v1/sign-in", right)
	owner.want(200, "POST", "/api/v1/sign-in", right)

	codes = map[int]int{}
	for i := range 24 {
		code, _ := stranger.ask("POST", "/api/v1/pair", fmt.Sprintf(`{"code":"GUESS%d"}`, i))
		codes[code]++
	}
	if codes[429] < 10 || codes[200] != 0 {
		t.Errorf("guesses at codes: %v", codes)
	}
}

// A device that is signed out by another is no longer known: it may be in other hands.
func TestSignedOutDeviceIsForgotten(t *testing.T) {
	s := share(t)
	owner := s.owner()
	lost := s.visitor()
	lost.want(200, "POST", "/api/v1/sign-in", `{"name":"Mara","password":"`+password+`","device":"Lost"}`)
	u, _ := url.Parse(s.url) // it is one
	var token string
	for _, k := range lost.Jar.Cookies(u) {
		if k.Name == "warmanvil-device" {
			token = k.Value
		}
	}
	accounts := &account.Service{Store: s.jobs.Store.(*store.Store), Now: time.Now}
	if known, err := accounts.Knows(t.Context(), token, " MARA "); err != nil || !known || token == "" {
		t.Fatalf("%q is known: %v, %v", token, known, err)
	}
	if known, err := accounts.Knows(t.Context(), token, "Joan"); err != nil || known {
		t.Error("known to another name", err)
	}
	r, err := owner.Get(s.url + "/api/v1/devices")
	if err != nil {
		t.Fatal(err)
	}
	defer r.Body.Close()
	var list []httpapi.DeviceView
	if err := json.NewDecoder(r.Body).Decode(&list); err != nil {
		t.Fatal(err)
	}
	for _, d := range list {
		if d.Name == "Lost" {
			owner.want(200, "DELETE", "/api/v1/devices/"+d.ID, "")
		}
	}
	if known, err := accounts.Knows(t.Context(), token, "Mara"); err != nil || known {
		t.Error("still known", err)
	}
}

// Over TLS no other host, path or plain connection can set our cookies.
func TestCookiesBelongToTheHost(t *testing.T) {
	alongside(t)
	jobs := storetest.Jobs(t)
	s := jobs.Store.(*store.Store)
	h, err := httpapi.New(httpapi.Options{Jobs: jobs, Accounts: &account.Service{Store: s, Now: time.Now, NewID: uuid.NewString},
		Sessions: pgxstore.NewWithCleanupInterval(s.Pool(), 0), Door: httpapi.Door{Listen: true, TLS: true, SetupCode: setupCode}})
	if err != nil {
		t.Fatal(err)
	}
	server := httptest.NewServer(h)
	t.Cleanup(server.Close)
	r, err := http.Post(server.URL+"/api/v1/setup", "application/json",
		strings.NewReader(`{"code":"`+setupCode+`","name":"Mara","password":"`+password+`"}`))
	if err != nil || r.StatusCode != 200 {
		t.Fatal(r, err)
	}
	_ = r.Body.Close()
	seen := map[string]bool{}
	for _, k := range r.Cookies() {
		seen[k.Name] = k.Secure && k.HttpOnly && k.Path == "/" && k.Domain == "" && k.SameSite == http.SameSiteStrictMode
	}
	if !seen["__Host-warmanvil"] || !seen["__Host-warmanvil-device"] || len(seen) != 2 {
		t.Errorf("cookies %v", r.Cookies())
	}
}

// A pairing code signs one device in, once, within minutes; the device is
// listed and can be signed out.
func TestPairing(t *testing.T) {
	s := share(t)
	owner := s.owner()
	code := owner.want(200, "POST", "/api/v1/pairing", "")
	word := fmt.Sprint(code["code"])
	if !strings.HasPrefix(fmt.Sprint(code["url"]), "http://shop.local:") || !strings.HasSuffix(fmt.Sprint(code["url"]), "/pair#"+word) ||
		!strings.HasPrefix(fmt.Sprint(code["qr"]), "data:image/png;base64,") {
		t.Errorf("%v", code)
	}
	typed := strings.ToLower(word[:4] + " " + word[4:])
	tablet := s.visitor()
	tablet.want(200, "POST", "/api/v1/pair", `{"code":"`+typed+`","device":"Bench tablet"}`)
	tablet.want(200, "GET", "/api/v1/members", "") // it is the owner's
	s.visitor().want(422, "POST", "/api/v1/pair", `{"code":"`+typed+`"}`)

	late := fmt.Sprint(owner.want(200, "POST", "/api/v1/pairing", "")["code"])
	*s.now = s.now.Add(4 * time.Minute)
	s.visitor().want(422, "POST", "/api/v1/pair", `{"code":"`+late+`"}`)

	r, err := owner.Get(s.url + "/api/v1/devices")
	if err != nil {
		t.Fatal(err)
	}
	defer r.Body.Close()
	var devices []struct {
		ID, Name string
		Here     bool
	}
	if err := json.NewDecoder(r.Body).Decode(&devices); err != nil || len(devices) != 2 {
		t.Fatal(devices, err)
	}
	for _, d := range devices {
		if d.Name == "Bench tablet" {
			owner.want(200, "DELETE", "/api/v1/devices/"+d.ID, "")
			owner.want(404, "DELETE", "/api/v1/devices/"+d.ID, "") // nothing is left to sign out
		} else if !d.Here {
			t.Errorf("%+v is not here", d)
		}
	}
	tablet.want(401, "GET", "/api/v1/jobs", "")
	owner.want(200, "GET", "/api/v1/jobs", "")
}

// An invitation is spent by one; a member's role is changed at once, and who is
// removed is out at once. The last owner stays.
func TestMembers(t *testing.T) {
	s := share(t)
	owner := s.owner()
	code := fmt.Sprint(owner.want(200, "POST", "/api/v1/invitations", `{"role":"maker"}`)["code"])
	v := s.visitor()
	v.want(422, "POST", "/api/v1/join", `{"code":"`+code+`","name":"mara","password":"`+password+`"}`) // taken, and the code is still good
	v.want(200, "POST", "/api/v1/join", `{"code":"`+code+`","name":"Mine","password":"`+password+`"}`)
	s.visitor().want(422, "POST", "/api/v1/join", `{"code":"`+code+`","name":"Eve","password":"`+password+`"}`)
	v.want(200, "POST", "/api/v1/jobs", newJob)
	list, err := s.jobs.Store.(*store.Store).Accounts(t.Context())
	if err != nil || len(list) != 2 {
		t.Fatal(list, err)
	}
	mara, mine := list[0].ID, list[1].ID
	owner.want(200, "PUT", "/api/v1/members/"+mine, `{"role":"reader"}`)
	v.want(403, "POST", "/api/v1/jobs", newJob)
	owner.want(422, "PUT", "/api/v1/members/"+mara, `{"role":"maker"}`)
	owner.want(422, "DELETE", "/api/v1/members/"+mara, "")
	owner.want(200, "DELETE", "/api/v1/members/"+mine, "")
	v.want(401, "GET", "/api/v1/jobs", "")
	owner.want(422, "POST", "/api/v1/password", `{"old":"guess","new":"other plain words"}`)
	owner.want(200, "POST", "/api/v1/password", `{"old":"`+password+`","new":"other plain words"}`)
	s.visitor().want(200, "POST", "/api/v1/sign-in", `{"name":"Mara","password":"other plain words"}`)
}

// Foreign pages and foreign names are turned away; names of ours are not.
func TestForeignPages(t *testing.T) {
	s := share(t)
	owner := s.owner()
	for what, c := range map[string]struct {
		header []string
		want   int
	}{
		"another site's page": {[]string{"Origin", "https://evil.example"}, 403},
		"a cross-site fetch":  {[]string{"Sec-Fetch-Site", "cross-site"}, 403},
		"another name":        {[]string{"Host", "evil.example"}, 403},
		"our own name":        {[]string{"Host", "shop.local"}, 401}, // let in; the cookie belongs to the other name
		"in capitals":         {[]string{"Host", "SHOP.local"}, 401},
		"our own page":        {[]string{"Sec-Fetch-Site", "same-origin"}, 200},
	} {
		if code, body := owner.ask("POST", "/api/v1/jobs", newJob, c.header...); code != c.want {
			t.Errorf("%s: %d %v", what, code, body)
		}
	}
	r, err := owner.Get(s.url + "/api/v1/jobs")
	if err != nil {
		t.Fatal(err)
	}
	_ = r.Body.Close()
	for _, h := range []string{"X-Content-Type-Options", "Referrer-Policy", "X-Frame-Options",
		"Cross-Origin-Opener-Policy", "Permissions-Policy"} {
		if r.Header.Get(h) == "" {
			t.Errorf("no %s", h)
		}
	}
}

// On loopback without accounts nobody signs in; as soon as there is one,
// everybody does.
func TestLoopbackNeedsNoAccount(t *testing.T) {
	jobs := storetest.Jobs(t)
	s := jobs.Store.(*store.Store)
	h, err := httpapi.New(httpapi.Options{Jobs: jobs, Accounts: &account.Service{Store: s, Now: time.Now, NewID: uuid.NewString}})
	if err != nil {
		t.Fatal(err)
	}
	server := httptest.NewServer(h)
	t.Cleanup(server.Close)
	v := shared{t: t, url: server.URL, jobs: jobs}.visitor()
	if state := v.want(200, "GET", "/api/v1/session", "")["state"]; state != "open" {
		t.Errorf("state %v", state)
	}
	v.want(200, "POST", "/api/v1/jobs", newJob)
	v.want(422, "POST", "/api/v1/pairing", "")
	v.want(422, "POST", "/api/v1/setup", `{"code":"","name":"Eve","password":"`+password+`"}`)
	if err := s.AddFirstAccount(t.Context(),
		account.Account{ID: uuid.NewString(), Name: "Mara", Role: account.Owner, Password: "x", Created: time.Now()}); err != nil {
		t.Fatal(err)
	}
	for end := time.Now().Add(5 * time.Second); ; time.Sleep(100 * time.Millisecond) {
		if code, _ := v.ask("GET", "/api/v1/jobs", ""); code == 401 {
			return
		}
		if time.Now().After(end) {
			t.Fatal("an account exists and nobody is asked to sign in")
		}
	}
}
