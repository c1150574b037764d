import { Button } from "../parts/Button";
import { useState } from "react";
import type { DoughAdvice, BakeBall, BakeView, DoughDose, Happened } from "../client/types.gen";
import { clock, countdown } from "../parts/time";
import { DoughSeen } from "../client/words.gen";
import { BallPicture } from "./BallPicture";
import { fixed } from "../parts/figures";

interface Props {
  bake: BakeView;
  now: number;
  tell: (happened: Happened) => void;
  wait: boolean;
}

const looks: Record<DoughSeen, string> = {
  pours: "No ball, it coats the floor",
  smears: "A ball that smears",
  smooth: "One smooth ball",
  torn: "Ragged, torn",
  knocks: "Hard, or in bits",
  corners: "Flour in the corners",
  lumps: "Firm, lumps of butter",
};

/** While it kneads: what the dough looks like, and what to do about it. */
export function DoughBall({ bake, now, tell, wait }: Props) {
  const { ball } = bake.state;
  const [early, open] = useState(false); // somebody looks before it is time
  if (!ball || now < Date.parse(ball.from) || now >= Date.parse(ball.until)) return null;
  const due = !!ball.look && Date.parse(ball.look) <= now;
  const asks = due || !ball.seen;
  if (!due && !ball.seen && !ball.doses && !early)
    return (
      <section aria-label="The dough ball" className="flex flex-wrap items-center gap-x-4 border-y border-rule">
        {ball.look && <p className="text-soft">Look at the dough about {clock(ball.look, bake.zone)}; before, every dough is ragged.</p>}
        <Button onClick={() => open(true)} look="text">
          How does the dough look?
        </Button>
      </section>
    );
  return (
    <section aria-label="The dough ball" className={`rounded-tray border-4 px-4 py-2 ${due ? "border-rim" : "border-rule"}`}>
      {asks ? (
        <>
          {ball.advice?.add && (
            <div className="mb-3 border-b border-rule pb-3">
              <p className="text-lg">{ball.advice.say}</p>
              <Spoonful advice={ball.advice} add={ball.advice.add} tell={tell} wait={wait} />
            </div>
          )}
          <h2 className="text-xl font-bold">{due ? "Look at the dough: what is it like?" : "How does it look now?"}</h2>
          <div className="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-4 lg:grid-cols-7">
            {DoughSeen.map((seen) => (
              <button
                key={seen}
                type="button"
                disabled={wait}
                onClick={() => tell({ what: "saw", seen })}
                className="rounded-tray border-2 border-rim p-1 text-center text-sm leading-5 font-semibold text-ink hover:bg-shelf"
              >
                <BallPicture seen={seen} />
                {looks[seen]}
              </button>
            ))}
          </div>
        </>
      ) : (
        <Answer ball={ball} now={now} tell={tell} wait={wait} />
      )}
      {ball.doses && (
        <p className="mt-2 text-sm text-soft">
          Went in:{" "}
          {ball.doses.map((d) => `${d.spoken} of ${d.of === "water" ? "liquid" : "flour"} at ${clock(d.at, bake.zone)}`).join(", ")}; in all{" "}
          <b className="figures text-ink">{signed(ball.points ?? 0)}</b> points of hydration.
        </p>
      )}
      <Other tell={tell} wait={wait} />
    </section>
  );
}

/** What to do about what was seen, and when to look again. */
function Answer({ ball, now, tell, wait }: { ball: BakeBall; now: number; tell: Props["tell"]; wait: boolean }) {
  const { advice } = ball;
  return (
    <div role="status">
      <p className="text-xl font-bold">{advice?.say ?? "Let the machine knead it in."}</p>
      {advice?.add && <Spoonful advice={advice} add={advice.add} tell={tell} wait={wait} />}
      {ball.look && (
        <p className="mt-1 text-lg">
          Look again in <b className="figures">{countdown(Date.parse(ball.look) - now)}</b>
        </p>
      )}
    </div>
  );
}

/** What is to go into the dough, until it is in. */
function Spoonful({ advice, add, tell, wait }: { advice: DoughAdvice; add: DoughDose } & Pick<Props, "tell" | "wait">) {
  return (
    <p className="mt-2 flex flex-wrap items-center gap-3">
      <Button disabled={wait} onClick={() => tell({ what: "put in", dose: add })} look="filled" size="medium">
        Added
      </Button>
      <span className="text-soft">
        That is <b className="figures text-ink">{signed(advice.points ?? 0)}</b> points of hydration. Scrape with plastic, clear of the
        paddle.
      </span>
    </p>
  );
}

/** A dose that nobody proposed. */
function Other({ tell, wait }: { tell: Props["tell"]; wait: boolean }) {
  const [amount, type] = useState("");
  const put = (of: DoughDose["of"]) => {
    tell({ what: "put in", dose: { of, amount } });
    type("");
  };
  const button = "min-h-11 font-semibold text-rim underline disabled:text-soft disabled:no-underline";
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-3 text-sm">
      <label className="flex items-center gap-2">
        Something else went in
        <input
          value={amount}
          onChange={(e) => type(e.target.value)}
          placeholder="1 1/2 tbsp"
          maxLength={40}
          className="h-10 w-32 rounded border-2 border-rule bg-enamel px-2 text-base max-md:h-11"
        />
      </label>
      <button type="button" disabled={wait || amount.trim() === ""} onClick={() => put("water")} className={button}>
        of liquid
      </button>
      <button type="button" disabled={wait || amount.trim() === ""} onClick={() => put("flour")} className={button}>
        of flour
      </button>
    </p>
  );
}

const signed = (points: number) => `${points < 0 ? "−" : "+"}${fixed(Math.abs(points), 1)}`;
