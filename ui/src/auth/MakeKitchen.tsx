import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { ownZone } from "../client/firstZone";
import { claimKitchen, makeKitchen } from "../client/api";
import type { NewKitchen, Opened } from "../client/types.gen";
import { Beside, Do, Field, NewPassphrase } from "./Field";
import { newKey } from "../client/key";

interface Props {
  from?: { id: string; name: string } | undefined; // a kitchen whose recipes may come along
  claims?: string; // the name of the open kitchen that gets its owner, in place of a new one
  opened: (kitchen: Opened) => void;
}

/** Makes a kitchen with its owner, or gives an open kitchen one. */
export function MakeKitchen({ from, claims, opened }: Props) {
  const [name, setName] = useState(claims ?? "");
  const [person, setPerson] = useState("");
  const [passphrase, setPassphrase] = useState("");
  const [along, setAlong] = useState(false);
  const key = useRef(newKey()); // a lost answer is asked for again under the same
  const make = useMutation({
    mutationFn: (body: NewKitchen) => (claims ? claimKitchen : makeKitchen)(body, key.current),
    networkMode: "always",
    onSuccess: opened,
  });
  const fields = ["/name", "/person", "/passphrase"];
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        make.mutate({ name, person, passphrase, zone: ownZone(), recipes: along ? from?.id : undefined });
      }}
    >
      <Field
        label="The kitchen’s name"
        value={name}
        set={setName}
        at="/name"
        error={make.error}
        auto="username"
        help="You’ll sign in with this, so it must be unique."
      />
      <Field label="Your name" value={person} set={setPerson} at="/person" error={make.error} auto="given-name" />
      <NewPassphrase label="A passphrase" value={passphrase} set={setPassphrase} error={make.error} />
      {from && !claims && (
        <label className="mt-2 flex min-h-14 items-center gap-3 font-semibold">
          <input type="checkbox" checked={along} onChange={(e) => setAlong(e.target.checked)} className="size-6 accent-rim" />
          Also copy the recipes of {from.name}
        </label>
      )}
      <Beside error={make.error} fields={fields} />
      <Do busy={make.isPending}>{claims ? "Give it this owner" : "Make the kitchen"}</Do>
    </form>
  );
}
