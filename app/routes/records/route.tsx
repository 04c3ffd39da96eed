import { href, Link } from "react-router";
import type { Route } from "./+types/route";
import { listBackups } from "#store/backup";
import { listChanges } from "#store/history";
import { LISTS } from "#store/lists";
import { Button } from "#ui/button";
import { Page, Part } from "#ui/page";
import { Notice } from "#ui/form";
import { backupTrouble } from "../../server/backups";
import { homeContext } from "../../server/context";
import { backupWords, doneWords } from "../../words/history";
import { clockTime, longDay, timesOf } from "../../words/time";

export function loader({ context }: Route.LoaderArgs) {
  const { larder, household } = context.get(homeContext);
  const [newest = null] = listBackups(larder.folder);
  return {
    times: timesOf(household),
    newest,
    trouble: backupTrouble(),
    changes: listChanges(larder, { limit: 5 }),
    lists: LISTS.map((l) => ({ key: l.key, title: l.title, both: l.take !== undefined })),
  };
}

export default function Records({ loaderData }: Route.ComponentProps) {
  const { times, newest, trouble, changes, lists } = loaderData;
  return (
    <Page title="Records" lead="Export, import, back up and check everything you recorded.">
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
                <a href={href("/records/archive.zip")} download>
                  Export everything
                </a>
              </Button>
              <Button asChild>
                <Link to={href("/records/restore")}>Import an archive</Link>
              </Button>
            </div>
          </Part>
          <Part title="For an extension agent">
            <p className="max-w-[36rem]">
              All records of a season as one PDF: runs, deviations and who signed, gauge tests, recalls.
            </p>
            <p className="mt-3">
              <Button asChild>
                <Link to={href("/records/packet")}>Season’s packet</Link>
              </Button>
            </p>
          </Part>
          <Part title="Backups on this computer">
            {trouble && (
              <Notice tone="stop" className="mb-3">
                The last backup could not be made: {trouble}.
              </Notice>
            )}
            <p className="text-[1.15rem] font-[650]">
              {newest
                ? `Newest: ${longDay(newest.at, times)}, ${clockTime(newest.at, times)}, ${backupWords(newest.why)}.`
                : "None yet. One is made every day you record something."}
            </p>
            <p className="mt-3">
              <Button asChild>
                <Link to={href("/records/backups")}>Backups and restore</Link>
              </Button>
            </p>
          </Part>
          <Part title="History">
            <ul className="divide-y-2 divide-rule border-y-2 border-rule">
              {changes.map((c) => (
                <li key={c.id} className="flex gap-3 py-2">
                  <span className="fig w-20 shrink-0 text-soft">{clockTime(c.at, times)}</span>
                  <span>
                    <span className="font-[650]">{c.by ?? "Patient Larder"}</span> {doneWords(c.action)}
                    {c.code && <span className="code ml-2">{c.code}</span>}
                  </span>
                </li>
              ))}
            </ul>
            <p className="mt-3">
              <Button asChild>
                <Link to={href("/records/history")}>Full history and integrity check</Link>
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
                        <Link
                          to={href("/records/lists/:key", { key: l.key })}
                          aria-label={`Import ${l.title}`}
                        >
                          Import
                        </Link>
                      </Button>
                    )}
                    <Button asChild weight="bare">
                      <a
                        href={href("/records/lists/:key/csv", { key: l.key })}
                        download
                        aria-label={`Export ${l.title}`}
                      >
                        Export
                      </a>
                    </Button>
                  </span>
                </li>
              ))}
            </ul>
          </Part>
          <Part title="Paper">
            <p>For a power cut: print blank forms now, enter them later.</p>
            <div className="mt-3 flex flex-wrap gap-3">
              <Button asChild>
                <a href={href("/records/paper.pdf")}>Blank forms (PDF)</a>
              </Button>
              <Button asChild>
                <Link to={href("/records/paper")}>Enter a run kept on paper</Link>
              </Button>
            </div>
          </Part>
          <Part title="For calendars and other programs">
            <div className="flex flex-wrap gap-x-3">
              <Button asChild weight="bare">
                <a href={href("/larder/best-by.ics")}>Best-by days (calendar)</a>
              </Button>
              <Button asChild weight="bare">
                <a href={href("/records/events.jsonld")} download>
                  What happened (EPCIS 2.0)
                </a>
              </Button>
              <Button asChild weight="bare">
                <Link to={href("/records/interface")}>The JSON interface</Link>
              </Button>
              <Button asChild weight="bare">
                <Link to={href("/household/access")}>Keys and tokens</Link>
              </Button>
            </div>
          </Part>
        </div>
      </div>
    </Page>
  );
}
