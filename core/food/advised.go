package food

// Advisories are the kinds of food, of those that pregnant guests and those of weak immunity are commonly advised
// against, that this one is (docs/craft.md, Time and care): those that its entry names. Of a food whose entry says
// nothing, such as one that somebody adds in haste, it is judged with care from the rest. It is no advice and no promise.
func (f *Food) Advisories() []string {
	if f.Advised != nil {
		return f.Advised
	}
	animal := f.Holds("animal")
	switch {
	case f.Holds("alcohol"):
		return []string{"alcohol"}
	case f.Category == Cheese && animal && (f.Firmness == "soft" && (f.Rind == "edible" || f.Smells) || f.Smells && f.Strength >= 4):
		return []string{"soft mould-ripened"}
	case f.Holds("raw milk"):
		return []string{"raw milk"}
	case f.Category == Meat && f.Holds("fish"):
		return []string{"cold-smoked fish"}
	case f.Category == Meat && f.Holds("meat") && f.Texture == "chewy":
		return []string{"raw cured meat"}
	case f.Category == Meat && f.Holds("meat") && f.Holds("egg"):
		return []string{"pate"}
	}
	return nil
}
