import { Button } from "../parts/Button";
import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { Trouble } from "../client/api";
import { useStartBake } from "../client/bakes";
import { planQuery, usePlan } from "../client/queries";
import type { Wish } from "../client/types.gen";
import { clock, day, dayName, display } from "../parts/time";
import { TroubleNote } from "../parts/Trouble";
import { cycleTitle, startButton } from "../parts/panel";

/** At the machine: what to set right now, worked out anew, and the word that it was started. */
export default function StartDialog({ wish, close }: { wish: Wish; close: () => void }) {
  const atPanel: Wish = { ...wish, time: { ...wish.time, atPanel: true } };
  const fresh = usePlan(atPanel);
  const client = useQueryClient();
  const start = useStartBake();
  const navigate = useNavigate();
  const answer = fresh.isPlaceholderData ? undefined : fresh.data;
  const refused = answer?.refusal;
  const ready = !!answer && !refused && !start.isPending;
  const begin = () => {
    if (!answer || !ready) return;
    start.mutate(
      { wish: atPanel, digest: answer.digest },
      {
        onSuccess: (bake) => navigate(`/watch/${bake.id}`),
        onError: (error) => {
          if (error instanceof Trouble && error.problem.plan) client.setQueryData(planQuery(atPanel).queryKey, error.problem.plan);
        },
      },
    );
  };
  const plan = answer?.plan;
  return (
    <Dialog open onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/60" aria-hidden="true" />
      <div className="fixed inset-0 grid place-items-center overflow-y-auto p-4">
        <DialogPanel className="w-[34rem] max-w-full rounded-tray border-4 border-rim bg-enamel p-6">
          <DialogTitle className="text-xl font-bold">At the machine, now</DialogTitle>
          <p className="text-soft">Paddle in, pan loaded and clicked home, lid shut. Then set:</p>
          {plan && answer && (
            <ol className="mt-4 divide-y divide-rule border-y border-rule text-lg">
              <Step name="Cycle">
                <b>{cycleTitle(plan.setting.cycle)}</b>
              </Step>
              {plan.setting.hasCrust && <Step name="Crust">{plan.setting.crust}</Step>}
              {plan.setting.hasSize && (
                <Step name="Size">
                  <span className="fraction">{plan.setting.size}</span>
                </Step>
              )}
              <Step name="Timer">
                <b className="figures">{plan.timer.setting > 0 ? display(plan.timer.setting) : "No delay"}</b>
              </Step>
              <Step name={plan.eaten ? "Dough" : "Ready"}>
                <b className="figures">{clock(plan.timer.ready, answer.zone)}</b>{" "}
                {dayName(day(plan.timer.ready, answer.zone), day(answer.now, answer.zone))}
                {plan.eaten && <span className="ml-3 text-soft">eaten {clock(plan.eaten, answer.zone)}</span>}
              </Step>
            </ol>
          )}
          {plan && (
            <p className="mt-2 text-sm">
              From when it is plugged in: <b>{plan.setting.label}</b>
            </p>
          )}
          {!plan && !fresh.error && <p className="mt-4 text-lg text-soft">Working it out for now …</p>}
          {refused && <p className="mt-4 border-l-4 border-signal pl-3">{refused.say}</p>}
          <div className="mt-4">
            <TroubleNote error={start.error ?? (answer ? null : fresh.error)} />
          </div>
          <div className="mt-6 flex flex-wrap gap-3">
            <Button
              autoFocus
              onClick={begin}
              aria-disabled={!ready}
              look="filled"
              size="large"
              className="flex-1 aria-disabled:bg-shelf aria-disabled:text-soft"
            >
              {start.isPending ? "Saving …" : `I have pressed ${plan ? startButton(plan) : "Start"}`}
            </Button>
            <Button onClick={close} size="large">
              Cancel
            </Button>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Step({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <li className="flex items-baseline gap-4 py-2">
      <span className="w-16 text-sm text-soft">{name}</span>
      <span>{children}</span>
    </li>
  );
}
