package server

import (
	"context"
	"errors"
	"net"
	"net/http"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"happytray/app"
	"happytray/core/document"
	"happytray/core/fault"
	"happytray/server/api"
)

// Who asks is either the house - somebody at the computer on which this runs - or a
// device at the door. The house is trusted; a device sees nothing before it was let in.

// deviceCookie carries the token by which a device is known.
const deviceCookie = "happytray_device"

// cookieHolds is how long a browser keeps the cookie, s. The token in it runs out by itself.
const cookieHolds = 90 * 24 * 3600

// deviceKey is where it lies in a request's context which device asks; nothing where it
// is the house.
const deviceKey = "device"

// put out is looked for so often while a long answer is written: it ends within a second.
const lookAgain = 300 * time.Millisecond

// errPutOut is why a long answer ends when its device is put out.
var errPutOut = errors.New("the device was put out")

type atDoorKey struct{}

// atDoor reports whether a request comes from beyond this machine: through the door's
// own listener, from another machine, or through a proxy.
func atDoor(r *http.Request) bool {
	if r.Context().Value(atDoorKey{}) != nil || !loopback(hostOf(r.RemoteAddr)) {
		return true
	}
	for _, name := range []string{"Forwarded", "X-Forwarded-For", "X-Forwarded-Host", "X-Forwarded-Proto", "X-Real-Ip", "Via"} {
		if r.Header.Get(name) != "" {
			return true
		}
	}
	return false
}

// cameFrom is the address that a request came from: what a proxy on this machine says,
// else that of the connection.
func cameFrom(r *http.Request) string {
	from := hostOf(r.RemoteAddr)
	if !loopback(from) {
		return from
	}
	all := strings.Split(r.Header.Get("X-Forwarded-For"), ",")
	if ip := net.ParseIP(strings.TrimSpace(all[len(all)-1])); ip != nil {
		return ip.String()
	}
	return from
}

// secure reports whether a request was encrypted on its way to the proxy before this.
func (s *Server) secure(r *http.Request) bool {
	return s.door.secure() || loopback(hostOf(r.RemoteAddr)) && r.Header.Get("X-Forwarded-Proto") == "https"
}

// guard lets through what comes from the house and from devices that were let in.
// Everybody else is shown how to be, and nothing besides.
func (s *Server) guard(site *pages) gin.HandlerFunc {
	return func(c *gin.Context) {
		if !atDoor(c.Request) {
			c.Next()
			return
		}
		if operation(c) == "enter" || site.ofDoor(c.Request) {
			c.Next()
			return
		}
		token, _ := c.Cookie(deviceCookie)
		device, err := s.app.LetIn(c.Request.Context(), token)
		switch {
		case errors.Is(err, app.ErrNotLetIn):
			s.turnAway(c, site, token != "")
			return
		case err != nil:
			s.fail(c, aThing, err)
			return
		}
		c.Set(deviceKey, device)
		ctx, end := context.WithCancelCause(c.Request.Context())
		defer end(nil)
		c.Request = c.Request.WithContext(ctx)
		defer s.watch(ctx, token, func() { end(errPutOut) })()
		c.Next()
	}
}

// watch ends a long answer when its device is put out meanwhile.
func (s *Server) watch(ctx context.Context, token string, end func()) (stop func()) {
	var look *time.Timer
	look = time.AfterFunc(lookAgain, func() {
		if _, err := s.app.LetIn(ctx, token); errors.Is(err, app.ErrNotLetIn) {
			end()
		} else if ctx.Err() == nil {
			look.Reset(lookAgain)
		}
	})
	return func() { look.Stop() }
}

// turnAway shows a browser the door's page, and tells a program what it lacks.
func (s *Server) turnAway(c *gin.Context, site *pages, known bool) {
	if known { // what it was let in with is worth nothing any more, nor what it has kept
		s.setCookie(c, "", -1)
		c.Header("Clear-Site-Data", `"cache"`)
	}
	if r := c.Request; r.Method == http.MethodGet && !strings.HasPrefix(r.URL.Path, "/api/") && strings.Contains(r.Header.Get("Accept"), "text/html") && site.door != nil {
		c.Header("Cache-Control", "no-store")
		c.Data(http.StatusUnauthorized, site.door.media, site.door.data)
		c.Abort()
		return
	}
	problem(c, http.StatusUnauthorized, "This device has not been let in", "Ask for a key at the house's computer: Devices, Let a device in.", "")
}

func (s *Server) setCookie(c *gin.Context, token string, seconds int) {
	http.SetCookie(c.Writer, &http.Cookie{Name: deviceCookie, Value: token, Path: "/", MaxAge: seconds, HttpOnly: true, SameSite: http.SameSiteStrictMode, Secure: s.secure(c.Request)})
}

// asking is the device that asks, if it is one.
func asking(c *gin.Context) (app.Device, bool) {
	v, _ := c.Get(deviceKey)
	d, ok := v.(app.Device)
	return d, ok
}

// houseOnly answers devices that only the house may do this.
func houseOnly(c *gin.Context) bool {
	if _, is := asking(c); is {
		problem(c, http.StatusForbidden, "Only at the house's own computer", "Who is in is decided there.", "")
		return false
	}
	return true
}

// Door tells whether devices may be let in and which are.
func (s *Server) Door(c *gin.Context) {
	state, err := s.app.Door(c.Request.Context())
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	secure := s.secure(c.Request)
	out := api.Door{Here: api.DoorHereHouse, Open: state.Open, Secure: &secure, Addresses: []string{}, Devices: []api.Device{}}
	device, is := asking(c)
	if is {
		out.Here, out.Name = api.DoorHereDevice, &device.Name
		state.Devices = []app.Device{device}
	} else {
		out.Listening, out.Trouble = s.door.state()
		out.Addresses = s.door.addresses()
		out.KeyUntil = state.KeyUntil
		secure = s.door.secure()
	}
	for _, d := range state.Devices {
		out.Devices = append(out.Devices, api.Device{Id: d.ID, Name: d.Name, LetIn: d.LetIn, Seen: d.Seen})
	}
	c.JSON(http.StatusOK, out)
}

// SetDoor opens the door or shuts it.
func (s *Server) SetDoor(c *gin.Context) {
	var in api.DoorAsked
	if !houseOnly(c) {
		return
	}
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, aThing, err)
		return
	}
	err := s.app.OpenDoor(c.Request.Context(), in.Open)
	if err == nil {
		s.door.look(c.Request.Context())
	}
	s.done(c, aThing, err)
}

// MakeKey makes a key for one device.
func (s *Server) MakeKey(c *gin.Context) {
	if !houseOnly(c) {
		return
	}
	key, until, err := s.app.MakeKey(c.Request.Context())
	if err != nil {
		s.fail(c, aThing, err)
		return
	}
	out := api.DoorKey{Key: key[:len(key)/2] + "-" + key[len(key)/2:], Links: []string{}, Until: until}
	for _, address := range s.door.addresses() {
		out.Links = append(out.Links, address+"/enter#"+out.Key) // what stands behind # goes to no server and into no log
	}
	c.JSON(http.StatusCreated, out)
}

// Enter lets a device in.
func (s *Server) Enter(c *gin.Context) {
	var in api.EnterAsked
	if err := document.Read(body(c), &in); err != nil {
		s.fail(c, aThing, err)
		return
	}
	token, err := s.app.Enter(c.Request.Context(), in.Key, in.Name, cameFrom(c.Request))
	switch {
	case errors.Is(err, app.ErrTries):
		c.Header("Retry-After", "600")
		problem(c, http.StatusTooManyRequests, "Too many keys were wrong", "Wait ten minutes, then ask for a new key.", "key")
	case errors.Is(err, app.ErrNotLetIn):
		s.fail(c, aThing, fault.Bad("", "phones and tablets are off; turn them on at the house's computer, under Devices"))
	case err != nil:
		s.fail(c, aThing, err)
	default:
		s.setCookie(c, token, cookieHolds)
		c.Status(http.StatusNoContent)
	}
}

// Leave puts out the device that asks.
func (s *Server) Leave(c *gin.Context) {
	device, is := asking(c)
	if !is {
		s.fail(c, aThing, fault.Bad("", "this is the house's own computer, which nobody let in"))
		return
	}
	s.setCookie(c, "", -1)
	s.done(c, aThing, s.app.PutOut(c.Request.Context(), device.ID))
}

// PutOut puts a device out.
func (s *Server) PutOut(c *gin.Context, id string) {
	if houseOnly(c) {
		s.done(c, aThing, s.app.PutOut(c.Request.Context(), id))
	}
}
