import { Button } from "../parts/Button";
import { useState } from "react";
import { Picker } from "../parts/Picker";
import { calling, canNotice, ring, setCalling, type Tone, tones } from "../parts/calls";

const named: Record<Tone, string> = { off: "no sound", bell: "bell", chime: "chime", knock: "knock" };

/** How this device calls at the moments of a bake; each sound can be tried. */
export function Calls() {
  const [now, set] = useState(calling);
  const [refused, refuse] = useState(false);
  const change = (part: Partial<typeof now>) => {
    setCalling(part);
    set(calling());
  };
  const sound = (what: "act" | "know", label: string) => (
    <div className="flex min-h-14 flex-wrap items-center gap-x-4">
      <span className="w-44 font-semibold">{label}</span>
      <Picker
        label={label}
        value={now[what]}
        choices={tones.map((t) => ({ id: t, name: named[t] }))}
        pick={(t) => change({ [what]: tones.find((known) => known === t) ?? "off" })}
      />
      <Button onClick={() => ring(what)}>
        Test<span className="sr-only">: {label}</span>
      </Button>
    </div>
  );
  const notices = async (on: boolean) => {
    const allowed = !on || (canNotice() && (await Notification.requestPermission()) === "granted");
    refuse(!allowed);
    change({ notices: on && allowed });
  };
  return (
    <section aria-labelledby="calls" className="mt-6">
      <h2 id="calls" className="text-sm font-semibold text-soft">
        Alerts on this device
      </h2>
      <div className="divide-y divide-rule border-y border-rule">
        {sound("act", "Action needed")}
        {sound("know", "For information")}
        <label className="flex min-h-14 items-center gap-3">
          <input type="checkbox" checked={now.flash} onChange={(e) => change({ flash: e.target.checked })} className="size-6 accent-rim" />
          Flash the screen when something is to be done
        </label>
        <label className="flex min-h-14 items-center gap-3">
          <input type="checkbox" checked={now.notices} onChange={(e) => void notices(e.target.checked)} className="size-6 accent-rim" />
          Show a notification when another tab is in front
        </label>
      </div>
      {refused && (
        <p role="status" className="mt-1 text-soft">
          {canNotice()
            ? "The browser does not allow notices: look at its settings for this page."
            : "This browser sends no notices here. Sound and flash work."}
        </p>
      )}
      <p className="mt-1 text-sm text-soft">Saved on this device. Tap the page once so the browser allows sound.</p>
    </section>
  );
}
