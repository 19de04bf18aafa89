// Code generated from docs/formats/tray.schema.json; DO NOT EDIT.

export type Avoid =
  | "gluten"
  | "crustaceans"
  | "egg"
  | "fish"
  | "peanuts"
  | "soy"
  | "milk"
  | "nuts"
  | "celery"
  | "mustard"
  | "sesame"
  | "sulphites"
  | "lupin"
  | "molluscs"
  | "meat"
  | "pork"
  | "beef"
  | "animal"
  | "rennet"
  | "alcohol"
  | "poultry"
  | "game"
  | "shellfish"
  | "gelatine"
  | "raw milk"
  | "honey"
  | "advised"
  | "low-carb";
export type Colour = string;
export type Side = "top" | "right" | "bottom" | "left";
/**
 * [x, y] in mm
 *
 * @minItems 2
 * @maxItems 2
 */
export type Point = number[];
/**
 * a closed polygon without a repeated last point
 *
 * @minItems 3
 * @maxItems 512
 */
export type Outline = Point[];
/**
 * months in the northern hemisphere in which it is at its best; empty: alike all year
 *
 * @maxItems 12
 */
export type Months = number[];
/**
 * where half a year's shift would be wrong
 *
 * @maxItems 12
 */
export type Months1 = number[];

/**
 * One planned grazing board, *.tray.json, application/vnd.happytray+json. Lengths are mm, y runs down, angles are degrees clockwise, masses g, money minor units. Members that are not named here are kept as they are by every program that reads and writes the file.
 */
export interface TrayFile {
  format: "happytray/1";
  title: string;
  brief: Brief;
  /**
   * null while a job is only briefed
   */
  board: Board | null;
  /**
   * @maxItems 400
   */
  vessels: Vessel[];
  /**
   * @maxItems 400
   */
  elements: TrayElement[];
  /**
   * @maxItems 400
   */
  reserve: Reserve[];
  /**
   * the foods used, as they were when the tray was planned; a reader prefers them to its own
   *
   * @maxItems 400
   */
  foods?: Food[];
  rules: Rules;
  /**
   * the order of hands as it is wished, steps as food/form; what is not named keeps its usual place, what must go before another does
   *
   * @maxItems 400
   */
  order?: string[];
  /**
   * findings of the second look that were let be, and why; one counts until what it is of changes, however that is worded
   *
   * @maxItems 100
   */
  waived?: {
    check: string;
    /**
     * @maxItems 400
     */
    elements: string[];
    says: string;
    /**
     * which sentence it was; with with, what it was of
     */
    code?: string;
    /**
     * @maxItems 12
     */
    with?: {}[];
    why: string;
  }[];
  seed: number;
  /**
   * what is eaten together, as planned: two or three mouthfuls of foods that lie near each other
   *
   * @maxItems 120
   */
  bites?: {
    /**
     * as guests are told
     */
    name: string;
    /**
     * ids, the rich one first
     *
     * @minItems 2
     * @maxItems 6
     */
    foods: string[];
    /**
     * of the strongest pair in it
     */
    why: string;
  }[];
  /**
   * what the plan has to say: by how much and why it is over the budget, that there is too little board
   *
   * @maxItems 20
   */
  says?: string[];
  part?: Part;
  /**
   * the job's other trays, each a whole file without further trays of its own
   *
   * @maxItems 39
   */
  further?: TrayFile[];
}
/**
 * What the host says. Only guests is required, and where there are packs not even these.
 */
export interface Brief {
  guests: Guests;
  occasion?: "nibble" | "grazing" | "meal";
  course?: "both" | "savoury" | "sweet";
  /**
   * what else is served
   */
  besides?: "nothing" | "some" | "plenty";
  /**
   * minutes of handwork at most, cutting and laying; left out or 0, as many as it takes
   */
  minutes_at_most?: number;
  /**
   * how long guests graze; left out, as long as the occasion usually does
   */
  lasts_minutes?: number;
  /**
   * where the tray stands
   */
  temperature_c?: number;
  /**
   * RFC 3339, or 2026-11-27T19:00 in local time
   */
  serve_at?: string;
  /**
   * by when all is laid, covered and chilled but for what is finished at the end, written like serve_at; left out, as the house does it, a quarter of an hour before serving where it says nothing
   */
  ready_by?: string;
  /**
   * hours in which others have the oven, in the order of time
   *
   * @maxItems 12
   */
  oven_taken?: {
    /**
     * written like serve_at
     */
    from: string;
    to: string;
  }[];
  /**
   * further times at which the same boards are served, in the order of time; between two they are covered and in the cold
   *
   * @maxItems 5
   */
  sittings?: {
    /**
     * written like that of the brief; half an hour after the one before has ended at least
     */
    serve_at: string;
    /**
     * how long guests graze; left out, as long as the first time
     */
    lasts_minutes?: number;
  }[];
  /**
   * hours in which somebody works, in the order of time; none, whenever it is needed
   *
   * @maxItems 12
   */
  sessions?: {
    /**
     * written like serve_at
     */
    from: string;
    to: string;
  }[];
  /**
   * foods that are made in the house and not bought, where there is a recipe
   *
   * @maxItems 40
   */
  makes?: string[];
  /**
   * whether there is a fridge where it is served; left out where nobody knows, and then there is none to count on
   */
  fridge_there?: "yes" | "no";
  /**
   * how what perishes travels: in a cool box, or open and out of the cold
   */
  road_cold?: "box" | "open";
  place?: string;
  host?: string;
  note?: string;
  month?: number;
  hemisphere?: "north" | "south";
  /**
   * @maxItems 20
   */
  diets?: Diet[];
  theme?:
    | string
    | Colour[]
    | {
        name?: string;
        /**
         * @maxItems 12
         */
        palette?: Colour[];
        region?: "alpine" | "atlantic" | "mediterranean" | "northern" | "eastern" | "tropical";
        /**
         * foods that make it
         *
         * @maxItems 120
         */
        belongs?: string[];
        /**
         * foods that break it
         *
         * @maxItems 120
         */
        alien?: string[];
        /**
         * @maxItems 120
         */
        garnish?: string[];
        /**
         * where a board wants one
         */
        liner?: string;
      };
  /**
   * minor units, in all
   */
  budget?: number;
  /**
   * minor units; counts where budget is left out
   */
  budget_per_guest?: number;
  /**
   * yes or no, or the minutes on the road
   */
  travels?: boolean | number | null;
  /**
   * from straight above, or at a slant from the front
   */
  photographed?: "above" | "slant";
  front?: "none" | "top" | "right" | "bottom" | "left";
  /**
   * sides that guests stand at; left out, all round
   *
   * @maxItems 4
   */
  access?: Side[];
  rules?: Rules;
  /**
   * the foods that must be on the tray, and no others; left out or empty, they are chosen
   *
   * @maxItems 120
   */
  foods?: (string | Want)[];
  /**
   * foods that are on the tray whatever else is chosen
   *
   * @maxItems 120
   */
  pins?: (string | Want)[];
  /**
   * foods that are not to be chosen
   *
   * @maxItems 400
   */
  bans?: string[];
  /**
   * what the host has already, and wants on the tray; with packs and nobody counted among the guests, the brief is for as many as they carry
   *
   * @maxItems 60
   */
  packs?: (string | Pack)[];
  /**
   * foods that may be bought beside what is there, 0 for no shopping at all; left out, three where there are packs, and else as many as it takes
   */
  buys_at_most?: number;
  /**
   * by category, how much more (above 1) or less of it than usual; the whole stays the same
   */
  tilt?: {
    [k: string]: number;
  };
  /**
   * which of the choices of foods that suit; left out, the one that follows from the brief
   */
  choice?: number;
  /**
   * what the foods are chosen for: what everybody takes, what is at its best, or what is new
   */
  leaning?: "liked" | "season" | "new";
  had?: Had;
  /**
   * who is fed, where it is not the host: what they eat is remembered by it
   */
  crowd?: string;
  /**
   * what evenings before have taught of foods for this crowd
   *
   * @maxItems 400
   */
  learnt?: Learnt[];
  /**
   * guests with an allergy get a covered plate of their own, so that the others keep theirs
   */
  plate_apart?: boolean;
  /**
   * guests with a name, among those who come; on plates each has one of their own, made from one basket. What somebody must not eat stands among the diets, under their name
   *
   * @maxItems 30
   */
  people?: Person[];
  /**
   * plates: one for each guest
   */
  serving?: "shared" | "plates";
  board?: string | BoardRequest;
  /**
   * tables, or courses, that each get such a board; left out, one
   */
  copies?: number;
  /**
   * minutes after which each copy follows the one before it, out of the cold, 30 to 240; left out or 0, all come at once
   */
  wave_minutes?: number;
  /**
   * a set of boards that shares the food; counts before board
   *
   * @maxItems 12
   */
  boards?: (string | BoardRequest)[];
}
/**
 * 1 to 2000 in all
 */
export interface Guests {
  adults?: number;
  children?: number;
  /**
   * light eaters among the adults
   */
  light?: number;
  /**
   * hearty eaters among the adults
   */
  hearty?: number;
  /**
   * under one year, among the children
   */
  infants?: number;
  /**
   * guests who are pregnant or of weak immunity
   */
  pregnant_or_frail?: number;
}
/**
 * a group of guests and what they avoid; count 0 or left out means everybody
 */
export interface Diet {
  who?: string;
  count?: number;
  /**
   * @maxItems 30
   */
  avoid: Avoid[];
}
/**
 * house rules: choices between schools of the craft; left out, the default
 */
export interface Rules {
  symmetry?: "free" | "mirrored";
  /**
   * what is laid mild to strong along the way of guests
   */
  tasting?: "none" | "cheese" | "meat" | "both";
  crackers?: "some" | "on" | "beside";
  greenery?: "sparing" | "generous" | "none";
  /**
   * a hollowed fruit or vegetable of the season that holds a dip: on a large board where nothing speaks against it, always, or never
   */
  showpiece?: "suits" | "always" | "none";
  /**
   * by when a board is laid: a quarter of an hour before serving, two and a half hours before, that morning at ten, or the evening before at seven; ready_by of the brief comes first
   */
  ready?: "usual" | "hours" | "morning" | "evening";
  /**
   * that perishable food may be out of the cold: two hours in all, four in one go and then thrown away, or two and four (under two it may go back, up to four it is used at once); local rules come first
   */
  hours?: "two" | "four" | "two-and-four";
  /**
   * hours of aged hard cheese and dry sausage: the same as of all that perishes, or longer, as their entries say (stands_min); local rules come first
   */
  dry_hours?: "same" | "longer";
  /**
   * that stand ready for guests: a handful, one for each bowl and cut face and one for the open heaps of a kind, or one for each food
   */
  tools?: "handful" | "each";
  /**
   * worn for cheese and meat, for everything, or not at all: clean hands, washed often
   */
  gloves?: "some" | "all" | "none";
  /**
   * whether rinds that nobody eats are cut off before a cheese is cut, or left on
   */
  rinds?: "off" | "on";
  /**
   * grams of a kind for a grown-up at a grazing party, by category, where the house serves otherwise than is usual; for nibbles and meals the same times what is usual there
   */
  each_g?: {
    [k: string]: number;
  };
  style?: "corners" | "winding" | "mirrored" | "wheel" | "meadow";
  /**
   * minutes that all cheese and meat warms up before serving; 0 for as long as each wants
   */
  warm_up_min?: number;
  /**
   * cut and kept in its round, or whole
   */
  soft_round?: "cut" | "whole";
  /**
   * what is heated unasked: nothing, what goes into the oven as toast, or whatever wants it
   */
  heat?: "none" | "toast" | "all";
  /**
   * how many stand on a board
   */
  bowls?: "usual" | "few" | "many";
  /**
   * whether of a whole cheese a first slice is cut before guests come, or left to them
   */
  first_slice?: "cut" | "left";
  /**
   * what is laid first: bowls, cheese, meat, or everything is marked out before; slice and none are read as first_slice
   */
  begin?: "bowls" | "cheese" | "meat" | "marked" | "slice" | "none";
  /**
   * foods that the house eats anyway, by id or name: what of their packs stays over is no loss
   *
   * @maxItems 100
   */
  eats?: string[];
  hard_cheese?: "cut" | "broken" | "begun";
  olives?: "pitted" | "stones";
  grapes?: "clusters" | "plucked";
  /**
   * what pregnant guests are advised against stands apart, or off the tray altogether
   */
  pregnant?: "apart" | "off";
  /**
   * apart on the same tray, on separate trays, or with shapes that stand in for meat
   */
  vegetarians?: "apart" | "separate" | "shapes";
  /**
   * how much being like the trays before counts against a choice
   */
  variety?: "some" | "none" | "strong";
  /**
   * closed, or airy: a little air left
   */
  gaps?: "closed" | "airy";
  /**
   * thresholds and weights of the review's checks that a house moves, by the ids of docs/review.md
   */
  checks?: {
    [k: string]: {
      /**
       * the value that scores full marks
       */
      good?: number;
      /**
       * the value that scores none
       */
      bad?: number;
      /**
       * inside its group
       */
      weight?: number;
    };
  };
}
export interface Want {
  /**
   * its id, or what people call it
   */
  food: string;
  /**
   * what the host calls it, where that is not its name in the larder
   */
  name?: string;
  form?: string;
  /**
   * where it is laid in several forms: the share of its grams that lies in each, together 1; in place of form
   *
   * @maxItems 3
   */
  forms?: {
    form: string;
    share: number;
  }[];
  /**
   * the foods that it is strewn, drizzled or spooned over, by id or by what people call them; empty: what suits it
   *
   * @maxItems 12
   */
  on?: string[];
  grams?: number;
  /**
   * grams for each appetite, where grams are not set
   */
  each_g?: number;
  /**
   * where the form stands in one
   */
  vessel?: string;
}
export interface Pack {
  /**
   * its id, or what people call it
   */
  food: string;
  /**
   * what the host calls it, where that is not its name in the larder
   */
  name?: string;
  /**
   * in one pack, as bought; left out or 0, the smallest that the larder knows
   */
  grams?: number;
  /**
   * packs of that size; left out or 0, one
   */
  count?: number;
}
/**
 * foods that were on trays before, so that this one is another
 */
export interface Had {
  /**
   * on what this host had last
   *
   * @maxItems 400
   */
  last?: string[];
  /**
   * on the last jobs of the house
   *
   * @maxItems 400
   */
  lately?: string[];
  /**
   * whom it was looked up for; left out where it is given by hand
   */
  host?: string;
  /**
   * the day of serving that it was looked up for
   */
  day?: string;
}
export interface Learnt {
  food: string;
  /**
   * on its usual share
   */
  factor: number;
  /**
   * the evenings that say so
   *
   * @maxItems 8
   */
  because?: string[];
  /**
   * the usual share counts all the same
   */
  refused?: boolean;
}
export interface Person {
  name: string;
  child?: boolean;
  /**
   * foods by id or by what people call them, or kinds of food
   *
   * @maxItems 12
   */
  likes?: string[];
  /**
   * the same, and what food may hold
   *
   * @maxItems 12
   */
  dislikes?: string[];
}
/**
 * a built-in board by id, or one by shape and size
 */
export interface BoardRequest {
  id?: string;
  shape?:
    | "rectangle"
    | "round"
    | "oval"
    | "paddle"
    | "plank"
    | "half-round"
    | "hexagon"
    | "ring"
    | "heart"
    | "tree"
    | "star"
    | "figure"
    | "outline";
  /**
   * of the shape figure: a letter or a digit
   */
  figure?: string;
  length_mm?: number;
  width_mm?: number;
  rim_mm?: number;
  /**
   * how high food may stand under its lid; left out where there is none
   */
  lid_mm?: number;
  colour?: string;
  material?: string;
  outline?: Outline;
  name?: string;
  /**
   * in the outline's own coordinates; nothing is laid there
   *
   * @maxItems 40
   */
  holes?: Outline[];
  /**
   * it wants a liner
   */
  not_food_safe?: boolean;
  /**
   * the liner's colour
   */
  liner?: string;
  /**
   * it stands on a pivot, as a turntable does
   */
  turns?: boolean;
  /**
   * foods of a set's that lie on this board, and only on boards that say so
   *
   * @maxItems 40
   */
  pins?: string[];
  /**
   * foods of a set's that do not lie on this board
   *
   * @maxItems 40
   */
  bans?: string[];
}
export interface Board {
  id: string;
  name: string;
  outline: Outline;
  food_zone: Outline;
  /**
   * handles, holes: nothing lies there
   *
   * @maxItems 40
   */
  keepouts?: Outline[];
  /**
   * hollows and grooves
   *
   * @maxItems 40
   */
  wells?: Outline[];
  rim_mm?: number;
  /**
   * how high food may stand under its lid; left out where there is none
   */
  lid_mm?: number;
  colour?: Colour;
  material?: "wood" | "slate" | "marble" | "ceramic" | "metal" | "glass" | "chalkboard" | "paper" | "card";
  food_safe?: boolean;
  /**
   * its colour, or empty
   */
  liner?: string;
  front?: "" | "none" | "top" | "right" | "bottom" | "left";
  /**
   * sides that guests stand at
   *
   * @maxItems 4
   */
  access?: Side[];
  /**
   * it stands on a pivot: what somebody wants comes round to them
   */
  turns?: boolean;
}
/**
 * stands on the board; its outline goes round its own centre, without one it is round with diameter_mm
 */
export interface Vessel {
  id: string;
  name: string;
  outline?: Outline;
  diameter_mm?: number;
  height_mm: number;
  capacity_ml: number;
  colour: Colour;
  material: string;
}
/**
 * one placed unit: a food, a form and an amount; one that is not placed yet has no pieces
 */
export interface TrayElement {
  id: string;
  food: string;
  form: string;
  category:
    | "cheese"
    | "meat"
    | "dip"
    | "brined"
    | "fruit"
    | "vegetable"
    | "dried fruit"
    | "nut"
    | "cracker"
    | "sweet"
    | "garnish"
    | "prop";
  grams: number;
  /**
   * pieces laid, or in the vessel
   */
  count: number;
  /**
   * id of one of the tray's vessels
   */
  vessel?: string;
  placed: boolean;
  x: number;
  y: number;
  turn_deg: number;
  /**
   * the line of a trail, on the board
   *
   * @maxItems 400
   */
  path?: Point[];
  /**
   * how early hands put it down, 0 first
   */
  layer: number;
  locked: boolean;
  colour: string;
  wetness: "" | "crisp" | "dry" | "moist" | "oily" | "juicy" | "runny";
  /**
   * @maxItems 20000
   */
  pieces: Piece[];
}
/**
 * a closed polygon in board coordinates with its height; at, turn_deg and variant say how to draw it and may be ignored
 */
export interface Piece {
  outline: Outline;
  /**
   * height of its foot above the board
   */
  z_mm: number;
  height_mm: number;
  colour: string;
  at?: Point;
  turn_deg?: number;
  variant?: number;
}
/**
 * food held back for topping up
 */
export interface Reserve {
  food: string;
  form: string;
  grams: number;
  count: number;
  why: string;
}
/**
 * one entry of a larder
 */
export interface Food {
  id: string;
  name: string;
  /**
   * what else people call it, and look for it by
   *
   * @maxItems 30
   */
  also?: string[];
  /**
   * the food that it looks and behaves like, where it was added in haste and nobody has read its label
   */
  like?: string;
  /**
   * what is bought, where something is made of it: a baguette for toasts
   */
  comes_as?: string;
  category:
    | "cheese"
    | "meat"
    | "dip"
    | "brined"
    | "fruit"
    | "vegetable"
    | "dried fruit"
    | "nut"
    | "cracker"
    | "sweet"
    | "garnish"
    | "prop";
  /**
   * outside, as it looks on a board
   */
  colour: string;
  /**
   * cut face; the same as colour when left out
   */
  cut?: string;
  /**
   * g/ml
   */
  density: number;
  wetness: "crisp" | "dry" | "moist" | "oily" | "juicy" | "runny";
  /**
   * cheese only
   */
  firmness?: "" | "fresh" | "soft" | "semi" | "firm" | "hard";
  /**
   * cheese only
   */
  milk?: "" | "cow" | "goat" | "sheep" | "buffalo" | "mixed" | "plant";
  /**
   * cheese only: what it is set with; animal rennet where nothing is said
   */
  set_with?: "" | "rennet" | "microbial" | "thistle" | "acid";
  /**
   * cheese only
   */
  rind?: "" | "edible" | "inedible" | "none";
  /**
   * 1 mild to 5 strong
   */
  strength: number;
  /**
   * @minItems 1
   */
  flavours: ("sweet" | "salty" | "sour" | "briny" | "smoky" | "spicy" | "bitter" | "umami" | "mild" | "fresh")[];
  texture: "creamy" | "soft" | "chewy" | "firm" | "crumbly" | "crunchy" | "juicy";
  rolls?: boolean;
  smells?: boolean;
  stone?: boolean;
  stem?: boolean;
  shell?: boolean;
  /**
   * a skin that is peeled off before eating
   */
  casing?: boolean;
  /**
   * what such a food usually is made of: what its allergens and diet words rest on
   */
  made_of?: string;
  /**
   * allergens that traces of may be in it, from where it is usually made
   */
  may_contain?: (
    | "gluten"
    | "crustaceans"
    | "egg"
    | "fish"
    | "peanuts"
    | "soy"
    | "milk"
    | "nuts"
    | "celery"
    | "mustard"
    | "sesame"
    | "sulphites"
    | "lupin"
    | "molluscs"
  )[];
  allergens: (
    | "gluten"
    | "crustaceans"
    | "egg"
    | "fish"
    | "peanuts"
    | "soy"
    | "milk"
    | "nuts"
    | "celery"
    | "mustard"
    | "sesame"
    | "sulphites"
    | "lupin"
    | "molluscs"
  )[];
  /**
   * what else it holds that a guest may avoid
   */
  diet: (
    | "meat"
    | "pork"
    | "beef"
    | "animal"
    | "rennet"
    | "alcohol"
    | "poultry"
    | "game"
    | "shellfish"
    | "gelatine"
    | "raw milk"
    | "honey"
  )[];
  /**
   * diet words that some of its kind hold: only the label tells
   */
  perhaps?: (
    | "meat"
    | "pork"
    | "beef"
    | "animal"
    | "rennet"
    | "alcohol"
    | "poultry"
    | "game"
    | "shellfish"
    | "gelatine"
    | "raw milk"
    | "honey"
  )[];
  /**
   * why pregnant guests and those of weak immunity are commonly advised against it
   */
  advised?: (
    | "soft mould-ripened"
    | "washed rind"
    | "raw milk"
    | "raw cured meat"
    | "undercooked meat"
    | "cold-smoked fish"
    | "pate"
    | "liver"
    | "raw egg"
    | "raw fish"
    | "alcohol"
    | "herbs in quantity"
  )[];
  /**
   * carbohydrate in 100 g
   */
  carb_g?: number;
  /**
   * share of what lies there that is eaten, less stones, shells and pods; left out for all of it
   */
  eaten?: number;
  /**
   * countries or regions that it is known to come from; none for what is made everywhere
   *
   * @maxItems 4
   */
  origin?: string[];
  region?: "" | "alpine" | "atlantic" | "mediterranean" | "northern" | "eastern" | "tropical";
  season: Months;
  /**
   * in the shops in the other months, too
   */
  all_year?: boolean;
  season_south?: Months1;
  /**
   * @maxItems 12
   */
  packs: {
    grams: number;
    /**
     * minor units
     */
    price: number;
  }[];
  /**
   * once opened
   */
  keeps_days: number;
  warm_up_min: number;
  /**
   * minutes that it may be out of the cold where that is longer than the house's hours: aged hard cheese, dry sausage
   */
  stands_min?: number;
  /**
   * what is done to it before it is laid, besides what its form says, and what it does not bear
   *
   * @maxItems 18
   */
  handling?: (
    | "ready"
    | "cold"
    | "perishable"
    | "wash"
    | "drain"
    | "peel"
    | "unwrap"
    | "stone"
    | "seed"
    | "core"
    | "derind"
    | "skin"
    | "hull"
    | "trim"
    | "browns"
    | "dries"
    | "softens"
    | "wilts"
  )[];
  /**
   * how it is cooked
   */
  heat?: {
    how: "toast" | "roast" | "grill" | "fry" | "blanch" | "boil" | "bake";
    /**
     * degrees C; left out for on the hob
     */
    oven_c?: number;
    minutes: number;
  };
  tool: string;
  /**
   * share of guests who take some
   */
  liking: number;
  /**
   * where it is at home; it is not chosen unasked elsewhere
   */
  occasions?: ("breakfast" | "tea" | "brunch" | "dessert" | "children" | "rennet-free" | "theme")[];
  /**
   * how it is bought where nothing is heated; left out where it cannot be
   */
  ready_as?: string;
  /**
   * how much people expect it on a board, by the role that it plays there
   */
  classic?: {
    [k: string]: number;
  };
  /**
   * share of children who take some; 0 or left out where it follows from the rest
   */
  young_liking?: number;
  choking?: boolean;
  melts?: boolean;
  caution?: string;
  /**
   * @maxItems 60
   */
  pairs: string[];
  /**
   * @maxItems 60
   */
  clashes?: string[];
  /**
   * names of the drawings that show it, by shape, or by any for the shapes not named
   */
  drawn_as?: {
    [k: string]: string;
  };
  /**
   * @minItems 1
   * @maxItems 24
   */
  forms: Spec[];
}
/**
 * one form a food can take; for a form that falls into pieces the sizes are those of one piece
 */
export interface Spec {
  form: string;
  shape: string;
  /**
   * mm
   */
  l: number;
  /**
   * mm
   */
  w: number;
  /**
   * mm
   */
  h: number;
  mass_g: number;
  /**
   * handwork for one piece
   */
  seconds: number;
  /**
   * share of what is bought that is left when it is cut so; left out for all of it
   */
  yield?: number;
  /**
   * whether a small child can choke on it so, where that is not as for the food
   */
  chokes?: boolean;
  /**
   * mm of line one piece takes in a row or trail
   */
  pitch?: number;
  /**
   * pieces of a whole, such as eighths
   */
  n?: number;
  /**
   * share of its box that is food, when not that of the shape
   */
  solid?: number;
  /**
   * pieces that make one generous group
   */
  group?: number;
  /**
   * of a rosette or flower: how wide one slice is
   */
  slice_mm?: number;
}
/**
 * which part of the table a tray is for, where a job has several trays
 */
export interface Part {
  /**
   * from 1
   */
  number: number;
  /**
   * trays of the job
   */
  of: number;
  who?: string;
  guests: Guests1;
  /**
   * @maxItems 20
   */
  diets?: Diet[];
  /**
   * of the food of its guests; 0 or left out for all of it
   */
  share?: number;
  /**
   * trays laid alike; 0 or left out for one
   */
  copies?: number;
}
/**
 * 1 to 2000 in all
 */
export interface Guests1 {
  adults?: number;
  children?: number;
  /**
   * light eaters among the adults
   */
  light?: number;
  /**
   * hearty eaters among the adults
   */
  hearty?: number;
  /**
   * under one year, among the children
   */
  infants?: number;
  /**
   * guests who are pregnant or of weak immunity
   */
  pregnant_or_frail?: number;
}
