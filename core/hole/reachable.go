package hole

import (
	"fmt"
	"math"
	"slices"

	"warmanvil/core/solid"
	"warmanvil/core/stock"
)

// Through is a bolt in its stack: the head on one side, the nut on the other.
type Through struct {
	Thread  stock.Thread
	Head    Side    // where the head lies
	Grip    float64 // mm to the nut's face, along the head's axis inwards
	Length  float64 // mm of the bolt
	Captive bool    // the nut is fast: a weld nut, a rivet nut, a thread
	Socket  bool    // its head has a socket; a nut never has
	Tools   []string
	First   bool // the first tool that plainly does is enough: those after it are not tried nor listed
}

// Reached is whether a bolt can be put in and tightened.
type Reached struct {
	Reach  Reach         `json:"reach" enum:"reachable,tight,blocked"`
	How    string        `json:"how" doc:"in words"`
	Sides  []ReachedSide `json:"sides" doc:"head side, nut side"`
	Insert bool          `json:"insert" doc:"there is room to put the bolt in from the head side, and to draw it again"`
	Nut    bool          `json:"nut" doc:"there is room to put the nut over the bolt's end; of a captive one, for the end itself"`
	Ways   []WayOut      `json:"ways" doc:"ways out, where it is not plainly reachable"`
}

// ReachedSide is one side with its tools.
type ReachedSide struct {
	Side   string      `json:"side" enum:"head,nut"`
	Turns  Reach       `json:"turns" enum:"reachable,tight,blocked" doc:"the best tool that tightens"`
	Holds  Reach       `json:"holds" enum:"reachable,tight,blocked" doc:"the best tool that holds still"`
	Tools  []ToolReach `json:"tools"`
	Hand   Reach       `json:"hand,omitempty" enum:"reachable,tight,blocked" doc:"of the nut's side: fingers that start the nut"`
	Insert bool        `json:"insert" doc:"a bolt of the length goes in from here"`
	Nut    bool        `json:"nut" doc:"a nut goes over the bolt's end here"`
	End    bool        `json:"end" doc:"the bolt's end has room here"`
	By     []string    `json:"by" doc:"what stops a bolt from here"`
}

// WayKind of a way out.
type WayKind string

// Flip the bolt; take another head; make the nut captive; cut an access hole; fit the bolt before
// what is in the way goes on.
const (
	FlipWay    WayKind = "flip"
	HeadWay    WayKind = "head"
	CaptiveWay WayKind = "captive"
	HoleWay    WayKind = "hole"
	OrderWay   WayKind = "order"
)

// WayOut makes a bolt reachable.
type WayOut struct {
	Kind     WayKind `json:"kind" enum:"flip,head,captive,hole,order"`
	Text     string  `json:"text"`
	Socket   bool    `json:"socket,omitempty" doc:"with a socket head then"`
	Flip     bool    `json:"flip,omitempty" doc:"the bolt goes in from the other side then"`
	Through  string  `json:"through,omitempty" doc:"what an access hole is cut in, or what goes on later"`
	Diameter float64 `json:"diameter,omitempty" doc:"mm, of an access hole"`
}

// accessReach is how far round a fastener obstacles are looked for, mm.
const accessReach = 420.

var rank = map[Reach]int{Reachable: 0, Tight: 1, Blocked: 2}

func better(a, b Reach) Reach {
	if rank[b] < rank[a] {
		return b
	}
	return a
}

func worse(a, b Reach) Reach {
	if rank[b] > rank[a] {
		return b
	}
	return a
}

// Reached answers whether the bolt goes in and can be tightened: one side turned,
// the other held, unless its nut is captive.
func (b Through) Reached(obstacles []Obstacle) Reached {
	rooms := b.rooms(obstacles)
	head, far := b.sides(rooms)
	out := Reached{Sides: []ReachedSide{head, far}, Ways: []WayOut{}}
	out.Insert, out.Nut = head.Insert, b.ends(&far, b.Captive)
	out.Reach = b.reach(&head, &far, b.Captive)
	out.How = b.how(out, &head, &far)
	if out.Reach != Reachable {
		out.Ways = b.ways(out, rooms, obstacles)
	}
	return out
}

// rooms answers what lies round the head's side and the nut's.
func (b Through) rooms(obstacles []Obstacle) [2]*Room {
	nut := Side{At: b.Head.At.Sub(b.Head.Axis.Mul(b.Grip)), Axis: b.Head.Axis.Mul(-1)}
	return [2]*Room{RoomOf(b.Head, accessReach, obstacles), RoomOf(nut, accessReach, obstacles)}
}

// sides tries both sides in their rooms.
func (b Through) sides(rooms [2]*Room) (head, nut ReachedSide) {
	return b.side("head", rooms[0], b.Socket), b.side("nut", rooms[1], false)
}

// within answers how it is reached in rooms that are known: those of the bolt put
// in from the other side are the same two.
func (b Through) within(rooms [2]*Room) Reach {
	head, nut := b.sides(rooms)
	return b.reach(&head, &nut, b.Captive)
}

// ends tells whether what sticks out on a side has room there.
func (b Through) ends(s *ReachedSide, captive bool) bool { return captive && s.End || s.Nut }

// reach answers how the bolt is reached with its head on one side.
func (b Through) reach(head, nut *ReachedSide, captive bool) Reach {
	switch {
	case !head.Insert || !b.ends(nut, captive):
		return Blocked
	case captive:
		return head.Turns
	}
	if nut.Hand == Blocked { // it is started in the ring of a spanner
		return worse(b.grasp(head, nut), Tight)
	}
	return b.grasp(head, nut)
}

// grasp answers the better of turning the head and holding the nut, and the other
// way round.
func (b Through) grasp(head, nut *ReachedSide) Reach {
	return better(worse(head.Turns, nut.Holds), worse(nut.Turns, head.Holds))
}

func (b Through) side(name string, room *Room, socket bool) ReachedSide {
	out := ReachedSide{Side: name, Turns: Blocked, Holds: Blocked, Tools: []ToolReach{}, By: []string{}}
	hw, _ := stock.HardwareFor(b.Thread)
	over, high := b.Thread.AcrossHex/math.Sqrt(3), hw.Head
	if socket {
		s := stock.SocketHeadOf(b.Thread)
		over, high = s.Over/2, s.High
	}
	for _, x := range stock.ToolsFor(b.Thread) {
		if x.Key != "hand" && len(b.Tools) > 0 && !slices.Contains(b.Tools, x.Key) || x.Drills || (x.Turns || x.Holds) && x.Inside != socket {
			continue
		}
		if x.Key == "hand" {
			if name == "nut" && !b.Captive {
				t := room.Try(x)
				out.Hand, out.Tools = t.Reach, append(out.Tools, t)
			}
			continue
		}
		if b.First && out.Turns == Reachable && out.Holds == Reachable {
			continue
		}
		t := room.Try(x)
		out.Tools = append(out.Tools, t)
		if x.Turns {
			out.Turns = better(out.Turns, t.Reach)
		}
		if x.Holds {
			if t.Reach == Blocked && x.Handle != nil { // held still it need not swing
				still := x
				h := *x.Handle
				h.Swing = 0
				still.Handle = &h
				out.Holds = better(out.Holds, room.Try(still).Reach)
			} else {
				out.Holds = better(out.Holds, t.Reach)
			}
		}
	}
	out.Insert, out.By = room.Withdraws(over, b.Length+high)
	past := math.Max(b.Length-b.Grip, 0)
	var byNut, byEnd []string
	out.Nut, byNut = room.Withdraws(b.Thread.AcrossHex/math.Sqrt(3), past+hw.Nut)
	out.End, byEnd = room.Withdraws(b.Thread.Diameter/2, past)
	for _, n := range append(byNut, byEnd...) {
		if !slices.Contains(out.By, n) {
			out.By = append(out.By, n)
		}
	}
	if out.By == nil {
		out.By = []string{}
	}
	return out
}

func (b Through) how(r Reached, head, nut *ReachedSide) string {
	tool := func(s *ReachedSide) string {
		for _, want := range []Reach{Reachable, Tight} {
			for _, t := range s.Tools {
				if t.Reach == want && t.Tool != "hand" {
					return t.Name
				}
			}
		}
		return ""
	}
	switch {
	case !r.Insert:
		return fmt.Sprintf("The bolt does not go in from its head's side, nor out again: %s is in the way.", said(head.By))
	case !r.Nut && b.Captive:
		return fmt.Sprintf("The bolt's end runs into %s.", said(nut.By))
	case !r.Nut:
		return fmt.Sprintf("The nut does not go over the bolt's end: %s is in the way.", said(nut.By))
	case r.Reach == Blocked && head.Turns == Blocked && nut.Turns == Blocked && !b.Captive:
		return "No tool tightens it from either side."
	case r.Reach == Blocked && b.Captive:
		return "No tool reaches its head."
	case r.Reach == Blocked:
		return "It could be turned on one side, but nothing holds it still on the other."
	case b.Captive:
		return "Tighten the head with a " + tool(head) + "; the nut is captive."
	}
	text := "Tighten the nut with a " + tool(nut) + " and hold the head."
	if rank[worse(head.Turns, nut.Holds)] <= rank[worse(nut.Turns, head.Holds)] {
		text = "Tighten the head with a " + tool(head) + " and hold the nut."
	}
	if nut.Hand == Blocked {
		text += " Fingers do not get to the nut: start it in the ring of a spanner, held in with grease."
	}
	return text
}

// ways tries what makes it reachable.
func (b Through) ways(now Reached, rooms [2]*Room, obstacles []Obstacle) (out []WayOut) {
	gains := func(r Reach) bool { return rank[r] < rank[now.Reach] }
	turned := [2]*Room{rooms[1], rooms[0]}
	captive, other := b, b
	captive.Captive, other.Socket = true, !b.Socket
	if !b.Captive && gains(b.within(turned)) {
		out = append(out, WayOut{Kind: FlipWay, Flip: true, Text: "Put the bolt in from the other side."})
	}
	if gains(other.within(rooms)) {
		text := "Take screws with a socket in their heads: a key or a bit goes in where no spanner does."
		if b.Socket {
			text = "Take bolts with hexagon heads: a spanner goes on from the side."
		}
		out = append(out, WayOut{Kind: HeadWay, Socket: other.Socket, Text: text})
	}
	if !b.Captive && gains(captive.within(rooms)) {
		out = append(out, WayOut{Kind: CaptiveWay,
			Text: "Make the nut captive, a weld nut or a rivet nut: only the head's side is reached then."})
	}
	if !b.Captive && gains(captive.within(turned)) {
		out = append(out, WayOut{Kind: CaptiveWay, Flip: true,
			Text: "Put the bolt in from the other side into a captive nut: only that side is reached then."})
	}
	var blockers []string
	for _, s := range now.Sides {
		for _, t := range append(s.By, toolsBy(s)...) {
			if !slices.Contains(blockers, t) {
				blockers = append(blockers, t)
			}
		}
	}
	hw, _ := stock.HardwareFor(b.Thread)
	for _, name := range blockers {
		left := slices.DeleteFunc(slices.Clone(obstacles), func(o Obstacle) bool { return o.Name == name })
		if !gains(b.within(b.rooms(left))) {
			continue
		}
		out = append(out, WayOut{Kind: OrderWay, Through: name,
			Text: fmt.Sprintf("Fit and tighten it before %s goes on; it is not reached again.", name)})
		if through := b.crossing(name, obstacles); through {
			d := math.Ceil(hw.Socket + 4)
			out = append(out, WayOut{Kind: HoleWay, Through: name, Diameter: d,
				Text: fmt.Sprintf("Cut an access hole of Ø %g in %s, on the bolt's axis.", d, name)})
		}
	}
	return out
}

func toolsBy(s ReachedSide) (out []string) {
	for _, t := range s.Tools {
		if t.Reach != Reachable {
			out = append(out, t.By...)
		}
	}
	return out
}

// crossing tells whether an obstacle lies across the axis on either side, so that
// a hole in it lets a socket through.
func (b Through) crossing(name string, obstacles []Obstacle) bool {
	nut := Side{At: b.Head.At.Sub(b.Head.Axis.Mul(b.Grip)), Axis: b.Head.Axis.Mul(-1)}
	for _, s := range []Side{b.Head, nut} {
		for _, o := range obstacles {
			if o.Name != name {
				continue
			}
			r := RoomOf(s, accessReach, []Obstacle{o})
			for i := range r.tris {
				if r.tris[i].onAxis() {
					return true
				}
			}
		}
	}
	return false
}

// Along answers a side's axis from a direction that need not be a unit.
func Along(at, way solid.Vector) Side { return Side{At: at, Axis: way.Unit()} }

// Made answers how the best of the tools that make a hole or set a rivet, by key,
// goes on from a side.
func Made(s Side, t stock.Thread, keys []string, obstacles []Obstacle) ToolReach {
	room := RoomOf(s, accessReach, obstacles)
	best := ToolReach{Reach: Blocked, By: []string{}}
	for _, x := range stock.ToolsFor(t) {
		if !x.Drills || !slices.Contains(keys, x.Key) {
			continue
		}
		if r := room.Try(x); best.Tool == "" || rank[r.Reach] < rank[best.Reach] {
			best = r
		}
	}
	return best
}
