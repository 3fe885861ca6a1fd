package stock

import (
	"fmt"
	"math"
	"strings"
)

// System is inch or metric threads.
type System string

// The two systems.
const (
	Inch   System = "inch"
	Metric System = "metric"
)

// Clearance is the three holes a bolt may pass through, in mm: for metric sizes
// the fine, medium and coarse series of ISO 273.
type Clearance struct {
	Close  float64 `json:"close" doc:"mm; ISO 273 fine"`
	Normal float64 `json:"normal" doc:"mm; ISO 273 medium"`
	Loose  float64 `json:"loose" doc:"mm; ISO 273 coarse"`
}

// Thread is one size and pitch. Diameter, TapDrill and Clearance in mm; Pitch
// in mm for metric and in threads per inch for inch sizes.
type Thread struct {
	System    System    `json:"system" enum:"inch,metric"`
	Size      string    `json:"size"`
	Pitch     float64   `json:"pitch" doc:"mm, or threads per inch"`
	Coarse    bool      `json:"coarse"`
	Diameter  float64   `json:"diameter" doc:"mm"`
	TapDrill  float64   `json:"tapDrill" doc:"mm"`
	Clearance Clearance `json:"clearance"`
	AcrossHex float64   `json:"acrossFlats" doc:"mm, hexagon head"`
	Source    string    `json:"source"`
}

// StressArea answers the tensile stress area in mm²: ASME B1.1
// π/4·(D − 0.9743/n)², ISO 898-1 π/4·(d − 0.9382·P)².
func (t Thread) StressArea() float64 {
	d := t.Diameter - .9382*t.Pitch
	if t.System == Inch {
		d = t.Diameter - .9743*25.4/t.Pitch
	}
	return math.Pi / 4 * d * d
}

// RootArea answers the area at the root of the thread in mm², d − 1.2269·P across
// (ISO 68-1 and ASME B1.1, external thread).
func (t Thread) RootArea() float64 {
	d := t.Diameter - 1.2269*t.PitchMM()
	return math.Pi / 4 * d * d
}

// NominalArea answers the shank's area in mm².
func (t Thread) NominalArea() float64 { return math.Pi / 4 * t.Diameter * t.Diameter }

// PitchMM answers the pitch in mm.
func (t Thread) PitchMM() float64 {
	if t.System == Inch {
		return 25.4 / t.Pitch
	}
	return t.Pitch
}

// Name answers the thread as it is written on a drawing.
func (t Thread) Name() string {
	if t.System == Inch {
		return fmt.Sprintf("%s-%g", t.Size, t.Pitch)
	}
	return fmt.Sprintf("%s×%g", t.Size, t.Pitch)
}

const (
	inchSource   = "ASME B1.1 threads, B18.2.8 clearance holes, about 75 % thread for the tap drill"
	metricSource = "ISO 261 threads, ISO 273 clearance holes, tap drill d − P"
)

type inchRow struct {
	size                 string
	diameter             float64 // in
	close, normal, loose float64 // in
	coarse, fine         float64 // threads per inch
	coarseTap, fineTap   float64 // in
	hex                  float64 // in
}

// 9/16 is not in B18.2.8; its holes follow its neighbours' steps.
var inchRows = []inchRow{
	{"#10", .190, .206, .221, .238, 24, 32, .1495, .159, .312},
	{"1/4", .25, 17. / 64, 9. / 32, 19. / 64, 20, 28, .201, .213, 7. / 16},
	{"5/16", .3125, 21. / 64, 11. / 32, 23. / 64, 18, 24, .257, .272, .5},
	{"3/8", .375, 25. / 64, 13. / 32, 27. / 64, 16, 24, .3125, .332, 9. / 16},
	{"7/16", .4375, 29. / 64, 15. / 32, 31. / 64, 14, 20, .368, 25. / 64, .625},
	{"1/2", .5, 17. / 32, 9. / 16, 39. / 64, 13, 20, 27. / 64, 29. / 64, .75},
	{"9/16", .5625, 19. / 32, 5. / 8, 43. / 64, 12, 18, 31. / 64, 33. / 64, 13. / 16},
	{"5/8", .625, 21. / 32, 11. / 16, 47. / 64, 11, 18, 17. / 32, 37. / 64, 15. / 16},
	{"3/4", .75, 25. / 32, 13. / 16, 29. / 32, 10, 16, 21. / 32, 11. / 16, 1.125},
	{"7/8", .875, 29. / 32, 15. / 16, 33. / 32, 9, 14, 49. / 64, 13. / 16, 1.3125},
	{"1", 1, 33. / 32, 35. / 32, 37. / 32, 8, 12, .875, 59. / 64, 1.5},
}

type metricRow struct {
	diameter             float64
	close, normal, loose float64
	pitches, taps        []float64 // coarse first
	hex                  float64
}

var metricRows = []metricRow{
	{5, 5.3, 5.5, 5.8, []float64{.8}, []float64{4.2}, 8},
	{6, 6.4, 6.6, 7, []float64{1}, []float64{5}, 10},
	{8, 8.4, 9, 10, []float64{1.25, 1}, []float64{6.8, 7}, 13},
	{10, 10.5, 11, 12, []float64{1.5, 1.25, 1}, []float64{8.5, 8.8, 9}, 16},
	{12, 13, 13.5, 14.5, []float64{1.75, 1.5, 1.25}, []float64{10.2, 10.5, 10.8}, 18},
	{14, 15, 15.5, 16.5, []float64{2, 1.5}, []float64{12, 12.5}, 21},
	{16, 17, 17.5, 18.5, []float64{2, 1.5}, []float64{14, 14.5}, 24},
	{18, 19, 20, 21, []float64{2.5, 1.5}, []float64{15.5, 16.5}, 27},
	{20, 21, 22, 24, []float64{2.5, 1.5}, []float64{17.5, 18.5}, 30},
	{22, 23, 24, 26, []float64{2.5, 1.5}, []float64{19.5, 20.5}, 34},
	{24, 25, 26, 28, []float64{3, 2}, []float64{21, 22}, 36},
}

// Threads lists every size and pitch, coarse before fine, small before large.
var Threads = threads()

func threads() (out []Thread) {
	const in = 25.4
	for _, r := range inchRows {
		c := Clearance{r.close * in, r.normal * in, r.loose * in}
		source := inchSource
		if r.size == "9/16" {
			source = "ASME B1.1 thread; clearance holes by practice, B18.2.8 does not list the size"
		}
		out = append(out,
			Thread{Inch, r.size, r.coarse, true, r.diameter * in, r.coarseTap * in, c, r.hex * in, source},
			Thread{Inch, r.size, r.fine, false, r.diameter * in, r.fineTap * in, c, r.hex * in, source})
	}
	for _, r := range metricRows {
		for i, p := range r.pitches {
			out = append(out, Thread{Metric, fmt.Sprintf("M%g", r.diameter), p, i == 0, r.diameter, r.taps[i],
				Clearance{r.close, r.normal, r.loose}, r.hex, metricSource})
		}
	}
	return out
}

// FindThread answers a thread; pitch 0 means the coarse one.
func FindThread(system System, size string, pitch float64) (Thread, error) {
	var pitches []string
	size = strings.TrimSpace(size)
	for _, t := range Threads {
		if t.System != system || !strings.EqualFold(t.Size, size) {
			continue
		}
		if math.Abs(t.Pitch-pitch) < 1e-6 || pitch == 0 && t.Coarse {
			return t, nil
		}
		pitches = append(pitches, fmt.Sprintf("%g", t.Pitch))
	}
	if len(pitches) > 0 {
		return Thread{}, fmt.Errorf("%s comes with pitch %s here, not %g", size, strings.Join(pitches, " or "), pitch)
	}
	if system != Inch && system != Metric {
		return Thread{}, fmt.Errorf("the system is inch or metric, not %q", system)
	}
	return Thread{}, fmt.Errorf("%q is not in the %s thread table, which runs from %s", size, system,
		map[System]string{Inch: "#10 to 1 in", Metric: "M5 to M24"}[system])
}

// ThreadNamed finds a thread as it is written: M8, M8×1, 3/8, 3/8-16.
func ThreadNamed(name string) (Thread, error) {
	name = strings.TrimSpace(name)
	system, sep := Inch, "-"
	if strings.HasPrefix(strings.ToUpper(name), "M") {
		system, sep = Metric, "×"
		name = strings.ReplaceAll(strings.ToUpper(name), "X", "×")
	}
	size, rest, found := strings.Cut(name, sep)
	pitch := 0.0
	if found {
		if _, err := fmt.Sscanf(rest, "%g", &pitch); err != nil {
			return Thread{}, fmt.Errorf("%q has no pitch behind the %s", name, sep)
		}
	}
	return FindThread(system, size, pitch)
}
