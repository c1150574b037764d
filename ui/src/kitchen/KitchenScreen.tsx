import { Button } from "../parts/Button";
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from "@headlessui/react";
import { Undo2 } from "lucide-react";
import { useSearchParams } from "react-router";
import { Trouble } from "../client/api";
import { useChangeKitchen, useShelf } from "../client/queries";
import type { Kitchen } from "../client/types.gen";
import { TroubleNote } from "../parts/Trouble";
import { Calls } from "./Calls";
import { CarryAway } from "./CarryAway";
import { Cupboard } from "./Cupboard";
import { Habits } from "./Habits";
import { Hours } from "./Hours";
import { House } from "./House";
import { Measures } from "./Measures";
import { OwnCups } from "./OwnCups";
import { OwnFacts } from "./OwnFacts";
import { Preferences } from "./Preferences";
import { tabLook } from "../parts/tabLook";
import { Units } from "./Units";

/** The drawers by their names in the address, each with what it is called. */
const named: Record<string, string> = {
  Drawer: "Measures",
  Flour: "Flour",
  Cupboard: "Cupboard",
  Units: "Units",
  Habits: "Habits",
  Hours: "Quiet hours & away",
  House: "People & devices",
  "Carry away": "Backup",
};
const drawers = Object.keys(named);

/** What this household owns and prefers. Every change is kept at once and shows on the plan. */
export default function KitchenScreen() {
  const shelf = useShelf();
  const { change, undo } = useChangeKitchen();
  const [search, setSearch] = useSearchParams();
  if (shelf.error && !shelf.data)
    return (
      <div className="p-8">
        <TroubleNote error={shelf.error} />
      </div>
    );
  if (!shelf.data) return <p className="p-8 text-lg text-soft">Loading settings …</p>;
  const { kitchen, version, cups, worries } = shelf.data;
  const set = (part: Partial<Kitchen>, kept?: () => void) => change.mutate({ ...kitchen, ...part }, { onSuccess: kept });
  const busy = change.isPending || undo.isPending;
  const problem = change.error instanceof Trouble ? change.error.problem : undefined;
  const atField = /^\/(cups|packs|stock|prices|room|zone|facts)/.test(problem?.pointer ?? "") ? problem : undefined;
  return (
    <div className="w-full px-6 py-4">
      <header className="flex min-h-12 flex-wrap items-center gap-x-6">
        <h1 className="text-xl font-bold">{kitchen.name}</h1>
        <p role="status" className="text-soft">
          {busy ? "Saving …" : change.error ? "Not saved." : version > 1 ? "Saved." : ""}
        </p>
        {version > 1 && (
          <Button onClick={() => undo.mutate()} disabled={busy} look="text" className="flex items-center gap-2">
            <Undo2 size={20} aria-hidden="true" />
            Undo the last change
          </Button>
        )}
      </header>
      {problem && !atField && (
        <div className="my-2">
          <TroubleNote error={change.error} />
        </div>
      )}
      <TroubleNote error={undo.error} />
      <TabGroup
        selectedIndex={Math.max(0, drawers.indexOf(search.get("drawer") ?? ""))}
        onChange={(n) => setSearch({ drawer: drawers[n] ?? "" }, { replace: true })}
      >
        <TabList className="mt-2 flex flex-wrap gap-1 border-b-2 border-rim *:whitespace-nowrap">
          {drawers.map((d) => (
            <Tab key={d} className={tabLook}>
              {named[d]}
            </Tab>
          ))}
        </TabList>
        <TabPanels className="mt-4">
          <TabPanel tabIndex={-1} className="grid gap-x-10 gap-y-6 lg:grid-cols-[3fr_2fr]">
            <Measures kitchen={kitchen} set={set} fault={atField} />
            <div>
              <Preferences kitchen={kitchen} set={set} />
              <Calls />
            </div>
          </TabPanel>
          <TabPanel tabIndex={-1} className="grid gap-x-10 gap-y-6 xl:grid-cols-[3fr_2fr]">
            <OwnCups kitchen={kitchen} known={cups} set={set} fault={atField} />
            <OwnFacts kitchen={kitchen} set={set} fault={atField} />
          </TabPanel>
          <TabPanel tabIndex={-1}>
            <Cupboard kitchen={kitchen} worries={worries} set={set} fault={atField} />
          </TabPanel>
          <TabPanel tabIndex={-1}>
            <Units kitchen={kitchen} set={set} />
          </TabPanel>
          <TabPanel tabIndex={-1}>
            <Habits kitchen={kitchen} set={set} fault={atField} />
          </TabPanel>
          <TabPanel tabIndex={-1}>
            <Hours kitchen={kitchen} set={set} fault={atField} />
          </TabPanel>
          <TabPanel tabIndex={-1}>
            <House name={kitchen.name} />
          </TabPanel>
          <TabPanel tabIndex={-1}>
            <CarryAway name={kitchen.name} />
          </TabPanel>
        </TabPanels>
      </TabGroup>
    </div>
  );
}
