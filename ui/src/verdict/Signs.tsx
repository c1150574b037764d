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

const pressed = "aria-pressed:border-4 aria-pressed:border-rim aria-pressed:font-bold";

interface Props {
  shows: Sign[]; // that this loaf can show
  told: Sign[];
  tell: (signs: Sign[]) => void;
}

/** What is seen, felt and tasted of the loaf: several may apply, good ones too. */
export function Signs({ shows, told, tell }: Props) {
  const turn = (sign: Sign) => tell(told.includes(sign) ? told.filter((s) => s !== sign) : [...told, sign]);
  const possible = [...new Set([...shows, ...told])];
  const rarer = possible.filter((s) => !signs.includes(s)); // told by their words alone
  return (
    <fieldset className="mt-6">
      <legend className="text-lg font-semibold">What do you see, feel and taste?</legend>
      <p className="text-soft">Choose all that apply, or none.</p>
      <div className="mt-2 grid grid-cols-3 gap-2 sm:grid-cols-4 lg:grid-cols-6">
        {signs
          .filter((s) => possible.includes(s))
          .map((sign) => (
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
          {rarer.map((sign) => (
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
