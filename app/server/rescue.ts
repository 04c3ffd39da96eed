import compression from "compression";
import express, { type Request, type RequestHandler, type Response } from "express";
import helmet from "helmet";
import { matchesHash, passphraseHashIn } from "#store/access";
import { checkFile, listBackups, replaceDamaged, type Copy } from "#store/backup";
import { backupWords, sizeWords } from "../words/history";
import { countGuess, guessedRight, isHere, onlyOwnHosts } from "./access";
import type { Served } from "./app";
import type { Unopened } from "./opening";
import { RescueCode } from "./rescue-code";
import { escaped, plainPage } from "./plain-page";
import { damage } from "./trouble";

/** How the server lets go of a damaged file, and begins anew once a copy stands in its place. */
export interface Restart {
  letGo(): void;
  again(): void;
}

/**
 * The one screen there is when the larder's file is damaged: what it means, and a way back. It is plain HTML, since
 * everything else is made from the larder.
 */
export function rescueApp(
  folder: string,
  now: () => number,
  restart: Restart,
  why: Unopened,
  { network, proxies }: Pick<Served, "network" | "proxies"> = { network: false, proxies: null },
): express.Express {
  const app = express();
  app.disable("x-powered-by");
  if (proxies) app.set("trust proxy", proxies);
  app.use(onlyOwnHosts(network, (res, status, title) => void res.status(status).type("text").send(title)));
  app.use(compression());
  app.use(helmet({ strictTransportSecurity: false, referrerPolicy: { policy: "same-origin" } }));
  app.get("/healthz", (_req, res) => void res.status(503).json({ status: why.kind }));
  app.use(why.kind === "damaged" ? rescue(folder, now, restart) : tryAgain(folder, why, restart));
  return app;
}

/** The screen of a larder that is whole and cannot be opened: what is in the way, and a button to try again. */
function tryAgain(folder: string, why: Unopened, { letGo, again }: Restart): RequestHandler {
  return (req, res) => {
    if (!isHere(req))
      return void res
        .status(503)
        .type("text")
        .send("The larder is not open. Go to the machine it runs on and open the larder there.");
    if (req.method === "POST" && cameFromHere(req)) {
      letGo();
      again();
      return res.redirect(303, "/");
    }
    const title = TITLES[why.kind];
    res
      .status(503)
      .type("html")
      .send(
        plainPage(
          title,
          `<p>${escaped(why.words)}</p><p>Folder: <code>${escaped(folder)}</code></p><form method="post"><button>Try again</button></form>`,
        ),
      );
  };
}

const TITLES = {
  damaged: "The larder’s file is damaged.",
  "read-only": "The larder cannot be written to.",
  later: "This larder needs a later version of the program.",
  "in-use": "The larder is already open.",
} as const satisfies Record<Unopened["kind"], string>;

function cameFromHere({ headers: { origin, host } }: Request): boolean {
  return origin !== undefined && URL.canParse(origin) && new URL(origin).host === host;
}

/** The same screen, for a larder whose file was found damaged while it was open. */
export function serveRescueWhenDamaged(folder: string, now: () => number, restart: Restart): RequestHandler {
  const screen = rescue(folder, now, restart);
  return (req, res, next) => (damage() ? screen(req, res, next) : next());
}

function rescue(folder: string, now: () => number, { letGo, again }: Restart): RequestHandler {
  const form = express.urlencoded({ extended: false, limit: 2000 });
  const code = new RescueCode(folder);
  return (req, res, next) => {
    code.tell();
    if (!isHere(req))
      return void res
        .status(503)
        .type("text")
        .send("The larder's file is damaged. Go to the machine it runs on and open the larder there.");
    if (req.method !== "POST") return show(res, folder, null);
    if (!cameFromHere(req))
      return void res.status(403).type("text").send("This write came from another site and was refused.");
    form(req, res, (error?: unknown) => {
      if (error) return next(error);
      const { name, passphrase, code: typed } = (req.body ?? {}) as Record<string, unknown>;
      void whyNotPutBack(folder, textOf(name), textOf(passphrase), code.is(textOf(typed)))
        .then((wrong) => {
          if (wrong) return show(res, folder, wrong, 403);
          try {
            letGo();
            replaceDamaged(folder, textOf(name), now());
          } catch (problem) {
            return show(res, folder, (problem as Error).message);
          }
          code.use();
          again();
          res
            .type("html")
            .send(
              plainPage(
                "The backup is in place.",
                "<p>Patient Larder continues with it.</p><p><a href='/'>Go to Today</a></p>",
              ),
            );
        })
        .catch(next);
    });
  };
}

/** Why a backup may not be put in place by who asks; null when they may. The code from the terminal is asked for, and its own passphrase where it has one. */
async function whyNotPutBack(
  folder: string,
  name: string,
  passphrase: string,
  codeIsRight: boolean,
): Promise<string | null> {
  if (!codeIsRight) {
    const wait = await countGuess("passphrase", "rescue code");
    if (wait) return `Too many wrong codes. Wait ${Math.ceil(wait / 60)} min, then try again.`;
    return "This is not the code. It was printed where Patient Larder was started, and stands in rescue-code.txt in the data folder.";
  }
  const copy = listBackups(folder).find((c) => c.name === name);
  // What is no backup of ours, or a spoiled one, is refused in words when it would be put in place.
  if (!copy || checkFile(copyPath(folder, copy)).length > 0) return null;
  const hash = passphraseHashIn(copyPath(folder, copy));
  if (hash === null) return null;
  const wait = await countGuess("passphrase", "rescue");
  if (wait) return `Too many wrong passphrases. Wait ${Math.ceil(wait / 60)} min, then try again.`;
  if (!(await matchesHash(hash, passphrase))) return "This is not the passphrase of that backup.";
  await guessedRight("passphrase", "rescue");
  return null;
}

const textOf = (value: unknown) => (typeof value === "string" ? value : "");

function show(res: Response, folder: string, problem: string | null, status = 503): void {
  const copies = listBackups(folder).map((copy) => ({ copy, wrong: checkFile(copyPath(folder, copy)) }));
  const good = copies.filter((c) => c.wrong.length === 0);
  const isLocked = (copy: Copy, wrong: string[]) =>
    wrong.length === 0 && passphraseHashIn(copyPath(folder, copy)) !== null;
  const rows = copies
    .map(({ copy, wrong }) => rowOf(copy, wrong, copy === good[0]?.copy, isLocked(copy, wrong)))
    .join("");
  res
    .status(status)
    .type("html")
    .send(
      plainPage(
        TITLES.damaged,
        `${problem ? `<p role="alert"><strong>${escaped(problem)}</strong></p>` : ""}
        <p>Nothing more is written to it. The file is kept beside the backups when one replaces it. Anything recorded after the backup was made is not in it. Check your papers and labels, and enter it again.</p>
        ${rows ? `<h2>Copies</h2><ul>${rows}</ul>` : "<p><strong>There is no backup in the backups folder.</strong> If you have one elsewhere, or an archive (zip), put the damaged larder.db aside, start the program and restore it there.</p>"}
        <p>Folder: <code>${escaped(folder)}</code></p>`,
      ),
    );
}

const copyPath = (folder: string, copy: Copy) => `${folder}/backups/${copy.name}`;

function rowOf(copy: Copy, wrong: string[], newest: boolean, locked: boolean): string {
  const when = new Date(copy.at).toUTCString().replace("GMT", "UTC");
  const about = `<b>${when}</b><br>made ${backupWords(copy.why)}, ${sizeWords(copy.bytes)}`;
  return wrong.length
    ? `<li><span>${about}</span> Damaged: ${escaped(wrong[0]!)}</li>`
    : `<li><span>${about}</span><form method="post"><input type="hidden" name="name" value="${escaped(copy.name)}"><label>Code from the terminal <input name="code" autocomplete="off" autocapitalize="characters" required></label> ${locked ? `<label>Passphrase <input name="passphrase" type="password" autocomplete="current-password" required></label> ` : ""}<button>${newest ? "Restore this one, the newest that is OK" : "Restore this one"}</button></form></li>`;
}
