import { Button } from "./Button";
import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { useState } from "react";
import { setSingleKeys, singleKeys } from "./singleKeys";

// The keys beside those of screens.
const others: [string, string][] = [
  ["1 2 3", "First, second, third loaf size, on Plan"],
  ["Space", "Next step, at the bench; the arrow keys go on and back"],
  ["Arrow keys", "Move a loaf of the day; Enter puts it there"],
  ["?", "This list"],
  ["Esc", "Close what is open"],
];

interface Props {
  screens: { key: string; says: string }[];
  close: () => void;
}

export default function Shortcuts({ screens, close }: Props) {
  const keys = [...screens.map(({ key, says }): [string, string] => [key.toUpperCase(), says]), ...others];
  const [on, set] = useState(singleKeys);
  return (
    <Dialog open onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/60" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center p-4">
        <DialogPanel className="w-96 max-w-full rounded-tray border-4 border-rim bg-enamel p-6">
          <DialogTitle className="text-xl font-bold">Keys</DialogTitle>
          <dl className="mt-4 grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
            {keys.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="figures font-bold">{key}</dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
          <label className="mt-4 flex min-h-11 items-center gap-2 font-semibold">
            <input
              type="checkbox"
              checked={on}
              onChange={(e) => {
                setSingleKeys(e.target.checked);
                set(e.target.checked);
              }}
              className="size-6 accent-rim"
            />
            Single keys work
          </label>
          <Button onClick={close} look="filled" size="medium" className="mt-6">
            Close
          </Button>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
