package made

import (
	"slices"

	"warmanvil/core/sheet"
	"warmanvil/core/working"
)

// OwnKind tells whether a size may be a member's own in a family: all but those of the sheet,
// for a family is cut of one.
func (d Dimension) OwnKind() bool { return d.Feature != "sheet" && d.Size != "" }

// Sizes lists every size of a recipe that a member of its family may have for itself. It fails
// with *working.Fault when the recipe is none.
func Sizes(r sheet.Recipe, opt Options) ([]Dimension, error) {
	p, err := Build(r, Options{Display: opt.Display, Until: opt.Until})
	if err != nil {
		return nil, err
	}
	return slices.DeleteFunc(p.Dimensions, func(d Dimension) bool { return !d.OwnKind() }), nil
}

// Follow answers a member of a family as its head makes it: the head's recipe with the
// member's own sizes, and what is said of the member alone kept. Sizes of features that the
// head has no more are answered as lost. It fails with *working.Fault where no recipe comes
// of it.
func Follow(head, member sheet.Recipe, opt Options) (out sheet.Recipe, lost []sheet.OwnSize, err error) {
	sizes, err := Sizes(head, opt)
	if err != nil {
		return out, nil, err
	}
	kin := *member.Kin
	kin.Own = nil
	var edits []working.Edit
	for _, o := range member.Kin.Own {
		k := slices.IndexFunc(sizes, func(d Dimension) bool { return d.Feature == o.Feature && d.Size == o.Size })
		if k < 0 {
			lost = append(lost, o)
			continue
		}
		kin.Own = append(kin.Own, o)
		edits = append(edits, working.Edit{Path: sizes[k].Path, Value: value(sizes[k], o.Value)})
	}
	if out, err = sheet.ApplyEdits(head, edits); err != nil {
		return out, lost, err
	}
	out.Kin, out.Piece, out.Reasons, out.SetAside = &kin, member.Piece, member.Reasons, member.SetAside
	return out, lost, out.Validate()
}

// value is a size as a recipe has it: counts are whole.
func value(d Dimension, v float64) any {
	if d.Kind == CountDimension {
		return int(v)
	}
	return v
}

// Settle answers a member of a family that was changed by hand with every size in which it
// is not as its head as its own. It fails with *working.Fault where it differs in more than
// sizes: that is changed in the head.
func Settle(head, member sheet.Recipe, opt Options) (sheet.Recipe, error) {
	theirs, err := Sizes(head, opt)
	if err != nil {
		return member, err
	}
	mine, err := Sizes(member, opt)
	if err != nil {
		return member, err
	}
	kin := *member.Kin
	kin.Own = nil
	for _, d := range mine {
		was := slices.ContainsFunc(member.Kin.Own, func(o sheet.OwnSize) bool { return o.Feature == d.Feature && o.Size == d.Size })
		k := slices.IndexFunc(theirs, func(t Dimension) bool { return t.Feature == d.Feature && t.Size == d.Size })
		if k >= 0 && (was || theirs[k].Value != d.Value) {
			kin.Own = append(kin.Own, sheet.OwnSize{Feature: d.Feature, Size: d.Size, Value: d.Value})
		}
	}
	member.Kin = &kin
	return member, Follows(head, member, opt)
}

// Follows refuses a member that is not as its head and its own sizes make it.
func Follows(head, member sheet.Recipe, opt Options) error {
	want, _, err := Follow(head, member, opt)
	if err != nil {
		return err
	}
	if same, err := sheet.Alike(want, member); err != nil || same {
		return err
	}
	return working.Refuse("", "It is of the family of %s, and only sizes are its own here: what else is to be other is changed in %s, or "+
		"it is let go from the family first.", member.Kin.Name, member.Kin.Name)
}
