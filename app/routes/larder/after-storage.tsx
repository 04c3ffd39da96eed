import { href, Link } from "react-router";
import { countOf } from "#core/quantity";
import { isCan, type ContainerKey } from "#core/schedule";
import { Button } from "#ui/button";
import { Drawer } from "#ui/drawer";
import { Notice, OneTap } from "#ui/form";
import { Code } from "#ui/lotmark";

/** What stood in a frost or a heat: each is looked at once, and what was seen is recorded. */
export function AfterStorage({
  words,
  flagged,
}: {
  words: string;
  flagged: readonly { id: string; code: string; kind: ContainerKey; key: string }[];
}) {
  return (
    <Notice tone="stop" className="mb-4">
      <b>{words}</b>
      <Drawer title={`${countOf(flagged.length, "container")} to check`} open={flagged.length <= 12}>
        <ul>
          {flagged.map((f) => (
            <li
              key={f.id}
              className="flex min-h-14 flex-wrap items-center gap-3 border-t-2 border-rule text-ink"
            >
              <Link
                to={href("/c/:code", { code: f.code })}
                className="flex min-h-12 min-w-24 items-center text-ink"
              >
                <Code>{f.code}</Code>
              </Link>
              <OneTap says={{ key: f.key, intent: "looked", containerId: f.id }}>
                <Button aria-label={`${f.code}: ${isCan(f.kind) ? "ends are drawn in" : "lid is down"}`}>
                  {isCan(f.kind) ? "Ends are drawn in" : "Lid is down"}
                </Button>
              </OneTap>
              <Button asChild weight="bare">
                <Link to={href("/larder/open/:code", { code: f.code })}>Something is wrong</Link>
              </Button>
            </li>
          ))}
        </ul>
      </Drawer>
    </Notice>
  );
}
