export interface Term {
  word: string;
  also?: string; // other words for it, which find it too
  means: string;
}

/** The words of bread and of bread machines that stand on these screens. */
const terms: readonly Term[] = [
  { word: "Active dry yeast", means: "Yeast in coarse grains. It keeps for months, and rises more slowly than instant yeast." },
  {
    word: "Add-in beep",
    also: "raisin beep fruit nuts",
    means: "The machine beeps near the end of the kneading. Fruit and nuts go in then, so that they stay whole.",
  },
  {
    word: "Add-ins",
    also: "extras fruit nuts seeds",
    means: "Fruit, nuts, seeds, cheese or herbs that go into a dough when it is nearly kneaded.",
  },
  {
    word: "Bag",
    also: "mix",
    means: "Your own dry mix: flour, sugar, salt and dry milk for one loaf, measured ahead. The yeast goes in on the day.",
  },
  {
    word: "Bake only",
    means: "A cycle that heats and does nothing else: for dough that is kneaded, shaped and risen, or for more minutes at the end.",
  },
  { word: "Baking powder", also: "leavening", means: "It makes cakes and quick breads rise in the heat, without yeast." },
  {
    word: "Baking soda",
    also: "bicarbonate",
    means: "It makes a batter rise where there is something sour in it, such as buttermilk. Without that it tastes of soap.",
  },
  { word: "Basic", also: "white normal standard", means: "The cycle for everyday white bread." },
  { word: "Batter", means: "A dough so soft that it pours. Gluten-free bread and cakes are batters: they want mixing, not kneading." },
  { word: "Bench", means: "The screen that measures with you, one thing after the other, until the pan is loaded." },
  { word: "Binder", also: "xanthan gum psyllium husk", means: "Gum or husk that holds a dough together in place of gluten." },
  {
    word: "Bloomed yeast",
    also: "proof froth",
    means: "Yeast that is stirred into warm liquid first, until it froths. It shows that the yeast is alive.",
  },
  {
    word: "Bread flour",
    also: "strong flour",
    means: "Flour with much gluten, 12 g of protein or more in 100 g. Yeast bread rises best with it.",
  },
  { word: "Cool-down", means: "The minutes after a loaf in which a hot machine refuses to start again. An open lid helps." },
  {
    word: "Core temperature",
    also: "middle thermometer done",
    means: "The temperature in the middle of a loaf. It tells best whether bread is done.",
  },
  { word: "Crumb", means: "The inside of a loaf: what the crust holds." },
  { word: "Crust", also: "light medium dark", means: "How brown the outside gets. Light, medium and dark are chosen on the machine." },
  {
    word: "Crusty",
    also: "French Italian European",
    means: "A cycle for bread with hardly any sugar or fat: longer rises, and a hotter or longer bake.",
  },
  {
    word: "Delay timer",
    also: "finish start later",
    means:
      "It lets the machine begin later, so that the bread is ready when you want it. Some count the hours until the bread is done, some the hours until the cycle begins.",
  },
  { word: "Dispenser", also: "fruit nut box", means: "A box in the lid that drops fruit and nuts into the dough by itself." },
  {
    word: "Dough ball",
    also: "look ball",
    means:
      "What the dough looks like some minutes into the kneading. Smooth and just tacky is right: the best moment to add a spoonful of water or flour.",
  },
  {
    word: "Dough cycle",
    also: "dough cycle pizza rolls",
    means: "It kneads and lets the dough rise, and does not bake. You shape it and bake it in the oven.",
  },
  { word: "Dry milk", also: "milk powder", means: "Milk as powder. It waits safely in a delay, where fresh milk would spoil." },
  { word: "Dusting flour", means: "A little flour on hands and board, so that dough does not stick." },
  { word: "First look", means: "When the plan asks you to look at the dough ball." },
  {
    word: "Formula",
    also: "baker's percentage",
    means: "A recipe as shares of its flour: 2 % salt is 2 g of salt for each 100 g of flour. It makes recipes comparable.",
  },
  {
    word: "Fresh yeast",
    also: "cake yeast compressed",
    means: "Moist yeast in a block. Three times the weight of dry yeast, and not for the delay timer.",
  },
  { word: "Gluten", means: "What makes wheat dough stretch and hold its bubbles. Rye has little that works, rice and maize none." },
  { word: "Gluten-free", means: "Without wheat, rye, barley and common oats. A machine that has baked wheat bread leaves traces." },
  { word: "Greased pan", means: "A pan that is wiped with a little butter or oil, so that a batter comes out." },
  { word: "Heaped", also: "rounded", means: "A spoon filled above its edge. Recipes mean level spoons unless they say so." },
  { word: "Hollow tap", means: "Bread that is done sounds hollow when you knock on its base." },
  {
    word: "Hydration",
    also: "water",
    means: "How much water there is for 100 g of flour. Around 60 to 65 makes an everyday white dough; whole grain drinks more.",
  },
  {
    word: "Instant yeast",
    also: "rapid-rise fast-acting bread machine yeast",
    means: "Yeast in fine grains that goes in dry. It rises faster: you need a little less than of active dry yeast.",
  },
  {
    word: "Keep warm",
    means: "After the bake the machine keeps the loaf warm for a while. The crust softens: take the loaf out when you can.",
  },
  { word: "Knead", means: "To work dough until it is smooth and stretches. The paddle does it." },
  {
    word: "Knock-back",
    also: "punch down stir down",
    means: "The paddle turns once or twice and lets the gas out of the dough. It rises more evenly after that.",
  },
  {
    word: "Last rise",
    also: "proof prove",
    means: "The rise just before the bake. How high the dough stands then tells how the loaf will be.",
  },
  {
    word: "Levelled cup",
    also: "spooned scooped dip sweep",
    means: "Flour spooned loosely into the cup, the top wiped flat. A cup dipped into the bag holds up to a fifth more.",
  },
  {
    word: "Loaf size",
    also: "pound lb nominal",
    means:
      "1, 1½ and 2 lb are names. A 1½ lb loaf has about 3 cups of flour, and weighs somewhat less than a pound and a half when it is baked.",
  },
  { word: "Log", means: "Your bakes, with how they came out. Rise Pan learns from it." },
  { word: "Low-carb", means: "Bread of gluten, fibre, seeds and nuts in place of most of the flour. It drinks for longer and rises once." },
  { word: "Oven spring", means: "The last push upwards in the first minutes of the heat." },
  {
    word: "Over-proved",
    also: "risen too long collapsed sunken",
    means: "Risen for too long: the dough cannot hold its gas any more, and sinks in the heat.",
  },
  { word: "Own cup", means: "What a cup of flour weighs when you fill it. Weigh it once, and every recipe is right for your hand." },
  {
    word: "Packet mix",
    also: "bread mix",
    means: "Flour, salt and often yeast from a packet. You add water. Look whether the yeast is in it or in a sachet of its own.",
  },
  { word: "Paddle", also: "kneading blade", means: "The blade that kneads. It goes on its shaft first, and may stay in the loaf." },
  { word: "Plain flour", also: "all-purpose", means: "Flour for cakes and sauces. Yeast bread made of it stays lower." },
  {
    word: "Preheat",
    also: "rest warm up",
    means: "Some machines warm everything before they knead. Until then nothing moves: that is normal.",
  },
  { word: "Presses", also: "buttons panel", means: "Which buttons to press on your machine, and how often." },
  {
    word: "Cycle",
    also: "program menu",
    means: "What the machine does from Start to the end: kneading, rises and bake, with their times. It has a number on the panel.",
  },
  { word: "Proof", also: "prove", means: "To let dough rise; or to test yeast in warm water." },
  { word: "Quick bread", also: "cake soda", means: "Bread or cake that rises by baking powder or soda, mixed and baked at once." },
  { word: "Rapid", also: "express quick turbo", means: "A short cycle. It wants instant yeast, more of it, and warm water." },
  { word: "Rest", means: "A pause in which flour drinks. The dough gets smoother by itself." },
  { word: "Rounding", means: "Making the amounts of a recipe fit your cups and spoons, so that the dough stays as it was." },
  { word: "Scrape", means: "To push flour off the sides of the pan with a soft spatula, so that all of it is mixed." },
  { word: "Self-raising flour", also: "self-rising", means: "Flour with baking powder and salt in it. Not for yeast bread." },
  {
    word: "Sourdough starter",
    also: "leaven levain",
    means: "Flour and water with living yeast, fed again and again. Alone it takes 5 to 12 hours to raise a loaf.",
  },
  { word: "Sprouted grain", means: "Grain that was soaked until small tails grew, then mashed wet, or dried and milled." },
  { word: "Tare", also: "zero", means: "To set the scale to zero with something on it, and to weigh on from there." },
  { word: "Vital wheat gluten", means: "Gluten as a powder. A spoonful lifts a wholemeal loaf." },
  { word: "Wholemeal", also: "whole wheat", means: "Flour of the whole grain. It drinks more and slower, and rises lower." },
  { word: "Yeast dispenser", means: "A box for dry yeast alone that opens by itself. Fresh yeast sticks in it." },
];

export const glossary = terms.toSorted((a, b) => a.word.localeCompare(b.word));

/** The terms whose word, other words or meaning hold what is looked for; those whose word begins so come first. */
export function termsFor(text: string): readonly Term[] {
  const words = text.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const rank = (t: Term) => {
    const word = t.word.toLowerCase();
    if (words.every((w) => word.startsWith(w))) return 0;
    if (words.every((w) => word.includes(w))) return 1;
    if (words.every((w) => `${word} ${(t.also ?? "").toLowerCase()}`.includes(w))) return 2;
    return words.every((w) => `${word} ${t.also ?? ""} ${t.means}`.toLowerCase().includes(w)) ? 3 : 4;
  };
  return glossary.filter((t) => rank(t) < 4).sort((a, b) => rank(a) - rank(b) || a.word.localeCompare(b.word));
}
