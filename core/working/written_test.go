package working

import "testing"

func TestWritten(t *testing.T) {
	w := Working{Inputs: []Quantity{{Value: 25.4, Unit: "mm"}, {Value: 190309.92, Unit: "N·mm"}, {Value: 310.53288, Unit: "MPa"}, {Value: .5, Unit: "N"}, {Value: 90, Unit: "°"}},
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
