package main

import (
	"context"
	"crypto/ecdsa"
	"crypto/elliptic"
	"crypto/rand"
	"crypto/tls"
	"crypto/x509"
	"crypto/x509/pkix"
	"encoding/json"
	"encoding/pem"
	"fmt"
	"io"
	"math/big"
	"net"
	"net/http"
	"net/http/cookiejar"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
	"time"
)

// certified makes a certificate for a name, valid for a day, as files.
func certified(t *testing.T, dir, name string) (cert, key string, pool *x509.CertPool) {
	t.Helper()
	private, err := ecdsa.GenerateKey(elliptic.P256(), rand.Reader)
	if err != nil {
		t.Fatal(err)
	}
	of := &x509.Certificate{SerialNumber: big.NewInt(1), Subject: pkix.Name{CommonName: name}, DNSNames: []string{name}, IsCA: true, BasicConstraintsValid: true,
		NotBefore: time.Now().Add(-time.Hour), NotAfter: time.Now().Add(24 * time.Hour), KeyUsage: x509.KeyUsageDigitalSignature | x509.KeyUsageCertSign}
	der, err := x509.CreateCertificate(rand.Reader, of, of, &private.PublicKey, private)
	if err != nil {
		t.Fatal(err)
	}
	raw, err := x509.MarshalPKCS8PrivateKey(private)
	if err != nil {
		t.Fatal(err)
	}
	cert, key = filepath.Join(dir, "cert.pem"), filepath.Join(dir, "key.pem")
	c := pem.EncodeToMemory(&pem.Block{Type: "CERTIFICATE", Bytes: der})
	for file, data := range map[string][]byte{cert: c, key: pem.EncodeToMemory(&pem.Block{Type: "PRIVATE KEY", Bytes: raw})} {
		if err := os.WriteFile(file, data, 0o600); err != nil {
			t.Fatal(err)
		}
	}
	pool = x509.NewCertPool()
	pool.AppendCertsFromPEM(c)
	return cert, key, pool
}

func freePort(t *testing.T) string {
	t.Helper()
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer l.Close()
	return l.Addr().String()
}

// The example of docs/proxy, with this test's ports and certificate in it, before the real program.
func TestBehindAProxyWithTLS(t *testing.T) {
	if testing.Short() {
		t.Skip("starts a database and a proxy")
	}
	const name = "tray.example"
	dir, err := os.MkdirTemp("", "ht-proxy")
	if err != nil {
		t.Fatal(err)
	}
	defer os.RemoveAll(dir)
	door, front := freePort(t), freePort(t)
	t.Setenv("HAPPYTRAY_DOOR", door)
	t.Setenv("HAPPYTRAY_DOOR_URL", "https://"+name)
	house, says := serveAt(t, "127.0.0.1:0", filepath.Join(dir, "house"))
	if house == nil {
		t.Fatal(says)
	}
	defer house.stop(t)
	cert, key, pool := certified(t, dir, name)
	example, err := os.ReadFile("../../docs/proxy/nginx.conf")
	if err != nil {
		t.Fatal(err)
	}
	conf := string(example)
	for _, c := range [][2]string{{"listen 443 ssl", "listen " + front + " ssl"}, {"/etc/ssl/certs/tray.example.pem", cert}, {"/etc/ssl/private/tray.example.key", key}, {"http://127.0.0.1:8090;", "http://" + door + ";"}} {
		if strings.Count(conf, c[0]) != 1 {
			t.Fatalf("the example has no %q", c[0])
		}
		conf = strings.Replace(conf, c[0], c[1], 1)
	}
	whole := fmt.Sprintf("daemon off; master_process off; pid %s/pid; error_log %[1]s/error.log;\nevents {}\nhttp { access_log off; client_body_temp_path %[1]s/body; proxy_temp_path %[1]s/p; fastcgi_temp_path %[1]s/f; uwsgi_temp_path %[1]s/u; scgi_temp_path %[1]s/s;\n%s}\n", dir, conf)
	file := filepath.Join(dir, "nginx.conf")
	if err := os.WriteFile(file, []byte(whole), 0o600); err != nil {
		t.Fatal(err)
	}
	proxy := exec.Command("nginx", "-c", file, "-p", dir, "-e", filepath.Join(dir, "error.log"))
	proxy.Env = append(os.Environ(), "PATH="+os.Getenv("PATH")+":/usr/sbin")
	if path, err := exec.LookPath("/usr/sbin/nginx"); err == nil {
		proxy.Path, proxy.Err = path, nil
	}
	if err := proxy.Start(); err != nil {
		t.Fatal(err)
	}
	defer func() {
		proxy.Process.Kill()
		proxy.Wait()
	}()

	jar, _ := cookiejar.New(nil)
	client := &http.Client{Jar: jar, Timeout: 20 * time.Second, Transport: &http.Transport{TLSClientConfig: &tls.Config{RootCAs: pool, ServerName: name},
		DialContext: func(ctx context.Context, _, _ string) (net.Conn, error) {
			return (&net.Dialer{}).DialContext(ctx, "tcp", front)
		}}}
	ask := func(method, path, body string) (*http.Response, string) {
		t.Helper()
		req, _ := http.NewRequest(method, "https://"+name+path, strings.NewReader(body))
		req.Header.Set("Content-Type", "application/json")
		req.Header.Set("Origin", "https://"+name) // as a page sends it
		var res *http.Response
		for range 100 { // until it has started
			if res, err = client.Do(req); err == nil {
				break
			}
			time.Sleep(50 * time.Millisecond)
			req.Body = io.NopCloser(strings.NewReader(body))
		}
		if err != nil {
			log, _ := os.ReadFile(filepath.Join(dir, "error.log"))
			t.Fatalf("%v: %s", err, log)
		}
		defer res.Body.Close()
		raw, _ := io.ReadAll(res.Body)
		return res, string(raw)
	}
	if res, _ := ask("GET", "/", ""); res.StatusCode != 502 {
		t.Errorf("before the door is open the proxy finds somebody: %d", res.StatusCode)
	}
	local := func(method, path, body string, into any) {
		t.Helper()
		req, _ := http.NewRequest(method, "http://"+house.addr+path, strings.NewReader(body))
		req.Header.Set("Content-Type", "application/json")
		res, err := http.DefaultClient.Do(req)
		if err != nil || res.StatusCode >= 300 {
			t.Fatalf("%s %s: %v %v", method, path, err, res)
		}
		defer res.Body.Close()
		if into != nil {
			if err := json.NewDecoder(res.Body).Decode(into); err != nil {
				t.Fatal(err)
			}
		}
	}
	local("PUT", "/api/v1/door", `{"open":true}`, nil)
	if res, page := ask("GET", "/api/v1/jobs", ""); res.StatusCode != 401 || res.Header.Get("Strict-Transport-Security") == "" {
		t.Errorf("a stranger: %d %.100s", res.StatusCode, page)
	}
	var made struct {
		Key   string
		Links []string
	}
	local("POST", "/api/v1/door/key", "", &made)
	if len(made.Links) != 1 || made.Links[0] != "https://"+name+"/enter#"+made.Key {
		t.Errorf("links %v", made.Links)
	}
	res, body := ask("POST", "/api/v1/door/enter", `{"key":"`+made.Key+`","name":"A phone"}`)
	if res.StatusCode != 204 || len(res.Cookies()) != 1 || !res.Cookies()[0].Secure || !res.Cookies()[0].HttpOnly {
		t.Fatalf("coming in: %d %s %v", res.StatusCode, body, res.Cookies())
	}
	if res, body := ask("GET", "/api/v1/jobs", ""); res.StatusCode != 200 || !strings.Contains(body, "jobs") {
		t.Errorf("let in: %d %.100s", res.StatusCode, body)
	}
	if res, body := ask("POST", "/api/v1/jobs", `{"title":"By proxy","brief":{"guests":{"adults":4}}}`); res.StatusCode != 201 {
		t.Errorf("a new job: %d %.200s", res.StatusCode, body)
	}
}
