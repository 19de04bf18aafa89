package server

import (
	"strings"
	"testing"
	"testing/fstest"
)

const manifest = `{
 "index.html":{"file":"assets/index-1.js","imports":["_vue.js"],"css":["assets/index-1.css"],"assets":["assets/sans-latin-wght-normal-1.woff2","assets/sans-vietnamese-wght-normal-1.woff2"]},
 "_vue.js":{"file":"assets/vue-1.js"},
 "_select.js":{"file":"assets/select-1.js","css":["assets/select-1.css"],"imports":["_vue.js","_select.js"]},
 "src/views/JobView.vue":{"file":"assets/JobView-1.js","imports":["_vue.js"]},
 "src/views/LayView.vue":{"file":"assets/LayView-1.js","imports":["_select.js","_gone.js","index.html"]},
 "src/views/LarderView.vue":{"file":"assets/LarderView-1.js"}}`

func TestEarly(t *testing.T) {
	e, err := readEarly(fstest.MapFS{"manifest.json": {Data: []byte(manifest)}})
	if err != nil {
		t.Fatal(err)
	}
	const job = "jobs/6f1c24d8-1111-4222-8333-444455556666"
	for path, want := range map[string][]string{
		job + "/lay":   {"LayView-1.js>; rel=modulepreload", "JobView-1.js", "select-1.js", "select-1.css>; rel=preload; as=style", "/api/v1/" + job + ">; rel=preload; as=fetch", "/derived>", "/scene>", "latin-wght-normal-1.woff2"},
		job + "/brief": {"JobView-1.js", "/derived>"},
		"":             {"/api/v1/jobs?which=coming>"},
		"larder":       {"LarderView-1.js"},
		"nowhere":      {"latin"},
	} {
		got := e.links(path)
		for _, w := range want {
			if !strings.Contains(got, w) {
				t.Errorf("%s: %s is not among %s", path, w, got)
			}
		}
		for _, not := range []string{"vue-1.js", "index-1", "vietnamese", ", ,"} {
			if strings.Contains(got, not) {
				t.Errorf("%s: %s comes anyway, or is not wanted: %s", path, not, got)
			}
		}
		if (path == job+"/lay") != strings.Contains(got, "/scene>") {
			t.Errorf("%s: %s", path, got)
		}
	}
	// what stands in an address is not written into the answer unless it is a job's number
	for _, path := range []string{"jobs/x>; rel=y/lay", job + "/LAY", job + "/lay/more", job[:20] + "/lay"} {
		if got := e.links(path); strings.Contains(got, "jobs/") || strings.Contains(got, "LayView") {
			t.Errorf("%q: %s", path, got)
		}
	}
	if e, err := readEarly(fstest.MapFS{}); err != nil || e.links(job+"/brief") != "</api/v1/"+job+">; rel=preload; as=fetch; crossorigin, </api/v1/larder>; rel=preload; as=fetch; crossorigin, </api/v1/"+job+"/derived>; rel=preload; as=fetch; crossorigin" {
		t.Errorf("without a manifest: %v", err)
	}
	if _, err := readEarly(fstest.MapFS{"manifest.json": {Data: []byte("{")}}); err == nil {
		t.Error("half a manifest was read")
	}
}

// Only pages tell what comes next, and they tell it where they have not changed, too.
func TestPagesTellEarly(t *testing.T) {
	d := open(t, db.DSN())
	for path, tells := range map[string]bool{"/": true, "/jobs/6f1c24d8-1111-4222-8333-444455556666/lay": true, "/assets/a.js": false, "/healthz": false} {
		if got := d.ask("GET", path, nil).header.Get("Link"); (got != "") != tells {
			t.Errorf("%s: %q", path, got)
		}
	}
}
