package job

import (
	"reflect"
	"testing"

	"warmanvil/core/brief"
	"warmanvil/core/demo"
	"warmanvil/core/sheet"
	"warmanvil/core/shop"
	"warmanvil/core/site"
)

// Brought from a file, pieces and copies still know the parts they name.
func TestImportedPartsNameEachOther(t *testing.T) {
	s, kept := remembering()
	old := func(id string, change func(*sheet.Recipe)) OldPart {
		r := demo.ShelfBracket()
		change(&r)
		return OldPart{ID: id, Revisions: []OldRevision{{Number: 1, Name: id, Quantity: 1, Recipe: r}}}
	}
	b := brief.Brief{Name: "Brought", Unit: brief.UnitMM, Grain: 1, Quantity: 1}
	f := File{Format: fileFormat, Version: 4, OldFile: OldFile{Brief: &b, Parts: []OldPart{
		old("copy", func(r *sheet.Recipe) { r.Master = &sheet.Master{Part: "jig", Name: "Jig"} }),
		old("jig", func(*sheet.Recipe) {}),
		old("half", func(r *sheet.Recipe) { r.Piece = &sheet.Piece{Of: "jig", Name: "Jig"} }),
		old("stray", func(r *sheet.Recipe) { r.Master = &sheet.Master{Part: "elsewhere", Name: "Gone"} }),
	}}}
	j, err := bring(s, written(t, f))
	if err != nil {
		t.Fatal(err)
	}
	var parts []Part
	for _, id := range kept.order {
		if d := kept.documents[id]; d.Kind == KindSheet {
			parts = append(parts, must[Part](t)(PartOf(d)))
			if first := must[PartState](t)(Body[PartState](kept.revisions[id][0].Body)); !reflect.DeepEqual(first.Recipe.Master,
				parts[len(parts)-1].Recipe.Master) {
				t.Errorf("in the history of %s the master is %+v", first.Name, first.Recipe.Master)
			}
		}
	}
	jig := parts[1].ID
	if m := parts[0].Recipe.Master; m == nil || m.Part != jig || m.Name != "Jig" {
		t.Errorf("the copy's master is %+v, the jig is %s", m, jig)
	}
	if of := parts[2].Recipe.Piece; of == nil || of.Of != jig {
		t.Errorf("the half is of %+v, the jig is %s", of, jig)
	}
	if m := parts[3].Recipe.Master; m == nil || m.Part != "elsewhere" {
		t.Errorf("a master that is not in the file became %+v", m)
	}
	// What is looked at among the others is told of its master.
	opt := site.PartOptions(j.Brief, shop.Shop{}, parts[0].Part, []site.Part{parts[0].Part, parts[1].Part})
	if opt.Master == nil || opt.Master.Name != "jig" || opt.Master.Itself || opt.Quantity != 1 {
		t.Errorf("%+v", opt)
	}
	if opt := site.PartOptions(j.Brief, shop.Shop{}, parts[3].Part, []site.Part{parts[1].Part}); opt.Master != nil {
		t.Errorf("a stray part has master %+v", opt.Master)
	}
}

// A copy's mounts, joints, open questions and duties name the copy's parts; the job it
// was copied from keeps its own.
func TestBriefRenamed(t *testing.T) {
	b := brief.Brief{Mounts: []brief.Mount{{Part: "p"}},
		Joints: []brief.Joint{{Part: "p", Sides: []brief.Side{{Kind: brief.MemberSide, Of: "f"}}}}, Open: []brief.OpenItem{{Of: "p"}, {}},
		Duties: []brief.Duty{{On: brief.Side{Kind: brief.PartSide, Of: "p"}}}}
	got := b.Renamed(map[string]string{"p": "q", "f": "g"})
	if got.Mounts[0].Part != "q" || got.Joints[0].Part != "q" || got.Joints[0].Sides[0].Of != "g" || got.Open[0].Of != "q" ||
		got.Open[1].Of != "" || got.Duties[0].On.Of != "q" {
		t.Errorf("%+v", got)
	}
	if b.Mounts[0].Part != "p" || b.Joints[0].Sides[0].Of != "f" || b.Open[0].Of != "p" || b.Duties[0].On.Of != "p" {
		t.Errorf("the job it came from was changed: %+v", b)
	}
}
