package working

import "testing"

func TestWritten(t *testing.T) {
	w := Working{Inputs: []Quantity{{Value: 25.4, Unit: "mm"}, {Value: 190309.92, Unit: "N·mm"}, {Value: 310.53288, Unit: "MPa"},
		{Value: .5, Unit: "N"}, {Value: 90, Unit: "°"}},
		Steps: []Quantity{{Value: 4, Unit: ""}, {Value: 12.5, Unit: "kg"}}, Result: Quantity{Value: 10, Unit: "mm"}}
	metric := w.Written(false)
	for i, want := range []string{"25.400 mm", "190.31 N·m", "310.5 MPa", "0.5 N", "90.00°"} {
		if got := metric.Inputs[i].Text; got != want {
			t.Errorf("%q, want %q", got, want)
		}
	}
	if metric.Steps[0].Text != "4" || metric.Steps[1].Text != "12.5 kg" {
		t.Errorf("%+v", metric.Steps)
	}
	inch := w.Written(true)
	if got := inch.Inputs[0].Text; got != "1.0000 in (25.400 mm)" {
		t.Error(got)
	}
	if got := inch.Result.Text; got != "0.3937 in (10.000 mm)" {
		t.Error(got)
	}
}

// Values that cannot be are refused with words and a place.
func TestRefusals(t *testing.T) {
	for _, c := range []struct {
		err  error
		want string
	}{
		{Within("/a", "The angle", 200, 0, 180, "°"), "The angle must be from 0 to 180°, not 200."},
		{Above("/a", "The radius", 0, 0, 10, "mm"), "The radius must be over 0 and at most 10 mm, not 0."},
		{First(nil, Within("/a", "It", 1, 0, 2, ""), Refuse("/b", "No.")), "No."},
	} {
		if c.err == nil || c.err.Error() != c.want {
			t.Errorf("%v, want %q", c.err, c.want)
		}
	}
	if err := First(Within("/a", "It", 1, 0, 2, ""), nil); err != nil {
		t.Error(err)
	}
}

// In inch jobs forces, moments, stresses and masses are in pounds, with what they were
// worked in beside them: 1 lbf = 4.4482 N, 1 lbf·ft = 1.35582 N·m, 1 ksi = 6.89476 MPa, 1
// lb = 0.453592 kg.
func TestWrittenInPounds(t *testing.T) {
	for _, c := range []struct {
		q            Quantity
		metric, inch string
	}{
		{Quantity{Value: 1000, Unit: "N"}, "1000.0 N", "224.8 lbf (1000.0 N)"},
		{Quantity{Value: 4.4482216152605, Unit: "N"}, "4.448 N", "1 lbf (4.448 N)"},
		{Quantity{Value: 135581.79483314, Unit: "N·mm"}, "135.582 N·m", "100 lbf·ft (135.582 N·m)"},
		{Quantity{Value: 235, Unit: "MPa"}, "235.0 MPa", "34.08 ksi (235.0 MPa)"},
		{Quantity{Value: 45.359237, Unit: "kg"}, "45.359 kg", "100 lb (45.359 kg)"},
		{Quantity{Value: 250.1234, Unit: "kg"}, "250.123 kg", "551.43 lb (250.123 kg)"},
		{Quantity{Value: .5, Unit: ""}, "0.5", "0.5"},
	} {
		w := Working{Inputs: []Quantity{c.q}, Steps: []Quantity{c.q}, Result: c.q}
		m := w.Written(false)
		if m.Inputs[0].Text != c.metric || m.Steps[0].Text != c.metric || m.Result.Text != c.metric {
			t.Errorf("%+v: %q, want %q", c.q, m.Result.Text, c.metric)
		}
		if i := w.Written(true); i.Inputs[0].Text != c.inch || i.Result.Text != c.inch {
			t.Errorf("%+v in inches: %q, want %q", c.q, i.Result.Text, c.inch)
		}
	}
}

// No unit a section or a spring is worked out in stays metric alone in an inch job: one square inch is
// 645.16 mm².
func TestAreasOfInchJobs(t *testing.T) {
	for unit, want := range map[string]string{"mm²": "1 in² (645.16 mm²)", "mm³": "1 in³ (16387.064 mm³)",
		"mm⁴": "1 in⁴ (416231.426 mm⁴)", "N/mm": "1 lbf/in (0.175 N/mm)", "kg/m": "1 lb/ft (1.488 kg/m)"} {
		size := map[string]float64{"mm²": 645.16, "mm³": 16387.064, "mm⁴": 416231.4256, "N/mm": 4.4482216152605 / 25.4,
			"kg/m": .45359237 / .3048}[unit]
		if got := (Working{Result: Quantity{Value: size, Unit: unit}}).Written(true).Result.Text; got != want {
			t.Errorf("%s: %q, want %q", unit, got, want)
		}
	}
}
