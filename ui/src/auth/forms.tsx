import { Button } from "../parts/Button";
import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { pairWith, recover, signIn, Trouble } from "../client/api";
import type { Opened } from "../client/types.gen";
import { Beside, Do, Field, NewPassphrase } from "./Field";

interface Props {
  opened: (kitchen: Opened) => void;
}

const sending = (go: () => void) => (e: FormEvent) => {
  e.preventDefault();
  go();
};

/** By the kitchen's name and its passphrase. */
export function SignInForm({ opened, forgot }: Props & { forgot: () => void }) {
  const [name, setName] = useState("");
  const [passphrase, setPassphrase] = useState("");
  const enter = useMutation({ mutationFn: signIn, networkMode: "always", onSuccess: opened });
  return (
    <form onSubmit={sending(() => enter.mutate({ name, passphrase }))}>
      <Field label="The kitchen’s name" value={name} set={setName} auto="username" />
      <Field label="Passphrase" value={passphrase} set={setPassphrase} secret auto="current-password" most={128} />
      <Beside error={enter.error} fields={[]} />
      <Do busy={enter.isPending}>Sign in</Do>
      <p className="mt-2">
        <Button onClick={forgot} look="text">
          Forgot your passphrase?
        </Button>
      </p>
      <p className="text-soft">This device stays signed in for 90 days after it was last used.</p>
    </form>
  );
}

/** By a code that another device shows. Somebody who is new says who they are. */
export function PairForm({ code: given, opened }: Props & { code: string }) {
  const [code, setCode] = useState(given);
  const [name, setName] = useState("");
  const pair = useMutation({ mutationFn: pairWith, networkMode: "always", onSuccess: opened });
  const asked = pair.error instanceof Trouble && pair.error.problem.pointer === "/name";
  const [wantsName, wantName] = useState(false);
  if (asked && !wantsName) wantName(true);
  return (
    <form onSubmit={sending(() => pair.mutate({ code, name: wantsName ? name : undefined }))}>
      <Field
        label="The code on the other screen"
        value={code}
        set={setCode}
        at="/code"
        error={pair.error}
        most={12}
        large
        help="Six letters and figures, good once, for ten minutes. On the other device: Kitchen, House."
      />
      {wantsName && (
        <Field
          label="Your name"
          value={name}
          set={setName}
          at={name ? "/name" : undefined}
          error={pair.error}
          auto="given-name"
          help="Shown next to what you do here."
        />
      )}
      <Beside error={asked ? null : pair.error} fields={["/code", "/name"]} />
      <Do busy={pair.isPending}>Use this code</Do>
    </form>
  );
}

/** By the code that was printed: the kitchen gets another passphrase. */
export function ForgottenForm({ opened, back }: Props & { back: () => void }) {
  const [name, setName] = useState("");
  const [code, setCode] = useState("");
  const [passphrase, setPassphrase] = useState("");
  const mend = useMutation({ mutationFn: recover, networkMode: "always", onSuccess: opened });
  return (
    <form onSubmit={sending(() => mend.mutate({ name, code, passphrase }))}>
      <h2 className="text-lg font-semibold">Open it by the printed code</h2>
      <p>All devices are signed out, and another code is shown for printing.</p>
      <Field label="The kitchen’s name" value={name} set={setName} auto="username" />
      <Field label="The printed code" value={code} set={setCode} most={60} large />
      <NewPassphrase label="A new passphrase" value={passphrase} set={setPassphrase} error={mend.error} />
      <Beside error={mend.error} fields={["/passphrase"]} />
      <Do busy={mend.isPending}>Open the kitchen</Do>
      <Button onClick={back} look="text" className="mt-2">
        Back to signing in
      </Button>
    </form>
  );
}
