package server

import (
	"net"
	"net/http"
	"slices"
	"strings"

	"github.com/gin-gonic/gin"
)

// policy says what pages of this program may load: what ships with it, drawings that it
// makes, and nothing that is written into a page.
const policy = "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"

// headers are sent with every answer. Answers are not kept by anybody unless a handler
// says otherwise.
func headers(c *gin.Context) {
	h := c.Writer.Header()
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("Referrer-Policy", "no-referrer")
	h.Set("Content-Security-Policy", policy)
	h.Set("Cross-Origin-Opener-Policy", "same-origin")
	h.Set("Cross-Origin-Resource-Policy", "same-origin")
	h.Set("Cache-Control", "no-store")
	c.Next()
}

// hosts refuses requests for another host than those this server is reached by: names of
// loopback, the address that the request came to, and the names in also. A page elsewhere
// whose name was made to lead here must not read anything (DNS rebinding).
func hosts(also []string) gin.HandlerFunc {
	names := []string{"localhost"}
	for _, h := range also {
		names = append(names, strings.ToLower(strings.TrimSpace(h)))
	}
	return func(c *gin.Context) {
		name := hostOf(strings.ToLower(c.Request.Host))
		if !slices.Contains(names, name) && !loopback(name) && name != arrivedAt(c.Request) {
			problem(c, http.StatusMisdirectedRequest, "This is not known here by that name", "Open it by the address it was started on, or name this one in HAPPYTRAY_HOSTS.", "Host")
			return
		}
		c.Next()
	}
}

func hostOf(hostport string) string {
	if host, _, err := net.SplitHostPort(hostport); err == nil {
		hostport = host
	}
	return strings.TrimSuffix(strings.Trim(hostport, "[]"), ".")
}

func loopback(name string) bool {
	ip := net.ParseIP(name)
	return ip != nil && ip.IsLoopback()
}

// arrivedAt is the address of this machine that a request's connection was made to.
func arrivedAt(r *http.Request) string {
	at, _ := r.Context().Value(http.LocalAddrContextKey).(net.Addr)
	if at == nil {
		return ""
	}
	return hostOf(at.String())
}

// sameOrigin lets only pages of this very site change anything, with the standard
// library's protection, which reads fetch metadata and, where there is none, Origin.
func sameOrigin() gin.HandlerFunc {
	guard := http.NewCrossOriginProtection()
	return func(c *gin.Context) {
		if err := guard.Check(c.Request); err != nil {
			problem(c, http.StatusForbidden, "Another site asked for this", "Only pages of this program may change anything.", "")
			return
		}
		c.Next()
	}
}
