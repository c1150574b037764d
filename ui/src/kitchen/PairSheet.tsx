import { Button } from "../parts/Button";
import { useMutation } from "@tanstack/react-query";
import { useEffect } from "react";
import { pairDevice } from "../client/api";
import { useNow } from "../client/clock";
import type { Household, PairingCode } from "../client/types.gen";
import { countdown } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";

const lives = 10 * 60_000; // ms of a code

interface Props {
  whose: "devices" | "people";
  house: Household;
  close: () => void;
}

/** A code for another device to come in by: squares for its camera, six letters for its keys. */
export function PairSheet({ whose, house, close }: Props) {
  const code = useMutation({ mutationFn: () => pairDevice(whose), networkMode: "always" });
  const { mutate } = code;
  useEffect(() => mutate(), [mutate]);
  if (code.error) return <TroubleNote error={code.error} />;
  if (!code.data) return <p className="mt-2 text-lg text-soft">Making a code …</p>;
  return <Shown code={code.data} house={house} anew={() => code.mutate()} close={close} />;
}

function Shown({ code, house, anew, close }: { code: PairingCode; house: Household; anew: () => void; close: () => void }) {
  const left = Math.min(Date.parse(code.endsAt) - useNow(), lives);
  const button = "min-h-12 rounded-tray border-2 border-rim px-6 font-semibold text-rim";
  return (
    <>
      {code.qr && (
        <svg
          viewBox={`0 0 ${code.qr.side} ${code.qr.side}`}
          role="img"
          aria-label="QR code"
          shapeRendering="crispEdges"
          className="mx-auto mt-3 w-64 max-w-full"
        >
          <rect width={code.qr.side} height={code.qr.side} fill="#fff" />
          <path d={code.qr.path} fill="#000" />
        </svg>
      )}
      {left > 0 ? (
        <p className="figures mt-3 text-center text-4xl font-bold tracking-[0.2em]" data-code>
          {code.code}
        </p>
      ) : (
        <p className="mt-3 text-center text-lg">This code has expired.</p>
      )}
      <p className="mt-2">
        {code.qr ? (
          <>
            Point the phone’s camera at the squares, or open <b className="wrap-anywhere">{house.where[0]}</b> on it and type the six
            letters.
          </>
        ) : (
          "Only this computer reaches Rise Pan now: in another browser here, choose “Use a code”. For phones, see “Use on your phone” in the help."
        )}
      </p>
      {left > 0 && <p className="text-soft">Good once, for {countdown(left)}</p>}
      <p className="mt-4 flex flex-wrap gap-3">
        <Button onClick={close} look="filled" size="medium">
          Done
        </Button>
        <button type="button" onClick={anew} className={button}>
          Another code
        </button>
      </p>
    </>
  );
}
