/** One line of the check of a device: what, whether it works, and what to do. */
export function Line({
  good,
  what,
  choice = false,
  children,
}: {
  good: boolean;
  what: string;
  /** it is as somebody wants it, and nothing is wrong without */
  choice?: boolean;
  children?: React.ReactNode;
}) {
  return (
    <li className="border-t border-rule py-2">
      <b className={`font-[650] ${good || choice ? "" : "text-amber"}`}>
        {good ? "✓" : choice ? "○" : "✕"} {what}
      </b>
      {children && <div className="mt-1 flex flex-wrap items-center gap-2">{children}</div>}
    </li>
  );
}
