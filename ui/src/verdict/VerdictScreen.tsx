import { Button, PressLink } from "../parts/Button";
import { useNavigate, useParams } from "react-router";
import { useNow } from "../client/clock";
import { useBake, useTellBake } from "../client/bakes";
import type { BakeCool, BakeView } from "../client/types.gen";
import { useDraft } from "../parts/draft";
import { clock, countdown } from "../parts/time";
import { standing } from "../watch/happened";
import { Measured } from "./Measured";
import { Signs } from "./Signs";
import { toldOf, type Verdict } from "./told";
import { Photos } from "../parts/Photos";
import { Segments } from "../parts/Segments";
import { TroubleNote } from "../parts/Trouble";
import { Made } from "../parts/Made";

const marks = ["", "spoiled", "poor", "fair", "good", "as it should be"];

/** The finished loaf: a mark, and what to remember. */
export default function VerdictScreen() {
  const { id = "" } = useParams();
  const bake = useBake(id);
  if (bake.error && !bake.data)
    return (
      <div className="p-8">
        <TroubleNote error={bake.error} />
      </div>
    );
  if (!bake.data) return <p className="p-8 text-lg text-soft">Looking for the loaf …</p>;
  return <Judge key={bake.data.id} bake={bake.data} />;
}

/** From when the loaf may be cut, and cuts clean. */
function Cooling({ cool, bake }: { cool: BakeCool; bake: BakeView }) {
  const now = useNow();
  const left = Date.parse(cool.clean) - now;
  if (left <= 0) return null;
  const early = Date.parse(cool.slice) > now;
  return (
    <p role="timer" className="mt-3 border-l-4 border-rim pl-3 text-lg">
      It cools on {bake.plan.ending?.on ?? "a rack"}. Look for the paddle in it first. <b className="figures">{countdown(left)}</b> until it
      cuts clean, at <b className="figures">{clock(cool.clean, bake.zone)}</b>
      {early && (
        <>
          ; before <b className="figures">{clock(cool.slice, bake.zone)}</b> not at all
        </>
      )}
      .
    </p>
  );
}

function Judge({ bake }: { bake: BakeView }) {
  const { state, zone } = bake;
  const [told, write, forget] = useDraft<Verdict>(`verdict ${bake.id}`, toldOf(state));
  const set = (part: Partial<Verdict>) => write((before) => ({ ...before, ...part }));
  const { mark = 0, signs = [] } = told;
  const tell = useTellBake(bake.id);
  const navigate = useNavigate();
  const save = () =>
    tell.mutate(
      { ...told, what: "judged", note: told.note?.trim() },
      {
        onSuccess: () => {
          forget();
          navigate(`/log/${bake.id}`);
        },
      },
    );
  const ended = standing(bake).find((h) => h.what === "taken out" || h.what === "abandoned");
  const takeBack = () => ended && tell.mutate({ what: "undone", of: ended.seq }, { onSuccess: () => navigate(`/watch/${bake.id}`) });
  return (
    <div className="mx-auto w-full max-w-3xl px-6 py-6">
      <h1 className="text-xl font-bold">How did the {bake.plan.recipe} come out?</h1>
      <p className="text-lg text-soft">
        <Made loaf={bake.plan} />, {bake.plan.machine}
        {state.end && (
          <>
            {" "}
            · {state.phase === "abandoned" ? "ended early" : "out of the pan"} at <span className="figures">{clock(state.end, zone)}</span>
          </>
        )}
        {ended && (
          <Button onClick={takeBack} look="text" className="ml-3 text-base">
            Undo “taken out”
          </Button>
        )}
      </p>
      {state.cool && <Cooling cool={state.cool} bake={bake} />}
      <div className="mt-6">
        <Segments
          label="Mark"
          value={mark}
          pick={(m) => set({ mark: m })}
          className="min-h-24 flex-1 p-2 text-center"
          segments={marks.slice(1).map((name, n) => ({
            value: n + 1,
            label: `${n + 1}: ${name}`,
            show: (
              <>
                <span className="figures block text-2xl leading-12 font-bold">{n + 1}</span>
                <span className="text-xs">{name}</span>
              </>
            ),
          }))}
        />
      </div>
      {bake.tried && (
        <div className="mt-6">
          <p className="text-lg">
            The recipe was changed before this loaf, for the one before was <b>{bake.tried}</b>. Did it help?
          </p>
          <Segments
            label="Did the change help?"
            look="apart"
            value={told.helped ?? ""}
            pick={(helped) => set({ helped })}
            className="min-h-12 px-6 font-semibold"
            segments={[
              { value: "yes", label: "yes", show: "yes" },
              { value: "no", label: "no", show: "no" },
            ]}
          />
        </div>
      )}
      <Signs shows={bake.shows} told={signs} tell={(all) => set({ signs: all })} />
      <div className="mt-4">
        <Photos bake={bake} ask="Add a photo" />
      </div>
      <Measured told={told} set={set} plan={bake.plan} goes={bake.goes} />
      <label className="mt-6 block">
        <span className="text-lg font-semibold">What to remember</span>
        <span className="block text-soft">Height, crumb, crust, taste. One change for next time, and only one.</span>
        <textarea
          value={told.note ?? ""}
          onChange={(e) => set({ note: e.target.value })}
          rows={4}
          maxLength={4000}
          className="mt-2 w-full rounded-tray border-2 border-rim bg-enamel p-3 text-lg"
        />
      </label>
      <div className="mt-2">
        <TroubleNote error={tell.error} />
      </div>
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <Button onClick={save} disabled={mark === 0 || tell.isPending} look="filled" size="large">
          {tell.isPending ? "Saving …" : "Save to log"}
        </Button>
        {mark === 0 && <p className="text-soft">Choose a rating first.</p>}
        <PressLink to="/log" size="large" className="px-3 text-lg">
          Later
        </PressLink>
      </div>
    </div>
  );
}
