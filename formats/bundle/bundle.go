// Package bundle writes and reads several open files as one: a zip with a manifest that lists each of them with its
// size and checksum. What is read comes from outside, so nothing is taken that the manifest does not name, that would
// lie elsewhere, or that grows beyond its bounds.
package bundle

import (
	"archive/zip"
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"io"
	"path"
	"slices"
	"strings"
	"time"

	"happytray/core/document"
	"happytray/core/fault"
)

// Format is what a manifest calls itself.
const Format = "happytray-bundle/1"

// Manifest is the first file of a bundle, manifest.json.
type Manifest struct {
	Format string    `json:"format"`
	Made   time.Time `json:"made"`
	Files  []Entry   `json:"files"`
}

// Entry is one file.
type Entry struct {
	Path   string `json:"path"`
	Media  string `json:"media"`
	Bytes  int    `json:"bytes"`
	SHA256 string `json:"sha256"`
}

// File is one file with what is in it.
type File struct {
	Path, Media string
	Data        []byte
}

// Bounds of a bundle from outside.
const (
	MaxPacked   = 48 << 20  // bytes of the zip
	maxUnpacked = 160 << 20 // of all its files
	maxFile     = 24 << 20
	maxFiles    = 6000
	maxPath     = 200
	manifest    = "manifest.json"
)

// Write packs files in their order; the same files give the same bytes for the same moment.
func Write(w io.Writer, files []File, made time.Time) error {
	m := Manifest{Format: Format, Made: made.UTC().Truncate(time.Second), Files: []Entry{}}
	for _, f := range files {
		if err := checkPath(f.Path); err != nil {
			return err
		}
		sum := sha256.Sum256(f.Data)
		m.Files = append(m.Files, Entry{f.Path, f.Media, len(f.Data), hex.EncodeToString(sum[:])})
	}
	raw, err := json.MarshalIndent(m, "", "  ")
	if err != nil {
		return err
	}
	z := zip.NewWriter(w)
	for _, f := range append([]File{{manifest, "application/json", raw}}, files...) {
		method := zip.Deflate
		if strings.HasPrefix(f.Media, "image/jpeg") {
			method = zip.Store // it is packed already
		}
		in, err := z.CreateHeader(&zip.FileHeader{Name: f.Path, Method: method, Modified: m.Made})
		if err != nil {
			return err
		}
		if _, err := in.Write(f.Data); err != nil {
			return err
		}
	}
	return z.Close()
}

// Read unpacks a bundle and holds every file against the manifest. Errors are sentences about the file that was sent.
func Read(raw []byte) (Manifest, []File, error) {
	var m Manifest
	if len(raw) > MaxPacked {
		return m, nil, fault.Bad("", "a bundle has at most %d MB", MaxPacked>>20)
	}
	z, err := zip.NewReader(bytes.NewReader(raw), int64(len(raw)))
	if err != nil {
		return m, nil, fault.Bad("", "this is no zip file, or a part of it is missing")
	}
	if len(z.File) > maxFiles+1 {
		return m, nil, fault.Bad("", "a bundle holds at most %d files", maxFiles)
	}
	in := map[string]*zip.File{}
	for _, f := range z.File {
		if strings.HasSuffix(f.Name, "/") && f.UncompressedSize64 == 0 {
			continue // a folder, as some programs write them
		}
		if err := checkPath(f.Name); err != nil {
			return m, nil, err
		}
		if !f.Mode().IsRegular() {
			return m, nil, fault.Bad("", "%.80q is a link or something else that is no file", f.Name)
		}
		if _, twice := in[f.Name]; twice {
			return m, nil, fault.Bad("", "%.80q is in it twice", f.Name)
		}
		in[f.Name] = f
	}
	head, ok := in[manifest]
	if !ok {
		return m, nil, fault.Bad("", "it has no manifest.json: it was not written by this program")
	}
	budget := maxUnpacked
	first, err := unpack(head, 4<<20, &budget)
	if err != nil {
		return m, nil, err
	}
	if err := document.Read(first, &m); err != nil {
		return m, nil, fault.In(manifest, err)
	}
	if m.Format != Format {
		return m, nil, fault.Bad(manifest, "its format is %.40q; this program reads %s", m.Format, Format)
	}
	if len(m.Files) != len(in)-1 {
		return m, nil, fault.Bad(manifest, "it lists %d files and the zip holds %d", len(m.Files), len(in)-1)
	}
	out := make([]File, 0, len(m.Files))
	seen := map[string]bool{}
	for _, e := range m.Files {
		f, ok := in[e.Path]
		if !ok || e.Path == manifest || seen[e.Path] {
			return m, nil, fault.Bad(manifest, "%.80q is not in the zip, or listed twice", e.Path)
		}
		seen[e.Path] = true
		data, err := unpack(f, maxFile, &budget)
		if err != nil {
			return m, nil, err
		}
		sum := sha256.Sum256(data)
		if len(data) != e.Bytes || !strings.EqualFold(hex.EncodeToString(sum[:]), e.SHA256) {
			return m, nil, fault.Bad("", "%.80q is not as it was written: it was changed or damaged on the way", e.Path)
		}
		out = append(out, File{e.Path, e.Media, data})
	}
	return m, out, nil
}

// unpack reads one file of a zip within its bound and the rest of the budget, whatever its header says.
func unpack(f *zip.File, most int, budget *int) ([]byte, error) {
	most = min(most, *budget)
	tooLarge := fault.Bad("", "%.80q is too large when it is unpacked", f.Name)
	if f.UncompressedSize64 > uint64(most) {
		return nil, tooLarge
	}
	r, err := f.Open()
	if err != nil {
		return nil, fault.Bad("", "%.80q cannot be unpacked", f.Name)
	}
	defer r.Close()
	data, err := io.ReadAll(io.LimitReader(r, int64(most)+1))
	if err != nil {
		return nil, fault.Bad("", "%.80q is damaged", f.Name)
	}
	if len(data) > most {
		return nil, tooLarge
	}
	*budget -= len(data)
	return data, nil
}

// checkPath holds a name in a zip against what may be there: plain, relative, inside.
func checkPath(p string) error {
	if p == "" || len(p) > maxPath || path.IsAbs(p) || path.Clean(p) != p || strings.HasPrefix(p, "../") || p == ".." || strings.ContainsAny(p, "\\:\x00") ||
		slices.ContainsFunc([]rune(p), func(r rune) bool { return r < ' ' || r == 0x7f || r == 0xfffd }) {
		return fault.Bad("", "%.80q is no path inside a bundle", p)
	}
	return nil
}
