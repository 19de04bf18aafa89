package shop

import (
	"errors"
	"fmt"
	"net"
	"net/http"
	"net/netip"
	"net/url"
	"syscall"
	"time"
)

// Policy says where a shop may be. The zero value lets in shops of the public net only:
// an address that somebody types in must not lead this program to machines that only it
// can reach.
type Policy struct {
	Loopback bool           // the simulated shop runs on this machine
	Nets     []netip.Prefix // further addresses, as of a shop in the same building
}

// MaxAddress bounds the address of a feed, bytes.
const MaxAddress = 300

var errElsewhere = errors.New("the shop's address leads to a machine that may not be asked")

// Check reports whether an address can be a shop's, as far as the address itself tells.
func (p Policy) Check(address string) error {
	u, err := url.Parse(address)
	if err != nil || u.Scheme != "http" && u.Scheme != "https" || u.Hostname() == "" || u.User != nil || len(address) > MaxAddress {
		return errors.New("the shop's address should look like https://shop.example/feed.json")
	}
	if ip, err := netip.ParseAddr(u.Hostname()); err == nil && !p.allows(ip) {
		return errElsewhere
	}
	if u.Hostname() == "localhost" && !p.Loopback {
		return errElsewhere
	}
	return nil
}

// allows reports whether a machine may be asked.
func (p Policy) allows(ip netip.Addr) bool {
	ip = ip.Unmap()
	for _, n := range p.Nets {
		if n.Contains(ip) {
			return true
		}
	}
	if ip.IsLoopback() {
		return p.Loopback
	}
	return ip.IsGlobalUnicast() && !ip.IsPrivate() && !shared.Contains(ip)
}

// shared is address space that providers use inside (RFC 6598).
var shared = netip.MustParsePrefix("100.64.0.0/10")

// client asks only machines that the policy allows, whatever a name resolves to, through
// no proxy, and follows a redirect only to the same place.
func (p Policy) client() *http.Client {
	dialer := net.Dialer{Timeout: 3 * time.Second, Control: func(_, address string, _ syscall.RawConn) error {
		at, err := netip.ParseAddrPort(address)
		if err != nil || !p.allows(at.Addr()) {
			return errElsewhere
		}
		return nil
	}}
	return &http.Client{
		Transport: &http.Transport{DialContext: dialer.DialContext, DisableKeepAlives: true, MaxResponseHeaderBytes: 64 << 10, ResponseHeaderTimeout: 10 * time.Second},
		CheckRedirect: func(req *http.Request, via []*http.Request) error {
			if len(via) > 3 || req.URL.Host != via[0].URL.Host || req.URL.Scheme != via[0].URL.Scheme {
				return fmt.Errorf("%w: it sends on to %s", errElsewhere, req.URL.Host)
			}
			return nil
		},
	}
}
