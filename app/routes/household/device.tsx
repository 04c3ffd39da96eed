import { href, Link } from "react-router";
import type { Route } from "./+types/device";
import { Button } from "#ui/button";
import { Page } from "#ui/page";
import type { FollowHandle } from "../../live/follow";
import { ChecksNow } from "../../live/readiness";

export function loader({ request }: Route.LoaderArgs) {
  return { isNew: new URL(request.url).searchParams.has("new") };
}

export const handle: FollowHandle = { shows: [] };

/** What the device one holds can do; also where a device arrives that was just connected. */
export default function Device({ loaderData: { isNew } }: Route.ComponentProps) {
  return (
    <Page title="This device" lead="What it can do at the stove, and what to do about the rest.">
      <title>This device · Patient Larder</title>
      <div className="max-w-[72rem] lg:[&_li]:break-inside-avoid lg:[&_ul]:columns-2 lg:[&_ul]:gap-12">
        {isNew && (
          <p role="status" className="mb-4 border-l-[6px] border-moss py-1 pl-4">
            <b>Connected.</b> This device stays signed in.
          </p>
        )}
        <ChecksNow />
        <Button asChild weight={isNew ? "do" : "quiet"} className="mt-4">
          <Link to={href("/")}>Go to Today</Link>
        </Button>
      </div>
    </Page>
  );
}
