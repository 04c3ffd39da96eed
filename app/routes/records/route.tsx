import { Link } from "react-router";
import type { Route } from "./+types/route";
import { listBackups } from "#store/backup";
import { listChanges } from "#store/history";
import { LISTS } from "#store/lists";
import { Button } from "#ui/button";
import { Page, Part } from "#ui/page";
import { Notice } from "#ui/form";
import { backupTrouble } from "../../server/backups";
import { atHome } from "../../server/context";
import { backupWords, doneWords } from "../../words/history";
import { clockTime, longDay } from "../../words/time";

export function loader({ request, context }: Route.LoaderArgs) {
  const { larder, household } = atHome(context, request);
  const [newest = null] = listBackups(larder.folder);
  return {
    zone: household.zone,
    newest,
    trouble: backupTrouble(),
    changes: listChanges(larder, { limit: 5 }),
    lists: LISTS.map((l) => ({ key: l.key, title: l.title, both: l.take !== undefined })),
  };
}

export default function Records({ loaderData }: Route.ComponentProps) {
  const { zone, newest, trouble, changes, lists } = loaderData;
  return (
    <Page
      title="Records"
      lead="Everything here is yours: out at any time, in again, and checked against being changed."
    >
      <title>Records · Patient Larder</title>
      <div className="grid gap-x-12 gap-y-10 lg:grid-cols-2">
        <div className="space-y-10">
          <Part title="Everything, as one file">
            <p className="max-w-[36rem]">
              A zip of CSV files, the photos and a description other programs can read. It makes an empty
              larder the same as this one. It holds no passphrase, PIN or token.
            </p>
            <div className="mt-3 flex flex-wrap gap-3">
              <Button asChild weight="do">
                <a href="/records/archive.zip" download>
                  Take everything out
                </a>
              </Button>
              <Button asChild>
                <Link to="/records/restore">Bring an archive in</Link>
              </Button>
            </div>
          </Part>
          <Part title="Copies on this machine">
            {trouble && (
              <Notice tone="stop" className="mb-3">
                The last copy could not be made: {trouble}.
              </Notice>
            )}
            <p className="text-[1.15rem] font-[650]">
              {newest
                ? `Newest: ${longDay(newest.at, zone)}, ${clockTime(newest.at, zone)}, ${backupWords(newest.why)}.`
                : "None yet. One is made every day on which something was written."}
            </p>
            <p className="mt-3">
              <Button asChild>
                <Link to="/records/copies">Copies and restoring</Link>
              </Button>
            </p>
          </Part>
          <Part title="History">
            <ul className="divide-y-2 divide-rule border-y-2 border-rule">
              {changes.map((c) => (
                <li key={c.id} className="flex gap-3 py-2">
                  <span className="fig w-14 shrink-0 text-soft">{clockTime(c.at, zone)}</span>
                  <span>
                    <span className="font-[650]">{c.by ?? "The larder"}</span> {doneWords(c.action)}
                    {c.code && <span className="code ml-2">{c.code}</span>}
                  </span>
                </li>
              ))}
            </ul>
            <p className="mt-3">
              <Button asChild>
                <Link to="/records/history">The whole history, and whether it fits</Link>
              </Button>
            </p>
          </Part>
        </div>
        <div className="space-y-10">
          <Part title="Lists, as CSV">
            <ul className="divide-y-2 divide-rule border-y-2 border-rule">
              {lists.map((l) => (
                <li key={l.key} className="flex min-h-12 items-center justify-between gap-4">
                  <span className="font-[650]">{l.title}</span>
                  <span className="flex shrink-0">
                    {l.both && (
                      <Button asChild weight="bare">
                        <Link to={`/records/lists/${l.key}`} aria-label={`Bring ${l.title} in`}>
                          In
                        </Link>
                      </Button>
                    )}
                    <Button asChild weight="bare">
                      <a href={`/records/lists/${l.key}/csv`} download aria-label={`Take ${l.title} out`}>
                        Out
                      </a>
                    </Button>
                  </span>
                </li>
              ))}
            </ul>
          </Part>
          <Part title="Paper">
            <p>For a day without power: blank forms to print now, and a page to enter them afterwards.</p>
            <div className="mt-3 flex flex-wrap gap-3">
              <Button asChild>
                <a href="/records/paper.pdf">Blank forms (PDF)</a>
              </Button>
              <Button asChild>
                <Link to="/records/paper">Enter a run kept on paper</Link>
              </Button>
            </div>
          </Part>
          <Part title="For calendars and other programs">
            <div className="flex flex-wrap gap-x-3">
              <Button asChild weight="bare">
                <a href="/larder/best-by.ics">Best-by days (calendar)</a>
              </Button>
              <Button asChild weight="bare">
                <a href="/records/events.jsonld" download>
                  What happened (EPCIS 2.0)
                </a>
              </Button>
              <Button asChild weight="bare">
                <Link to="/records/interface">The JSON interface</Link>
              </Button>
              <Button asChild weight="bare">
                <Link to="/household/keys">Keys and tokens</Link>
              </Button>
            </div>
          </Part>
        </div>
      </div>
    </Page>
  );
}
