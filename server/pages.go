package server

import (
	"bytes"
	"compress/gzip"
	"crypto/sha256"
	"encoding/base64"
	"io"
	"io/fs"
	"mime"
	"net/http"
	"path"
	"strings"

	"github.com/gin-gonic/gin"
)

// pages are the built front end. Files that come with a packed copy beside them, name.gz,
// or as packed copies alone, are sent packed to whoever takes that.
type pages struct {
	files map[string]*page
	early early
	door  *page           // what is shown to who was not let in; nil where it is not built
	open  map[string]bool // names of what that page is made of
}

type page struct {
	data, gz   []byte
	media, tag string
	lasting    bool // its name changes with what is in it
}

// readPages reads all pages once.
func readPages(web fs.FS) (*pages, error) {
	s := &pages{files: map[string]*page{}}
	err := fs.WalkDir(web, ".", func(name string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() {
			return err
		}
		data, err := fs.ReadFile(web, name)
		if err != nil {
			return err
		}
		if plain, packed := strings.CutSuffix(name, ".gz"); packed {
			if _, err := fs.Stat(web, plain); err == nil {
				return nil
			}
			if data, err = unpacked(data); err != nil {
				return err
			}
			name = plain
		}
		sum := sha256.Sum256(data)
		p := &page{data: data, media: mime.TypeByExtension(path.Ext(name)), tag: `W/"` + base64.RawURLEncoding.EncodeToString(sum[:12]) + `"`, lasting: strings.HasPrefix(name, "assets/")}
		p.gz, _ = fs.ReadFile(web, name+".gz") // where there is none it is sent plain
		s.files[name] = p
		return nil
	})
	if err == nil {
		s.early, err = readEarly(web)
	}
	s.door, s.open = s.files[doorPage], s.early.door
	return s, err
}

// unpacked is what a packed file holds: who takes nothing packed gets that.
func unpacked(gz []byte) ([]byte, error) {
	r, err := gzip.NewReader(bytes.NewReader(gz))
	if err != nil {
		return nil, err
	}
	return io.ReadAll(r)
}

// doorPage is shown to who was not let in, and under its own path to everybody.
const (
	doorPage = "door.html"
	doorPath = "/enter"
)

// ofDoor reports whether a request is for the door's own page or what that is made of.
func (s *pages) ofDoor(r *http.Request) bool {
	return (r.Method == http.MethodGet || r.Method == http.MethodHead) && (r.URL.Path == doorPath || s.open[strings.TrimPrefix(r.URL.Path, "/")])
}

// serve answers with a page; unknown paths are the front end's own routes.
func (s *pages) serve(c *gin.Context) {
	name := strings.TrimPrefix(path.Clean("/"+c.Request.URL.Path), "/")
	if strings.HasPrefix(name, "api/") || c.Request.Method != http.MethodGet && c.Request.Method != http.MethodHead {
		problem(c, http.StatusNotFound, "There is nothing here", "", "")
		return
	}
	if "/"+name == doorPath {
		name = doorPage
	}
	p, ok := s.files[name]
	if !ok && (strings.HasPrefix(name, "assets/") || path.Ext(name) != "") {
		problem(c, http.StatusNotFound, "There is nothing here", "", "")
		return
	}
	if !ok {
		if p, ok = s.files["index.html"]; !ok {
			problem(c, http.StatusNotFound, "The pages are not built", "Run make build.", "")
			return
		}
	}
	h := c.Writer.Header()
	if page := s.files["index.html"]; p == page {
		h.Set("Link", s.early.links(strings.TrimPrefix(name, "index.html")))
	}
	h.Set("ETag", p.tag)
	h.Set("Vary", "Accept-Encoding")
	h.Set("Cache-Control", "no-cache")
	if p.lasting {
		h.Set("Cache-Control", "public, max-age=31536000, immutable")
	}
	if strings.Contains(c.GetHeader("If-None-Match"), p.tag) {
		c.Status(http.StatusNotModified)
		return
	}
	takes := c.GetHeader("Accept-Encoding")
	data := p.data
	if p.gz != nil && strings.Contains(takes, "gzip") {
		data = p.gz
		h.Set("Content-Encoding", "gzip")
	}
	c.Data(http.StatusOK, p.media, data)
}
