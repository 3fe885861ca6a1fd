package main

import (
	"context"
	"crypto/rand"
	"encoding/base32"
	"fmt"
	"net"
	"os"
	"strings"

	"warmanvil/account"
	"warmanvil/httpapi"
)

// door answers how the server is reached: with --listen by this machine's own
// names and addresses and those that were given.
func door(w way) (httpapi.Door, error) {
	d := httpapi.Door{Listen: w.listen != "", TLS: w.cert != ""}
	if !d.Listen {
		return d, nil
	}
	for _, n := range strings.Split(w.names, ",") {
		if n = strings.TrimSpace(n); n != "" {
			d.Hosts = append(d.Hosts, n)
			if d.Reach == "" {
				d.Reach = n
			}
		}
	}
	if name, err := os.Hostname(); err == nil {
		d.Hosts = append(d.Hosts, name, name+".local")
	}
	addresses, err := net.InterfaceAddrs()
	if err != nil {
		return d, fmt.Errorf("find this machine's addresses: %w", err)
	}
	for _, a := range addresses {
		if ip, ok := a.(*net.IPNet); ok {
			d.Hosts = append(d.Hosts, ip.IP.String())
			if d.Reach == "" && !ip.IP.IsLoopback() && ip.IP.To4() != nil {
				d.Reach = ip.IP.String()
			}
		}
	}
	b := make([]byte, 10)
	_, _ = rand.Read(b) // never fails
	d.SetupCode = base32.StdEncoding.EncodeToString(b)[:12]
	return d, nil
}

// announce says where the server is, what the first visitor must type, and
// what is not safe about it.
func announce(ctx context.Context, accounts *account.Service, l net.Listener, d httpapi.Door) error {
	scheme := "http"
	if d.TLS {
		scheme = "https"
	}
	fmt.Printf("Warm Anvil is at %s://%s  (Ctrl-C stops it)\n", scheme, l.Addr())
	if !d.Listen {
		return nil
	}
	if !d.TLS {
		fmt.Println("WARNING: without TLS, passwords and jobs cross the network in the clear. Give --tls-cert and --tls-key, or keep it inside " +
			"a network you trust.")
	}
	any, err := accounts.Store.AnyAccount(ctx)
	if err == nil && !any {
		fmt.Println("It has no owner yet. The first visitor makes one with the code", d.SetupCode)
	}
	return err
}
