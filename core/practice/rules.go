package practice

import (
	_ "embed"
	"encoding/json"
	"fmt"
	"sync"
)

// Rule is one rule of the craft on the path of a learner.
type Rule struct {
	ID     string   `json:"id"`
	Stage  int      `json:"stage"`            // 1 to 6, in the order of the work on a board
	Says   string   `json:"says"`             // the rule, as a colleague says it
	Why    string   `json:"why"`              // its reason
	Kinds  []string `json:"kinds"`            // of the exercises that train it
	Checks []string `json:"checks,omitempty"` // of the review, that look after it
	About  string   `json:"about"`            // the heading of docs/craft.md that it stands under
}

//go:embed rules.json
var rulesJSON []byte

// path is the rules in their order.
var path = sync.OnceValue(func() []Rule {
	var out []Rule
	if err := json.Unmarshal(rulesJSON, &out); err != nil {
		panic(fmt.Errorf("practice: %w", err)) // shipped data; a test reads it
	}
	return out
})

// Path lists the rules of the craft in the order in which they are learnt.
func Path() []Rule { return path() }

// ruleOf is the rule that a check of the review looks after; its own id where none does.
func ruleOf(check string) string {
	for _, r := range path() {
		for _, c := range r.Checks {
			if c == check {
				return r.ID
			}
		}
	}
	return check
}
