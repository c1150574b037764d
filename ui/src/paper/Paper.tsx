import { Button } from "../parts/Button";
import { Printer } from "lucide-react";
import type { ReactNode } from "react";

interface Props {
  title: string;
  say?: string;
  more?: ReactNode; // other ways from here
  children: ReactNode;
}

/** A sheet for the printer: what is on it is printed, black on white, and nothing round it. */
export function Paper({ title, say, more, children }: Props) {
  return (
    <div className="paper-screen mx-auto w-full max-w-3xl px-6 py-4">
      <header className="flex flex-wrap items-center gap-4 print:hidden">
        <h1 className="min-w-0 flex-1 text-xl font-bold">{title}</h1>
        {say && <p className="text-soft">{say}</p>}
        {more}
        <Button onClick={() => window.print()} look="filled" size="medium" className="flex items-center gap-2">
          <Printer size={20} aria-hidden="true" />
          Print
        </Button>
      </header>
      <article className="paper mt-3 border border-rule p-6 print:mt-0 print:border-0 print:p-0">{children}</article>
    </div>
  );
}
