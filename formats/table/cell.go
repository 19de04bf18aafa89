package table

import (
	"fmt"
	"math"
	"strconv"
	"strings"
)

// decimal writes a number with a point and no more digits than it needs.
func decimal(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) }

// parseNumber reads 4.5 or 4,5; a number with both is refused, because nobody
// can tell which of them is which.
func parseNumber(c string) (float64, error) {
	n := strings.TrimSpace(c)
	if strings.Contains(n, ",") {
		if strings.Contains(n, ".") || strings.Count(n, ",") > 1 {
			return 0, fmt.Errorf("%.40q has marks for thousands; write it as 1234.5 or 1234,5", c)
		}
		n = strings.Replace(n, ",", ".", 1)
	}
	v, err := strconv.ParseFloat(n, 64)
	if err != nil || math.IsNaN(v) || math.IsInf(v, 0) {
		return 0, fmt.Errorf("%.40q is not a number", c)
	}
	return v, nil
}

func parseWhole(c string) (int, error) {
	v, err := parseNumber(c)
	if err != nil {
		return 0, err
	}
	if v != math.Trunc(v) || math.Abs(v) > 1e9 {
		return 0, fmt.Errorf("%.40q is not a whole number", c)
	}
	return int(v), nil
}

func yesNo(v bool) string {
	if v {
		return "yes"
	}
	return ""
}

func parseYes(c string) (bool, error) {
	switch strings.ToLower(strings.TrimSpace(c)) {
	case "yes", "true", "1", "x":
		return true, nil
	case "", "no", "false", "0":
		return false, nil
	}
	return false, fmt.Errorf("%.40q should be yes or empty", c)
}

// words splits a list; words hold no spaces.
func words(c string) []string {
	w := strings.FieldsFunc(c, func(r rune) bool { return r == ' ' || r == '|' || r == '\n' || r == '\t' || r == '\r' })
	if w == nil {
		return []string{}
	}
	return w
}

// price writes minor units in the larger coin.
func price(minor, digits int) string {
	return strconv.FormatFloat(float64(minor)/math.Pow10(digits), 'f', digits, 64)
}

func parsePrice(c string, digits int) (int, error) {
	v, err := parseNumber(c)
	if err != nil {
		return 0, err
	}
	minor := v * math.Pow10(digits)
	if minor < 0 || minor > 1e7 {
		return 0, fmt.Errorf("%.40q is no price", c)
	}
	if math.Abs(minor-math.Round(minor)) > 1e-6 {
		return 0, fmt.Errorf("%.40q is finer than the smallest coin", c)
	}
	return int(math.Round(minor)), nil
}
