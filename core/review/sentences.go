package review

import "happytray/core/food"

// The sentences of the second look, all in one place: what a finding says, with places for the names
// of foods, lengths, counts and the verbs that go with them. A second language translates these,
// the names of foods, and say.
const (
	saysFitInside       = "The %s %s over the edge by %.1f cm². Move it in."
	saysFitOverlap      = "The %s and the %s are in the same place, %.0f mm deep. Part them."
	saysFitCover        = "About %s of the board shows. Spread the loose things wider, or take a smaller board."
	saysFitGap          = "A bare patch %s across draws the eye here. A little heap or a few more crackers would close it."
	saysFitPlaced       = "%d of %d groups still wait beside the board."
	saysColourRim       = "The %s bowl and the %s %s beside it are nearly one colour%s. Another bowl, or something bright between them, would help."
	saysColourNeighbour = "The %s and the %s are nearly one colour and run together%s. Something bright between them would help."
	saysColourGround    = "The %s %s nearly the colour of the ground and fade%s. Frame it with something dark or bright, or change the liner."
	saysColourRepeat    = "The %s is in one place only. A little of it in two more would lead the eye round."
	saysColourSpread    = "The %s all on the %s. A little of it on the other side would bring it round."
	saysSpreadCategory  = "Nearly all the %s on the %s. Guests across the tray would like some too."
	saysSpreadWeight    = "The tray is heavy on the %s: big, tall and bright things crowd there."
	saysSpreadKind      = "Two heaps of %s lie side by side%s and read as one. Put one across the tray."
	saysSpreadSize      = "The %s and the %s are both large and lie side by side. Something small between them would set them off."
	saysSpreadMirror    = "The two sides do not answer each other here: the %s faces the %s. Exchange one of them."
	saysFlowSpan        = "Trails reach along %s of the tray. Drawn out, the %s would lead the eye through it."
	saysFlowCurve       = "The trail of %s stutters: it breaks or kinks in %d places. Draw it together, or begin it again only once."
	saysFlowFollow      = "The %s %s across %s, %.0f degrees off. Turned along it, the line would go on."
	saysPairsNear       = "The %s would taste better nearer the %s."
	saysPairsApart      = "The %s and the %s lie %s apart: %s. Put something between them."
	saysPairsKept       = "Some guests take no %s: the %s %s %s from the %s. Keep bread or fruit between them, and a tool of its own."
	saysHeightSight     = "The %s %s before the %s: %s of it is seen from %s. Tall things go %s."
	saysServiceCutroom  = "The %s %s %s free in front of it. A knife wants %s: turn it, or move what stands there."
	saysServiceReach    = "From the %s nobody reaches the %s: %s %s in. Put some of it there too."
	saysEatenReach      = "Nobody reaches the %s: the nearest of it %s %s from where guests stand. Bring it nearer, or let them stand on another side."
	saysServiceTool     = "Nothing is planned to take the %s with. Give it a spoon, a pick or a knife in the larder; without one it is not eaten."
	saysServiceStarted  = "Nobody likes to make the first cut: begin the %s with a slice or two beside it."
	saysCareWetdry      = "The %s %s %s from the %s, which will go soft. Keep 25 mm or a bowl between them."
	saysCareRoll        = "%d of the %s near the edge %s nothing to hold %s and may roll off. Tuck %s behind something."
	saysCareAllergen    = "The %s %s %s, which guests of this brief avoid. Take it off; the labels of your own packs decide."
	saysCareTraces      = "The %s may contain %s, which guests of this brief avoid. Read the label of your own pack before it goes on."
	saysCareGround      = "This surface is not known to be fit for food. Line it with food-grade paper: choose a liner in the brief, or for the board itself."
	saysCareGarnish     = "The %s %s not grown for eating. Take it off the tray; use herbs from a kitchen garden or a grocer."
	saysCareStone       = "The %s %s stones or shells behind: set a dish for them on the tray or beside it."
	saysCareChild       = "Small children come, and on the %s they can choke. Cut %s lengthwise, or keep %s out of small hands."
	saysCareHeat        = "The %s %s %s: put it in a bowl with a lid, or take something that keeps."
	saysCareRim         = "The board has no rim and goes on the road: take a rimmed tray, or carry the food apart and lay it where it is served."
	saysCareHold        = "It stands out for %s, road and evening together, and perishable food for %s at most: keep a part cold and change the tray in time. Local food rules come first."
	saysServiceShare    = "For each of %s there are %.0f g, where %.0f are usual: add more of what they can eat."
	saysServiceKinds    = "%.0f %% of it is %s, where about %.0f %% are usual: less of it, and more of the rest."
	saysServiceLack     = "There is %s %s on it, where about %.0f %% are usual."
	saysServiceDipper   = "There is nothing to dip into the %s: add bread, crackers or raw vegetables."
	saysServiceBite     = "The %s %s nobody's bite: cut %s into slices, or take %s for a prop."
	saysServiceSeason   = "%s: out of season, so dear or of little taste. Pick has what is at its best."
	saysServiceBudget   = "What is on it costs %.0f %% more than the budget. Amounts names what would save most."
	saysSpreadDouble    = "Guests take %s and %s for the same. Another in place of one would give them more to choose from."
	saysFitBoard        = "The board is far too large for this: %.0f cm² for each guest, where about 250 look full. Take a smaller one, or put the plates on it too."
)

// kindWords are what the kinds of food are called in a sentence, with their verb.
var kindWords = map[food.Category]string{
	food.Cheese: "cheese is", food.Meat: "meat is", food.Dip: "dips are", food.Brined: "pickles and olives are", food.Fruit: "fruit is",
	food.Vegetable: "vegetables are", food.Dried: "dried fruit is", food.Nut: "nuts are", food.Cracker: "bread and crackers are",
	food.Sweet: "sweets are", food.Garnish: "herbs are", food.NotFood: "props are",
}

// thatIs names a kind of food, or a colour, with its verb.
func thatIs(key string) string {
	if words, ok := kindWords[food.Category(key)]; ok {
		return words
	}
	return key + " is"
}
