import { Button } from "../parts/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { changePassphrase, newRecovery, shareAt } from "../client/api";
import { at } from "../client/kitchen";
import type { Household } from "../client/types.gen";
import { Beside, Do, Field, NewPassphrase } from "../auth/Field";
import { RecoveryCode } from "../auth/FirstKeys";
import { TroubleNote } from "../parts/Trouble";

const head = "text-sm font-semibold text-soft";

/** What opens the kitchen: the passphrase, the printed code, and the calendar's secret address. */
export function HouseKeys({ house }: { house: Household }) {
  const [asked, ask] = useState<"passphrase" | "recovery" | null>(null);
  if (house.me.role !== "owner")
    return <p className="text-soft">The passphrase and the calendar are {house.people[0]?.name}’s to change.</p>;
  return (
    <section aria-labelledby="keys">
      <h2 id="keys" className={head}>
        What opens {house.name}
      </h2>
      <p className="mt-2 flex flex-wrap gap-3">
        <Button aria-expanded={asked === "passphrase"} onClick={() => ask(asked === "passphrase" ? null : "passphrase")} size="medium">
          Change the passphrase
        </Button>
        <Button aria-expanded={asked === "recovery"} onClick={() => ask(asked === "recovery" ? null : "recovery")} size="medium">
          Print another code
        </Button>
      </p>
      {asked && <Relock key={asked} what={asked} house={house} done={() => ask(null)} />}
      <h2 className={`mt-6 ${head}`}>In a calendar</h2>
      <Calendar house={house} />
    </section>
  );
}

function Relock({ what, house, done }: { what: "passphrase" | "recovery"; house: Household; done: () => void }) {
  const client = useQueryClient();
  const [before, setBefore] = useState("");
  const [passphrase, setPassphrase] = useState("");
  const [changed, setChanged] = useState(false);
  const relock = useMutation({
    mutationFn: changePassphrase,
    onSuccess: (next) => {
      client.setQueryData(at("household"), next);
      setChanged(true);
    },
  });
  const code = useMutation({ mutationFn: newRecovery });
  if (changed)
    return (
      <p role="status" className="mt-2 text-lg">
        The passphrase is changed; all other devices are signed out.
      </p>
    );
  if (code.data)
    return (
      <>
        <RecoveryCode name={house.name ?? ""} code={code.data.code} />
        <Button onClick={done} size="medium" className="mt-2">
          I’ve saved it
        </Button>
      </>
    );
  const send = (e: FormEvent) => {
    e.preventDefault();
    if (what === "passphrase") relock.mutate({ before, passphrase });
    else code.mutate({ before });
  };
  const error = relock.error ?? code.error;
  return (
    <form onSubmit={send}>
      <Field
        label="Current passphrase"
        value={before}
        set={setBefore}
        secret
        auto="current-password"
        most={128}
        at="/before"
        error={error}
      />
      {what === "passphrase" && <NewPassphrase label="New passphrase" value={passphrase} set={setPassphrase} error={error} />}
      <Beside error={error} fields={["/before", "/passphrase"]} />
      <Do busy={relock.isPending || code.isPending}>{what === "passphrase" ? "Change passphrase" : "Show another code"}</Do>
    </form>
  );
}

/** The address by which a calendar reads what comes; shown once, taken back at any time. */
function Calendar({ house }: { house: Household }) {
  const client = useQueryClient();
  const share = useMutation({
    mutationFn: (on: boolean) => shareAt("/calendar", on),
    onSuccess: () => client.invalidateQueries({ queryKey: at("household") }),
  });
  const made = share.data?.path && (share.data.whole?.[0] ?? window.location.origin + share.data.path);
  return (
    <>
      <p className="mt-1 max-w-prose">
        A calendar that subscribes to a secret address shows what every bake that runs wants of you, and when. Whoever knows the address can
        read that.
      </p>
      {made && (
        <p className="mt-2 rounded-tray border-2 border-rim p-3 font-semibold break-all select-all" data-feed>
          {made}
        </p>
      )}
      <p className="mt-2 flex flex-wrap gap-3">
        <Button disabled={share.isPending} onClick={() => share.mutate(true)} size="medium">
          {house.calendar ? "Make another address" : "Make an address"}
        </Button>
        {house.calendar && (
          <Button disabled={share.isPending} onClick={() => share.mutate(false)} size="medium">
            Delete the address
          </Button>
        )}
      </p>
      <TroubleNote error={share.error} />
    </>
  );
}
