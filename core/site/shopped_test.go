package site

import (
	"context"
	"strings"
	"testing"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/joint"
	"warmanvil/core/member"
	"warmanvil/core/section"
	"warmanvil/core/sheet"
	"warmanvil/core/shop"
	"warmanvil/core/stock"
	"warmanvil/core/strength"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// bentTube is one tube of three legs with two corners bent.
func bentTube() member.Doc {
	s := section.Sizes{Kind: "roundTube", Diameter: 42.4, Wall: 3.2}
	return member.Doc{Schema: 1, Material: "steel-s235",
		Points: []member.Point{{ID: "a"}, {ID: "b", X: 900, Corner: &member.Corner{Kind: member.Bent, Radius: 130}}, {ID: "c", X: 900,
			Z: 700}},
		Members: []member.Member{{ID: "m", Name: "Low", From: "a", To: "b", Section: s}, {ID: "n", Name: "High", From: "b", To: "c",
			Section: s}}}
}

// found answers the findings of a frame by code in a shop of some machines.
func found(b brief.Brief, d member.Doc, machines ...shop.Machine) map[string]working.Finding {
	out := map[string]working.Finding{}
	w := shop.Shop{Machines: machines}
	for _, f := range (Site{Brief: b, Shop: w}).Framed(Frame{ID: "f", Name: "Frame", Doc: d, Quantity: 1}).Told().Findings {
		out[f.Code] = f
	}
	return out
}

func machine(k shop.Kind, sort string, limits map[string]float64) shop.Machine {
	return shop.Machine{ID: string(k), Kind: k, Sort: sort, Name: "The " + string(k), Limits: limits}
}

// A frame asks the shop's welders for its walls and its transport and oven for its size and
// mass, each naming what does not take it and what the ways out are.
func TestFramesAreAskedOfTheShop(t *testing.T) {
	for _, b := range []brief.Brief{metric, inches} {
		b = b.Upgraded()
		none := found(b, mitred())
		for _, code := range []string{"past-welder", "past-transport", "past-oven", "past-bender"} {
			if none[code].Code != "" {
				t.Errorf("a shop that names nothing: %+v", none[code])
			}
		}
		got := found(b, mitred(), machine(shop.Welder, "mig", map[string]float64{"least": .8, "most": 3}),
			machine(shop.Transport, "van", map[string]float64{"long": 700, "wide": 700, "high": 700, "mass": 500}),
			machine(shop.Oven, "powder", map[string]float64{"long": 700, "wide": 700, "high": 700, "hot": 200}))
		for code, want := range map[string]string{"past-welder": "several passes", "past-transport": "The transport takes",
			"past-oven": "another oven"} {
			if f := got[code]; !strings.Contains(f.Reason, want) || b.Inches() == strings.Contains(f.Reason, " mm") {
				t.Errorf("%s: %+v", code, f)
			}
		}
		got = found(b, mitred(), machine(shop.Welder, "mig", map[string]float64{"least": .8, "most": 6}),
			machine(shop.Transport, "van", map[string]float64{"long": 3000, "wide": 1700, "high": 1800, "mass": 5}))
		if got["past-welder"].Code != "" || !strings.Contains(got["past-transport"].Reason, "carries") {
			t.Errorf("light van: %+v %+v", got["past-welder"], got["past-transport"])
		}
	}
}

// A bent tube asks the benders for its diameter, wall and turn.
func TestBentTubesAreAskedOfTheBender(t *testing.T) {
	d := bentTube()
	rows := (Site{Brief: metric}).Framed(Frame{ID: "f", Doc: d, Quantity: 1}).Told().Cut.Rows
	if len(rows) != 1 || rows[0].Bend == nil {
		t.Fatalf("not bent: %+v", rows)
	}
	for says, limits := range map[string]map[string]float64{
		"":                {"round": 50, "wall": 4, "angle": 180},
		"takes up to 38":  {"round": 38, "wall": 4, "angle": 180},
		"walls up to 2":   {"round": 50, "wall": 2, "angle": 180},
		"turns up to 60°": {"round": 50, "wall": 4, "angle": 60},
	} {
		got := found(metric, d, machine(shop.Bender, "draw", limits))["past-bender"]
		if (says == "") != (got.Code == "") || !strings.Contains(got.Reason, says) {
			t.Errorf("%v: %+v", limits, got)
		}
	}
}

// The kerf of a frame is as typed, else the shop's own, else as usual; and it says which.
func TestKerfOfAFrame(t *testing.T) {
	kerf := func(w shop.Shop, typed float64) CutTold {
		d := mitred()
		d.Saw.Kerf = typed
		return (Site{Brief: metric, Shop: w}).Framed(Frame{ID: "f", Doc: d, Quantity: 1}).Told().Cut
	}
	blade := shop.Shop{Tools: []shop.ToolSet{{ID: "b", Kind: shop.Blades, Kerf: .9}}}
	for _, c := range []struct {
		shop  shop.Shop
		typed float64
		mm    float64
		says  string
	}{{shop.Shop{}, 0, 3, "usual"}, {blade, 0, .9, "blade"}, {blade, 2, 2, "typed"}} {
		if c.says == "blade" { // an inch job reads it in inches, whatever the shop speaks
			d := mitred()
			cut := (Site{Brief: inches, Shop: c.shop}).Framed(Frame{ID: "f", Doc: d, Quantity: 1}).Told().Cut
			if strings.Contains(cut.Kerf, "mm") || !strings.Contains(cut.Kerf, `0.035"`) {
				t.Errorf("in an inch job: %s", cut.Kerf)
			}
		}
		if got := kerf(c.shop, c.typed); got.Saw.Kerf != c.mm || !strings.Contains(got.Kerf, c.says) {
			t.Errorf("%+v: %g, %s", c, got.Saw.Kerf, got.Kerf)
		}
	}
}

// Bolts with hexagon heads ask for their socket, blind rivets for their tool; a key head, a size
// that is there and a shop that names none do not.
func TestJointsAskForTheirTools(t *testing.T) {
	sockets := func(sizes ...float64) shop.Shop {
		x := shop.ToolSet{ID: "s", Kind: shop.Sockets}
		for i, v := range sizes {
			x.Sizes = append(x.Sizes, shop.ToolSize{ID: string(rune('a' + i)), Diameter: v})
		}
		return shop.Shop{Tools: []shop.ToolSet{x}}
	}
	ask := func(w shop.Shop, change func(*joint.Input)) string {
		t.Helper()
		b := demo.OrchardTruck().Upgraded()
		j := brief.Joint{ID: "x", Name: "Cover", Design: joint.Input{System: "metric", Size: "M8", Grade: "8.8", Nut: joint.Hex,
			Washers: 2,
			Holes:   [][2]float64{{0, 0}, {80, 0}}, Plies: []joint.Ply{
				{ID: "a", Name: "cover", Material: "steel-s235", Thickness: 3, Hole: 9, Edge: 20, Wide: [2]float64{120, 120}},
				{ID: "b", Name: "rail", Material: "steel-s235", Thickness: 5, Hole: 9, Edge: 20, Wide: [2]float64{120, 120}}},
			Cases: []joint.Case{{Name: "pull", Force: [3]float64{900, 0, 0}}}}}
		change(&j.Design)
		b.Joints = []brief.Joint{j}
		h := Site{Brief: b, Shop: w}.Hold()
		if h.Joints[0].Result == nil || h.Joints[0].Result.Verdict == strength.Over {
			t.Fatalf("%+v", h.Joints[0])
		}
		for _, f := range h.Joints[0].Result.Findings {
			if strings.HasSuffix(f.Code, "-missing") {
				return f.Code + " " + f.Reason
			}
		}
		return ""
	}
	same := func(*joint.Input) {}
	if got := ask(sockets(10, 17), same); !strings.HasPrefix(got, "socket-missing") || !strings.Contains(got, "13") {
		t.Errorf("no 13: %q", got)
	}
	for _, w := range []shop.Shop{sockets(13), sockets(10, 12.95), {}} {
		if got := ask(w, same); got != "" {
			t.Errorf("%+v: %q", w.Tools, got)
		}
	}
	if got := ask(sockets(10), func(in *joint.Input) { in.Head = stock.SocketHead }); got != "" {
		t.Errorf("a key head: %q", got)
	}
	rivet := func(in *joint.Input) {
		in.Nut, in.Rivet, in.Washers, in.Tighten = joint.Riveted, &joint.RivetPick{Diameter: 4.8, Material: "steel"}, 0,
			joint.Tightening{}
		for i := range in.Plies {
			in.Plies[i].Hole = 4.9
			in.Plies[i].Thickness = 1.5
		}
		in.Cases[0].Force[0] = 50
	}
	tool := shop.Shop{Tools: []shop.ToolSet{{ID: "r", Kind: shop.Riveters, Sizes: []shop.ToolSize{{ID: "a", Diameter: 99}}}}}
	if got := ask(tool, rivet); !strings.HasPrefix(got, "riveter-missing") {
		t.Errorf("no rivet tool: %q", got)
	}
	tool.Tools[0].Sizes[0].Diameter = 4.8
	if got := ask(tool, rivet); got != "" {
		t.Errorf("its rivet tool is there: %q", got)
	}
}

// A change of the shop names the parts, frames and joints of which something else is said: a kerf
// measured, a strip's springback, a blade, a welder, a socket; what it does not touch is not named.
func TestShopChangesNameWhatTheyTouch(t *testing.T) {
	ctx := context.Background()
	b := metric.Upgraded()
	r := pan()
	r.Process, r.Thickness = "plasma", 1.5
	f := &r.Base.Flanges[0]
	f.SetIn, f.Relief = sheet.SetIn{Start: 40, End: 40}, sheet.Relief{Kind: sheet.Rectangular, Width: 1.6, Depth: 3}
	parts := []Part{{ID: "p", Name: "Pan", Quantity: 1, Recipe: r}}
	kerf := 1.9
	cut := shop.Shop{Settings: []shop.Setting{{ID: "s", Operation: "cutting", Material: r.Material, Thickness: 1.5, Result: "worked",
		Kerf: &kerf}}}
	if got := ShopChanges(ctx, b, parts, shop.Shop{}, cut); len(got) != 1 || saidOf(got[0].New, "relief-unreachable") == "" {
		t.Errorf("a kerf: %+v", got)
	}
	strip := shop.Shop{Strips: []shop.Strip{{ID: "s", Material: r.Material, Tool: r.Tool.Kind, Coupon: bend.Coupon{InsideRadius: 1.5,
		Thickness: 1.5, Angle: 90,
		Flat: 100, LegA: 51.3, LegB: 51.3, BentTo: 96}}}}
	for i := range r.Base.Flanges {
		r.Base.Flanges[i].InsideRadius = 1.5
	}
	parts[0].Recipe = r
	if got := ShopChanges(ctx, b, parts, shop.Shop{}, strip); len(got) != 1 || !strings.Contains(got[0].Blank, "bend to 96.0°, was") {
		t.Errorf("a strip let go: %+v", got)
	}
	frames := []Frame{{ID: "f", Name: "Corner", Doc: mitred(), Quantity: 1}}
	weak := shop.Shop{Machines: []shop.Machine{machine(shop.Welder, "mig", map[string]float64{"least": .8, "most": 3})}}
	if got := ShopFrameChanges(ctx, b, vehicle.Survey{}, frames, shop.Shop{}, weak); len(got) != 1 || saidOf(got[0].New,
		"past-welder") == "" {
		t.Errorf("a welder: %+v", got)
	}
	if got := ShopFrameChanges(ctx, b, vehicle.Survey{}, frames, weak, weak); len(got) != 0 {
		t.Errorf("nothing changed: %+v", got)
	}
	b.Joints = []brief.Joint{{ID: "j", Name: "Cover", Design: joint.Input{System: "metric", Size: "M8", Grade: "8.8", Nut: joint.Hex}}}
	ten := shop.Shop{Tools: []shop.ToolSet{{ID: "s", Kind: shop.Sockets, Sizes: []shop.ToolSize{{ID: "a", Diameter: 10}}}}}
	if got := ShopJointChanges(b, shop.Shop{}, ten); len(got) != 1 || !got[0].Joint || saidOf(got[0].New, "socket-missing") == "" {
		t.Errorf("a socket: %+v", got)
	}
	if got := ShopJointChanges(b, ten, shop.Shop{}); len(got) != 1 || saidOf(got[0].Gone, "socket-missing") == "" {
		t.Errorf("no socket named any more: %+v", got)
	}
}

// Where nobody is practised at welding or sawing a frame says so, once for each; where nobody said
// anything it does not.
func TestFramesAskForPractice(t *testing.T) {
	skill := func(op, level string) shop.Shop {
		return shop.Shop{People: []shop.Person{{ID: "p", Name: "Tovi", Skills: []shop.Skill{{ID: "s", Operation: op, Level: level}}}}}
	}
	said := func(w shop.Shop) string {
		for _, f := range (Site{Brief: metric, Shop: w}).Framed(Frame{ID: "f", Doc: mitred(), Quantity: 1}).Told().Findings {
			if f.Code == "practice" {
				return f.Reason
			}
		}
		return ""
	}
	for op, want := range map[string]bool{"welding": true, "sawing": true, "drilling": false, "bending": false} {
		if got := said(skill(op, "new")); (got != "") != want || want && !strings.Contains(got, op) {
			t.Errorf("%s: %q", op, got)
		}
		if got := said(skill(op, "sure")); got != "" {
			t.Errorf("sure at %s: %q", op, got)
		}
	}
	if got := said(shop.Shop{}); got != "" {
		t.Errorf("nobody said anything: %q", got)
	}
}
