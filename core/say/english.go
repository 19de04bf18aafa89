package say

import "math"

// The sentences in English, with the places of what they are of; tables by the rooms that say them. A second language
// has tables like these, its groups, parts and units; nothing else speaks.
var english = joined(map[string]string{verbatim: "{1}"}, judging, planning, working, practising)

// judging is what a finding of the second look says.
var judging = map[string]string{

	"fit.inside":           "The {1} {1:lies|lie} over the edge by {2}. Move {1:it|them} in.",
	"fit.overlap":          "The {1} and the {2} are in the same place, {3} deep. Part them.",
	"fit.cover":            "About {1} of the board shows. A handful of something small would close it, or a smaller board.",
	"fit.gap":              "A bare patch {1} across draws the eye here. A small heap or a few more crackers would close it.",
	"fit.lid":              "The {1} {1:stands|stand} {2} too high for the lid. Lay it flatter, or take a smaller bowl.",
	"fit.placed":           "{1} of {2} groups {1:is|are} not on the board yet.",
	"fit.board":            "The board is far too large for this: {1} for each guest, where about {2} look full. Take a smaller one, or put the plates on it too.",
	"colour.rim":           "The {2} {2:is|are} nearly the colour of the {1} bowl beside {2:it|them} and hardly {2:shows|show}. Another bowl, or something bright between them, would help.",
	"colour.rims":          "The {2} {2:is|are} nearly the colour of the {1} bowls beside {2:it|them} in {3} places and hardly {2:shows|show}. Another bowl, or something bright between them, would help.",
	"colour.neighbour":     "The {1} and the {2} are nearly one colour and run together. Something bright between them would help.",
	"colour.neighbours":    "The {1} and the {2} are nearly one colour and run together in {3} places. Something bright between them would help.",
	"colour.ground":        "The {1} {1:is|are} nearly the colour of the ground and {1:fades|fade}. Frame {1:it|them} with something dark or bright, or change the liner.",
	"colour.repeat":        "Only one place has something {1}. A little in two more would lead the eye round.",
	"colour.spread":        "The {1} {1:is|are} all on the {2}. A little of it on the other side would bring it round.",
	"spread.category":      "Nearly all the {1} {1:is|are} on the {2}. Guests across the tray would like some too.",
	"spread.weight":        "The tray is heavy on the {1}: big, tall and bright things crowd there.",
	"spread.kind":          "Two heaps of {1} lie side by side and read as one. Put one across the tray.",
	"spread.kinds":         "Two heaps of {1} lie side by side in {2} places and read as one. Put one of each across the tray.",
	"spread.size":          "The {1} and the {2} are both large and lie side by side. Something small between them would set them off.",
	"spread.mirror":        "The two sides do not answer each other here: the {1} faces the {2}. Exchange one of them.",
	"spread.double":        "Guests take {1} and {2} for the same. Another in place of one would give them more to choose from.",
	"flow.span":            "Trails reach along {1} of the tray. Stretch the trail of {2} to the far end.",
	"flow.curve":           "The trail of {1} is broken or kinked in {2} {2:place|places}. Close the {2:gap|gaps}.",
	"flow.follow":          "The {1} {1:stands|stand} across the {2}. Turn {1:it|them} by {3} so that {1:it follows|they follow} it.",
	"flow.edge":            "The {1} {1:stands|stand} across the edge of the board. Turn {1:it|them} by {2} so that {1:it follows|they follow} it.",
	"flow.tasting":         "The {1} {1:comes|come} before the {2}, which {2:is|are} milder. Let the two change places: guests taste from mild to strong, {3}.",
	"pairs.near":           "The {1} would taste better nearer the {2}.",
	"pairs.bites":          "The {1} make one bite and lie {2} apart. Bring them together.",
	"pairs.apart":          "The {1} and the {2} lie {3} apart: {4}. Put something between them.",
	"pairs.apart.touch":    "The {1} and the {2} touch: {3}. Put something between them.",
	"pairs.kept.touch":     "Some guests take no {1}: the {2} {2:touches|touch} the {3}. Keep bread or fruit between them, and a tool of its own.",
	"pairs.advised.touch":  "The {1} {1:is|are} among what pregnant guests are advised against, and {1:touches|touch} the {2}. Keep bread or fruit between them, and a tool of its own.",
	"care.wetdry.touch":    "The {1} {1:touches|touch} the {2}, which will go soft. Keep {3} or a bowl between them.",
	"pairs.kept":           "Some guests take no {1}: the {2} {2:lies|lie} {3} from the {4}. Keep bread or fruit between them, and a tool of its own.",
	"pairs.advised":        "The {1} {1:is|are} among what pregnant guests are advised against, and {1:lies|lie} {2} from the {3}. Keep bread or fruit between them, and a tool of its own.",
	"height.sight":         "The {1} {1:stands|stand} before the {2}: {3} of it is seen from the front. Tall things go to the back or the sides.",
	"height.around":        "The {1} {1:stands|stand} before the {2}: {3} of it is seen from around. Tall things go in the middle.",
	"relief.low":           "Everything on the {1} is tall. Something under {2} between would set it off: nuts, berries, a fan of slices.",
	"relief.middle":        "The {1} has nothing between flat and tall. Cubes, grapes or folded slices would join the two.",
	"relief.storey":        "Nothing on the {1} stands {2} high. A long table wants a second storey: set a bowl or a cut cheese on a stand.",
	"relief.tall":          "The {1} lies flat: nothing there stands above {2}. Set a bowl on something, or stand crackers up in a cup.",
	"service.cutroom":      "The {1} {1:has|have} {2} free in front of {1:it|them}. A knife wants {3}: turn {1:it|them}, or move what stands there.",
	"service.reach":        "From the {1} nobody reaches the {2}: {2:it begins|they begin} {3} in. Put some of {2:it|them} there too.",
	"service.turned":       "However the board is turned, nobody reaches the {1}: {1:it begins|they begin} {2} in. Bring {1:it|them} nearer to the rim.",
	"service.tool":         "Nothing is planned to take the {1} with. Give {1:it|them} a spoon, a pick or a knife in the larder; without one {1:it is|they are} not eaten.",
	"service.started":      "Nobody likes to make the first cut. Cut a slice or two off the {1} and lay them beside it.",
	"service.share":        "For each of {1} there are {2}, where {3} are usual. Add more of what they can eat.",
	"service.kinds":        "{1} of it {2:is|are} {2}, where about {3} {2:is|are} usual: less of it, and more of the rest.",
	"service.lack":         "There is hardly any {1} on it, where about {2} is usual.",
	"service.none":         "There is no {1} on it, where about {2} is usual.",
	"service.dipper":       "There is nothing to dip into the {1}. Add bread, crackers or raw vegetables.",
	"service.bite":         "The {1} {1:is|are} too big to eat. Slice {1:it|them}, or use {1:it|them} as decoration.",
	"service.season":       "{1}: out of season, so dear or of little taste. Pick has what is at its best.",
	"service.budget":       "What is on it costs {1} more than the budget. Amounts names what would save most.",
	"eaten.reach":          "Nobody reaches the {1}: the nearest {1:lies|lie} {2} from where guests stand. Bring {1:it|them} nearer, or let guests stand on another side.",
	"care.wetdry":          "The {1} {1:lies|lie} {2} from the {3}, which will go soft. Keep {4} or a bowl between them.",
	"care.roll":            "{1} of the {2} near the edge {1:has|have} nothing to hold {1:it|them} and may roll off. Tuck {1:it|them} behind something.",
	"care.allergen":        "The {1} {1:contains|contain} {2}, which guests of this brief avoid. Take {1:it|them} off; the labels of your own packs decide.",
	"care.traces":          "The {1} may contain {2}, which guests of this brief avoid. Read the label of your own pack before {1:it goes|they go} on.",
	"care.ground":          "This surface is not known to be fit for food. Line it with food-grade paper: choose a liner in the brief, or for the board itself.",
	"care.garnish":         "The {1} {1:is|are} not grown for eating. Take {1:it|them} off the tray; use herbs from a kitchen garden or a grocer.",
	"care.stone":           "The {1} {1:leaves|leave} stones or shells behind. Set a dish for them on the tray or beside it.",
	"care.child":           "Small children come, and on the {1} they can choke. Cut {1:it|them} lengthwise, or keep {1:it|them} out of small hands.",
	"care.heat.melts":      "The {1} {1:melts|melt} at {2}. Put {1:it|them} in a bowl with a lid, or take something that keeps.",
	"care.heat.melts.road": "The {1} {1:melts|melt} in {2} on the road. Put {1:it|them} in a bowl with a lid, or take something that keeps.",
	"care.heat.runs":       "The {1} {1:runs|run} at {2}. Put {1:it|them} in a bowl with a lid, or take something that keeps.",
	"care.heat.runs.road":  "The {1} {1:runs|run} in {2} on the road. Put {1:it|them} in a bowl with a lid, or take something that keeps.",
	"care.heat.weeps":      "The {1} {1:weeps|weep} at {2}. Put {1:it|them} in a bowl with a lid, or take something that keeps.",
	"care.heat.weeps.road": "The {1} {1:weeps|weep} in {2} on the road. Put {1:it|them} in a bowl with a lid, or take something that keeps.",
	"care.rim":             "The board has no rim and goes on the road. Take a rimmed tray, or carry the food apart and lay it where it is served.",
	"fix.turn":             "Turn the {1} by {2}.",
	"fix.right":            "Move the {1} {2} to the right.",
	"fix.left":             "Move the {1} {2} to the left.",
	"fix.far":              "Move the {1} {2} to the back.",
	"fix.near":             "Move the {1} {2} towards the front.",
	"care.hold":            "What perishes would be out of the cold for {1}, warming up and evening together, and may be for {2}. Keep a half cold and change the board in time. Local food rules come first.",
}

// groups are what kinds of food are called in a sentence, and whether they are several.
var groups = map[string]struct {
	says string
	many bool
}{
	"cheese": {"cheese", false}, "meat": {"meat", false}, "dip": {"dips", true}, "brined": {"pickles and olives", true}, "fruit": {"fruit", false},
	"vegetable": {"vegetables", true}, "dried": {"dried fruit", false}, "nut": {"nuts", true}, "cracker": {"bread and crackers", true}, "sweet": {"sweets", true},
	"garnish": {"herbs", true}, "prop": {"props", true}, "produce": {"fruit and vegetables", true},
}

// small are numbers as a sentence begins with them.
var small = []string{"None", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine"}

// part says a share in words: a third.
func part(share float64) string {
	words := []string{"all", "all", "half", "a third", "a quarter", "a fifth", "a sixth", "a seventh", "an eighth", "a ninth", "a tenth"}
	return words[int(math.Min(10, math.Max(1, math.Round(1/math.Max(share, .01)))))]
}

// Codes are the sentences there are, for tests.
func Codes() map[string]string { return english }

func joined(tables ...map[string]string) map[string]string {
	out := map[string]string{}
	for _, t := range tables {
		for code, words := range t {
			if _, twice := out[code]; twice {
				panic("say: two sentences " + code) // ours, so any test finds it
			}
			out[code] = words
		}
	}
	return out
}
