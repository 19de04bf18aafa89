package art

import "strings"

// fragment is a piece of SVG that markup wrote.
type fragment = string

// markup writes SVG. It is the only place where tags are made: whatever is written as
// a value or a text, as a vessel's name, stays one.
type markup struct{ strings.Builder }

// leaf writes a tag without anything inside. Attributes are names and values in turn;
// one without a value is left out.
func (m *markup) leaf(tag string, attributes ...string) {
	m.begin(tag, attributes)
	m.WriteString("/>")
}

// open begins a tag that shut ends.
func (m *markup) open(tag string, attributes ...string) {
	m.begin(tag, attributes)
	m.WriteByte('>')
}

func (m *markup) shut(tag string) {
	m.WriteString("</")
	m.WriteString(tag)
	m.WriteByte('>')
}

// text writes words.
func (m *markup) text(s string) { m.WriteString(escaped(s)) }

// put writes what was written before.
func (m *markup) put(f fragment) { m.WriteString(f) }

func (m *markup) begin(tag string, attributes []string) {
	m.WriteByte('<')
	m.WriteString(tag)
	for i := 0; i+1 < len(attributes); i += 2 {
		if attributes[i+1] == "" {
			continue
		}
		m.WriteByte(' ')
		m.WriteString(attributes[i])
		m.WriteString(`="`)
		m.WriteString(escaped(attributes[i+1]))
		m.WriteByte('"')
	}
}

var escapes = strings.NewReplacer("&", "&amp;", "<", "&lt;", ">", "&gt;", `"`, "&quot;", "'", "&#39;")

// escaped is a text in which no sign means anything to a reader of XML; what XML cannot
// hold is left out.
func escaped(s string) string {
	if strings.IndexFunc(s, func(r rune) bool {
		return strings.ContainsRune(`&<>"'`, r) || r < ' ' || r == '�' || r == 0xfffe || r == 0xffff
	}) < 0 {
		return s
	}
	s = strings.Map(func(r rune) rune {
		if r < ' ' && r != '\t' && r != '\n' || r == '�' || r == 0xfffe || r == 0xffff {
			return -1
		}
		return r
	}, s)
	return escapes.Replace(s)
}

// placed says where something is put: at a place, turned by degrees round it.
func placed(x, y, turn float64) string {
	s := "translate(" + f(x) + " " + f(y) + ")"
	if turn != 0 {
		s += " rotate(" + f(turn) + ")"
	}
	return s
}
