package job

import (
	"context"

	"warmanvil/core/demo"
	"warmanvil/core/shop"
	"warmanvil/core/site"
)

// Shop answers the shop of the installation; one in which nothing is said yet takes the
// usual values.
func (s *Service) Shop(ctx context.Context) (shop.Shop, error) {
	d, err := s.Store.Only(ctx, "", KindShop)
	if err != nil {
		return shop.Shop{}, err
	}
	var w shop.Shop
	if d.Revision > 0 {
		if w, err = Body[shop.Shop](d.Body); err != nil {
			return shop.Shop{}, err
		}
	}
	w.Stock, err = s.lying(ctx)
	return w, err
}

// ShopFor answers the shop as a job sees it: what is kept for the job is free to it.
func (s *Service) ShopFor(ctx context.Context, jobID string) (shop.Shop, error) {
	w, err := s.Shop(ctx)
	return w.ForJob(jobID), err
}

// ShopMoves are the parts of a job of which something else is said since the shop changed.
type ShopMoves struct {
	Job   string            `json:"job" doc:"its id"`
	Name  string            `json:"name"`
	Parts []site.ShopChange `json:"parts"`
}

// ShopMoved answers of all jobs that are not put away what changed since a kept state of
// the shop; since 0 is a shop in which nothing was said.
func (s *Service) ShopMoved(ctx context.Context, since int) ([]ShopMoves, error) {
	now, err := s.Store.Only(ctx, "", KindShop)
	if err != nil {
		return nil, err
	}
	var was, is shop.Shop
	if is, err = Body[shop.Shop](now.Body); err != nil {
		return nil, err
	}
	if since > 0 {
		if now.Revision == 0 {
			return nil, ErrNotFound
		}
		r, err := s.Store.Revision(ctx, now.ID, since)
		if err != nil {
			return nil, err
		}
		if was, err = Body[shop.Shop](r.Body); err != nil {
			return nil, err
		}
	}
	jobs, err := s.Jobs(ctx, false)
	if err != nil {
		return nil, err
	}
	out := []ShopMoves{}
	for _, j := range jobs {
		parts, err := s.Parts(ctx, j.ID)
		if err != nil {
			return nil, err
		}
		frames, err := s.Frames(ctx, j.ID)
		if err != nil {
			return nil, err
		}
		v, _, err := s.Survey(ctx, j.ID)
		if err != nil {
			return nil, err
		}
		list := append(site.ShopChanges(ctx, j.Brief, BareParts(parts), was, is),
			site.ShopFrameChanges(ctx, j.Brief, v, BareFrames(frames), was, is)...)
		list = append(list, site.ShopJointChanges(j.Brief, was, is)...)
		if len(list) > 0 {
			out = append(out, ShopMoves{j.ID, j.Brief.Name, list})
		}
	}
	return out, ctx.Err()
}

// LoadDemoShop says the demo's shop and what lies in it, where nobody said anything of theirs yet.
func (s *Service) LoadDemoShop(ctx context.Context) error {
	d, err := s.Store.Only(ctx, "", KindShop)
	if err != nil || d.Revision > 0 {
		return err
	}
	if _, err = Save(ctx, s, KindShop, "", On{}, demo.Shop()); err != nil || s.Goods == nil {
		return err
	}
	if there, err := s.StockLines(ctx, false); err != nil || len(there) > 0 {
		return err
	}
	for _, x := range demo.Stock() {
		if _, err := s.AddStockLine(ctx, x.Goods, x.Here, ""); err != nil {
			return err
		}
	}
	return nil
}
