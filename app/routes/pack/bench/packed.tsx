import { href, Link } from "react-router";
import { isCan } from "#core/schedule";
import { Button } from "#ui/button";
import { containersWords } from "../../../words/load";
import type { FillData } from "./data";

/** A load that is packed: what is in it, and where it goes on. */
export function Packed({ data }: { data: FillData }) {
  const filled = data.parts.filter((p) => p.containers.length > 0);
  const cans = filled.some((p) => isCan(p.container));
  return (
    <main id="main" tabIndex={-1} className="mx-auto w-full max-w-[760px] px-7 py-10 outline-none">
      <h1 className="text-[2.2rem]">This load is packed.</h1>
      <ul className="mt-4 space-y-1 text-[1.15rem]">
        {filled.map((p) => (
          <li key={p.index}>
            <b>{containersWords(p.container, p.mouth, p.containers.length)}</b>, {p.lot.part.toLowerCase()},{" "}
            {p.method} pack {p.pack && <span className="code">{p.pack.code}</span>}
          </li>
        ))}
      </ul>
      <Button asChild weight="do" className="mt-6">
        <Link to={cans ? href("/seam") : href("/fire")}>{cans ? "Go to the sealer" : "Load the canner"}</Link>
      </Button>
    </main>
  );
}
