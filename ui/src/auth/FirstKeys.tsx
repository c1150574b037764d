import { Button } from "../parts/Button";
import { Printer } from "lucide-react";
import { doorway } from "./doorway";
import type { Opened } from "../client/types.gen";

/** The code for recovery, shown once, for printing. */
export function FirstKeys({ opened, code, on }: { opened: Opened; code: string; on: () => void }) {
  return (
    <main className={doorway}>
      <div className="rounded-tray border-4 border-rim bg-enamel p-4 md:p-8">
        <h1 className="text-xl font-bold">Keep this code on paper</h1>
        <RecoveryCode name={opened.name} code={code} />
        <p className="mt-4 flex flex-wrap gap-3 print:hidden">
          <Button onClick={on} look="filled" size="large">
            I’ve saved it; go on
          </Button>
        </p>
      </div>
    </main>
  );
}

/** A code for recovery with what it is for. */
export function RecoveryCode({ name, code }: { name: string; code: string }) {
  return (
    <>
      <p className="mt-1 max-w-prose text-lg">
        If the passphrase of <b>{name}</b> is ever forgotten, this opens the kitchen, once. It is not shown again.
      </p>
      <p className="figures mt-4 rounded-tray border-2 border-rim p-4 text-center text-2xl font-bold break-words" data-recovery>
        {code}
      </p>
      <Button onClick={() => window.print()} size="medium" className="mt-3 flex items-center gap-2 print:hidden">
        <Printer size={20} aria-hidden="true" />
        Print
      </Button>
    </>
  );
}
