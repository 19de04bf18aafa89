package shop

import (
	"errors"
	"fmt"
	"net"
	"net/http"
	"net/netip"
	"net/url"
	"slices"
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
	return ip.IsGlobalUnicast() && !ip.IsPrivate() && !slices.ContainsFunc(inside, func(n netip.Prefix) bool { return n.Contains(ip) })
}

// inside are addresses that look public and may lead to machines that only this one can reach: what providers use inside
// (RFC 6598), and what carries another address in it, through a translator or a tunnel - NAT64 (RFC 6052, RFC 8215),
// 6to4 (RFC 3056), Teredo (RFC 4380), addresses of IPv4 in IPv6 (RFC 4291) -, and nets for protocols, tests and
// examples (RFC 6890).
var inside = []netip.Prefix{
	netip.MustParsePrefix("100.64.0.0/10"), netip.MustParsePrefix("192.0.0.0/24"), netip.MustParsePrefix("198.18.0.0/15"), netip.MustParsePrefix("240.0.0.0/4"),
	netip.MustParsePrefix("64:ff9b::/96"), netip.MustParsePrefix("64:ff9b:1::/48"), netip.MustParsePrefix("2002::/16"), netip.MustParsePrefix("2001::/32"),
	netip.MustParsePrefix("::/96"), netip.MustParsePrefix("100::/64"),
}

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
