package calc

import (
	"encoding/base64"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"reflect"
	"strings"
	"testing"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/working"
)

// requests holds one good request of every calculation.
var requests = map[string]string{
	"length.parse":       `{"text":"7-5/8","unit":"in"}`,
	"drill":              `{"diameter":6.5278,"inches":true}`,
	"length.usual":       `{"mm":[3,120]}`,
	"length.format":      `{"mm":193.675,"style":"fraction","denominator":32,"feet":true}`,
	"number.parse":       `{"text":"180-35"}`,
	"amount.parse":       `{"text":"300 lb","measure":"force","inches":true}`,
	"amount.format":      `{"value":1334.4664845782,"measure":"force","inches":true}`,
	"gauge":              `{"family":"steel","gauge":14}`,
	"bend":               `{"insideRadius":3,"thickness":3,"kFactor":0.42,"angle":90}`,
	"bend.din6935":       `{"insideRadius":3,"thickness":3,"angle":90}`,
	"bend.coupon":        `{"insideRadius":3,"thickness":3,"angle":90,"flat":100,"legA":52.65,"legB":52.65}`,
	"bend.schools":       `{"material":"steel-a36","insideRadius":3,"thickness":3,"angle":90,"legA":50,"legB":60,"method":"air"}`,
	"bend.springback":    `{"insideRadius":5,"thickness":2,"yield":250,"modulus":200000,"angle":90}`,
	"bend.force":         `{"thickness":3,"length":1000,"dieOpening":24,"tensile":450}`,
	"section":            `{"thickness":3,"kFactor":0.42,"legs":[50,100],"bends":[{"insideRadius":3,"angle":90,"up":true}]}`,
	"jog":                `{"depth":10,"insideRadius":2,"thickness":2,"angle":45,"kFactor":0.4}`,
	"hem":                `{"insideRadius":0,"thickness":1,"kFactor":0.5,"outside":50,"return":10}`,
	"tray":               `{"length":300,"width":200,"height":50,"insideRadius":2,"thickness":2,"kFactor":0.4}`,
	"develop.cone":       `{"bottom":300,"top":200,"height":120,"offset":[20,0],"cut":{"angle":10,"height":80},"stations":36}`,
	"develop.transition": `{"bottom":[[-200,-200],[200,-200],[200,200],[-200,200]],"top":[[-100,-100],[100,-100],[100,100],[-100,100]],"height":240,"offset":[30,0],"seam":1}`,
	"develop.elbow":      `{"diameter":100,"radius":150,"angle":90,"middle":2,"straight":40}`,
	"develop.bumps":      `{"radius":200,"sweep":90,"depth":0.5}`,
	"develop.arch":       `{"tyre":640,"width":200,"growth":8,"up":70,"down":60,"lock":34,"articulation":6,"gap":30}`,
	"develop.facets": `{"points":{"A":[0,0,0],"B":[300,0,0],"C":[300,200,0],"D":[0,200,0],"a":[0,0,80],"b":[300,0,80]},
		"panels":[{"id":"floor","points":["A","B","C","D"]},{"id":"front","points":["A","B","b","a"]}],"bends":[["A","B"]],"thickness":2,"side":"outside","insideRadius":3,"kFactor":0.42}`,
	"weldgroup":   `{"segments":[[[0,0],[0,200]],[[100,0],[100,200]]],"force":[0,-10000,0],"at":[300,100,0]}`,
	"fillet":      `{"peak":600,"electrode":483,"thinner":8,"thicker":10}`,
	"weld.sheet":  `{"thickness":2,"length":60,"across":false,"tensile":330,"electrode":414}`,
	"weld.stitch": `{"load":50,"leg":4,"electrode":483,"thinner":6,"thicker":8,"tensile":360,"yield":235}`,
	"weld.seams": `{"seams":[{"id":"a","form":"fillet","path":[[0,0,0],[100,0,0]],"leg":6,"both":true,
		"sides":[{"material":"steel-a36","thickness":10,"normal":[0,1,0]},{"material":"steel-a36","thickness":12,"normal":[0,0,1]}]}],
		"filler":"e70","rule":{"school":"allowable"},"cases":[{"name":"pulled","force":[50000,0,0],"at":[50,0,0]}]}`,
	"heat":                 `{"volts":20,"amps":150,"speed":300,"efficiency":0.8}`,
	"weld.order":           `{"seams":[{"id":"a","path":[[0,30,20],[1000,30,20]],"area":18,"run":250},{"id":"b","path":[[0,-30,-20],[1000,-30,-20]],"area":18,"run":250}],"bulks":[{"volume":2400000,"middle":[500,0,0],"second":[[200000000000,0,0],[0,720000000,0],[0,0,320000000]]}]}`,
	"weld.how":             `{"process":"mig","family":"steel","thinner":3,"thicker":5,"leg":3,"length":240}`,
	"weld.look":            `{"class":"C","thick":4,"leg":4,"gotLeg":3.5,"undercut":0.2}`,
	"weld.laminate":        `{"shear":5000,"width":80,"layers":[6,6,6],"between":1,"filler":483,"leg":5,"stitch":50,"rule":{"school":"allowable"}}`,
	"weld.gap":             `{"gap":2.5,"leg":5,"thinner":8}`,
	"weld.groove":          `{"edges":"vee","thickness":10,"angle":60,"land":2,"root":2,"length":400,"pass":25}`,
	"weld.bow":             `{"weldArea":12.5,"distance":30,"length":2000,"inertia":400000}`,
	"weld.rise":            `{"width":100,"leg":5,"thickness":8}`,
	"weld.shrink":          `{"weldArea":40,"thickness":8,"root":2}`,
	"centres":              `{"method":"inside","value":90,"diameterA":11,"diameterB":9}`,
	"locate":               `{"ab":500,"ac":300,"bc":400}`,
	"locate.space":         `{"from":[{"at":[0,0,0],"distance":700},{"at":[800,0,0],"distance":600},{"at":[0,900,0],"distance":800,"sigma":0.5},{"at":[50,60,900],"distance":500}]}`,
	"holemap":              `{"count":5,"readings":[{"from":0,"to":1,"distance":300},{"from":0,"to":2,"distance":400},{"from":1,"to":2,"distance":500},{"from":0,"to":3,"distance":500,"sigma":0.5},{"from":1,"to":3,"distance":400},{"from":2,"to":3,"distance":325.4},{"from":0,"to":4,"distance":250},{"from":1,"to":4,"distance":250},{"from":2,"to":4,"distance":250},{"from":3,"to":4,"distance":250}],"hook":1.2}`,
	"holemap.meant":        `{"map":{"count":5,"readings":[{"from":0,"to":1,"distance":300},{"from":0,"to":2,"distance":400},{"from":1,"to":2,"distance":500},{"from":0,"to":3,"distance":500},{"from":1,"to":3,"distance":400},{"from":2,"to":3,"distance":300.4},{"from":0,"to":4,"distance":250},{"from":1,"to":4,"distance":250},{"from":2,"to":4,"distance":250},{"from":3,"to":4,"distance":250}]},"figures":[{"form":"rectangle","holes":[0,1,2,3]}]}`,
	"level":                `{"wheelbase":2000,"track":1500,"heights":{"frontLeft":515,"frontRight":500,"rearLeft":535,"rearRight":521}}`,
	"slope":                `{"reading":33.5,"own":-1.5,"wanted":30}`,
	"bubble":               `{"graduations":2,"each":0.5,"length":1200}`,
	"rails":                `{"long":800,"heights":{"frontLeft":10,"frontRight":8,"rearLeft":9,"rearRight":9},"front":601,"rear":600,"rock":1,"play":1}`,
	"weld.instead":         `{"sides":[{"material":"steel-s235","thickness":0.8},{"material":"steel-s235","thickness":0.8}],"spot":0,"plug":0,"sizes":[6,8,10],"rule":{"school":"allowable"}}`,
	"square":               `{"length":1800,"width":900,"leftToRight":2010,"rightToLeft":2015}`,
	"centred":              `{"apart":1200,"frontLeft":401,"frontRight":397,"rearLeft":399,"rearRight":400,"halfFront":400,"allow":2,"sigma":0.5}`,
	"flush":                `{"one":1.2,"other":-0.4,"middle":0.9,"apart":600}`,
	"evengap":              `{"need":6,"gives":4,"length":1500,"degrees":60,"coats":0.2,"sheets":[1.5,3,5]}`,
	"captive":              `{"panel":420,"between":400,"deep":20,"shallow":10,"thickness":4,"slot":5}`,
	"noplay":               `{"play":0.5,"engaged":100,"reach":400,"load":100,"pull":200,"screw":10,"torque":20}`,
	"inserts":              `{"corner":5,"inserts":[{"name":"small","width":180,"height":100,"faceWidth":210,"faceHeight":130},{"width":186,"height":104,"faceWidth":220,"faceHeight":140}]}`,
	"index":                `{"pin":12,"hole":12.5,"pitch":40,"count":8,"edge":20,"thickness":6,"force":5000,"yield":235,"tensile":360,"wanted":10}`,
	"stackup":              `{"gap":{"thickness":100,"plus":2,"minus":1},"layers":[{"name":"plate","thickness":5,"plus":0.3,"minus":0.3,"count":2}]}`,
	"shims":                `{"standoffs":[40.2,41.7,40.9],"grain":1,"shims":[0.5,1,2]}`,
	"fit":                  `{"inner":{"width":50,"height":50,"corner":3,"coat":0.1},"outer":{"width":52,"height":52,"corner":1,"seam":0.5}}`,
	"clearance":            `{"body":[{"form":"box","at":[0,0,0],"size":[100,50,20]}],"spaces":[{"id":"lid","name":"the lid","kind":"moving","shape":{"form":"swing","at":[0,0,60],"axis":[0,1,0],"start":[1,0,0],"radius":90,"low":-20,"high":40,"turn":60},"moves":["inUse"]}]}`,
	"section.properties":   `{"kind":"rectTube","width":60,"height":40,"wall":3,"outerRadius":6}`,
	"member.mitre":         `{"depthA":40,"depthB":60,"included":90}`,
	"member.saddle":        `{"branchDiameter":48.3,"branchWall":3.2,"mainDiameter":60.3,"angle":60,"offset":4,"stations":36}`,
	"member.vnotch":        `{"depth":40,"wall":3,"fold":90,"hinge":"inner"}`,
	"member.bend":          `{"outside":25,"wall":2,"legs":[300,400,250],"bends":[{"radius":75,"angle":90},{"radius":75,"angle":45,"rotation":90}],"strip":{"bent":93,"stayed":90}}`,
	"sticks":               `{"stock":6000,"kerf":3,"lastCutNeedsKerf":false,"pieces":[{"length":1998,"quantity":3},{"length":700,"quantity":5}]}`,
	"frame":                `{"nodes":{"a":[0,0,0],"b":[1500,0,0]},"members":[{"from":"a","to":"b","e":210000,"g":81000,"area":541,"iy":195000,"iz":134000,"j":293000,"uniform":[0,0,-0.5]}],"supports":{"a":[true,true,true,true,true,true]},"loads":{"b":[0,0,-800,0,0,0]}}`,
	"trailer.tow":          `{"overhang":600,"vehicleWide":1800,"drawbar":1600,"drawbarWide":900,"frontWide":1500,"ballHigh":420,"couplingLevel":465,"axle":3000}`,
	"supports":             `{"length":2400,"count":3,"rate":0.4}`,
	"trailer":              `{"items":[{"mass":300,"x":2400},{"mass":500,"x":2600}],"axles":[2500,3300]}`,
	"column":               `{"length":1800,"k":1,"radiusOfGyration":15,"area":541,"yield":235,"modulus":210000}`,
	"boltgroup.elastic":    `{"bolts":[[0,0],[0,100],[100,0],[100,100]],"force":[0,-10000],"at":[200,50]}`,
	"boltgroup.icr":        `{"bolts":[[0,0],[0,76.2],[0,152.4]],"angle":0,"eccentricity":76.2}`,
	"boltgroup.outofplane": `{"rows":[100,200],"columns":2,"shear":10000,"eccentricity":80}`,
	"interaction":          `{"shear":3,"tension":8,"allowableShear":10,"allowableTension":20}`,
	"fastener":             `{"system":"metric","size":"M8","pitch":1.25,"grade":"8.8"}`,
	"torque":               `{"system":"inch","size":"3/8","pitch":16,"grade":"SAE 5","nutFactor":0.2,"share":0.75}`,
	"threadengagement":     `{"diameter":10,"pitch":1.5,"boltTensile":800,"nutTensile":310}`,
	"stud":                 `{"system":"metric","size":"M8","engage":12,"plies":[{"name":"bracket","thickness":3},{"thickness":5}],"washers":1,"nut":"lock"}`,
	"grip":                 `{"system":"metric","size":"M8","plies":[{"name":"bracket","thickness":3},{"name":"rail","thickness":5}],"washers":2,"nut":"hex"}`,
	"rivet":                `{"diameter":4.8,"material":"steel","plies":[{"thickness":2},{"thickness":3}],"shear":400,"tension":300}`,
	"assemble":             `{"system":"metric","size":"M10","holes":[[0,0],[200,0],[200,80],[0,80]],"sides":[{"name":"plate","placed":"table","hole":11},{"name":"rail","placed":"tape","hole":11}]}`,
	"access":               `{"system":"metric","size":"M10","at":[0,0,0],"axis":[0,0,1],"grip":5,"length":16,"obstacles":[{"name":"shelf","low":[-300,-300,20],"high":[300,300,26]}]}`,
	"loadpath":             `{"bodies":[{"id":"box","mass":10,"at":[0,0,50]},{"id":"truck","ground":true}],"joints":[{"id":"a","a":"box","b":"truck","at":[-100,0,0],"turns":true},{"id":"b","a":"box","b":"truck","at":[100,0,0]}],"acceleration":[0,0,-1]}`,
	"isolator":             `{"mass":48,"count":4,"stiffness":60,"height":30,"shakes":50}`,
	"feet":                 `{"mass":185,"centreOfGravity":[0,0,620],"feet":[[400,300],[400,-300],[-400,300],[-400,-300]],"acceleration":[1,0,-3],"carrying":[0,3]}`,
	"import":               `{"name":"a.dxf","base64":"MApTRUNUSU9OCjIKRU5USVRJRVMKMApDSVJDTEUKOAowCjEwCjUKMjAKNQo0MAoyCjAKRU5EU0VDCjAKRU9GCg=="}`,
	"stock.choose": `{"need":{"kind":"sheet","material":"steel-s235","thickness":3,"margin":5,"outline":[{"x":0,"y":0},{"x":400,"y":0},{"x":400,"y":150},{"x":0,"y":150}]},
		"lines":[{"line":{"id":"a","kind":"sheet","material":"steel-s235","thickness":3,"long":2500,"wide":1250},"here":2,"held":1},
		{"line":{"id":"b","kind":"remnant","material":"steel-s235","thickness":3,"outline":[{"x":0,"y":0},{"x":600,"y":0},{"x":600,"y":200},{"x":0,"y":300}]},"here":1}]}`,
	"bend.order": `{"part":{"schema":1,"material":"steel-a36","thickness":2,"process":"laser","tool":{"kind":"vdie"},"bend":{"school":"table","method":"air"},
		"base":{"id":"b","length":300,"width":60,"flanges":[{"id":"f","edge":"front","length":40,"angle":90,"up":true,"insideRadius":2},
		{"id":"g","edge":"back","length":40,"angle":90,"up":false,"insideRadius":2}]}},"brake":{"sort":"press","limits":{"long":2000}},
		"tools":[{"kind":"straight","angle":85,"width":13,"height":120,"pieces":[100,200,50]}]}`,
	"flat": `{"part":{"schema":1,"material":"steel-a36","thickness":3,"process":"laser","tool":{"kind":"vdie"},"bend":{"school":"table","method":"air"},
		"base":{"id":"b","length":100,"width":60,"holes":[{"id":"h","kind":"slot","diameter":7,"length":20,"x":{"edge":"left","distance":30},"y":{"edge":"back","distance":20}}],
		"flanges":[{"id":"f","edge":"front","length":40,"angle":90,"up":true,"insideRadius":3}]}}}`,
}

func run(t *testing.T, name, request string) (map[string]any, error) {
	t.Helper()
	c, err := Find(name)
	if err != nil {
		t.Fatal(err)
	}
	ans, err := c.Run(t.Context(), []byte(request))
	if err != nil {
		return nil, err
	}
	raw, err := json.Marshal(ans)
	if err != nil {
		t.Fatal(err)
	}
	var out map[string]any
	if err := json.Unmarshal(raw, &out); err != nil {
		t.Fatal(err)
	}
	return out, nil
}

// Requests and answers of every calculation are valid against the schemas that
// are published for them.
func TestAnswersKeepTheirSchemas(t *testing.T) {
	for _, c := range All() {
		request, ok := requests[c.Name]
		if !ok {
			t.Errorf("%s has no request here", c.Name)
			continue
		}
		answer, err := run(t, c.Name, request)
		if err != nil {
			t.Errorf("%s: %v", c.Name, err)
			continue
		}
		var in map[string]any
		if err := json.Unmarshal([]byte(request), &in); err != nil {
			t.Fatal(err)
		}
		reg := huma.NewMapRegistry("#/$defs/", huma.DefaultSchemaNamer)
		for what, value := range map[string]struct {
			t reflect.Type
			v any
		}{"request": {c.Request, in}, "answer": {c.Answer, answer}} {
			schema := reg.Schema(value.t, false, value.t.Name())
			schema.PrecomputeMessages()
			var res huma.ValidateResult
			huma.Validate(reg, schema, huma.NewPathBuffer([]byte{}, 0), huma.ModeReadFromServer, value.v, &res)
			for _, e := range res.Errors {
				t.Errorf("%s, %s: %v", c.Name, what, e)
			}
		}
	}
}

// Every answer that is worked out carries how.
func TestAnswersCarryTheirWorking(t *testing.T) {
	for _, name := range []string{"gauge", "bend", "bend.din6935", "bend.coupon", "bend.springback", "bend.force",
		"section", "jog", "hem", "tray",
		"centres", "locate", "locate.space", "holemap", "holemap.meant", "level", "slope", "square", "stackup", "shims", "fit", "clearance",
		"section.properties", "member.mitre", "member.saddle", "member.vnotch", "member.bend", "sticks",
		"frame", "supports", "stud", "trailer", "column"} {
		answer, err := run(t, name, requests[name])
		if err != nil {
			t.Fatal(err)
		}
		w, ok := answer["working"].(map[string]any)
		if !ok || w["method"] == "" || w["source"] == "" || w["formula"] == "" || len(w["inputs"].([]any)) == 0 {
			t.Errorf("%s: working %v", name, answer["working"])
		}
	}
}

// Leaving a required member out, adding one, or giving nonsense is refused at
// its place, for every calculation.
func TestEveryRequestIsStrict(t *testing.T) {
	for name, request := range requests {
		var members map[string]any
		if err := json.Unmarshal([]byte(request), &members); err != nil {
			t.Fatal(err)
		}
		c, err := Find(name)
		if err != nil {
			t.Fatal(err)
		}
		for i := range c.Request.NumField() {
			f := c.Request.Field(i)
			key, options, _ := strings.Cut(f.Tag.Get("json"), ",")
			if key == "-" || strings.Contains(options, "omit") {
				continue
			}
			for what, value := range map[string]any{"missing": nil, "an object": map[string]any{"a": 1}, "text": "much"} {
				if what == "text" && f.Type.Kind() == reflect.String || what == "an object" && f.Type.Kind() == reflect.Struct {
					continue
				}
				spoilt := map[string]any{}
				for k, v := range members {
					spoilt[k] = v
				}
				spoilt[key] = value
				if what == "missing" {
					delete(spoilt, key)
				}
				raw, _ := json.Marshal(spoilt)
				_, err := c.Run(t.Context(), raw)
				var fault *working.Fault
				if !errors.As(err, &fault) || !strings.HasPrefix(fault.Path, "/"+key) {
					t.Errorf("%s without %s (%s): %v", name, key, what, err)
				}
			}
		}
		extra := strings.Replace(request, "{", `{"colour":"red",`, 1)
		var fault *working.Fault
		if _, err := c.Run(t.Context(), []byte(extra)); !errors.As(err, &fault) || fault.Path != "/colour" {
			t.Errorf("%s with an unknown member: %v", name, err)
		}
	}
}

// Sizes at the edge of reason are refused or answered with finite numbers.
func TestExtremes(t *testing.T) {
	for _, v := range []string{"1e308", "-1e308", "1e-308", "0", "-0", "99999", "1e15"} {
		for name, request := range requests {
			var members map[string]any
			if err := json.Unmarshal([]byte(request), &members); err != nil {
				t.Fatal(err)
			}
			for key, old := range members {
				if _, number := old.(float64); !number {
					continue
				}
				members[key] = json.RawMessage(v)
				raw, _ := json.Marshal(members)
				members[key] = old
				answer, err := run(t, name, string(raw))
				var fault *working.Fault
				if err != nil && !errors.As(err, &fault) {
					t.Errorf("%s, %s = %s: %v", name, key, v, err)
				}
				if err == nil {
					finite(t, fmt.Sprintf("%s, %s = %s", name, key, v), answer)
				}
			}
		}
	}
}

func finite(t *testing.T, what string, v any) {
	t.Helper()
	switch x := v.(type) {
	case float64:
		if math.IsNaN(x) || math.Abs(x) > 1e15 {
			t.Errorf("%s: %v", what, x)
		}
	case map[string]any:
		for k, y := range x {
			finite(t, what+" "+k, y)
		}
	case []any:
		for _, y := range x {
			finite(t, what, y)
		}
	}
}

func TestLengthParseByTheContract(t *testing.T) {
	for _, c := range []struct {
		request string
		mm      float64 // NaN: refused
	}{
		{`{"text":"5'10\"","unit":"mm"}`, 1778},
		{`{"text":"3'-2 1/8\"","unit":"mm"}`, 968.375},
		{`{"text":"31.5","unit":"cm"}`, 315},
		{`{"text":"2","unit":"ft"}`, 609.6},
		{`{"text":"10ga","unit":"in","family":"aluminum"}`, .1019 * 25.4},
		{`{"text":"10 ga steel","unit":"in"}`, .1345 * 25.4},
		{`{"text":"10 ga","unit":"in"}`, math.NaN()},
		{`{"text":"10 ga steel","unit":"in","family":"stainless"}`, math.NaN()},
		{`{"text":"7 ga","unit":"in","family":"galvanized"}`, math.NaN()},
		{`{"text":"10.5 ga","unit":"in","family":"steel"}`, math.NaN()},
		{`{"text":"1,5","unit":"in"}`, math.NaN()},
		{`{"text":"1e3","unit":"in"}`, math.NaN()},
		{`{"text":"20/16","unit":"in"}`, 31.75},
		{`{"text":"","unit":"in"}`, math.NaN()},
		{`{"text":"1","unit":"yd"}`, math.NaN()},
	} {
		answer, err := run(t, "length.parse", c.request)
		switch {
		case math.IsNaN(c.mm):
			if err == nil {
				t.Errorf("%s = %v, want a refusal", c.request, answer["mm"])
			}
		case err != nil || math.Abs(answer["mm"].(float64)-c.mm) > 1e-9:
			t.Errorf("%s = %v (%v), want %v", c.request, answer["mm"], err, c.mm)
		}
	}
}

// A part that cannot be unfolded whole still answers with the rest and says so;
// one whose base is gone is refused.
// import: a plate of lines with two holes, one of arcs, in inches; a path is for
// the binary alone.
func TestImport(t *testing.T) {
	var b strings.Builder
	b.WriteString("0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n1\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n")
	p := [][2]float64{{0, 0}, {8, 0}, {8, 4}, {0, 4}}
	for i, a := range p {
		c := p[(i+1)%4]
		fmt.Fprintf(&b, "0\nLINE\n8\n0\n10\n%g\n20\n%g\n11\n%g\n21\n%g\n", a[0], a[1], c[0], c[1])
	}
	b.WriteString("0\nCIRCLE\n8\n0\n10\n2\n20\n2\n40\n0.25\n" +
		"0\nARC\n8\n0\n10\n6\n20\n2\n40\n0.5\n50\n10\n51\n190\n" +
		"0\nARC\n8\n0\n10\n6\n20\n2\n40\n0.5\n50\n190\n51\n10\n" +
		"0\nENDSEC\n0\nEOF\n")
	answer, err := run(t, "import", fmt.Sprintf(`{"name":"plate.dxf","base64":%q}`, base64.StdEncoding.EncodeToString([]byte(b.String()))))
	if err != nil {
		t.Fatal(err)
	}
	var a ImportAnswer
	raw, _ := json.Marshal(answer)
	if err := json.Unmarshal(raw, &a); err != nil {
		t.Fatal(err)
	}
	if len(a.Loops) != 3 || len(a.Holes) != 2 || a.Open != 0 || a.UnitsToMM == nil || *a.UnitsToMM != 25.4 {
		t.Fatalf("%+v", a)
	}
	if math.Abs(a.OuterArea-32) > 1e-9 || math.Abs(a.NetArea-32+math.Pi*(.0625+.25)) > 1e-9 {
		t.Errorf("%v, %v", a.OuterArea, a.NetArea)
	}
	if h := a.Holes[0]; math.Abs(h.Diameter-1) > 1e-9 || math.Abs(h.Centre[0]-6) > 1e-9 {
		t.Errorf("%+v", a.Holes)
	}
	for request, path := range map[string]string{`{"path":"/etc/hosts"}`: "/path", `{"name":"a.dxf","base64":"@"}`: "/base64",
		`{"name":"a.dxf","base64":"` + base64.StdEncoding.EncodeToString([]byte(b.String())) + `","tolerance":-1}`: "/tolerance"} {
		var fault *working.Fault
		if _, err := run(t, "import", request); !errors.As(err, &fault) || fault.Path != path {
			t.Errorf("%s: %v", request, err)
		}
	}
}

func TestFlatOfBrokenParts(t *testing.T) {
	short := strings.Replace(requests["flat"], `"length":40`, `"length":2`, 1)
	answer, err := run(t, "flat", short)
	if err != nil {
		t.Fatal(err)
	}
	if len(answer["bendLines"].([]any)) != 0 || !strings.Contains(fmt.Sprint(answer["findings"]), "flange-in-bend") {
		t.Errorf("%v", answer["findings"])
	}
	gone := strings.Replace(requests["flat"], `"width":60`, `"width":4`, 1)
	var fault *working.Fault
	if _, err := run(t, "flat", gone); !errors.As(err, &fault) || fault.Path != "/part/base" {
		t.Errorf("%v", err)
	}
	unknown := strings.Replace(requests["flat"], `"edge":"front"`, `"edge":"top"`, 1)
	if _, err := run(t, "flat", unknown); !errors.As(err, &fault) || fault.Path != "/part/base/flanges/0/edge" {
		t.Errorf("%v", err)
	}
}

// Whatever is asked of any calculation, it answers numbers or refuses with a place.
func FuzzCalc(f *testing.F) {
	for name, r := range requests {
		f.Add(name, []byte(r))
	}
	f.Fuzz(func(t *testing.T, name string, raw []byte) {
		k, err := Find(name)
		if err != nil || len(raw) > 20_000 {
			return
		}
		ans, err := k.Run(t.Context(), raw)
		if err != nil {
			var fault *working.Fault
			if !errors.As(err, &fault) {
				t.Fatalf("%s refused without a place: %v", name, err)
			}
			return
		}
		if _, err := json.Marshal(ans); err != nil {
			t.Fatalf("%s answers what cannot be written: %v", name, err)
		}
	})
}

// A round's press lines are told with its flat: a pipe pressed by a depth of 0.5 mm is bent as often as its
// flats take, each its share of the turn, and none of them is a bend of a flange.
func TestFlatOfARoundHasItsPressLines(t *testing.T) {
	answer, err := run(t, "flat", `{"part":{"schema":1,"material":"steel-a36","thickness":2,"process":"laser","tool":{"kind":"vdie"},
		"bend":{"school":"fixed","method":"air","k":0.42},"base":{"id":"b","measure":"flat","shape":{"kind":"developed",
		"round":{"kind":"cone","face":"middle","way":"pressed","depth":0.5,"radius":2,"cone":{"bottom":400,"top":400,"height":90}}}}}}`)
	if err != nil {
		t.Fatal(err)
	}
	lines, _ := answer["pressLines"].([]any)
	if n := math.Ceil(math.Pi / math.Acos(1-.5/200)); float64(len(lines)) != n || len(answer["bendLines"].([]any)) != 0 {
		t.Fatalf("%d press lines of %g", len(lines), n)
	}
	for _, l := range lines {
		if a := l.(map[string]any)["angle"].(float64); math.Abs(a-360/float64(len(lines))) > 1e-6 {
			t.Errorf("one turns %g", a)
		}
	}
}
