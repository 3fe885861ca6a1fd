package brief

import (
	"fmt"

	"warmanvil/core/working"
)

// mostFeet is how many feet a device has at most.
const mostFeet = 64

// Check refuses a device that cannot be, with *working.Fault below a path.
func (d Device) Check(at string) error {
	errs := []error{d.Mass.Check(at+"/mass", "The mass", 0, 1e7, "kg"), d.Behind.Check(at+"/behind", "The place", -1e5, 1e5, "mm")}
	if g := d.Gravity; g != nil {
		x, y, z := Given{Value: g.X, Trust: g.Trust}, Given{Value: g.Y, Trust: g.Trust}, Given{Value: g.Z, Trust: g.Trust}
		errs = append(errs, x.Check(at+"/gravity", "The centre of gravity", -1e5, 1e5, "mm"),
			y.Check(at+"/gravity", "The centre of gravity", -1e5, 1e5, "mm"), z.Check(at+"/gravity", "The centre of gravity", -1e5, 1e5, "mm"))
	}
	if len(d.Feet) > mostFeet {
		errs = append(errs, working.Refuse(at+"/feet", "A device has up to %d feet.", mostFeet))
	}
	for k, f := range d.Feet {
		errs = append(errs, working.Within(fmt.Sprintf("%s/feet/%d/x", at, k), "A foot's place", f.X, -1e5, 1e5, "mm"),
			working.Within(fmt.Sprintf("%s/feet/%d/y", at, k), "A foot's place", f.Y, -1e5, 1e5, "mm"))
	}
	return working.First(append(errs, d.Envelope.check(at+"/envelope"), d.checkRooms(at))...)
}

func (v *Box) check(at string) error {
	if v == nil {
		return nil
	}
	return working.First(working.Within(at+"/length", "The length", v.Length, 0, 1e5, "mm"),
		working.Within(at+"/width", "The width", v.Width, 0, 1e5, "mm"), working.Within(at+"/height", "The height", v.Height, 0, 1e5, "mm"))
}
