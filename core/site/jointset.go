package site

import (
	"fmt"
	"slices"
	"strings"

	"warmanvil/core/hole"
	"warmanvil/core/joint"
	"warmanvil/core/profile"
	"warmanvil/core/solid"
)

// setBy answers how a rivet or a self-drilling screw is set.
func setBy(i int, b hole.Through, by []string, obstacles []hole.Obstacle) BoltReach {
	best := hole.Made(b.Head, b.Thread, by, obstacles)
	told := BoltReach{Bolt: i, Reach: best.Reach, How: "Set it with a " + best.Name + ".", Ways: []ReachWay{}}
	if best.Reach == hole.Blocked {
		told.How = fmt.Sprintf("A %s does not go on: %s is in the way.", best.Name, strings.Join(best.By, ", "))
	}
	return told
}

// pinned answers whether a pin can be driven in and drawn again from one side
// and its clip put on from the other.
func pinned(i int, b hole.Through, obstacles []hole.Obstacle) BoltReach {
	const hand = 40. // mm, fingers with a clip
	far := hole.Side{At: b.Head.At.Sub(b.Head.Axis.Mul(b.Grip)), Axis: b.Head.Axis.Mul(-1)}
	var by []string
	for _, way := range [][2]hole.Side{{b.Head, far}, {far, b.Head}} {
		in, one := hole.RoomOf(way[0], b.Length+hand, obstacles).Withdraws(b.Thread.Diameter/2, b.Length)
		clip, two := hole.RoomOf(way[1], b.Length+hand, obstacles).Withdraws(b.Thread.Diameter, hand)
		if in && clip {
			return BoltReach{Bolt: i, Reach: hole.Reachable, How: "The pin goes in and its clip on.", Ways: []ReachWay{}}
		}
		by = append(by, append(one, two...)...)
	}
	slices.Sort(by)
	return BoltReach{Bolt: i, Reach: hole.Blocked,
		How:  fmt.Sprintf("The pin does not go in, or its clip not on: %s is in the way.", strings.Join(slices.Compact(by), ", ")),
		Ways: []ReachWay{}}
}

// closed answers the wall that shuts a side nobody reaches, behind the bolt.
func closed(sides joint.Reached, b hole.Through) []hole.Obstacle {
	const wide, deep, room = 400., 50., 2.
	at, name := b.Head, "what closes the heads' side"
	off := b.Thread.Diameter // a head and the room it has
	switch sides {
	case joint.NutsOnly:
	case joint.HeadsOnly:
		at, name = hole.Side{At: b.Head.At.Sub(b.Head.Axis.Mul(b.Grip)), Axis: b.Head.Axis.Mul(-1)}, "what closes the nuts' side"
		off = max(off, b.Length-b.Grip)
	default:
		return nil
	}
	pose := solid.Upon(at.At.Add(at.Axis.Mul(off+room)), at.Axis)
	square := []profile.Point{{X: -wide, Y: -wide}, {X: wide, Y: -wide}, {X: wide, Y: wide}, {X: -wide, Y: wide}}
	return []hole.Obstacle{{Name: name, Body: solid.Prism(pose, square, nil, deep)}}
}

// drill says why holes cannot be drilled through in place, from neither side.
func drill(b hole.Through, obstacles []hole.Obstacle) string {
	keys := []string{"drill", "angledrill"}
	far := hole.Side{At: b.Head.At.Sub(b.Head.Axis.Mul(b.Grip)), Axis: b.Head.Axis.Mul(-1)}
	head, nut := hole.Made(b.Head, b.Thread, keys, obstacles), hole.Made(far, b.Thread, keys, obstacles)
	if head.Reach != hole.Blocked || nut.Reach != hole.Blocked {
		return ""
	}
	return fmt.Sprintf("No drill goes on in place, from neither side: %s. Mark the mates through, take them off and drill them on "+
		"the bench.",
		strings.Join(append(head.By, nut.By...), ", "))
}
