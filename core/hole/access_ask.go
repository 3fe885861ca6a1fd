package hole

import (
	"fmt"
	"math"

	"warmanvil/core/solid"
	"warmanvil/core/stock"
	"warmanvil/core/working"
)

// AccessObstacle is a box or a round bar in the way of tools.
type AccessObstacle struct {
	Name   string        `json:"name"`
	Low    *solid.Vector `json:"low,omitempty" doc:"mm, a box from here"`
	High   *solid.Vector `json:"high,omitempty" doc:"mm, to here"`
	From   *solid.Vector `json:"from,omitempty" doc:"mm, a round bar from here"`
	To     *solid.Vector `json:"to,omitempty" doc:"mm, to here"`
	Radius float64       `json:"radius,omitempty" doc:"mm, of the bar"`
}

// AccessInput is one bolt among obstacles.
type AccessInput struct {
	System    stock.System     `json:"system" enum:"inch,metric"`
	Size      string           `json:"size" doc:"1/4, #10, M8"`
	At        solid.Vector     `json:"at" doc:"mm, middle of the face the head lies on"`
	Axis      solid.Vector     `json:"axis" doc:"way out of the material on the head's side"`
	Grip      float64          `json:"grip" doc:"mm from the head's face to the nut's"`
	Length    float64          `json:"length" doc:"mm, of the bolt"`
	Captive   bool             `json:"captive,omitempty" doc:"the nut is fast"`
	Head      stock.Head       `json:"head,omitempty" enum:"hex,socket" doc:"hexagon when left out"`
	Tools     []string         `json:"tools,omitempty" doc:"those at hand: socket, deep, extension, ratcheting, ring, open, impact, hand; of a socket head key, bit, driver; all when left out"`
	Obstacles []AccessObstacle `json:"obstacles"`
}

// AccessResult is whether it goes in and a tool reaches it.
type AccessResult struct {
	Reached
	Working  working.Working   `json:"working"`
	Findings []working.Finding `json:"findings"`
}

const maxObstacles = 400

// Access answers whether a bolt can be put in and tightened. It fails with
// *working.Fault.
func Access(in AccessInput) (AccessResult, error) {
	t, err := stock.FindThread(in.System, in.Size, 0)
	if err != nil {
		return AccessResult{}, working.Refuse("/size", "%v.", err)
	}
	finite := func(at string, v solid.Vector) error {
		for k := range v {
			if err := working.Within(fmt.Sprintf("%s/%d", at, k), "A place", v[k], -1e6, 1e6, "mm"); err != nil {
				return err
			}
		}
		return nil
	}
	err = working.First(finite("/at", in.At), finite("/axis", in.Axis), working.Above("/grip", "The grip", in.Grip, 0, 2000, "mm"),
		working.Within("/length", "The bolt", in.Length, in.Grip, 3000, "mm"))
	switch {
	case err != nil:
		return AccessResult{}, err
	case in.Axis.Len() < 1e-9:
		return AccessResult{}, working.Refuse("/axis", "The axis has no direction: say which way is out on the head's side.")
	case len(in.Obstacles) > maxObstacles:
		return AccessResult{}, working.Refuse("/obstacles", "Up to %d obstacles are looked at, not %d.", maxObstacles, len(in.Obstacles))
	}
	if in.Head != "" && in.Head != stock.HexHead && in.Head != stock.SocketHead {
		return AccessResult{}, working.Refuse("/head", "A head is hex or socket, not %q.", in.Head)
	}
	known := map[string]bool{}
	for _, x := range stock.ToolsFor(t) {
		known[x.Key] = true
	}
	for i, k := range in.Tools {
		if !known[k] {
			return AccessResult{}, working.Refuse(fmt.Sprintf("/tools/%d", i), "There is no tool %q.", k)
		}
	}
	var list []Obstacle
	for i, o := range in.Obstacles {
		at := fmt.Sprintf("/obstacles/%d", i)
		body, err := o.body(at, finite)
		if err != nil {
			return AccessResult{}, err
		}
		name := o.Name
		if name == "" {
			name = fmt.Sprintf("obstacle %d", i+1)
		}
		list = append(list, Obstacle{name, body})
	}
	b := Through{Thread: t, Head: Along(in.At, in.Axis), Grip: in.Grip, Length: in.Length, Captive: in.Captive,
		Socket: in.Head == stock.SocketHead, Tools: in.Tools}
	r := AccessResult{Reached: b.Reached(list), Findings: []working.Finding{}}
	severity := map[Reach]working.Severity{Tight: working.Mind, Blocked: working.Stop}[r.Reach]
	if severity != "" {
		r.Findings = append(r.Findings, working.Finding{Code: "access-" + string(r.Reach), Severity: severity, Cause: "Access", Reason: r.How})
	}
	free := 0.
	for _, x := range r.Sides[0].Tools {
		if x.Tool == "socket" || x.Tool == "bit" {
			free = x.Swing
		}
	}
	r.Working = working.Working{Method: "Tools on a fastener's axis", Source: stock.ToolSource,
		Formula: "blocked where anything lies in a turned body of the tool, or no stretch is left for its handle to swing",
		Inputs: []working.Quantity{{Symbol: "d", Name: "bolt " + t.Name(), Value: t.Diameter, Unit: "mm"},
			{Symbol: "n", Name: "obstacles", Value: float64(len(list))}}, Steps: []working.Quantity{},
		Result:      working.Quantity{Symbol: "swing", Name: "a ratchet's handle on the head has", Value: free, Unit: "°"},
		Assumptions: []string{"tools are put on square to the face", "what is tight is within 3 mm"}}
	return r, nil
}

func (o AccessObstacle) body(at string, finite func(string, solid.Vector) error) (solid.Body, error) {
	switch {
	case o.Low != nil && o.High != nil && o.From == nil && o.To == nil:
		if err := working.First(finite(at+"/low", *o.Low), finite(at+"/high", *o.High)); err != nil {
			return solid.Body{}, err
		}
		for k := range o.Low {
			if o.Low[k] >= o.High[k] {
				return solid.Body{}, working.Refuse(fmt.Sprintf("%s/high/%d", at, k), "A box's high corner lies beyond its low one.")
			}
		}
		return solid.Box(*o.Low, *o.High), nil
	case o.From != nil && o.To != nil && o.Low == nil && o.High == nil:
		err := working.First(finite(at+"/from", *o.From), finite(at+"/to", *o.To),
			working.Above(at+"/radius", "The radius", o.Radius, 0, 1e4, "mm"))
		if err == nil && math.Abs(o.To.Sub(*o.From).Len()) < 1e-6 {
			err = working.Refuse(at+"/to", "A bar has a length.")
		}
		if err != nil {
			return solid.Body{}, err
		}
		return solid.Cylinder(*o.From, *o.To, o.Radius), nil
	}
	return solid.Body{}, working.Refuse(at, "An obstacle is a box, low to high, or a round bar, from to with a radius.")
}
