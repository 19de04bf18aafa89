package brief

import "happytray/core/fault"

// Styles of laying a tray.
var Styles = []string{"corners", "winding", "mirrored", "wheel", "meadow"}

// CheckStyle checks the name of a style; "" leaves the choice to the board.
func CheckStyle(style string) error {
	if style == "" {
		return nil
	}
	return fault.OneOf("style", style, Styles...)
}
