package board

import "slices"

// Stand is a tiered stand: boards above each other on one post, which share the food of those it is for.
type Stand struct {
	ID     string   `json:"id"`
	Name   string   `json:"name"`
	Boards []string `json:"boards"` // ids, from the bottom up
}

// Stands lists the tiered stands there are. Their tiers are as far apart as a hand is high, so what lies on boards lies on them, too.
func Stands() []Stand {
	return []Stand{
		{"stand-2", "Tiered stand of two, glazed", []string{"tier-30-glaze", "tier-22-glaze"}},
		{"stand-3", "Tiered stand of three, glazed", []string{"tier-34-glaze", "tier-28-glaze", "tier-22-glaze"}},
		{"stand-3-great", "Great tiered stand of three, oak", []string{"tier-42-oak", "tier-34-oak", "tier-26-oak"}},
	}
}

// OfStands is requests with every stand among them as its boards, from the bottom up.
func OfStands(asked []Request) []Request {
	var out []Request
	for _, r := range asked {
		of := []string{r.ID}
		for _, s := range Stands() {
			if r.Named() && s.ID == r.ID {
				of = s.Boards
			}
		}
		for _, id := range of {
			one := r
			one.ID = id
			out = append(out, one)
		}
	}
	return out
}

// IsTier reports whether a board is a tier of one.
func IsTier(b *Board) bool {
	return b != nil && slices.ContainsFunc(Stands(), func(s Stand) bool { return slices.Contains(s.Boards, b.ID) })
}

// IsUpperTier reports whether a board is a tier of one that stands over another.
func IsUpperTier(b *Board) bool {
	return b != nil && slices.ContainsFunc(Stands(), func(s Stand) bool { return slices.Index(s.Boards, b.ID) > 0 })
}
