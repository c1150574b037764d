import { SignPicture, type Sign } from "./SignPicture";

export const signs: Sign[] = [
  "domed, near the rim",
  "fine, even crumb",
  "sounds hollow",
  "sunken top",
  "bulges over the rim",
  "short and dense",
  "did not rise",
  "unmixed",
  "lumpy, rough outside",
  "lopsided, a dry lump",
  "torn or holed top",
  "coarse, holey",
  "gummy middle",
  "floury corners",
  "big hole, torn base",
  "too pale",
  "too dark",
  "soggy, wrinkled sides",
  "add-ins mashed",
  "add-ins at the bottom",
  "too salty",
  "too bland",
  "too small for the house",
];

/** Rarer ones, told by their words alone. */
const rarer: Sign[] = [
  "raw in the middle",
  "crumbly, falls apart",
  "dry crumb",
  "tunnels in the crumb",
  "crust too soft",
  "crust thick and hard",
  "broke as it was turned out",
  "add-ins on the outside",
  "add-ins in a lump",
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
];

const pressed = "aria-pressed:border-4 aria-pressed:border-rim aria-pressed:font-bold";

interface Props {
  shows: Sign[]; // that this loaf can show
  told: Sign[];
  tell: (signs: Sign[]) => void;
}

/** What is seen, felt and tasted of the loaf: several may apply, good ones too. */
export function Signs({ shows, told, tell }: Props) {
  const turn = (sign: Sign) => tell(told.includes(sign) ? told.filter((s) => s !== sign) : [...told, sign]);
  const possible = (s: Sign) => shows.includes(s) || told.includes(s);
  return (
    <fieldset className="mt-6">
      <legend className="text-lg font-semibold">What do you see, feel and taste?</legend>
      <p className="text-soft">All that apply, good signs too; none is as well.</p>
      <div className="mt-2 grid grid-cols-3 gap-2 sm:grid-cols-4 lg:grid-cols-6">
        {signs.filter(possible).map((sign) => (
          <button
            key={sign}
            type="button"
            aria-pressed={told.includes(sign)}
            onClick={() => turn(sign)}
            className={`rounded-tray border-2 border-rule p-1 text-center text-sm leading-5 text-ink ${pressed}`}
          >
            <SignPicture sign={sign} />
            {sign}
          </button>
        ))}
      </div>
      <details className="mt-2" open={rarer.some((s) => told.includes(s)) || undefined}>
        <summary className="min-h-11 cursor-pointer py-2 font-semibold text-rim">Something else</summary>
        <div className="flex flex-wrap gap-2">
          {rarer.filter(possible).map((sign) => (
            <button
              key={sign}
              type="button"
              aria-pressed={told.includes(sign)}
              onClick={() => turn(sign)}
              className={`min-h-11 rounded-tray border-2 border-rule px-3 text-ink ${pressed}`}
            >
              {sign}
            </button>
          ))}
        </div>
      </details>
    </fieldset>
  );
}
