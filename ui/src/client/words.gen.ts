/* Made by ./tools/types of the program's vocabularies. */

export const AdviceAct = [
  "leave it",
  "look",
  "wait",
  "add",
  "add flour",
  "add liquid",
  "scrape down",
  "fold in",
  "stop",
  "start again",
  "change the cycle",
  "pause",
  "go on",
  "seat",
  "take the paddle out",
  "prick",
  "press down",
  "take off",
  "shape",
  "bake on",
  "bake in the oven",
  "end it now",
  "end the rise",
  "turn out",
  "loosen",
  "let it cool",
  "unplug",
  "shut the lid",
  "open the lid",
  "throw away",
  "set the delay",
  "ask",
  "clean",
  "note",
  "eat",
  "put in the fridge",
  "move",
] as const;
export type AdviceAct = (typeof AdviceAct)[number];

export const BakeHelped = ["", "yes", "no"] as const;
export type BakeHelped = (typeof BakeHelped)[number];

export const BakeMishap = [
  "the lid was opened while it rose or baked",
  "something was left out",
  "something went in twice, or too much",
  "the paddle or the pan was not in place",
  "flour was added while it kneaded",
  "liquid was added while it kneaded",
  "the yeast got wet before the kneading",
  "yeast went in beside that of the mix",
  "the starter was young, cold or hungry",
  "the add-ins went in after the kneading",
  "the dough was pressed down or pricked",
  "the lid or the flap touched the dough",
  "Stop was pressed, or the cycle began again",
  "another size was set on the machine",
  "it was pulled or twisted out",
  "it was turned out at once",
  "it cooled in a bag or under cover",
  "it was kept in a closed bag or in the damp",
  "it was mixed longer than its cycle",
  "something fell or ran beside the pan",
  "milk, egg or meat stood in the warm for hours",
  "it was looked at while it was still warm",
  "it was boiled longer than its cycle",
  "the culture was old",
  "the culture went into hot milk",
  "the filling was wet",
  "the seam was loose or on top",
  "the add-ins went in with everything else",
  "its last rise, after shaping, was short",
  "its last rise, after shaping, was long",
  "the oven was hotter or cooler than meant, or not heated first",
] as const;
export type BakeMishap = (typeof BakeMishap)[number];

export const BakePhase = ["waiting", "running", "warm", "cold", "in hand", "out", "abandoned"] as const;
export type BakePhase = (typeof BakePhase)[number];

export const BakeRefusal = ["too hot", "too cold"] as const;
export type BakeRefusal = (typeof BakeRefusal)[number];

export const BakeSign = [
  "sunken top",
  "bulges over the rim",
  "did not rise",
  "unmixed",
  "short and dense",
  "lumpy, rough outside",
  "coarse, holey",
  "gummy middle",
  "floury corners",
  "too pale",
  "too dark",
  "soggy, wrinkled sides",
  "add-ins mashed",
  "add-ins at the bottom",
  "too salty",
  "too bland",
  "too small for the house",
  "torn or holed top",
  "big hole, torn base",
  "lopsided, a dry lump",
  "raw in the middle",
  "crumbly, falls apart",
  "dry crumb",
  "crust too soft",
  "crust thick and hard",
  "broke as it was turned out",
  "add-ins on the outside",
  "add-ins in a lump",
  "tunnels in the crumb",
  "tastes soapy",
  "tastes bitter or stale",
  "too sour",
  "smells off",
  "a burnt smell",
  "mould",
  "runny, did not set",
  "set too stiff",
  "boiled over",
  "whey stands on it",
  "pink in the middle",
  "dry meat",
  "the filling ran out",
  "gaps in the roll",
  "a hole under the crust",
  "sides drawn in",
  "dough sticks, slack",
  "dough crumbly, stiff",
  "dough springs back as it is rolled",
  "spread flat",
  "domed, near the rim",
  "sounds hollow",
  "fine, even crumb",
] as const;
export type BakeSign = (typeof BakeSign)[number];

export const BakeWhat = [
  "done",
  "skipped",
  "taken out",
  "abandoned",
  "judged",
  "saw",
  "put in",
  "stood",
  "refused",
  "resumed",
  "moved",
  "stage over",
  "power cut",
  "started again",
  "otherwise",
  "probed",
  "photographed",
  "undone",
] as const;
export type BakeWhat = (typeof BakeWhat)[number];

export const BenchAnswer = ["fit", "grow"] as const;
export type BenchAnswer = (typeof BenchAnswer)[number];

export const BenchDo = ["done", "undone", "begun", "slip", "mended", "emptied", "started", "cleared", "reopened"] as const;
export type BenchDo = (typeof BenchDo)[number];

export const BenchExit = ["lift", "fit", "grow", "again"] as const;
export type BenchExit = (typeof BenchExit)[number];

export const BenchKind = [
  "tools",
  "look",
  "temper",
  "cut",
  "paddle",
  "measure",
  "top up",
  "wait",
  "well",
  "stir",
  "wipe",
  "recall",
  "pan in",
  "panel",
  "start",
] as const;
export type BenchKind = (typeof BenchKind)[number];

export const DayDoing = ["load", "help", "take out", "after"] as const;
export type DayDoing = (typeof DayDoing)[number];

export const DayStanding = ["to come", "no place", "running", "finished"] as const;
export type DayStanding = (typeof DayStanding)[number];

export const DayWhen = ["by", "between", "whenever"] as const;
export type DayWhen = (typeof DayWhen)[number];

export const DoughBearing = ["", "too cool", "too hot", "kills"] as const;
export type DoughBearing = (typeof DoughBearing)[number];

export const DoughFirstLook = ["", "early", "late", "never"] as const;
export type DoughFirstLook = (typeof DoughFirstLook)[number];

export const DoughMeeting = ["layered", "dissolved", "mixed with flour"] as const;
export type DoughMeeting = (typeof DoughMeeting)[number];

export const DoughSchool = ["room temperature", "tepid", "hot with rapid yeast"] as const;
export type DoughSchool = (typeof DoughSchool)[number];

export const DoughSeen = ["pours", "smears", "smooth", "torn", "knocks", "corners", "lumps"] as const;
export type DoughSeen = (typeof DoughSeen)[number];

export const DoughStands = [
  "a third of the pan",
  "half the pan",
  "two thirds of the pan",
  "four fifths of the pan",
  "a finger below the rim",
  "at the rim",
  "a finger above the rim",
  "touches the lid",
] as const;
export type DoughStands = (typeof DoughStands)[number];

export const DoughStuff = ["water", "flour"] as const;
export type DoughStuff = (typeof DoughStuff)[number];

export const KindSaltSchool = ["booklet", "reduced"] as const;
export type KindSaltSchool = (typeof KindSaltSchool)[number];

export const KindVerdict = ["no usual range", "below it", "above it", "may be inside", "inside"] as const;
export type KindVerdict = (typeof KindVerdict)[number];

export const KitchenEggSize = ["medium", "large", "extra large"] as const;
export type KitchenEggSize = (typeof KitchenEggSize)[number];

export const KitchenEnglish = ["british", "american"] as const;
export type KitchenEnglish = (typeof KitchenEnglish)[number];

export const KitchenFace = ["24 hours", "12 hours"] as const;
export type KitchenFace = (typeof KitchenFace)[number];

export const KitchenWeekday = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"] as const;
export type KitchenWeekday = (typeof KitchenWeekday)[number];

export const LarderAllergen = [
  "wheat",
  "rye",
  "barley",
  "oats",
  "milk",
  "egg",
  "nuts",
  "peanuts",
  "soya",
  "sesame",
  "lupin",
  "celery",
  "mustard",
  "fish",
  "crustaceans",
  "molluscs",
  "sulphites",
] as const;
export type LarderAllergen = (typeof LarderAllergen)[number];

export const LarderBeforehand = ["", "sprouted", "ground", "fed", "thawed"] as const;
export type LarderBeforehand = (typeof LarderBeforehand)[number];

export const LarderFilling = ["sifted", "sprinkled", "spooned", "heaped", "scooped"] as const;
export type LarderFilling = (typeof LarderFilling)[number];

export const LarderGrain = ["", "wheat", "rye", "barley", "oats", "rice", "maize", "buckwheat", "millet", "other"] as const;
export type LarderGrain = (typeof LarderGrain)[number];

export const LarderHopper = ["", "yes", "drained"] as const;
export type LarderHopper = (typeof LarderHopper)[number];

export const LarderKind = [
  "liquid",
  "egg",
  "fat",
  "syrup",
  "sugar",
  "salt",
  "dry milk",
  "flour",
  "dry extra",
  "yeast",
  "leavening",
  "extra",
  "puree",
] as const;
export type LarderKind = (typeof LarderKind)[number];

export const LarderState = ["", "cold", "softened", "melted", "warm"] as const;
export type LarderState = (typeof LarderState)[number];

export const LarderStrength = ["", "strong", "plain", "soft", "self-raising"] as const;
export type LarderStrength = (typeof LarderStrength)[number];

export const MachineAnchor = ["after the start", "before the last knead ends", "before the last rise"] as const;
export type MachineAnchor = (typeof MachineAnchor)[number];

export const MachineCharacter = [
  "basic",
  "wholemeal",
  "crusty",
  "sweet",
  "rapid",
  "gluten-free",
  "low-carb",
  "quick bread",
  "packet mix",
  "dough",
  "pasta dough",
  "starter",
  "jam",
  "yoghurt",
  "bake only",
] as const;
export type MachineCharacter = (typeof MachineCharacter)[number];

export const MachineCrust = ["light", "medium", "dark"] as const;
export type MachineCrust = (typeof MachineCrust)[number];

export const MachineDelayRule = ["finish-based", "start-based", "none"] as const;
export type MachineDelayRule = (typeof MachineDelayRule)[number];

export const MachineFirstPress = ["next whole step", "one step on"] as const;
export type MachineFirstPress = (typeof MachineFirstPress)[number];

export const MachineSignal = ["add-ins", "paddle out", "scrape the sides"] as const;
export type MachineSignal = (typeof MachineSignal)[number];

export const MachineStageKind = ["rest", "knead", "rise", "knock-back", "bake", "boil", "warm"] as const;
export type MachineStageKind = (typeof MachineStageKind)[number];

export const MeasureDecimalSign = ["point", "comma"] as const;
export type MeasureDecimalSign = (typeof MeasureDecimalSign)[number];

export const MeasureDegrees = ["celsius", "fahrenheit"] as const;
export type MeasureDegrees = (typeof MeasureDegrees)[number];

export const MeasureLengths = ["centimetres", "inches"] as const;
export type MeasureLengths = (typeof MeasureLengths)[number];

export const MeasureStandard = ["us", "metric", "australian", "imperial"] as const;
export type MeasureStandard = (typeof MeasureStandard)[number];

export const MeasureWeights = ["grams", "ounces"] as const;
export type MeasureWeights = (typeof MeasureWeights)[number];

export const OtherwiseEvent = [
  "yeast was left out",
  "baking powder or soda was left out",
  "salt was left out",
  "sugar or honey was left out",
  "butter or oil was left out",
  "egg was left out",
  "milk powder was left out",
  "gluten was left out",
  "the gum or husk was left out",
  "seeds or spices were left out",
  "lemon juice was left out",
  "some of the flour was left out",
  "flour that was to be held back is in",
  "some of the liquid was left out",
  "yeast went in twice",
  "yeast went in three times or more",
  "a packet of yeast is left over, and the mix has its own",
  "salt went in twice",
  "sugar or butter went in twice",
  "an egg too many went in",
  "a cup of flour too many went in",
  "twice the liquid went in",
  "a cycle for another bread was chosen",
  "the rapid cycle was chosen",
  "the dough cycle was chosen",
  "bake only was chosen",
  "bake only was set too short",
  "too large a size was chosen",
  "too small a size was chosen",
  "too dark a crust was chosen",
  "too light a crust was chosen",
  "the delay was not set",
  "the delay was set too long",
  "a delay is set, and something in the pan spoils",
  "Start was not pressed",
  "Stop was pressed, and the display is back at its start",
  "another button was pressed, and the display counts on",
  "it refuses to start: too hot",
  "it refuses to start: too cold",
  "the dough is nearly at the lid",
  "the dough touches the lid",
  "the dough hangs over the rim",
  "something ran over on to the heater",
  "it sinks in the middle",
  "the top is brown and the middle wobbles",
  "it is pale",
  "it is dark, with minutes still to go",
  "it is done, with minutes still to go",
  "the jam foams to the rim",
  "it is still thin",
  "the starter has risen and fallen, and smells sour",
  "it clicks or ticks softly",
  "it screeches or grinds",
  "it thumps",
  "it rattles after the add-ins",
  "the motor slows and hums",
  "the machine walks on the worktop",
  "the machine hangs over the edge",
  "a little smoke, and it smells of toast or sugar",
  "thick smoke or a flame",
  "it smells of burnt plastic",
  "a new machine smells of warm oil",
  "a towel or the cord lies on it",
  "a curtain hangs over its vents",
  "the paddle is not in",
  "one of the two paddles is not in",
  "a paddle lies in the drawer, and another is in the pan",
  "the pan is not clicked in",
  "the pan stands crooked",
  "the motor runs and the paddle does not turn",
  "the paddle came off its shaft",
  "the folding paddle lies flat",
  "the paddle has a little play",
  "the paddle is still in",
  "the lid stood open",
  "flour or fruit fell beside the pan",
  "water runs out under the machine",
  "water was poured in without the pan",
  "the pan is wet outside",
  "metal touched the pan or the paddle",
  "the add-ins are not in yet",
  "the dispenser did not open",
  "something sticky is in the dispenser",
  "the flap or lid touches the dough",
  "more add-ins are ready than planned",
  "more add-ins went in than planned",
  "the add-ins went in at the start",
  "the add-ins went in dripping wet",
  "a large soft piece went in whole",
  "the pause for shaping was missed",
  "the machine gave up waiting and is off",
  "the filling is cold",
  "the filling leaks",
  "egg wash, glaze or seeds are still to go on top",
  "nobody can shape the dough in time",
  "it is not done inside",
  "it will not come out",
  "the paddle is stuck in the loaf",
  "the paddle will not come off the shaft",
  "its sides fell in",
  "it was forgotten in the pan",
  "it is to be sliced at once",
  "the next loaf is to go in at once",
  "something for it stood too long in the warm",
  "an add-in or filling stood too long in the warm",
  "soaked or sprouted grain smells sour",
  "there are beetles in the flour",
  "a piece of eggshell is in it",
  "a stone, a nutshell or a bone went in",
  "a chip of the pan's coating is in it",
  "a plaster or something unclean may be in it",
  "somebody ate raw dough",
  "the milk was too hot for its culture",
  "a child reaches for the hot pan",
] as const;
export type OtherwiseEvent = (typeof OtherwiseEvent)[number];

export const OtherwiseGroup = [
  "forgotten or too much",
  "pressed or set",
  "seen in the pan",
  "heard or smelt",
  "pan, paddle or lid",
  "add-ins and shaping",
  "at the end",
  "spoilt or unsafe",
] as const;
export type OtherwiseGroup = (typeof OtherwiseGroup)[number];

export const PanFatPlace = ["in pieces", "in four corners", "over the bottom", "melted"] as const;
export type PanFatPlace = (typeof PanFatPlace)[number];

export const PanOrder = [
  "wet first",
  "dry first",
  "yeast bloomed",
  "dry mixed first",
  "as listed",
  "batter",
  "mixed outside",
  "stirred",
] as const;
export type PanOrder = (typeof PanOrder)[number];

export const PanPlace = [
  "",
  "in a well",
  "in the middle",
  "in the corners",
  "in pieces",
  "stirred in",
  "mixed in a bowl",
  "over the bottom",
  "in its dispenser",
  "warmed together",
  "stirred by hand",
  "from the bag",
] as const;
export type PanPlace = (typeof PanPlace)[number];

export const PanSaltPlace = ["under the flour", "in the liquid", "above the flour"] as const;
export type PanSaltPlace = (typeof PanSaltPlace)[number];

export const PanStuff = ["liquid", "fat", "sugar and salt", "flour", "dry extra", "yeast", "add-in"] as const;
export type PanStuff = (typeof PanStuff)[number];

export const PanYeastPlace = ["in a well", "on top", "in its dispenser"] as const;
export type PanYeastPlace = (typeof PanYeastPlace)[number];

export const PlanAddInWay = ["by hand", "dispenser", "at the start"] as const;
export type PlanAddInWay = (typeof PlanAddInWay)[number];

export const PlanCertainty = ["weighed", "own cup", "unknown cup"] as const;
export type PlanCertainty = (typeof PlanCertainty)[number];

export const PlanFigure = ["hydration", "salt", "yeast", "sugar", "fat", "baking powder"] as const;
export type PlanFigure = (typeof PlanFigure)[number];

export const PlanLevel = ["stop", "ask", "care", "note"] as const;
export type PlanLevel = (typeof PlanLevel)[number];

export const RecipeBecame = ["not used", "method", "settings", "heading", "title", "ingredient"] as const;
export type RecipeBecame = (typeof RecipeBecame)[number];

export const RecipeKind = [
  "white",
  "wholemeal",
  "crusty",
  "sweet",
  "rapid",
  "gluten-free",
  "low-carb",
  "rye",
  "sprouted grain",
  "quick bread",
  "packet mix",
  "dough",
  "filled",
  "starter",
  "pasta dough",
  "preserve",
  "yoghurt",
  "bake only",
] as const;
export type RecipeKind = (typeof RecipeKind)[number];

export const RecipePart = ["", "filling", "glaze", "topping"] as const;
export type RecipePart = (typeof RecipePart)[number];

export const RecipeWhen = ["", "beep", "first knead", "warmed first"] as const;
export type RecipeWhen = (typeof RecipeWhen)[number];

export const RehearseSlip = [
  "",
  "twice the yeast",
  "half the yeast",
  "no yeast",
  "no salt",
  "flour packed into the cup",
  "too much water",
  "liquid far too hot",
  "weak flour",
  "the paddle forgotten",
] as const;
export type RehearseSlip = (typeof RehearseSlip)[number];

export const RehearseWhat = ["pressed", "paced", "told", "cut", "left", "again"] as const;
export type RehearseWhat = (typeof RehearseWhat)[number];

export const ScaleEggSchool = ["whole", "part"] as const;
export type ScaleEggSchool = (typeof ScaleEggSchool)[number];

export const ScaleYeastSchool = ["eased", "straight"] as const;
export type ScaleYeastSchool = (typeof ScaleYeastSchool)[number];

export const StandinPhase = ["idle", "waiting", "running", "paused", "warm", "dark"] as const;
export type StandinPhase = (typeof StandinPhase)[number];

export const StandinSound = [
  "click",
  "nothing",
  "begins",
  "stage",
  "beep",
  "drops",
  "waits",
  "goes on",
  "done",
  "cools",
  "stops",
  "too hot",
  "power out",
  "power back",
  "lost",
] as const;
export type StandinSound = (typeof StandinSound)[number];

export const TimetableMomentKind = [
  "refused",
  "begins",
  "look",
  "held back",
  "add-ins",
  "scrape",
  "paddle",
  "last rise",
  "filling",
  "brush",
  "bakes",
  "ready",
  "warm ends",
  "shaped",
  "oven",
  "eaten",
] as const;
export type TimetableMomentKind = (typeof TimetableMomentKind)[number];

export const VerdictCause = [
  "too wet",
  "too dry",
  "flour packed into the cup",
  "too much yeast",
  "a faster yeast than the recipe means",
  "too little yeast",
  "old or killed yeast",
  "yeast forgotten",
  "salt forgotten or too little",
  "too much salt",
  "liquid too hot",
  "too warm or damp",
  "too cold",
  "risen too long on this cycle",
  "a cycle for another dough",
  "flour too weak",
  "too big for the pan",
  "much sugar",
  "paddle missing or not seated",
  "sides not scraped",
  "cut hot",
  "left in the pan",
  "crust setting",
  "add-ins too early",
  "add-ins too late",
  "wet add-ins",
  "lid opened while it rose or baked",
  "lid or flap touched it",
  "power cut",
  "the paddle in the loaf",
  "not baked through",
  "baked too long",
  "another size was set",
  "knocked back too often",
  "too little sugar to brown",
  "too many add-ins",
  "nothing that binds it",
  "old or forgotten leavening",
  "too little leavening",
  "too much leavening",
  "soda with nothing sour",
  "flour or seeds gone stale",
  "salt hidden in other things",
  "too much flour added while it kneaded",
  "too much liquid added while it kneaded",
  "the yeast got wet too soon",
  "the mix's own yeast, and more",
  "a starter that was not ripe",
  "pressed down before it baked",
  "the cycle was stopped or begun again",
  "pulled or twisted out of the pan",
  "turned out while it was fragile",
  "cooled under cover",
  "kept closed or damp",
  "mixed too long",
  "something burnt beside the pan",
  "milk, egg or meat that stood too long",
  "richer than its cycle bears",
  "too much fruit at once",
  "too little sugar, acid or pectin to set",
  "judged before it had cooled",
  "boiled too long",
  "a culture that was dead or scalded",
  "not kept warm for long enough",
  "meat not hot enough in the middle",
  "a wet filling",
  "a seam that opened",
  "a dough that was not rested",
  "not risen for long enough after shaping",
  "risen for too long after shaping",
  "an oven that was too hot, too cool or not heated",
  "something forgotten",
] as const;
export type VerdictCause = (typeof VerdictCause)[number];

export const VerdictFact = [
  "its water is above the usual",
  "its water is below the usual",
  "its yeast is above the usual",
  "its yeast is below the usual",
  "its salt is above the usual",
  "its salt is below the usual",
  "its sugar is above the usual",
  "the yeast is past its date, or long opened",
  "the yeast is fresh",
  "its ball was slack at the last look",
  "its ball was torn or hard at the last look",
  "its ball was smooth at the last look",
  "flour was given to the ball",
  "liquid was given to the ball",
  "it stood high early",
  "it stood low before its baking",
  "the kitchen is warm",
  "the kitchen is cold",
  "its liquid was hotter than its yeast bears",
  "its flour is plain or soft",
  "its flour was measured by a cup that was never weighed",
  "its flour was weighed",
  "its cycle is not the one that suits it",
  "a slow yeast on a rapid cycle",
  "a fast yeast in the weight of a slow one",
  "its cycle rises longer than its dough needs",
  "it was likely to fill more than the pan",
  "it stood in the pan after its end",
  "it was out within minutes",
  "it was cut within half an hour",
  "it was cut cold",
  "the crust was set darker than suggested",
  "the crust was set lighter than suggested",
  "the crust was set the other way",
  "its flour was scooped into the cup",
  "its add-ins went in at the start",
  "its add-ins went in after the kneading",
  "its add-ins are moist",
  "the lid was opened while it rose or baked",
  "the power went",
  "something was left out, or a step of the bench not done",
  "the loaf weighs more than planned",
  "the loaf weighs as planned",
  "more than planned of something went in",
  "the day was damp",
  "what was changed for it before this loaf did not help",
  "what was changed for it before this loaf helped, in part",
  "its water is as usual",
  "its yeast is as usual",
  "its salt is as usual",
  "its sugar is as usual",
  "its sugar is below the usual",
  "the kitchen was neither warm nor cold",
  "its liquid was as warm as it should be",
  "its middle was done, by the thermometer",
  "its middle was not done, by the thermometer",
  "its cycle knocks it back more often than it bears",
  "its add-ins are more than it can carry",
  "nothing in it binds it",
  "its leavening is above the usual",
  "its leavening is below the usual",
  "its leavening is as usual",
  "its leavening is past its date, or long opened",
  "its soda has nothing sour to work on",
  "its flour or seeds are past their date, or long opened",
  "something salty is in it beside the salt",
  "the paddle or the pan was not in place",
  "flour was added while it kneaded",
  "liquid was added while it kneaded",
  "the yeast got wet before the kneading",
  "yeast went in beside that of the mix",
  "the starter was young, cold or hungry",
  "the dough was pressed down or pricked",
  "the lid or the flap touched the dough",
  "Stop was pressed, or the cycle began again",
  "another size was set on the machine",
  "it was pulled or twisted out",
  "it was turned out at once",
  "it cooled in a bag or under cover",
  "it was kept in a closed bag or in the damp",
  "it was mixed longer than its cycle",
  "something fell or ran beside the pan",
  "milk, egg or meat stood in the warm for hours",
  "its middle was hotter than done, by the thermometer",
  "the crust was set to light already",
  "the crust was set to dark already",
  "the crust can be set another step",
  "its water may be above the usual, by its cups",
  "a rapid cycle, and too little yeast for one",
  "its fat is above the usual",
  "the same recipe came out well before",
  "its add-ins went in at the beep",
  "its fruit is more than boils in the pan",
  "it has little sugar for its fruit, or neither acid nor pectin",
  "it was looked at while it was still warm",
  "it was boiled longer than its cycle",
  "the culture was old",
  "the culture went into hot milk",
  "the filling was wet",
  "the seam was loose or on top",
  "its last rise, after shaping, was short",
  "its last rise, after shaping, was long",
  "the oven was hotter or cooler than meant, or not heated first",
  "it has neither yeast nor leavening",
  "it is gummy, though it was done and cut cold",
] as const;
export type VerdictFact = (typeof VerdictFact)[number];

export const VerdictStrength = ["likely", "possible", "cannot tell"] as const;
export type VerdictStrength = (typeof VerdictStrength)[number];
