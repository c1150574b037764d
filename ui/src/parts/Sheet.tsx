import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import type { ReactNode } from "react";

/** A sheet over the page that asks or tells one thing. */
export function Sheet({ title, close, children }: { title: ReactNode; close: () => void; children: ReactNode }) {
  return (
    <Dialog open onClose={close} className="relative z-50">
      <div className="fixed inset-0 bg-ink/60" aria-hidden="true" />
      <div className="fixed inset-0 grid grid-cols-[minmax(0,36rem)] [place-content:safe_center] overflow-y-auto p-4">
        <DialogPanel className="w-[36rem] max-w-full min-w-0 rounded-tray border-4 border-rim bg-enamel p-4 md:p-6">
          <DialogTitle className="text-xl font-bold">{title}</DialogTitle>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
