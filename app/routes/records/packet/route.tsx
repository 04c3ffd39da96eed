import { data, Form, href } from "react-router";
import type { Route } from "./+types/route";
import { addDays, localDay } from "#core/calendar";
import { calendarOf } from "#store/household";
import { Button } from "#ui/button";
import { FieldError } from "#ui/form";
import { Page } from "#ui/page";
import { homeContext } from "../../../server/context";
import { readAsked } from "../../../features/packet/asked.server";
import type { FollowHandle } from "../../../live/follow";

/** The season that is going on, or went last, until another span is chosen. */
export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const query = new URL(request.url).searchParams;
  const today = localDay(larder.now(), household.zone);
  const calendar = calendarOf(larder);
  const season = calendar.seasonOf(larder.now()).key;
  let from = today;
  while (calendar.seasonOf(calendar.startOf(addDays(from, -1))).key === season) from = addDays(from, -1);
  if (!query.has("from") && !query.has("to")) return { from, to: today, problems: {}, ready: true };
  const read = readAsked({ larder }, query);
  const typed = { from: query.get("from") ?? "", to: query.get("to") ?? "" };
  if ("asked" in read) return { ...typed, problems: {}, ready: true };
  return data({ ...typed, problems: read.problems, ready: false }, { status: 422 });
}

export const handle: FollowHandle = { shows: [] };

const CONTAINS = [
  "Every canner run: its record, with deviations",
  "What went ahead anyway, with who signed and how they were known",
  "Tests of gauges and the sealer, with who tested against what",
  "Rows of the tables compared with your guide, and office schedules",
  "Holds and recalls, with how they ended",
  "The history code, by which a later change is found",
];

export default function PacketPage({ loaderData: { from, to, problems, ready } }: Route.ComponentProps) {
  const wrong = problems as { from?: string; to?: string };
  const day = (name: "from" | "to", label: string, value: string) => (
    <div>
      <label>
        <span className="block font-[650]">{label}</span>
        <input
          type="date"
          name={name}
          defaultValue={value}
          aria-invalid={wrong[name] ? true : undefined}
          className="input mt-1 w-auto"
        />
      </label>
      <FieldError id={`${name}-problem`} errors={wrong[name] ? [wrong[name]] : undefined} />
    </div>
  );
  const query = new URLSearchParams({ from, to }).toString();
  return (
    <Page
      title="Season’s packet"
      lead="All records of a season or of the days you choose, for an extension agent or for yourself. What was not recorded stays blank."
    >
      <title>Season’s packet · Patient Larder</title>
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[24rem_1fr]">
        <div>
          <Form className="space-y-4" key={`${from} ${to}`}>
            {day("from", "First day", from)}
            {day("to", "Last day", to)}
            <Button>Use these days</Button>
          </Form>
          {ready && (
            <p className="mt-6 flex flex-wrap gap-3">
              <Button asChild weight="do">
                <a href={`${href("/records/packet.pdf")}?${query}`}>Open the packet (PDF)</a>
              </Button>
              <Button asChild>
                <a href={`${href("/records/packet.zip")}?${query}`} download>
                  Download as zip
                </a>
              </Button>
            </p>
          )}
        </div>
        <section aria-labelledby="contains">
          <h2 id="contains" className="mb-1 text-[1.06rem] text-soft">
            What is in it
          </h2>
          <ul>
            {CONTAINS.map((c) => (
              <li key={c} className="border-t-2 border-rule py-2 text-[1.1rem]">
                {c}
              </li>
            ))}
          </ul>
        </section>
      </div>
    </Page>
  );
}
