package main

import (
	"bufio"
	"crypto/ecdsa"
	"crypto/elliptic"
	"crypto/rand"
	"crypto/tls"
	"crypto/x509"
	"crypto/x509/pkix"
	"encoding/json"
	"encoding/pem"
	"io"
	"math/big"
	"net"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"
)

// certificate writes a certificate of this machine's loopback and answers both
// files and the pool that trusts it.
func certificate(t *testing.T) (cert, key string, trust *x509.CertPool) {
	t.Helper()
	secret, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	if err != nil {
		t.Fatal(err)
	}
	form := &x509.Certificate{SerialNumber: big.NewInt(1), Subject: pkix.Name{CommonName: "shop"}, NotBefore: time.Now().Add(-time.Hour),
		NotAfter:    time.Now().Add(time.Hour),
		IPAddresses: []net.IP{net.IPv4(127, 0, 0, 1)}, IsCA: true, BasicConstraintsValid: true}
	raw, err := x509.CreateCertificate(rand.Reader, form, form, &secret.PublicKey, secret)
	if err != nil {
		t.Fatal(err)
	}
	rawKey, err := x509.MarshalECPrivateKey(secret)
	if err != nil {
		t.Fatal(err)
	}
	cert, key = filepath.Join(t.TempDir(), "cert.pem"), filepath.Join(t.TempDir(), "key.pem")
	pemCert := pem.EncodeToMemory(&pem.Block{Type: "CERTIFICATE", Bytes: raw})
	for path, content := range map[string][]byte{cert: pemCert, key: pem.EncodeToMemory(&pem.Block{Type: "EC PRIVATE KEY", Bytes: rawKey})} {
		if err := os.WriteFile(path, content, 0o600); err != nil {
			t.Fatal(err)
		}
	}
	trust = x509.NewCertPool()
	trust.AppendCertsFromPEM(pemCert)
	return cert, key, trust
}

// listening starts a shared demo and answers what it prints until it stands.
func listening(t *testing.T, bin, data string, args ...string) (said []string, stop func()) {
	t.Helper()
	cmd := exec.Command(bin, append([]string{"demo", "--listen", "127.0.0.1:0"}, args...)...)
	cmd.Env = append(os.Environ(), "WARMANVIL_DATA="+data, "WARMANVIL_DATABASE_URL=")
	out, err := cmd.StdoutPipe()
	if err != nil {
		t.Fatal(err)
	}
	if err := cmd.Start(); err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = cmd.Process.Kill() }) // it may have ended already
	lines := bufio.NewScanner(out)
	for lines.Scan() {
		said = append(said, lines.Text())
		if strings.Contains(lines.Text(), "no owner yet") {
			break
		}
	}
	go func() { _, _ = io.Copy(io.Discard, out) }()
	return said, func() {
		_ = cmd.Process.Signal(os.Interrupt)
		if err := cmd.Wait(); err != nil {
			t.Errorf("Ctrl-C: %v", err)
		}
	}
}

// A shared server prints the owner's code; without TLS it warns, with it the
// interface answers over TLS and sends its headers.
func TestListen(t *testing.T) {
	bin := build(t)
	data, err := os.MkdirTemp("", "warmanvil-listen-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = os.RemoveAll(data) })
	said, stop := listening(t, bin, data)
	all := strings.Join(said, "\n")
	for _, want := range []string{"WARNING: without TLS", "http://127.0.0.1:", "with the code "} {
		if !strings.Contains(all, want) {
			t.Errorf("%q is not said: %s", want, all)
		}
	}
	stop()

	cert, key, trust := certificate(t)
	said, stop = listening(t, bin, data, "--tls-cert", cert, "--tls-key", key)
	all = strings.Join(said, "\n")
	if strings.Contains(all, "WARNING") || !strings.Contains(all, "https://127.0.0.1:") {
		t.Errorf("with TLS: %s", all)
	}
	at := all[strings.Index(all, "https://"):]
	at = at[:strings.IndexAny(at, " \n")]
	client := http.Client{Transport: &http.Transport{TLSClientConfig: &tls.Config{RootCAs: trust}}}
	r, err := client.Get(at + "/api/v1/session")
	if err != nil {
		t.Fatal(err)
	}
	defer r.Body.Close()
	var session struct {
		State  string
		Secure bool
	}
	if err := json.NewDecoder(r.Body).Decode(&session); err != nil || session.State != "setup" || !session.Secure {
		t.Errorf("%+v, %v", session, err)
	}
	if r.Header.Get("Strict-Transport-Security") == "" {
		t.Error("no Strict-Transport-Security")
	}
	code := all[strings.Index(all, "with the code ")+len("with the code "):]
	code, _, _ = strings.Cut(code, "\n")
	r, err = client.Post(at+"/api/v1/setup", "application/json",
		strings.NewReader(`{"code":"`+code+`","name":"Mara","password":"a few plain words"}`))
	if err != nil || r.StatusCode != 200 {
		t.Fatal(err, r)
	}
	_ = r.Body.Close()
	if len(r.Cookies()) != 2 { // the session, and what the device is known by
		t.Errorf("cookies %+v", r.Cookies())
	}
	for _, c := range r.Cookies() {
		if !strings.HasPrefix(c.Name, "__Host-") || !c.Secure || !c.HttpOnly || c.SameSite != http.SameSiteStrictMode {
			t.Errorf("cookie %+v", c)
		}
	}
	stop()
	for _, bad := range [][]string{{"--listen", "127.0.0.1:0", "--address", "127.0.0.1:0"}, {"--listen", "127.0.0.1:0", "--tls-cert", cert},
		{"--tls-cert", cert, "--tls-key", key}} {
		if out, err := exec.Command(bin, append([]string{"demo"}, bad...)...).CombinedOutput(); err == nil {
			t.Errorf("%v was taken: %s", bad, out)
		}
	}
}
