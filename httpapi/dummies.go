package httpapi

import (
	"cmp"
	"fmt"
	"strconv"

	"github.com/danielgtaylor/huma/v2"

	"warmanvil/core/brief"
	"warmanvil/core/exchange"
	"warmanvil/core/profile"
	"warmanvil/core/sheet"
	"warmanvil/core/sheet/made"
	"warmanvil/core/site"
	"warmanvil/job"
	"warmanvil/paper"
)

// boardQuery asks what things of board are made of.
var boardQuery = &huma.Param{Name: "board", In: "query", Description: "mm, thickness of the board; 2 when left out",
	Schema: &huma.Schema{Type: "number"}}

// board answers how thick the board is that a thing is made of, mm.
func (w want) board(thing string) (float64, error) {
	mm, err := strconv.ParseFloat(cmp.Or(w.asked("board"), "2"), 64)
	if err != nil || !(mm >= .2 && mm <= 50) {
		return 0, asFault("A %s is made of board from 0.2 to 50 mm.", thing)
	}
	return mm, nil
}

// boarded is a device in board, laid flat.
type boarded struct {
	paper.Template
	inches bool
}

// dummyRoutes serves a device in board, to try where it goes.
func (s *server) dummyRoutes() {
	serve(s, shelf[boarded]{path: "/api/v1/jobs/{id}/dummies/{device}/{kind}", id: "getDummy", summary: "A device in board",
		asks: []*huma.Param{{Name: "device", In: "path", Required: true, Schema: &huma.Schema{Type: "string"}}, paperQuery,
			query("units", "of the drawing", "mm", "in"), boardQuery},
		files: []file[boarded]{
			{name: "underside", form: asPDF, says: "full size, with its feet", free: true, make: boarded.PDF},
			{name: "box", form: asPDF, says: "folded", free: true, make: boarded.PDF},
			{name: "box-dxf", form: asDXF, says: "folded, to be cut", free: true, make: func(t boarded) ([]byte, error) {
				flat := exchange.Flat{Part: t.Flat, Mark: t.Part, Inches: t.inches}
				return checked(flat, "dummy.dxf", exchange.DXF(flat))
			}},
		}, open: s.dummy})
}

func (s *server) dummy(w want) (t boarded, called label, err error) {
	j, err := s.jobs.Job(w.ctx, w.id)
	if err != nil {
		return t, called, err
	}
	board, err := w.board("dummy")
	if err != nil {
		return t, called, err
	}
	in, err := dummyOf(j.Brief, w.asked("device"), board)
	if err != nil {
		return t, called, err
	}
	in.Floor = w.kind == "underside"
	recipe, err := sheet.Dummy(in)
	if err != nil {
		return t, called, err
	}
	opt := j.Brief.BuildOptions()
	opt.Body = true
	built, err := made.Build(recipe, opt)
	if err != nil {
		return t, called, err
	}
	if !built.Whole {
		return t, called, asFault("%s cannot be folded of board of %g mm: %s", in.Name, board, built.Findings[0].Reason)
	}
	name := in.Name + " dummy"
	t.Template = paper.Template{Job: j.Brief.Name, Part: name, Revision: fmt.Sprintf("brief r%d", j.Revision), Material: "board or card",
		Thickness: site.Lengths(j.Brief)(board), Quantity: 1, Date: j.Updated.UTC(), Paper: w.paper, Flat: built}
	t.inches = w.asked("units") == "in"
	return t, label{job: j.Brief.Name, of: name, revision: j.Revision}, nil
}

// dummyOf answers a device of the brief as a thing of board.
func dummyOf(b brief.Brief, id string, board float64) (sheet.DummyInput, error) {
	for _, d := range b.Devices {
		if d.ID != id {
			continue
		}
		if d.Envelope == nil {
			return sheet.DummyInput{}, asFault("%s has no envelope: give its length, width and height in the brief.", d.Name)
		}
		in := sheet.DummyInput{Name: d.Name, Length: d.Envelope.Length, Width: d.Envelope.Width, Height: d.Envelope.Height, Board: board}
		for _, f := range d.Feet {
			in.Feet, in.Bores = append(in.Feet, profile.Point{X: f.X, Y: f.Y}), append(in.Bores, f.Bore)
		}
		length := site.Lengths(b)
		for _, r := range d.Rooms {
			in.Rooms = append(in.Rooms, dummyRoom(r, length))
		}
		if d.Gravity != nil {
			in.Gravity = &profile.Point{X: d.Gravity.X, Y: d.Gravity.Y}
		}
		return in, nil
	}
	return sheet.DummyInput{}, job.ErrNotFound
}

// dummyRoom answers a room of a device as a window in its face.
func dummyRoom(r brief.DeviceRoom, length func(mm float64) string) sheet.DummyRoom {
	out := sheet.DummyRoom{Face: string(r.Face), Along: r.X, Up: r.Z, Wide: r.Wide, High: r.High,
		Says: fmt.Sprintf("%s, keep %s in front", r.Called(), length(r.Out))}
	switch r.Face {
	case brief.FaceFront, brief.FaceRear:
		out.Along = r.Y
	case brief.FaceUp, brief.FaceDown:
		out.Up = r.Y
	}
	return out
}
