// Package effort is what making things takes: minutes of each kind of work by how much there
// is of it, and what is used up doing it. The rates are usual ones of small shops until the
// shop types its own; nothing of it is a standard.
package effort

import (
	"fmt"

	"warmanvil/core/working"
)

// Op is a kind of work.
type Op string

// The kinds of work, in the order a job is made.
const (
	Cutting  Op = "cutting"
	Bending  Op = "bending"
	Drilling Op = "drilling"
	Tapping  Op = "tapping"
	Sawing   Op = "sawing"
	Fitting  Op = "fitting"
	Welding  Op = "welding" // MIG, as small shops have it
	TIG      Op = "tig"
	Sticking Op = "stick"
	Spotting Op = "spot"
	Dressing Op = "dressing"
	Painting Op = "painting"
	Bolting  Op = "bolting"
)

// RateOf is what one kind of work takes.
type RateOf struct {
	Op    Op      `json:"op" enum:"cutting,bending,drilling,tapping,sawing,fitting,welding,tig,stick,spot,dressing,painting,bolting"`
	Text  string  `json:"text"`
	Unit  string  `json:"unit" doc:"what is counted: m, bends, holes, cuts, ends, m², bolts"`
	Each  float64 `json:"each" doc:"min for one of it"`
	SetUp float64 `json:"setUp" doc:"min before the first of each kind of piece"`
}

// Rate is a shop's own rate of a kind of work.
type Rate struct {
	Op    Op      `json:"op" enum:"cutting,bending,drilling,tapping,sawing,fitting,welding,tig,stick,spot,dressing,painting,bolting"`
	Each  float64 `json:"each" doc:"min for one of what its kind counts"`
	SetUp float64 `json:"setUp" doc:"min before the first of each kind of piece"`
}

// Source says where the usual rates come from.
const Source = "practice of small shops, handling included; time your own and type it"

// Usual are the rates taken where the shop says nothing.
var Usual = []RateOf{
	{Cutting, "cutting blanks", "m", 1.5, 10},
	{Bending, "bending", "bends", 2, 15},
	{Drilling, "drilling", "holes", 2, 5},
	{Tapping, "tapping", "holes", 2.5, 3},
	{Sawing, "sawing", "cuts", 3, 8},
	{Fitting, "fitting and tacking", "ends", 5, 10},
	{Welding, "MIG welding", "m", 10, 10},
	{TIG, "TIG welding", "m", 25, 15},
	{Sticking, "welding with rods", "m", 14, 10},
	{Spotting, "spot and plug welds", "spots", 1, 10},
	{Dressing, "dressing welds and edges", "m", 4, 0},
	{Painting, "cleaning and painting", "m²", 20, 30},
	{Bolting, "bolting up", "bolts", 3, 0},
}

// Work is so much of a kind of work.
type Work struct {
	Op     Op
	Many   float64 // in the unit of its rate
	Pieces float64 // kinds of piece it is set up for
	Of     string  // what it is of
}

// WorkLine is a kind of work with what it takes.
type WorkLine struct {
	RateOf
	Own     bool    `json:"own,omitempty" doc:"the shop's own rate, a usual one otherwise"`
	Many    float64 `json:"many"`
	Pieces  float64 `json:"pieces" doc:"kinds of piece it is set up for"`
	Minutes float64 `json:"minutes"`
}

// Estimate is what a job takes.
type Estimate struct {
	Lines   []WorkLine      `json:"lines" doc:"kinds of work there is any of"`
	Minutes float64         `json:"minutes"`
	Usual   int             `json:"usual" doc:"lines that take a usual rate"`
	Again   float64         `json:"again,omitempty" doc:"min of them for what is spoiled and made again"`
	Working working.Working `json:"working"`
}

// Respoil adds what is spoiled and made again, % of the work.
func (e *Estimate) Respoil(percent float64) {
	if percent <= 0 {
		e.Working.Assumptions = append(e.Working.Assumptions, "nothing is spoiled and made again: the Shop says no share of it")
		return
	}
	e.Again = e.Minutes * percent / 100
	e.Minutes += e.Again
	e.Working.Formula += " · (1 + again)"
	e.Working.Inputs = append(e.Working.Inputs, working.Quantity{Symbol: "again", Name: "spoiled and made again, as the Shop says",
		Value: percent, Unit: "%"})
	e.Working.Result.Value = e.Minutes / 60
}

// Add works out what some work takes at the shop's rates, and at usual ones where it has none.
// It fails with *working.Fault where there is less than none of a work, or more than can be.
func Add(list []Work, own []Rate) (Estimate, error) {
	e := Estimate{Lines: []WorkLine{}}
	for i, w := range list {
		if err := working.Within(fmt.Sprintf("/works/%d/many", i), "How much there is of it", w.Many, 0, 1e7, ""); err != nil {
			return e, err
		}
		if err := working.Within(fmt.Sprintf("/works/%d/pieces", i), "The kinds of piece", w.Pieces, 0, 1e5, ""); err != nil {
			return e, err
		}
	}
	for _, u := range Usual {
		l := WorkLine{RateOf: u}
		for _, o := range own {
			if o.Op == u.Op {
				l.Each, l.SetUp, l.Own = o.Each, o.SetUp, true
			}
		}
		for _, w := range list {
			if w.Op == u.Op && w.Many > 0 {
				l.Many, l.Pieces = l.Many+w.Many, l.Pieces+w.Pieces
			}
		}
		if l.Many == 0 {
			continue
		}
		l.Minutes = l.Many*l.Each + l.Pieces*l.SetUp
		if !l.Own {
			e.Usual++
		}
		e.Minutes += l.Minutes
		e.Lines = append(e.Lines, l)
	}
	e.Working = working.Working{Method: "Hours by what there is to do", Source: "rates of the Shop; where it has none, " + Source,
		Formula: "minutes = Σ (how many · each + kinds of piece · set-up)",
		Assumptions: []string{fmt.Sprintf("%d of %d rates are usual ones", e.Usual, len(e.Lines)),
			"measuring, drawing, driving and what goes wrong are not in it"},
		Result: working.Quantity{Symbol: "t", Name: "in all", Value: e.Minutes / 60, Unit: "h"}}
	for _, l := range e.Lines {
		e.Working.Steps = append(e.Working.Steps, working.Quantity{Symbol: string(l.Op), Name: l.Text, Value: l.Minutes, Unit: "min"})
	}
	return e, nil
}
