import { Button } from "../parts/Button";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useLocation, useNavigate, useSearchParams } from "react-router";
import { forgetSeen } from "../client/kept";
import { kitchen, setKitchen } from "../client/kitchen";
import type { Kitchens, Opened } from "../client/types.gen";
import { Segments } from "../parts/Segments";
import { Sprig } from "../parts/Sprig";
import { doorway } from "./doorway";
import { FirstKeys } from "./FirstKeys";
import { ForgottenForm, PairForm, SignInForm } from "./forms";
import { MakeKitchen } from "./MakeKitchen";

const ways = [
  { value: "in", show: "Sign in" },
  { value: "pair", show: "Use a code" },
  { value: "make", show: "Make a kitchen" },
] as const;
type Way = (typeof ways)[number]["value"] | "forgotten";

/** Whoever opened a kitchen goes on in it, on a page that begins anew. */
export function goIn(opened: Opened) {
  setKitchen(opened.kitchen);
  window.location.assign("/");
}

/** The door of the house: how a device comes into a kitchen. */
export default function DoorScreen({ house }: { house: Kitchens | undefined }) {
  const { pathname, hash } = useLocation();
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const asked = search.get("do") as Way | null;
  const [way, go] = useState<Way>(pathname === "/pair" ? "pair" : (asked ?? (house && !house.doors ? "make" : "in")));
  const [opened, open] = useState<Opened>();
  const back = house?.kitchens.find((k) => k.id === kitchen());
  const client = useQueryClient();
  const nowhere = house?.kitchens.length === 0;
  useEffect(() => {
    document.title = "The door · Rise Pan";
    if (nowhere) forgetSeen(client);
  }, [client, nowhere]);
  if (opened?.recovery) return <FirstKeys opened={opened} code={opened.recovery} on={() => goIn(opened)} />;
  return (
    <main className={doorway}>
      <div className="rounded-tray border-4 border-rim bg-enamel p-4 md:px-8 md:py-6">
        <Sprig className="mx-auto w-24" />
        <h1 className="mt-1 mb-3 text-center text-xl font-bold">Rise Pan</h1>
        {way !== "forgotten" && (
          <Segments
            label="Sign-in options"
            value={way}
            segments={ways.map((w) => ({ ...w, label: w.show }))}
            pick={go}
            className="min-h-12 flex-1 content-center px-2 text-center font-semibold"
          />
        )}
        <div className="mt-4">
          {way === "in" && <SignInForm opened={goIn} forgot={() => go("forgotten")} />}
          {way === "pair" && <PairForm code={hash.slice(1)} opened={goIn} />}
          {way === "make" && <MakeKitchen from={back} opened={open} />}
          {way === "forgotten" && <ForgottenForm opened={open} back={() => go("in")} />}
        </div>
        {back && (
          <Button onClick={() => navigate("/")} look="text" className="mt-3">
            Back to {back.name}
          </Button>
        )}
      </div>
    </main>
  );
}
