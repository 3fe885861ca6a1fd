// Package shop is what a shop works with: its machines and the people at them, and what
// they take. It belongs to the installation, not to a job: every job asks the same shop.
package shop

import (
	"slices"

	"warmanvil/core/bend"
	"warmanvil/core/brief"
	"warmanvil/core/effort"
	"warmanvil/core/goods"
	"warmanvil/core/quantity"
)

// Schema of the shop written by this program.
const Schema = 1

// Shop is all that is said of a shop. One in which nothing is said takes the usual values.
type Shop struct {
	Schema    int            `json:"schema" doc:"version of this form, 1"`
	Name      string         `json:"name,omitempty"`
	Unit      brief.Unit     `json:"unit,omitempty" enum:"mm,fraction,decimal" doc:"its machines are said in; mm when left out"`
	Machines  []Machine      `json:"machines,omitempty"`
	People    []Person       `json:"people,omitempty"`
	Tools     []ToolSet      `json:"tools,omitempty" doc:"drills, taps, hole saws, sockets, rivet tools, blades"`
	BendTools []BendTool     `json:"bendTools,omitempty" doc:"punches, dies and fingers"`
	Strips    []Strip        `json:"strips,omitempty" doc:"test strips that were bent, of every job"`
	Settings  []Setting      `json:"settings,omitempty" doc:"of machines, as they were tried"`
	Devices   []brief.Device `json:"devices,omitempty" doc:"carried again and again: put into a job by a press"`
	Bows      []Bow          `json:"bows,omitempty" doc:"of things that were welded, measured beside the estimate"`
	Sections  []OwnSection   `json:"sections,omitempty" doc:"that no table has"`
	Materials []OwnMaterial  `json:"materials,omitempty" doc:"by certificates and coupons of its own"`
	Starters  []OwnStarter   `json:"starters,omitempty" doc:"parts made again and again"`
	Currency  string         `json:"currency,omitempty" doc:"name of the shop's money"`
	Hour      *float64       `json:"hour,omitempty" doc:"money for an hour of work"`
	Again     *float64       `json:"again,omitempty" doc:"% of work and metal that is spoiled and made again; none is counted when left out"`
	Rates     []effort.Rate  `json:"rates,omitempty" doc:"its own rates of work; usual ones are taken of the others"`
	Suppliers []Supplier     `json:"suppliers,omitempty"`
	Prices    []Price        `json:"prices,omitempty"`
	Stock     []goods.Lying  `json:"-"` // what lies there, filled in where the shop is read

	as *quantity.Display // how who asks writes lengths, where that is not the shop itself
}

// Where is where a machine stands.
type Where string

// The places of machines.
const (
	Own      Where = "own"
	Borrowed Where = "borrowed"
	Outside  Where = "outside"
)

// Machine is one machine, with the limits its kind has.
type Machine struct {
	ID     string             `json:"id"`
	Kind   Kind               `json:"kind" enum:"table,brake,shear,saw,drill,grinder,torch,welder,bender,oven,spray,compressor,transport,lift"`
	Sort   string             `json:"sort,omitempty" doc:"of its kind: laser or plasma of a table, press or pan of a brake"`
	Name   string             `json:"name,omitempty"`
	Where  Where              `json:"where,omitempty" enum:"own,borrowed,outside" doc:"own when left out"`
	Of     string             `json:"of,omitempty" doc:"whose it is, where it is not the shop's own"`
	Away   bool               `json:"away,omitempty" doc:"it is not there now: broken, lent out"`
	Why    string             `json:"why,omitempty" doc:"why it is away, and until when"`
	Limits map[string]float64 `json:"limits,omitempty" doc:"by their key, in the unit of the kind's table; the usual value where one is left out"`
	Ready  []Ready            `json:"ready,omitempty" doc:"what is looked at before it is used"`
	Booked []Booking          `json:"booked,omitempty" doc:"who has it, and when"`
	Care   []Care             `json:"care,omitempty" doc:"what was done to it, oldest first"`
}

// Ready is one thing to look at before a machine is used.
type Ready struct {
	ID   string `json:"id"`
	Text string `json:"text"`
}

// Care is one entry of a machine's log: oil, a new blade, a fault and its end.
type Care struct {
	ID    string `json:"id"`
	Date  string `json:"date" doc:"year-month-day"`
	Text  string `json:"text"`
	Fault bool   `json:"fault,omitempty" doc:"something was wrong with it"`
}

// Person is somebody who works in the shop.
type Person struct {
	ID     string   `json:"id"`
	Name   string   `json:"name"`
	Lift   *float64 `json:"lift,omitempty" doc:"kg lifted alone; not said when left out"`
	Hours  *float64 `json:"hours,omitempty" doc:"h a week at work here; not said when left out"`
	Away   bool     `json:"away,omitempty" doc:"not there now"`
	Skills []Skill  `json:"skills,omitempty"`
}

// Skill is how well somebody does one kind of work.
type Skill struct {
	ID        string `json:"id"`
	Operation string `json:"operation" enum:"cutting,bending,drilling,sawing,welding"`
	Level     string `json:"level" enum:"new,practised,sure" doc:"new: a practice coupon comes before the first piece"`
}

// Strip is a bent test strip: of which sheet, on which tool, when.
type Strip struct {
	ID       string        `json:"id"`
	Material string        `json:"material" doc:"key of the material table"`
	Tool     bend.ToolKind `json:"tool" enum:"vdie,pan,vice"`
	Batch    string        `json:"batch,omitempty" doc:"mark or delivery of the sheet"`
	Date     string        `json:"date,omitempty" doc:"year-month-day"`
	Left     bool          `json:"left,omitempty" doc:"left out of the mean"`
	Coupon   bend.Coupon   `json:"coupon"`
}

// Upgraded answers a shop of an older form in that of today.
func (s Shop) Upgraded() Shop {
	if s.Schema == 0 {
		s.Schema = Schema
	}
	return s
}

// Renamed answers it as it is: a shop names nothing of a job.
func (s Shop) Renamed(map[string]string) Shop { return s }

// there answers the machines of a kind that can be used now, the shop's own first, then
// what is borrowed, then what stands at suppliers; among those the order they are listed in.
func (s Shop) there(k Kind, fits func(Machine) bool) []Machine {
	rank := map[Where]int{Own: 0, "": 0, Borrowed: 1, Outside: 2}
	var out []Machine
	for _, m := range s.Machines {
		if m.Kind == k && !m.Away && fits(m) {
			out = append(out, m)
		}
	}
	slices.SortStableFunc(out, func(a, b Machine) int { return rank[a.Where] - rank[b.Where] })
	return out
}

// Called names a machine.
func (m Machine) Called() string {
	if m.Name != "" {
		return m.Name
	}
	return "the " + m.Kind.table().sort(m.Sort).Text
}

// Limit answers one of its limits, and whether it was said rather than taken as usual.
func (m Machine) Limit(key string, inch bool) (value float64, said bool) {
	if v, is := m.Limits[key]; is {
		return v, true
	}
	return m.Kind.table().sort(m.Sort).usual(key, inch), false
}
