package httpapi

import (
	"log/slog"
	"time"

	"warmanvil/account"
	"warmanvil/daily"
)

// BackupsView says how the daily backups stand.
type BackupsView struct {
	Kept  bool       `json:"kept" doc:"the server writes them by itself"`
	Count int        `json:"count"`
	Last  *time.Time `json:"last,omitempty"`
	Late  bool       `json:"late" doc:"the newest is older than two days, or there is none"`
	Wrong string     `json:"wrong,omitempty" doc:"why the last try failed; told to owners"`
	Dir   string     `json:"dir,omitempty" doc:"where they lie; told to owners"`
}

func (s *server) backupRoutes(k *daily.Keeper) {
	route(s, operation{method: "GET", path: "/api/v1/backups", id: "getBackups", summary: "How the daily backups stand"},
		func(c call, _ none) (BackupsView, error) {
			if k == nil {
				return BackupsView{}, nil
			}
			now := k.State()
			v := BackupsView{Kept: true, Count: now.Kept, Late: now.Late}
			if !now.Last.IsZero() {
				v.Last = &now.Last
			}
			if now.Wrong != nil {
				v.Wrong = "The last try failed; the owner sees why."
				slog.WarnContext(c.Request.Context(), "no backup", "error", now.Wrong)
			}
			if whoIs(c.Context).Role == account.Owner {
				v.Dir = k.Dir
				if now.Wrong != nil {
					v.Wrong = now.Wrong.Error()
				}
			}
			return v, nil
		})
}
