package site

import (
	"context"
	"errors"
	"math"
	"strings"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/sheet"
	"warmanvil/core/shop"
	"warmanvil/core/strength"
	"warmanvil/core/working"
)

// A bracket in other sheets is as hard worked as the bench says of it when it is made of them,
// thinner harder than thicker; a part of no bracket says nothing.
func TestTradeAsksTheBrackets(t *testing.T) {
	b := truck("rough")
	s := Site{Brief: b, Parts: BuildParts(context.Background(), pressParts(), b, shop.Shop{})}
	id := b.Mounts[0].Part
	list, err := Trade(t.Context(), b, shop.Shop{}, partOf(t, s, id).Recipe, []TradeTry{{"steel-s235", 3}, {"steel-s235", 6},
		{"steel-s235", 12}})
	if err != nil {
		t.Fatal(err)
	}
	s.Prove(id, list)
	last := math.Inf(1)
	for _, x := range list {
		if x.Held == nil || x.Held.Use == nil || x.Held.Hardest == "" {
			t.Fatalf("%g mm: %+v", x.Thickness, x.Held)
		}
		r, err := sheet.ApplyEdits(partOf(t, s, id).Recipe, x.Edits)
		if err != nil {
			t.Fatal(err)
		}
		next := *partOf(t, s, id)
		next.Recipe = r
		now := s
		now.Parts = BuildParts(context.Background(), []Part{next.Part}, b, shop.Shop{})
		m := now.Hold().Mounts[0]
		if m.Verdict != x.Held.Verdict || math.Abs(*m.Result.Hardest-*x.Held.Use) > 1e-12 {
			t.Errorf("%g mm: %s %.4f, the bench says %s %.4f", x.Thickness, x.Held.Verdict, *x.Held.Use, m.Verdict, *m.Result.Hardest)
		}
		if *x.Held.Use >= last {
			t.Errorf("%g mm works as hard as a thinner one: %.3f", x.Thickness, *x.Held.Use)
		}
		last = *x.Held.Use
	}
	s.Brief.Mounts = nil
	if got := s.TradeHeld(id, []sheet.Recipe{partOf(t, s, id).Recipe}); got[0].Verdict != "" || got[0].Rusts == nil {
		t.Errorf("of no bracket: %+v", got)
	}
}

func partOf(t *testing.T, s Site, id string) *BuiltPart {
	t.Helper()
	for i := range s.Parts {
		if s.Parts[i].ID == id {
			return &s.Parts[i]
		}
	}
	t.Fatalf("no part %s", id)
	return nil
}

// Stainless bolted wet on to bare steel eats it, and the trade says so; steel on steel does not.
func TestTradeSaysWhatRusts(t *testing.T) {
	b := truck("smooth")
	parts := pressParts()
	s := Site{Brief: b, Parts: BuildParts(context.Background(), parts, b, shop.Shop{})}
	j := footJoint(s.Parts)
	j.Design.Tighten.Wet = true
	s.Brief.Joints = []brief.Joint{j}
	id := j.Part
	inox := partOf(t, s, id).Recipe
	inox.Material = "stainless-304"
	steel := partOf(t, s, id).Recipe
	got := s.TradeHeld(id, []sheet.Recipe{steel, inox})
	if len(got[0].Rusts) > 0 {
		t.Errorf("steel on steel: %q", got[0].Rusts)
	}
	if len(got[1].Rusts) == 0 || !strings.Contains(got[1].Rusts[0], j.Name) {
		t.Errorf("stainless on steel: %+v", got[1])
	}
}

// A frame in other metals is what the frame bench says of it in them; what it costs is its mass by
// the shop's price.
func TestTradeOfAFrame(t *testing.T) {
	s := onFrame(t)
	s.Shop.Prices = []shop.Price{{ID: "p", What: "alu-6061-t6 tube", Price: 9, Per: "kg"}}
	f := s.Frames[0]
	got, err := s.TradeFrame(f, []string{f.Doc.Material, "alu-6061-t6"})
	if err != nil || len(got) != 2 || !got[0].Now || got[1].Now {
		t.Fatalf("%v %+v", err, got)
	}
	if got[0].Cost != nil || got[1].Cost == nil || *got[1].Cost <= 0 {
		t.Errorf("costs: %v %v", got[0].Cost, got[1].Cost)
	}
	for i, key := range []string{f.Doc.Material, "alu-6061-t6"} {
		next := f
		next.Doc.Material = key
		now := s.with(next)
		said := now.Said(now.Hold())
		worst := strength.Verdict("")
		for _, id := range append(s.touching(f.ID), f.ID) {
			if x, is := said[id]; is && (worst == "" || strength.Worse(x.Verdict, worst)) {
				worst = x.Verdict
			}
		}
		if got[i].Verdict != worst {
			t.Errorf("%s: %s, asked alone %s", key, got[i].Verdict, worst)
		}
	}
	var fault *working.Fault
	if _, err := s.TradeFrame(f, []string{"cheese"}); !errors.As(err, &fault) {
		t.Errorf("cheese: %v", err)
	}
	if _, err := s.TradeFrame(f, make([]string, 30)); !errors.As(err, &fault) {
		t.Errorf("thirty: %v", err)
	}
}
