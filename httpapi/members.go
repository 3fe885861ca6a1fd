package httpapi

import (
	"warmanvil/account"
	"warmanvil/core/working"
)

// MemberView is one account.
type MemberView struct {
	ID   string       `json:"id" format:"uuid"`
	Name string       `json:"name"`
	Role account.Role `json:"role" enum:"owner,maker,reader"`
	Self bool         `json:"self"`
}

// RoleRequest names a role.
type RoleRequest struct {
	Role account.Role `json:"role" enum:"owner,maker,reader"`
}

func (s *server) memberRoutes() {
	route(s, operation{method: "GET", path: "/api/v1/members", id: "listMembers", summary: "Who may use the server", access: owning},
		func(c call, _ none) ([]MemberView, error) {
			if err := needAccount(c); err != nil {
				return nil, err
			}
			list, err := s.accounts.Store.Accounts(c.Request.Context())
			out := make([]MemberView, len(list))
			for i, a := range list {
				out[i] = MemberView{a.ID, a.Name, a.Role, a.ID == whoIs(c.Context).ID}
			}
			return out, err
		})
	route(s, operation{method: "POST", path: "/api/v1/invitations", id: "invite",
		summary: "A code that makes one account", access: owning},
		func(c call, in RoleRequest) (CodeView, error) {
			if err := needAccount(c); err != nil {
				return CodeView{}, err
			}
			code, expires, err := s.accounts.Invite(c.Request.Context(), whoIs(c.Context).ID, in.Role)
			if err != nil {
				return CodeView{}, err
			}
			return s.codeView(c, "/join", code, expires)
		})
	route(s, operation{method: "PUT", path: "/api/v1/members/{id}", id: "setRole",
		summary: "Change what a member may do", access: owning},
		func(c call, in RoleRequest) (Done, error) {
			if err := needAccount(c); err != nil {
				return Done{}, err
			}
			if !in.Role.May(account.Reader) {
				return Done{}, working.Refuse("/role", "The role is owner, maker or reader, not %q.", in.Role)
			}
			return Done{true}, s.accounts.Store.SetRole(c.Request.Context(), c.id, in.Role)
		})
	route(s, operation{method: "DELETE", path: "/api/v1/members/{id}", id: "removeMember",
		summary: "Take a member's account away and sign their devices out", access: owning}, func(c call, _ none) (Done, error) {
		if err := needAccount(c); err != nil {
			return Done{}, err
		}
		if err := s.accounts.Store.RemoveAccount(c.Request.Context(), c.id); err != nil {
			return Done{}, err
		}
		_, err := s.revoke(c.Request.Context(), func(id string, _ device) bool { return id == c.id })
		return Done{true}, err
	})
}
