package theme

// asked is what a theme asks for beyond food: the shape of a board that it is known on, as a board's id begins, and the
// drinks that belong to it, the best known first. Only what nearly everybody would say is here.
var asked = map[string]struct {
	shape  string
	drinks []string
}{
	"tea time":        {"round", []string{"cold black tea with lemon", "coffee or strong tea"}},
	"brunch":          {"", []string{"orange juice with sparkling water", "dry sparkling wine"}},
	"wine and cheese": {"", []string{"dark grape juice", "full red wine", "full, aged white wine"}},
	"match night":     {"rectangle", []string{"alcohol-free malt drink", "wheat beer"}},
	"wedding":         {"round", []string{"pear juice with sparkling water", "dry sparkling wine"}},
	"black and gold":  {"round", []string{"pear juice with sparkling water", "dry sparkling wine"}},
	"hearts":          {"round", []string{"berry cordial with water", "dry sparkling wine"}},
	"midwinter feast": {"round", []string{"hot spiced apple juice", "dark grape juice", "fortified sweet wine"}},
	"snow":            {"round", nil},
	"orchard":         {"", []string{"cloudy apple juice", "dry cider"}},
	"dusk and smoke":  {"", []string{"alcohol-free malt drink", "dark malty beer"}},
	"harbour":         {"", []string{"sharp lemonade", "crisp dry white wine"}},
	"picnic":          {"", []string{"sharp lemonade", "dry cider"}},
	"school's out":    {"rectangle", []string{"cloudy apple juice", "berry cordial with water"}},
	"office lunch":    {"rectangle", []string{"cloudy apple juice", "cold green tea"}},
}

// Shape is that of the board that the theme is known on, as a board's id begins; "" for any.
func (t *Theme) Shape() string {
	if t == nil {
		return ""
	}
	return asked[t.Name].shape
}

// Drinks are those that belong to the theme.
func (t *Theme) Drinks() []string {
	if t == nil {
		return nil
	}
	return asked[t.Name].drinks
}
