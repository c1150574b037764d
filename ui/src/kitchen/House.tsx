import { Button, PressLink } from "../parts/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { endIn, fetchHousehold, fetchKitchens, signOut } from "../client/api";
import { useNow } from "../client/clock";
import { at, kitchen } from "../client/kitchen";
import { press } from "../client/outbox";
import type { Household, Opened, Restored } from "../client/types.gen";
import { MakeKitchen } from "../auth/MakeKitchen";
import { RecoveryCode } from "../auth/FirstKeys";
import { Sheet } from "../parts/Sheet";
import { TroubleNote } from "../parts/Trouble";
import { moveTo } from "./CarryAway";
import { HouseKeys } from "./HouseKeys";
import { PairSheet } from "./PairSheet";

const head = "text-sm font-semibold text-soft";

/** Who may come into this kitchen, and by which devices. */
export function House({ name }: { name: string }) {
  const house = useQuery({ queryKey: at("household"), queryFn: ({ signal }) => fetchHousehold(signal), staleTime: 0 });
  if (!house.data) return house.error ? <TroubleNote error={house.error} /> : <p className="text-lg text-soft">Looking who is there …</p>;
  return house.data.open ? <OpenHouse name={name} /> : <Locked house={house.data} />;
}

/** A kitchen without a household: whoever sits at this computer may use it. */
function OpenHouse({ name }: { name: string }) {
  const [claiming, claim] = useState(false);
  const [opened, open] = useState<Opened>();
  const kitchens = useQuery({ queryKey: ["kitchens"], queryFn: ({ signal }) => fetchKitchens(signal), staleTime: Infinity });
  const client = useQueryClient();
  const demo = kitchens.data?.kitchens.find((k) => k.id === kitchen())?.demo;
  const reset = useMutation({ mutationFn: () => press<Restored>("/reset", {}), networkMode: "always", onSuccess: moveTo });
  if (opened?.recovery)
    return (
      <div className="max-w-xl">
        <RecoveryCode name={opened.name} code={opened.recovery} />
        <Button onClick={() => void client.invalidateQueries()} size="medium" className="mt-4">
          I’ve saved it; go on
        </Button>
      </div>
    );
  return (
    <div className="grid gap-8 lg:grid-cols-2">
      <section aria-labelledby="open-house">
        <h2 id="open-house" className="text-lg font-semibold">
          Anyone on this computer can open it
        </h2>
        <p className="mt-1 max-w-prose">
          {name} has no owner. With an owner and a passphrase it opens only to the devices that you let in, and phones in the house can use
          it.
        </p>
        <p className="mt-3 flex flex-wrap gap-3">
          <PressLink to="/door?do=make" look="filled" size="large">
            Make a kitchen of my own
          </PressLink>
          {!claiming && (
            <Button onClick={() => claim(true)} size="medium">
              Give {name} an owner
            </Button>
          )}
        </p>
        {claiming && (
          <div className="max-w-xl">
            <MakeKitchen claims={name} opened={open} />
          </div>
        )}
      </section>
      <section aria-labelledby="elsewhere">
        <h2 id="elsewhere" className="text-lg font-semibold">
          Elsewhere
        </h2>
        <p className="mt-2">
          <PressLink to="/door?do=in">Sign in to another kitchen</PressLink>
        </p>
        {demo && (
          <>
            <p className="mt-4 max-w-prose">
              This is the sample kitchen. “As new” puts everything back to the first day; what you changed is archived.
            </p>
            <Button disabled={reset.isPending} onClick={() => reset.mutate()} size="medium" className="mt-2">
              {reset.isPending ? "Making it as new …" : "Reset the demo kitchen"}
            </Button>
            <TroubleNote error={reset.error} />
          </>
        )}
      </section>
    </div>
  );
}

/** When a device was used last, in words. It is noted by the hour. */
function ago(then: string, now: number): string {
  const hours = Math.floor((now - Date.parse(then)) / 3_600_000);
  if (hours < 2) return "used just now";
  if (hours < 48) return `used ${hours} hours ago`;
  return `used ${Math.floor(hours / 24)} days ago`;
}

function Locked({ house }: { house: Household }) {
  const client = useQueryClient();
  const now = useNow();
  const [pairing, pair] = useState<"devices" | "people" | null>(null);
  const end = useMutation({
    mutationFn: ({ what, id }: { what: "ended" | "gone" | "others"; id?: string }) => endIn(what, id),
    onSuccess: (next) => client.setQueryData(at("household"), next),
  });
  const leave = useMutation({ mutationFn: signOut, onSuccess: () => window.location.assign("/door") });
  const owner = house.me.role === "owner";
  return (
    <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[3fr_2fr]">
      <section aria-labelledby="people">
        <h2 id="people" className={head}>
          People and devices
        </h2>
        <ul className="divide-y divide-rule border-y border-rule">
          {house.people.map((p) => (
            <li key={p.id} className="py-2" data-person={p.name}>
              <p className="flex flex-wrap items-baseline gap-x-4">
                <b className="text-lg">{p.name}</b>
                <span className="text-soft">{p.role === "owner" ? "owner" : "bakes here"}</span>
                {owner && p.role !== "owner" && (
                  <Button disabled={end.isPending} onClick={() => end.mutate({ what: "gone", id: p.id })} look="text">
                    Take {p.name} out
                  </Button>
                )}
              </p>
              <ul>
                {house.devices
                  .filter((d) => d.person === p.name)
                  .map((d) => (
                    <li key={d.id} className="flex min-h-11 flex-wrap items-baseline gap-x-4 pl-4" data-device={d.what}>
                      <span className="w-24">{d.what}</span>
                      <span className="text-soft">{d.this ? "this one" : ago(d.usedAt, now)}</span>
                      {!d.this && (owner || p.id === house.me.id) && (
                        <Button disabled={end.isPending} onClick={() => end.mutate({ what: "ended", id: d.id })} look="text">
                          Sign this device out
                          <span className="sr-only">
                            : the {d.what} of {p.name}
                          </span>
                        </Button>
                      )}
                    </li>
                  ))}
              </ul>
            </li>
          ))}
        </ul>
        <TroubleNote error={end.error ?? leave.error} />
        <p className="mt-4 flex flex-wrap gap-3">
          <Button onClick={() => pair("devices")} look="filled" size="large">
            Pair a phone of mine
          </Button>
          {owner && (
            <Button onClick={() => pair("people")} size="medium">
              Let somebody else in
            </Button>
          )}
        </p>
        <p className="mt-3 flex flex-wrap gap-x-6">
          <Button disabled={leave.isPending} onClick={() => leave.mutate()} look="text">
            Sign out here
          </Button>
          {owner && house.devices.length > 1 && (
            <Button disabled={end.isPending} onClick={() => end.mutate({ what: "others" })} look="text">
              Sign all others out
            </Button>
          )}
          <PressLink to="/door?do=in">Another kitchen</PressLink>
        </p>
        <Reached house={house} />
      </section>
      <HouseKeys house={house} />
      {pairing && (
        <Sheet title={pairing === "devices" ? "Pair a phone of yours" : "Let somebody else in"} close={() => pair(null)}>
          <PairSheet whose={pairing} house={house} close={() => pair(null)} />
        </Sheet>
      )}
    </div>
  );
}

/** Whether other devices reach this server, and what does not work over a connection that can be read. */
function Reached({ house }: { house: Household }) {
  return (
    <div className="mt-6 max-w-prose border-t border-rule pt-3">
      {house.house ? (
        <>
          <p>In the house Rise Pan is at</p>
          <ul>
            {house.where.map((w) => (
              <li key={w} className="font-semibold wrap-anywhere select-all">
                {w}
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p>Only this computer reaches Rise Pan now. See “Use on your phone” in the help.</p>
      )}
      {house.house && !window.isSecureContext && (
        <p className="mt-2 border-l-4 border-rim pl-3">
          This connection isn’t secure (http): its browser keeps no screen awake here, sends no notices, and puts nothing on the home
          screen. Set the screen to stay on by itself while you bake; sound and flash work. Started with{" "}
          <b className="whitespace-nowrap">--tls self</b> all of it works.
        </p>
      )}
      {house.authority && (
        <p className="mt-2">
          <a href="/house.crt" className="font-semibold text-rim underline">
            Security certificate for your phones
          </a>
          , for a phone to trust once
        </p>
      )}
    </div>
  );
}
