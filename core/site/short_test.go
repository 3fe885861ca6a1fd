package site

import (
	"context"
	"warmanvil/core/brief"
	"warmanvil/core/member"
	"warmanvil/core/member/shape"
	"warmanvil/core/shop"
)

// WorkFrame works a frame out by itself: shape, cut list, strength.
func WorkFrame(d member.Doc, quantity int, b brief.Brief, surveyed shape.Surveyed) FrameTold {
	return workFrame(context.Background(), d, "", quantity, b, shop.Shop{}, surveyed, nil)
}

// Hold asks a job without survey or frames.
func Hold(b brief.Brief, parts []BuiltPart) Holding { return Site{Brief: b, Parts: parts}.Hold() }

// Tell answers what the brief says back. parts carry their masses in kg.
func Tell(b brief.Brief, parts []BuiltPart) brief.Told { return tell(b, parts, nil, nil) }
