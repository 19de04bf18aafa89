package server

import (
	"encoding/json"
	"fmt"
	"io/fs"
	"regexp"
	"slices"
	"strings"
)

// early knows what a page will ask for first, so that it can be told along with the page
// itself: the code of its view, which else is asked for when the page's own code has come,
// and what the view then asks of the server.
type early struct {
	fonts string
	views map[string]string // Link headers by the name of a view
	door  map[string]bool   // the files of the door's page
}

// chunk is an entry of the build's manifest.
type chunk struct {
	File    string   `json:"file"`
	CSS     []string `json:"css"`
	Imports []string `json:"imports"`
	Assets  []string `json:"assets"`
}

// readEarly reads the build's manifest; without one nothing is told early.
func readEarly(web fs.FS) (early, error) {
	e := early{views: map[string]string{}, door: map[string]bool{}}
	raw, err := fs.ReadFile(web, "manifest.json")
	if err != nil {
		return e, nil
	}
	var manifest map[string]chunk
	if err := json.Unmarshal(raw, &manifest); err != nil {
		return e, fmt.Errorf("the manifest of the pages: %w", err)
	}
	var fonts []string
	for _, a := range manifest["index.html"].Assets {
		if strings.Contains(a, "-latin-wght-normal") {
			fonts = append(fonts, link(a, `rel=preload; as=font; type="font/woff2"; crossorigin`))
		}
	}
	e.fonts = strings.Join(fonts, ", ")
	gather(manifest, doorPage, e.door)
	for _, c := range manifest {
		if e.door[c.File] {
			for _, a := range c.Assets { // fonts
				e.door[a] = true
			}
		}
	}
	with := map[string]bool{} // what comes along with every page
	gather(manifest, "index.html", with)
	for source := range manifest {
		name, ok := strings.CutPrefix(source, "src/views/")
		if name, is := strings.CutSuffix(name, "View.vue"); ok && is {
			files := map[string]bool{}
			gather(manifest, source, files)
			var links []string
			for f := range files {
				switch {
				case with[f]:
				case strings.HasSuffix(f, ".css"):
					links = append(links, link(f, "rel=preload; as=style; crossorigin"))
				default:
					links = append(links, link(f, "rel=modulepreload; crossorigin"))
				}
			}
			slices.Sort(links)
			e.views[strings.ToLower(name)] = strings.Join(links, ", ")
		}
	}
	return e, nil
}

func link(file, how string) string { return "</" + file + ">; " + how }

// gather notes the files of a chunk and of all it imports.
func gather(manifest map[string]chunk, name string, into map[string]bool) {
	c, ok := manifest[name]
	if !ok || into[c.File] {
		return
	}
	into[c.File] = true
	for _, css := range c.CSS {
		into[css] = true
	}
	for _, i := range c.Imports {
		gather(manifest, i, into)
	}
}

var stageOfJob = regexp.MustCompile(`^jobs/([0-9a-f-]{36})/([a-z]{1,20})$`)

// links is the Link header for the page of a path, which is cleaned and begins without a slash.
func (e early) links(path string) string {
	var ask []string
	views := []string{path}
	if m := stageOfJob.FindStringSubmatch(path); m != nil {
		views = []string{"job", m[2]}
		job := "api/v1/jobs/" + m[1]
		ask = []string{job, "api/v1/larder", job + "/derived"}
		if m[2] == "lay" {
			ask = append(ask, job+"/scene")
		}
	} else if path == "" {
		ask = []string{"api/v1/jobs?which=coming"}
	}
	out := []string{e.fonts}
	for _, v := range views {
		out = append(out, e.views[v])
	}
	for _, a := range ask {
		how := "rel=preload; as=fetch; crossorigin"
		if strings.HasSuffix(a, "/scene") { // large, and wanted last: words and places are drawn before it
			how += "; fetchpriority=low"
		}
		out = append(out, link(a, how))
	}
	return strings.Join(slices.DeleteFunc(out, func(s string) bool { return s == "" }), ", ")
}
