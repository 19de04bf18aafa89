package diet

import "happytray/core/food"

// Preset is a diet as people say it, with the words that it fills in; they can be seen and changed. Note says what the
// words cannot: who decides, and what the host buys.
type Preset struct {
	ID    string   `json:"id"`
	Name  string   `json:"name"`
	Avoid []string `json:"avoid"`
	Note  string   `json:"note,omitempty"`
}

// Presets are the diets that people name most, in the order they are offered.
var Presets = []Preset{
	{"vegan", "Vegan", []string{"animal"}, "Nothing that comes from an animal, honey among it."},
	{"vegetarian", "Vegetarian", []string{"meat", "rennet"}, "Animal rennet and gelatine count. Take rennet off where they do not mind it."},
	{"pescatarian", "Pescatarian", []string{"pork", "beef", "poultry", "game", "gelatine", "rennet"}, "Fish and shellfish stay."},
	{"coeliac", "Coeliac", []string{"gluten"}, "Only what is labelled gluten-free counts. A plate apart keeps crumbs off it."},
	{"no-milk", "No milk", []string{"milk"}, ""},
	{"no-lactose", "No lactose", []string{"milk"}, "Aged hard cheese holds hardly any lactose. Ask them, and take milk off the list where they eat it."},
	{"no-nuts", "No nuts", []string{"nuts", "peanuts"}, "Ask about seeds, too."},
	{"halal", "Halal-minded", []string{"pork", "alcohol", "gelatine"}, "This keeps pork, alcohol and gelatine off. It promises nothing: meat, rennet and gelatine are for you to buy certified, and a question to ask them."},
	{"kosher", "Kosher-minded", []string{"pork", "shellfish", "gelatine"}, "This keeps pork, shellfish and gelatine off. It promises nothing: meat and milk are not eaten together, and meat, cheese and wine are for you to buy certified; ask them."},
	{"pregnant", "Pregnant", []string{food.Advised}, "What is commonly advised against in pregnancy. A doctor or midwife advises."},
	{"low-carb", "Low in carbohydrate", []string{food.LowCarb}, "A wish: they find their share without bread, sweets and dried fruit. It is no dosing for diabetes."},
}

// says are words for what guests avoid where the word alone would not be understood.
var says = map[string]string{"animal": "what comes from animals", "rennet": "animal rennet", food.Advised: "what is advised against in pregnancy", food.LowCarb: "much carbohydrate"}

// Says is how a word for what guests avoid is said.
func Says(word string) string {
	if s, ok := says[word]; ok {
		return s
	}
	return word
}
