import { Button, PressLink } from "../parts/Button";
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from "@headlessui/react";
import { Undo2 } from "lucide-react";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import { Trouble } from "../client/api";
import { useDoubts, useKeepMachine, useMachine, useProfiles, useUndoMachine } from "../client/machines";
import { useShelf } from "../client/queries";
import type { Machine, MachinePanel, MachineRead } from "../client/types.gen";
import { drafted, useDraft } from "../parts/draft";
import { useSettled } from "../parts/settled";
import { TroubleNote } from "../parts/Trouble";
import { CyclesForm } from "./CyclesForm";
import { faultsOf } from "./fields";
import { MachineForm } from "./MachineForm";
import { CyclesTable } from "./CyclesTable";
import { PanelForm } from "./PanelForm";
import { tidy } from "./tidy";
import { tabLook } from "../parts/tabLook";
import { length, onRuler } from "../parts/figures";
import { timers } from "./timers";

/** A machine described with its booklet in hand. */
export default function MachineEditor() {
  const { id } = useParams();
  const stored = useMachine(id);
  if (stored.error)
    return (
      <div className="p-8">
        <TroubleNote error={stored.error} />
      </div>
    );
  if (!id) return <NewMachine />;
  if (!stored.data) return <p className="p-8 text-lg text-soft">Loading machine …</p>;
  return <Description key={`${id} ${stored.data.version}`} id={id} stored={stored.data} start={stored.data.machine} />;
}

/** A new machine begins from a typical one. */
function NewMachine() {
  const profiles = useProfiles();
  const [start, setStart] = useState<Machine | null>(() => drafted<Machine>(draft("new")));
  if (start) return <Description id={undefined} stored={undefined} start={start} />;
  return (
    <div className="w-full px-6 py-4">
      <p>
        <PressLink to="/machines" size="small">
          Machines
        </PressLink>
      </p>
      <h1 className="text-xl font-bold">Which of these is most like yours?</h1>
      <p className="text-lg text-soft">Its pan, cycles and buttons are a beginning. Your booklet puts them right.</p>
      <TroubleNote error={profiles.error} />
      <ul className="mt-4 divide-y divide-rule border-y border-rule">
        {profiles.data?.profiles.map((m) => (
          <li key={m.name}>
            <button type="button" onClick={() => setStart({ ...m, name: "" })} className="w-full min-h-16 py-2 text-left hover:bg-shelf">
              <b className="text-lg text-rim underline">{m.name}</b>
              <span className="block text-sm text-soft">
                <span className="fraction">{m.sizes.join(", ")}</span> · pan {[m.vessel.length, m.vessel.width].map(onRuler).join(" × ")} ×{" "}
                {length(m.vessel.depth)} · {m.cycles.length === 1 ? "one cycle" : `${m.cycles.length} cycles`} · {timers[m.delay.rule]}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

const draft = (id: string) => `machine ${id}`;

interface Props {
  id: string | undefined;
  stored: MachineRead | undefined;
  start: Machine;
}

function Description({ id, stored, start }: Props) {
  const key = id ?? "new";
  const [machine, write, forget] = useDraft(draft(key), start);
  const [tab, setTab] = useState(0);
  const [full, setFull] = useState<MachinePanel | undefined>(stored?.panel);
  const keep = useKeepMachine(id, stored?.version ?? 0);
  const undo = useUndoMachine(id ?? "");
  const navigate = useNavigate();
  const noRecipe = useShelf().data?.recipes.length === 0;
  const change = (part: Partial<Machine>) => write((before) => ({ ...before, ...part }));
  const problem = keep.error instanceof Trouble ? keep.error.problem : undefined;
  const at = faultsOf(problem);
  const looked = useDoubts(useSettled(machine)).data;
  const doubts = looked?.doubts;
  const doubt = (pointer: string) => doubts?.find((d) => d.at === pointer)?.say;
  const save = () =>
    keep.mutate(tidy(machine), {
      onSuccess: (m) => {
        forget();
        setFull(m.panel);
        if (id) navigate("/machines");
        else navigate(noRecipe ? "/recipes/new" : `/?machine=${m.id}`);
      },
      onError: (e) => {
        const pointer = e instanceof Trouble ? (e.problem.pointer ?? "") : "";
        setTab(pointer.startsWith("/cycles/") ? 2 : pointer.startsWith("/panel") ? 3 : 0);
      },
    });
  const changed = JSON.stringify(machine) !== JSON.stringify(start);
  return (
    <div className="w-full px-6 py-4">
      <p>
        <PressLink to="/machines" size="small">
          Machines
        </PressLink>
      </p>
      <header className="flex flex-wrap items-center gap-x-6 gap-y-2">
        <h1 className="text-xl font-bold">{id ? `Edit ${start.name}` : "Describe your machine"}</h1>
        <Button onClick={save} disabled={keep.isPending || (!!id && !changed)} look="filled" size="medium" className="text-lg">
          {keep.isPending ? "Saving …" : "Save machine"}
        </Button>
        {id && changed && (
          <Button onClick={forget} look="text">
            Discard my changes
          </Button>
        )}
        {id && !changed && (stored?.version ?? 1) > 1 && (
          <Button onClick={() => undo.mutate(stored?.version ?? 0)} look="text" className="flex items-center gap-2">
            <Undo2 size={20} aria-hidden="true" />
            Undo the last change
          </Button>
        )}
      </header>
      {problem && (
        <p role="alert" className="mt-2 border-l-4 border-signal px-4 py-1 text-lg">
          Not saved: {problem.detail}
        </p>
      )}
      <TroubleNote error={undo.error ?? (problem ? null : keep.error)} />
      <TabGroup selectedIndex={tab} onChange={setTab}>
        <TabList className="mt-2 flex gap-1 border-b-2 border-rim">
          {["Machine", "Cycles", "Stages and beeps", "Panel"].map((t) => (
            <Tab key={t} className={tabLook}>
              {t}
            </Tab>
          ))}
        </TabList>
        <TabPanels className="mt-4">
          <TabPanel tabIndex={-1}>
            <MachineForm machine={machine} change={change} at={at} />
          </TabPanel>
          <TabPanel tabIndex={-1}>
            <CyclesTable machine={machine} totals={looked?.totals} change={change} />
          </TabPanel>
          <TabPanel tabIndex={-1}>
            <CyclesForm machine={machine} change={change} at={at} doubt={doubt} problem={problem} />
          </TabPanel>
          <TabPanel tabIndex={-1}>
            <PanelForm machine={machine} full={full} change={change} at={at} />
          </TabPanel>
        </TabPanels>
      </TabGroup>
      <p className="mt-4 text-xs text-soft">Bakes that were logged stay as they were that day, whatever changes here.</p>
    </div>
  );
}
