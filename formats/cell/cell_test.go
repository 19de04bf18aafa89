package cell

import "testing"

func TestNoTextIsAFormula(t *testing.T) {
	for text, want := range map[string]string{
		"": "", "honey": "honey", "=1+1": "'=1+1", "+SUM(A1)": "'+SUM(A1)", "-A1": "'-A1", "@SUM(A1:A9)": "'@SUM(A1:A9)", "\tx": "'\tx", "\r=x": "'\r=x", "'quoted": "''quoted",
		"-5": "-5", "+4.5": "+4.5", "-5 g": "'-5 g", "a=b": "a=b", "é": "é",
	} {
		got := Text(text)
		if got != want {
			t.Errorf("%q is written as %q, want %q", text, got, want)
		}
		if back := Plain(got); back != text {
			t.Errorf("%q is read back as %q", text, back)
		}
	}
}

func FuzzText(f *testing.F) {
	for _, s := range []string{"=x", "'", "''", "-1", "@"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		if got := Plain(Text(s)); got != s {
			t.Errorf("%q came back as %q", s, got)
		}
	})
}
