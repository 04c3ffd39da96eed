import { Link } from "react-router";
import { Button } from "#ui/button";

/** Which sealer the cans are closed on, where there are several. */
export function SealerChoice({
  sealers,
  chosen,
}: {
  sealers: readonly { id: string; name: string }[];
  chosen: string | null;
}) {
  if (sealers.length < 2) return null;
  return (
    <nav aria-label="Sealer" className="mb-4 flex flex-wrap items-center gap-3">
      <span className="font-[650]">Sealer</span>
      {sealers.map((s) => (
        <Button key={s.id} asChild className={s.id === chosen ? "bg-ink text-paper!" : ""}>
          <Link to={`?sealer=${s.id}`} aria-current={s.id === chosen ? "true" : undefined}>
            {s.name}
          </Link>
        </Button>
      ))}
    </nav>
  );
}
