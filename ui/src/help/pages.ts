/** What a screen is for, in two sentences, and its three commonest acts. */
export interface Page {
  is: string;
  acts: readonly string[];
}

/** Of each screen, by its title. */
export const pages: Record<string, Page> = {
  Plan: {
    is: "Choose what to bake, and see what goes into the pan and what to press. Everything follows from the recipe, your machine and your cups.",
    acts: [
      "Tap the size to make the loaf larger or smaller.",
      "Tap Ready to set when you want the bread.",
      "Tap To the bench to measure, one thing after the other.",
    ],
  },
  Bench: {
    is: "Measures with you, step by step, in large letters. Each step has one amount; Done goes on.",
    acts: [
      "Tap Done when the amount is in the pan.",
      "Tap the amount to see how it is made up.",
      "Tap “Too much?” when more went in than the step says.",
    ],
  },
  Watch: {
    is: "Follows the running machine and says what to do next, and when. It rings on every screen.",
    acts: [
      "Look at the dough ball when asked, and tap what you see.",
      "Tap “Something else happened” for anything unexpected.",
      "Tap “Take it out” when the loaf leaves the machine.",
    ],
  },
  Verdict: {
    is: "Rate the loaf and tap what you see. You get the likeliest cause and one thing to change, or a plain “cannot tell”.",
    acts: ["Tap a rating from 1 to 5.", "Tap each sign that the loaf shows.", "Save the change in the recipe, or leave it as it is."],
  },
  Log: {
    is: "Your bakes, newest first. Search them, look at one again, or bake it again.",
    acts: ["Type a word to find a bake.", "Tap a bake to open it.", "Tap The year for all of it in pictures."],
  },
  "The year": {
    is: "A year of bakes at a glance: how many, which, and how they came out. Each field is a day.",
    acts: ["Choose another year.", "Tap a day to see its bakes.", "Download the log as a table."],
  },
  "A recipe’s story": {
    is: "How one recipe changed, and how its loaves came out. Each version keeps the reason for its change.",
    acts: ["Compare two versions.", "Make an older version the newest again.", "Plan this recipe."],
  },
  Recipes: {
    is: "All your recipes. Find one by a word or by its kind.",
    acts: [
      "Tap Plan to bake one.",
      "Tap Write a new one, and paste a card.",
      "Tap Archive to put one out of sight; Restore brings it back.",
    ],
  },
  "A new recipe": {
    is: "Paste or type a recipe as it stands on the card. Beside it you see how each line was read.",
    acts: ["Paste the whole card into the large field.", "Answer what is asked about a line.", "Save, and plan it."],
  },
  "Edit a recipe": {
    is: "Change the recipe’s lines, kind or size. What was before stays in its story.",
    acts: ["Change a line in the text.", "Answer what is asked.", "Save, and plan it."],
  },
  Import: {
    is: "Bring in recipes, a bake log or a calendar from a file or from text. Nothing is saved before you have seen it.",
    acts: ["Drop a file, or paste text.", "Look through what was read.", "Save what you want."],
  },
  Bags: {
    is: "Your own dry mixes, measured ahead, with their dates. A bag makes one loaf.",
    acts: ["Make bags of a recipe.", "Print their labels.", "Bake from a bag."],
  },
  "Make bags": {
    is: "Measure the dry things of a recipe for several loaves at once. The yeast stays out until the day.",
    acts: ["Choose recipe and size.", "Choose how many bags.", "Save, and print the labels."],
  },
  Practise: {
    is: "A stand-in machine to try things on: it kneads, rises and bakes in seconds. Nothing here is a real loaf.",
    acts: ["Press its buttons as the plan says.", "Let the time run faster.", "See how the loaf comes out."],
  },
  Day: {
    is: "Several loaves and other dishes on one day, put in an order that works for machine, oven and hands.",
    acts: ["Add a loaf.", "Say when you are away.", "Tap a loaf to move it."],
  },
  Machines: {
    is: "Your bread machines. What is written here decides cycles, times and presses.",
    acts: ["Add a machine.", "Edit one with its booklet to hand.", "Compare its cycles side by side."],
  },
  "A machine": {
    is: "Describe your machine once, with its booklet. The table of its cycles is the most important part.",
    acts: ["Give it a name and tap its sizes.", "Paste the table of cycles.", "Say what its timer shows, and save."],
  },
  "Compare cycles": {
    is: "Two cycles side by side, on one scale. See what is longer, and where.",
    acts: ["Choose the cycles.", "Change size and crust.", "Go back and pick the one you want."],
  },
  Kitchen: {
    is: "Your cups, spoons and scale, your habits, who is at home when, and the backup. Everything is measured by it.",
    acts: ["Tick the measures you own.", "Weigh your own cup of flour.", "Save a backup."],
  },
};

/** What belongs to no screen, found by words of its own. */
export const topics: readonly { name: string; also: string; to?: string; means: string }[] = [
  {
    name: "Use on your phone",
    also: "phone tablet network wifi house devices start --house",
    means:
      "Stop Rise Pan on the computer, and start it again with the words ./start --house. Kitchen › People & devices then shows a code to scan with the phone.",
    to: "/kitchen?drawer=House",
  },
  {
    name: "Units",
    also: "grams cups ounces fahrenheit celsius inches american british",
    means: "Cups or grams, °C or °F, and the names of foods.",
    to: "/kitchen?drawer=Units",
  },
  {
    name: "Your cups and spoons",
    also: "measures scale jug drawer",
    means: "What you measure with. Amounts use these alone.",
    to: "/kitchen",
  },
  {
    name: "Quiet hours",
    also: "night sleep away absent",
    means: "When nothing should beep, and when nobody is home.",
    to: "/kitchen?drawer=Hours",
  },
  {
    name: "Backup",
    also: "save file export restore move",
    means: "Save the whole kitchen to a file, or bring it back.",
    to: "/kitchen?drawer=Carry away",
  },
  { name: "Alerts", also: "sound notification beep call", means: "How this device calls you.", to: "/kitchen" },
];
