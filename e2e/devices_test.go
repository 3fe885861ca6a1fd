package e2e

import (
	"testing"
	"time"

	"warmanvil/core/brief"
)

// A device said once is kept in the Shop and put into another job by a press, with its mass and
// feet, and without where it stood on the first vehicle.
func TestADeviceForEveryJob(t *testing.T) {
	a := startApp(t)
	truck, _ := a.demoPart(t, "Orchard truck", "Press foot")
	lorry, _ := a.demoPart(t, "Sound lorry", "Amplifier shelf")
	from, err := a.jobs.Job(t.Context(), truck)
	if err != nil {
		t.Fatal(err)
	}
	press := from.Brief.Devices[0]
	p := open(t, a, 1280, 800)
	p.goTo("/jobs/" + truck + "/measure")
	p.see("Keep it in the Shop for other jobs")
	p.press("Keep it in the Shop for other jobs")
	p.see("Keep it so in the Shop")
	var kept []brief.Device
	for end := time.Now().Add(patience); len(kept) == 0; time.Sleep(50 * time.Millisecond) {
		w, err := a.jobs.Shop(t.Context())
		if err != nil || time.Now().After(end) {
			t.Fatal("the Shop has none", err)
		}
		kept = w.Devices
	}
	if d := kept[0]; d.Name != press.Name || d.Mass == nil || d.Mass.Value != press.Mass.Value || d.Behind != nil ||
		len(d.Feet) != len(press.Feet) {
		t.Fatalf("%+v", d)
	}
	p.goTo("/jobs/" + lorry + "/measure")
	p.press(press.Name + ", from the shop")
	p.briefKept()
	to, err := a.jobs.Job(t.Context(), lorry)
	if err != nil {
		t.Fatal(err)
	}
	got := to.Brief.Devices[len(to.Brief.Devices)-1]
	if got.Name != press.Name || got.Mass.Value != press.Mass.Value || got.ID == press.ID || len(got.Feet) != len(press.Feet) {
		t.Errorf("%+v", got)
	}
}
