package vehicle_test

import (
	"encoding/json"
	"errors"
	"strconv"
	"strings"
	"testing"

	"warmanvil/core/demo"
	"warmanvil/core/vehicle"
	"warmanvil/core/working"
)

// spoiled is a survey with the value at a path put in place of what is there.
func spoiled(t *testing.T, s vehicle.Survey, path string, value any) vehicle.Survey {
	t.Helper()
	raw, err := json.Marshal(s)
	if err != nil {
		t.Fatal(err)
	}
	var tree any
	if err := json.Unmarshal(raw, &tree); err != nil {
		t.Fatal(err)
	}
	steps := strings.Split(strings.TrimPrefix(path, "/"), "/")
	at := tree
	for _, step := range steps[:len(steps)-1] {
		switch v := at.(type) {
		case map[string]any:
			if v[step] == nil {
				v[step] = map[string]any{} // left out because it was empty
			}
			at = v[step]
		case []any:
			i, err := strconv.Atoi(step)
			if err != nil || i >= len(v) {
				t.Fatalf("%s: there is no %q", path, step)
			}
			at = v[i]
		}
	}
	at.(map[string]any)[steps[len(steps)-1]] = value
	if raw, err = json.Marshal(tree); err != nil {
		t.Fatal(err)
	}
	var out vehicle.Survey
	if err := json.Unmarshal(raw, &out); err != nil {
		t.Fatal(err)
	}
	return out
}

func refusedAt(t *testing.T, s vehicle.Survey, path string) {
	t.Helper()
	var fault *working.Fault
	if err := s.Check(); !errors.As(err, &fault) {
		t.Errorf("%s: taken, or refused without a place: %v", path, err)
	} else if fault.Path != path && !strings.HasPrefix(fault.Path, path+"/") || fault.Message == "" {
		t.Errorf("%s: refused at %q: %s", path, fault.Path, fault.Message)
	}
}

// Every number that was ever read of a vehicle is looked at: a slip of the unit in any
// one of them is refused where it stands.
func TestEveryReadingIsLookedAt(t *testing.T) {
	for name, s := range map[string]vehicle.Survey{"truck": demo.OrchardSurvey(), "lorry": demo.LorrySurvey()} {
		if err := s.Check(); err != nil {
			t.Fatal(name, err)
		}
		list := s.Readings()
		if len(list) < 10 {
			t.Fatalf("%s has only %d readings", name, len(list))
		}
		for _, r := range list {
			if !r.Taken() {
				continue
			}
			refusedAt(t, spoiled(t, s, r.Path+"/values", []float64{r.Values[0], 1e6}), r.Path)
			refusedAt(t, spoiled(t, s, r.Path+"/trust", "felt"), r.Path)
			refusedAt(t, spoiled(t, s, r.Path+"/instrument", "thumb"), r.Path)
		}
	}
}

// What else cannot be kept is refused where it stands.
func TestSurveyRefusesWhereItStands(t *testing.T) {
	s := demo.OrchardSurvey()
	long := strings.Repeat("ß", 5000)
	for path, value := range map[string]any{
		"/schema": vehicle.SurveySchema + 1, "/points": make([]map[string]any, 201), "/hook": -1., "/between": 1001.,
		"/instruments/tape": 101., "/drawn": long,
		"/points/0/id": "", "/points/0/size": -1., "/points/0/name": long, "/datum/up": long, "/maps/0/holes/0/diameter": 2001., "/spaces/0/need": -1., "/placed/0/at": []float64{0, 4e4, 0}, "/placed/0/yaw": 361., "/placed/0/bolt": -1., "/placed/0/wall": 201.,
		"/stacks/0/places": make([]map[string]any, 51),
	} {
		refusedAt(t, spoiled(t, s, path, value), path)
	}
	twice := demo.OrchardSurvey()
	twice.Points[1].ID = twice.Points[0].ID
	refusedAt(t, twice, "/points/1/id")
}

// Called by other ids a survey is the same but for them, and what it came from is
// untouched.
func TestSurveyRenamed(t *testing.T) {
	s := demo.OrchardSurvey()
	s.Checks = append(s.Checks, vehicle.PartCheck{Part: "was"})
	s.Follows = append(s.Follows, vehicle.Follow{ID: "f", Part: "was"})
	s.Placed = append(s.Placed, vehicle.Placed{ID: "x", Part: "was"}, vehicle.Placed{ID: "y", Part: "other"})
	before, err := json.Marshal(s)
	if err != nil {
		t.Fatal(err)
	}
	is, err := json.Marshal(s.Renamed(map[string]string{"was": "is"}))
	if err != nil {
		t.Fatal(err)
	}
	if after, _ := json.Marshal(s); string(after) != string(before) {
		t.Error("the survey it came from was changed")
	}
	if want := strings.ReplaceAll(string(before), `"part":"was"`, `"part":"is"`); string(is) != want || want == string(before) {
		t.Errorf("renamed:\n%s\nby hand:\n%s", is, want)
	}
}
