package food

// The words a food is described with. One list each, so that files, filters and
// briefs all speak the same.
var (
	// Allergens are the 14 main ones that labels must name.
	Allergens = []string{"gluten", "crustaceans", "egg", "fish", "peanuts", "soy", "milk", "nuts", "celery", "mustard", "sesame", "sulphites", "lupin", "molluscs"}
	// DietWords are what else a guest may avoid; a food lists those that are in it.
	DietWords = []string{"meat", "pork", "beef", "animal", "rennet", "alcohol"}

	Wetnesses  = []string{string(Crisp), string(Dry), string(Moist), string(Oily), string(Juicy), string(Runny)}
	Firmnesses = []string{"fresh", "soft", "semi", "firm", "hard"}
	Milks      = []string{"cow", "goat", "sheep", "buffalo", "mixed", "plant"}
	Rinds      = []string{"edible", "inedible", "none"}
	Flavours   = []string{"sweet", "salty", "sour", "briny", "smoky", "spicy", "bitter", "umami", "mild", "fresh"}
	Textures   = []string{"creamy", "soft", "chewy", "firm", "crumbly", "crunchy", "juicy"}
	// Regions are broad landscapes, not names on a label.
	Regions = []string{"alpine", "atlantic", "mediterranean", "northern", "eastern", "tropical"}
)
