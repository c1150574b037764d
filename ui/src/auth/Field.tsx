import { Button } from "../parts/Button";
import { useId, useState } from "react";
import { Trouble } from "../client/api";

interface Props {
  label: string;
  value: string;
  set: (text: string) => void;
  at?: string; // the pointer under which the server speaks of it
  error?: unknown;
  secret?: boolean;
  auto?: string; // what a browser may fill in
  help?: string;
  most?: number;
  large?: boolean;
}

/** What the server says of a field, where it says anything. */
const faultAt = (error: unknown, at: string | undefined) =>
  at && error instanceof Trouble && error.problem.pointer === at ? error.problem.detail : undefined;

const box = "h-14 min-w-0 flex-1 rounded-tray border-2 border-rim bg-enamel px-3 aria-invalid:border-signal";

/** A field of a form at the door; a secret one can be shown. */
export function Field({ label, value, set, at, error, secret, auto = "off", help, most = 60, large }: Props) {
  const [shown, show] = useState(false);
  const id = useId();
  const fault = faultAt(error, at);
  return (
    <div className="mt-3">
      <label htmlFor={id} className="block font-semibold">
        {label}
      </label>
      <div className="mt-1 flex">
        <input
          id={id}
          value={value}
          onChange={(e) => set(e.target.value)}
          type={secret && !shown ? "password" : "text"}
          autoComplete={auto}
          autoCapitalize={large ? "characters" : undefined}
          spellCheck={false}
          maxLength={most}
          aria-invalid={!!fault}
          aria-describedby={`${id}-says`}
          className={`${box} ${large ? "figures text-2xl tracking-[0.2em] uppercase" : "text-lg"}`}
        />
        {secret && (
          <button
            type="button"
            aria-pressed={shown}
            onClick={() => show(!shown)}
            className="ml-2 min-h-14 rounded-tray border-2 border-rule px-3 font-semibold text-rim"
          >
            {shown ? "Hide" : "Show"}
            <span className="sr-only">: {label}</span>
          </button>
        )}
      </div>
      <p id={`${id}-says`} role="status" className={`mt-1 text-sm ${fault ? "text-signal" : "text-soft"}`}>
        {fault ?? help}
      </p>
    </div>
  );
}

/** A field for a passphrase that shall be from now on. */
export const NewPassphrase = (props: Pick<Props, "label" | "value" | "set" | "error">) => (
  <Field
    {...props}
    at="/passphrase"
    secret
    auto="new-password"
    most={128}
    help="12 letters or more; three or four words that have nothing to do with each other do well."
  />
);

/** Trouble that belongs to none of a form's fields. */
export function Beside({ error, fields }: { error: unknown; fields: string[] }) {
  if (!error || (error instanceof Trouble && fields.includes(error.problem.pointer ?? ""))) return null;
  return (
    <p role="alert" className="mt-3 border-l-4 border-signal px-4 py-2 text-lg">
      {error instanceof Trouble ? error.problem.detail : "Something went wrong on this page. Try again."}
    </p>
  );
}

/** The one thing that a form does. */
export function Do({ busy, children }: { busy: boolean; children: string }) {
  return (
    <Button type="submit" disabled={busy} look="filled" size="large" className="mt-4 w-full">
      {busy ? "One moment …" : children}
    </Button>
  );
}
