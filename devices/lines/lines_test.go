package lines

import "testing"

func TestCheck(t *testing.T) {
	for _, bad := range []string{"", "scale", "scale:", ":99", "scale:0", "scale:99999", "a:b"} {
		if Check("scale", bad) == nil {
			t.Errorf("%q is an address", bad)
		}
	}
	if err := Check("scale", "127.0.0.1:4001"); err != nil {
		t.Error(err)
	}
}
