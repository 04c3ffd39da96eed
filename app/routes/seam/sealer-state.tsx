import { href, Link } from "react-router";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import type { SeamData } from "./data";

/** What the sealer may do, when it may not: the first thing to see. */
export function SealerState({ data }: { data: SeamData }) {
  const { sealer, cans } = data;
  if (!sealer)
    return cans.length === 0 ? null : (
      <Notice tone="care" className="mb-6">
        <b>There is no can sealer in the Shed.</b> Enter it under{" "}
        <Link to={href("/shed")} className="font-[650] underline underline-offset-4">
          Shed
        </Link>
        , and test it on empty cans before the first.
      </Notice>
    );
  const { state, why, moving } = sealer.standing;
  if (state === "ready")
    return moving.length > 0 ? (
      <Notice tone="care" className="mb-6">
        {moving.join(" ")}
      </Notice>
    ) : null;
  return (
    <Notice tone={state === "stopped" ? "stop" : "care"} className="mb-6">
      <p className="text-[1.3rem] font-[650]">
        {state === "stopped"
          ? `${sealer.name} is stopped. Close no more cans.`
          : `${sealer.name} wants a setup test.`}
      </p>
      <p className="max-w-[52rem] text-ink">{why}</p>
      <Button asChild weight="do" className="mt-2">
        <Link to={href("/seam/set-up")}>Setup test on empty cans</Link>
      </Button>
    </Notice>
  );
}
