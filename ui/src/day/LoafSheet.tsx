import { Button } from "../parts/Button";
import { useState } from "react";
import { Link } from "react-router";
import { useShelf } from "../client/queries";
import type { DayLoaf, DayView } from "../client/types.gen";
import { Picker } from "../parts/Picker";
import { Segments } from "../parts/Segments";
import { Sheet } from "../parts/Sheet";
import { halves, readClock, shown } from "../parts/time";
import { Typed } from "../parts/Typed";
import { RecipePicker } from "../plan/RecipePicker";
import { useWish } from "../plan/wish";

interface Props {
  view: DayView;
  loaf: DayLoaf;
  fresh: boolean; // it is not on the day yet
  done?: string; // when it is done as it is planned, on the kitchen's clock
  busy: boolean;
  fault?: string;
  keep: (loaf: DayLoaf) => void;
  takeOff: () => void;
  close: () => void;
}

const field = "figures h-12 rounded-tray border-2 border-rim bg-enamel text-center text-xl font-bold aria-invalid:border-signal";
const segment = "min-h-12 content-center px-3 font-semibold";

/** A loaf of the day: which, of what size, and when it is wanted. */
export function LoafSheet({ view, loaf, fresh, done, busy, fault, keep, takeOff, close }: Props) {
  const shelf = useShelf().data;
  const [chosen, choose] = useWish(fresh ? shelf : undefined);
  const [draft, setDraft] = useState(loaf);
  const wish = fresh && chosen ? chosen.wish : draft.wish;
  const name = fresh ? (chosen?.recipe.name ?? "") : (view.names[wish.recipe] ?? "");
  const machine = shelf?.machines.find((m) => m.id === wish.machine);
  const sized = fresh ? !chosen?.recipe.batch : view.sizes.includes(wish.loaf.size ?? "");
  const set = (change: Partial<DayLoaf>) => setDraft({ ...draft, ...change });
  const time = (at: "from" | "by", label: string) => (
    <label className="flex items-center gap-2 text-base">
      {label}
      <Typed
        value={(draft[at] ?? draft.by ?? `${view.date}T12:00`).slice(11)}
        show={shown}
        parse={readClock}
        live
        label={`${label}, a time`}
        say="Write a time such as 7:00 or 19:30."
        keep={(read) => set({ [at]: `${view.date}T${read}` })}
        className={`${field} ${halves() ? "w-32" : "w-24"}`}
        faultClass="order-last w-full text-xs text-signal"
      />
    </label>
  );
  const keepIt = () => {
    const { from, by, ...rest } = draft;
    const { ready: _ready, notYet: _notYet, atPanel: _atPanel, ...timing } = wish.time ?? {};
    keep({
      ...rest,
      wish: { ...wish, time: timing },
      ...(draft.when === "between" && { from: from ?? by }),
      ...(draft.when !== "whenever" && { by }),
    });
  };
  return (
    <Sheet title={fresh ? "Put a loaf on the day" : name} close={close}>
      {fresh && shelf && chosen && (
        <div className="mt-3 border-b border-rule pb-2">
          <RecipePicker shelf={shelf} recipe={chosen.recipe} pick={(recipe) => choose({ recipe, size: null, swap: null, bag: null })} />
          {(wish.loaf.swaps?.length ?? 0) > 0 && <p className="px-2 text-base text-soft">With the swaps that you made on Plan.</p>}
          {wish.loaf.bag && <p className="px-2 text-base text-soft">Out of a bag.</p>}
        </div>
      )}
      {sized && (
        <div className="mt-3 flex">
          <Segments
            label="Size"
            value={wish.loaf.size ?? chosen?.recipe.size ?? ""}
            pick={(size) => (fresh ? choose({ size }) : set({ wish: { ...draft.wish, loaf: { ...draft.wish.loaf, size } } }))}
            segments={view.sizes.map((s) => ({ value: s, label: s, show: <span className="fraction">{s}</span> }))}
            className={segment}
          />
        </div>
      )}
      <div className="mt-3 flex">
        <Segments
          label="When it is wanted"
          value={draft.when}
          pick={(when) => set({ when })}
          segments={[
            { value: "by", label: "By a time", show: "By a time" },
            { value: "between", label: "Between two times", show: "Between" },
            { value: "whenever", label: "At any time of the day", show: "Any time" },
          ]}
          className={segment}
        />
      </div>
      {draft.when !== "whenever" && (
        <div className="mt-3 flex flex-wrap gap-4">
          {draft.when === "between" && time("from", "From")}
          {time("by", draft.when === "between" ? "to" : "Fresh by")}
        </div>
      )}
      {!fresh && (draft.pin || done) && (
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <label className="flex min-h-11 items-center gap-2 font-semibold">
            <input
              type="checkbox"
              checked={!!draft.pin}
              onChange={(e) => set({ pin: e.target.checked ? done : undefined })}
              className="size-6 accent-rim"
            />
            Fix the finish near
          </label>
          <Typed
            value={(draft.pin ?? done ?? "").slice(11)}
            show={shown}
            parse={readClock}
            live
            label="Pinned time"
            say="Write a time such as 7:00 or 19:30."
            keep={(read) => set({ pin: `${(draft.pin ?? done ?? view.date).slice(0, 10)}T${read}` })}
            className={`${field} ${halves() ? "w-32" : "w-24"}`}
            faultClass="order-last w-full text-xs text-signal"
          />
        </div>
      )}
      <div className="mt-3">
        <Picker
          label="Machine"
          value={draft.only ? wish.machine : ""}
          choices={[
            { id: "", name: "On any machine" },
            ...(shelf?.machines ?? []).map((m) => ({ id: m.id, name: `Must be baked in ${m.name}` })),
          ]}
          pick={(id) => {
            if (fresh && id) choose({ machine: id });
            set({ only: id !== "", wish: { ...draft.wish, machine: id || draft.wish.machine } });
          }}
        />
      </div>
      {fresh && shelf && !chosen && (
        <p className="mt-2 text-lg">
          A loaf needs a recipe and a machine:{" "}
          <Link to="/" className="font-semibold text-rim underline">
            begin with them
          </Link>
          .
        </p>
      )}
      {!fresh && shelf && !machine && <p className="mt-2 text-base text-signal">Its machine is not on the shelf any more.</p>}
      {fault && (
        <p role="alert" className="mt-3 border-l-4 border-signal px-4 py-2 text-lg">
          {fault}
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        <Button disabled={busy || !wish.recipe} onClick={keepIt} look="filled" size="large">
          {busy ? "Planning the day …" : fresh ? "Put it on the day" : "Save changes"}
        </Button>
        {!fresh && (
          <Button disabled={busy} onClick={takeOff} size="large">
            Remove from this day
          </Button>
        )}
        <Button onClick={close} look="text" size="large" className="px-4">
          Cancel
        </Button>
      </div>
    </Sheet>
  );
}
