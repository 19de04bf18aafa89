// Command sheet writes pages that show every built-in food in each of its forms,
// so that a person can look through them all in a few pictures. Run it by
// `make sheet`.
package main

import (
	"fmt"
	"html"
	"log"
	"os"
	"path/filepath"
	"strings"

	"happytray/art"
	"happytray/core/food"
)

// perPage is how many drawings a page of 1500 x 1250 pixels shows.
const perPage = 60

func main() {
	if len(os.Args) != 2 {
		log.Fatal("call: sheet DIRECTORY")
	}
	dir := os.Args[1]
	if err := os.MkdirAll(dir, 0o755); err != nil {
		log.Fatal(err)
	}
	var cells []string
	all := food.BuiltIn().All()
	for i := range all {
		f := &all[i]
		for _, s := range f.Ways() {
			svg := unique(art.Portion(f, s.Form), len(cells))
			cells = append(cells, fmt.Sprintf(`<figure>%s<figcaption>%s<br><i>%s</i></figcaption></figure>`, svg, html.EscapeString(f.Name), s.Form))
		}
	}
	for p := 0; p*perPage < len(cells); p++ {
		page := `<!doctype html><meta charset="utf-8"><style>body{margin:6px;background:#b98d5c;display:grid;grid-template-columns:repeat(10,1fr);gap:4px;font:11px sans-serif}
figure{margin:0;background:#ece4d4;text-align:center;height:200px}svg{height:160px;width:100%}figcaption{line-height:1.2}</style>` +
			strings.Join(cells[p*perPage:min(len(cells), (p+1)*perPage)], "")
		if err := os.WriteFile(filepath.Join(dir, fmt.Sprintf("sheet-%d.html", p+1)), []byte(page), 0o644); err != nil {
			log.Fatal(err)
		}
	}
	fmt.Println(len(cells), "drawings in", dir)
}

// unique keeps gradients of one drawing apart from those of the next on the page.
func unique(svg string, n int) string {
	pre := fmt.Sprintf("c%d-", n)
	return strings.NewReplacer(`id="g`, `id="`+pre+`g`, `url(#g`, `url(#`+pre+`g`).Replace(svg)
}
