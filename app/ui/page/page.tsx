import type { ReactNode } from "react";

/** A page under the bench: its title, what it is about, and its parts. */
export function Page({
  title,
  lead,
  aside,
  children,
}: {
  title: ReactNode;
  lead?: ReactNode;
  aside?: ReactNode;
  children: ReactNode;
}) {
  return (
    <main
      id="main"
      tabIndex={-1}
      className="mx-auto px-7 pt-5 pb-16 outline-none max-md:px-4 max-md:pb-28 max-w-[1280px]"
    >
      <header className="mb-5 flex flex-wrap items-end justify-between gap-x-8 gap-y-2">
        <div className="max-w-[46rem]">
          <h1 className="text-[1.9rem] leading-tight">{title}</h1>
          {lead && <p className="mt-1 text-soft">{lead}</p>}
        </div>
        {aside}
      </header>
      {children}
    </main>
  );
}

/** A part of a page, under a small heading. */
export function Part({
  title,
  children,
  className = "",
}: {
  title: string;
  children: ReactNode;
  className?: string;
}) {
  return (
    <section className={className}>
      <h2 className="mb-2 text-[1.06rem] text-soft">{title}</h2>
      {children}
    </section>
  );
}

/** The one thing a page is for: a framed sheet. Never inside another. */
export function Sheet({ children, className = "" }: { children: ReactNode; className?: string }) {
  return <div className={`rounded border-2 border-ink bg-sheet p-6 max-md:p-4 ${className}`}>{children}</div>;
}

/** What stands in a place when nothing does: why, and what to do about it. */
export function Empty({
  drawing,
  title,
  children,
}: {
  drawing?: ReactNode;
  title: string;
  children?: ReactNode;
}) {
  return (
    <div className="flex items-end gap-6 border-b-4 border-bench pb-0">
      {drawing && <div className="shrink-0 opacity-80">{drawing}</div>}
      <div className="pb-5">
        <p className="text-[1.25rem] font-[650]">{title}</p>
        {children && <div className="mt-1 max-w-[38rem] text-soft">{children}</div>}
      </div>
    </div>
  );
}

/** A figure with its unit and what it is, for reading across a room. */
export function Figure({
  value,
  unit,
  label,
  className = "",
}: {
  value: ReactNode;
  unit?: string;
  label: string;
  className?: string;
}) {
  return (
    <div className={className}>
      <div className="fig leading-[0.95] font-bold">
        <span className="text-[4.4rem] max-md:text-[3.4rem]">{value}</span>
        {unit && <span className="ml-1 text-[1.9rem] font-[600]">{unit}</span>}
      </div>
      <div className="text-soft">{label}</div>
    </div>
  );
}
