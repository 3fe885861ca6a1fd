package hole

import (
	"fmt"
	"math"
	"math/rand"
	"testing"

	"warmanvil/core/solid"
	"warmanvil/core/stock"
)

func thread(t testing.TB, name string) stock.Thread {
	th, err := stock.ThreadNamed(name)
	if err != nil {
		t.Fatal(err)
	}
	return th
}

func toolOf(t testing.TB, th stock.Thread, key string) stock.ToolShape {
	for _, x := range stock.ToolsFor(th) {
		if x.Key == key {
			return x
		}
	}
	t.Fatalf("no tool %q", key)
	return stock.ToolShape{}
}

// By hand: an M10 whose socket is 22.5 across, beside a wall.
func TestWallBesideASocket(t *testing.T) {
	th := thread(t, "M10")
	side := Side{At: solid.Vector{5, 7, 3}, Axis: solid.Vector{0, 0, 1}}
	wall := func(off, low, high float64) []Obstacle {
		return []Obstacle{{"wall", solid.Box(solid.Vector{5 + off, -500, low}, solid.Vector{5 + off + 10, 500, high})}}
	}
	socket := toolOf(t, th, "socket")
	for _, c := range []struct {
		off, low, high float64
		want           Reach
	}{
		{11, 0, 100, Blocked},   // nearer than the socket's 11.25
		{13, 0, 20, Tight},      // 1.75 clear of it, under the ratchet
		{13, 0, 100, Blocked},   // the ratchet's head is 17
		{18.5, 0, 100, Tight},   // 1.5 clear of that
		{40, 0, 100, Reachable}, // half a turn of handle is left
		{5, -50, 3.1, Reachable},
	} {
		got := RoomOf(side, 400, wall(c.off, c.low, c.high)).Try(socket)
		if got.Reach != c.want {
			t.Errorf("wall at %g from %g to %g: %s by %v, want %s (swing %.0f)", c.off, c.low, c.high, got.Reach, got.By, c.want, got.Swing)
		}
		if c.want != Reachable && (len(got.By) != 1 || got.By[0] != "wall") {
			t.Errorf("by %v", got.By)
		}
	}
	// A handle 30 wide along a wall 40 off: 180° and twice asin(15/40) less on each side.
	got := RoomOf(side, 400, wall(40, 0, 100)).Try(socket)
	if want := 360 - 2*math.Acos(40/190.)*180/math.Pi - 2*math.Asin(15/40.)*180/math.Pi; math.Abs(got.Swing-want) > 6 ||
		got.Swing > want+1e-9 {
		t.Errorf("swing %.1f, at most %.1f", got.Swing, want)
	}
	// Inside a block nothing goes, whatever its walls.
	in := RoomOf(side, 400, []Obstacle{{"block", solid.Box(solid.Vector{-2000, -2000, -2000}, solid.Vector{2000, 2000, 2000})}}).Try(socket)
	if in.Reach != Blocked {
		t.Error("a socket goes into a solid block")
	}
	if ok, by := RoomOf(side, 400, wall(3, 40, 50)).Withdraws(9, 60); ok || by[0] != "wall" {
		t.Error("a bolt comes out through a wall")
	}
	if ok, _ := RoomOf(side, 400, wall(3, 70, 90)).Withdraws(9, 60); !ok {
		t.Error("a bolt of 60 does not come out where 67 are free")
	}
	// Turned about any axis the answer is the same.
	by := solid.Turned(solid.Vector{100, -50, 20}, 30, 60, -40)
	for _, off := range []float64{11, 13, 30} {
		list := wall(off, 0, 100)
		a := RoomOf(side, 400, list).Try(socket)
		list[0].Body = list[0].Body.At(by)
		b := RoomOf(Side{by.Apply(side.At), by.Turn(side.Axis)}, 400, list).Try(socket)
		if a.Reach != b.Reach || math.Abs(a.Swing-b.Swing) > 8 { // the ring of sixteen sides turns with its axes
			t.Errorf("at %g: %s %.1f, turned %s %.1f", off, a.Reach, a.Swing, b.Reach, b.Swing)
		}
	}
}

// What brute-force sampling finds blocked is never called reachable, and no more
// swing is promised than sampling finds.
func TestReachNeverPromisesTooMuch(t *testing.T) {
	rnd := rand.New(rand.NewSource(17))
	blocked, free := 0, 0
	for range 250 {
		th := stock.Threads[rnd.Intn(len(stock.Threads))]
		var list []Obstacle
		var boxes [][2]solid.Vector
		for i := range 1 + rnd.Intn(5) {
			lo := solid.Vector{300*rnd.Float64() - 150, 300*rnd.Float64() - 150, 200*rnd.Float64() - 20}
			hi := lo.Add(solid.Vector{5 + 80*rnd.Float64(), 5 + 80*rnd.Float64(), 5 + 60*rnd.Float64()})
			if boxAway(solid.Vector{}, lo, hi) < 1 {
				continue
			}
			boxes = append(boxes, [2]solid.Vector{lo, hi})
			list = append(list, Obstacle{fmt.Sprint("box ", i), solid.Box(lo, hi)})
		}
		inside := func(v solid.Vector) bool {
			for _, b := range boxes {
				if v[0] > b[0][0]+1e-6 && v[0] < b[1][0]-1e-6 && v[1] > b[0][1]+1e-6 && v[1] < b[1][1]-1e-6 &&
					v[2] > b[0][2]+1e-6 && v[2] < b[1][2]-1e-6 {
					return true
				}
			}
			return false
		}
		room := RoomOf(Side{Axis: solid.Vector{0, 0, 1}}, 400, list)
		for _, tool := range stock.ToolsFor(th) {
			got := room.Try(tool)
			hit := false
			for _, c := range tool.Rounds {
				for range 300 {
					a, r := 2*math.Pi*rnd.Float64(), c.Radius*math.Sqrt(rnd.Float64())
					from := math.Max(c.From, closeFace)
					hit = hit || inside(solid.Vector{r * math.Cos(a), r * math.Sin(a), from + (c.To-from)*rnd.Float64()})
				}
			}
			if hit && got.Reach != Blocked {
				t.Fatalf("%s of %s: %s, and a sample lies in an obstacle", tool.Name, th.Name(), got.Reach)
			}
			if got.Reach == Blocked {
				blocked++
			} else {
				free++
			}
			h := tool.Handle
			if h == nil || rnd.Intn(4) > 0 {
				continue
			}
			const steps = 180
			taken := make([]bool, steps)
			for k := range steps {
				s, c := math.Sincos(2 * math.Pi * float64(k) / steps)
				for range 150 {
					u, v := h.Length*rnd.Float64(), h.Width*(rnd.Float64()-.5)
					from := math.Max(h.From, closeFace)
					if inside(solid.Vector{u*c - v*s, u*s + v*c, from + (h.To-from)*rnd.Float64()}) {
						taken[k] = true
						break
					}
				}
			}
			widest, run := 0, 0
			for k := range 2 * steps {
				if run++; taken[k%steps] {
					run = 0
				}
				widest = max(widest, min(run, steps))
			}
			if got.Swing > float64(widest+2)*360/steps {
				t.Fatalf("%s of %s: a swing of %.0f°, sampling finds %d°", tool.Name, th.Name(), got.Swing, widest*360/steps)
			}
		}
	}
	if blocked < 200 || free < 200 {
		t.Fatalf("%d blocked and %d free: the sample shows too little", blocked, free)
	}
}

// 60 fasteners, 12 tools, both sides, amid a folded-sheet-like body of 5 000
// triangles.
func BenchmarkAccess60Fasteners12Tools(b *testing.B) {
	var body solid.Body
	for i := range 20 {
		for k := range 20 {
			body = body.With(solid.Box(solid.Vector{float64(i) * 60, float64(k) * 60, 40}, solid.Vector{float64(i)*60 + 20, float64(k)*60 + 3, 70}))
		}
	}
	body = body.With(solid.Box(solid.Vector{-50, -50, -3}, solid.Vector{1250, 1250, 0}))
	list := []Obstacle{{"rack", body}}
	th := thread(b, "M10")
	tools := stock.ToolsFor(th)[:12]
	for b.Loop() {
		for i := range 60 {
			at := solid.Vector{float64(i%10)*110 + 35, float64(i/10)*180 + 30, 0}
			for _, s := range []Side{{at, solid.Vector{0, 0, 1}}, {at.Add(solid.Vector{0, 0, -3}), solid.Vector{0, 0, -1}}} {
				room := RoomOf(s, 400, list)
				for _, x := range tools {
					room.Try(x)
				}
			}
		}
	}
}
