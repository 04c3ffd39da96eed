import { Form, href, Link } from "react-router";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";
import { Part } from "#ui/page";
import { QrCode } from "#ui/qr-code";
import { clockTime, longDay, type Times } from "../../../words/time";
import type { Verified } from "../../../server/verified";

/** What checking the history came to. @param paper the code that was typed from paper; empty when none was */
export function Outcome({ verified, paper, times }: { verified: Verified; paper: string; times: Times }) {
  const { broken, lines, runs, witnessed } = verified;
  return (
    <Notice tone={broken.length ? "stop" : "good"} className="mb-6">
      <p className="text-[1.15rem] font-[650]">
        {broken.length
          ? "The records were changed outside this program."
          : `No change found in ${lines.toLocaleString("en")} lines of the activity log and of ${runs} ${runs === 1 ? "run" : "runs"}.`}
      </p>
      {broken.length > 0 && (
        <ul className="mt-1 list-disc pl-5">
          {broken.map((b, i) => (
            <li key={i}>
              {b.code ? <span className="code">{b.code}</span> : "Activity log"}: {b.what}
            </li>
          ))}
        </ul>
      )}
      {witnessed && (
        <p className="mt-1">
          {paper && broken.length === 0 && "The code from your paper matches. "}
          {witnessed.newestAt === null
            ? "No backup was signed yet."
            : `Checked against ${witnessed.statements === 1 ? "1 signature, of" : `${witnessed.statements} signatures, the newest of`} ${longDay(witnessed.newestAt, times)}, ${clockTime(witnessed.newestAt, times)}.`}
        </p>
      )}
      {witnessed?.notes.map((note) => (
        <p key={note} className="mt-1">
          {note}
        </p>
      ))}
      {broken.length > 0 && (
        <p className="mt-1">
          Find the newest backup from before the change. <Link to={href("/records/backups")}>Backups</Link>
        </p>
      )}
    </Notice>
  );
}

interface ProofProps {
  history: { text: string; key: string | null; qr: { path: string; size: number } } | null;
  typed: string;
  unread: boolean;
}

/** The history's code for paper, a field for one from paper, and what all of it proves. */
export function Proof({ history, typed, unread }: ProofProps) {
  return (
    <Part title="Proof that nothing changed">
      {history && (
        <>
          <p className="font-[650]">History code now</p>
          <p className="code select-all text-[0.98rem]">{history.text}</p>
          {history.key && <p className="text-soft">Signed with each backup, key {history.key}.</p>}
          <QrCode qr={history.qr} label={`QR code of ${history.text}`} />
        </>
      )}
      <Form className="mt-4">
        <label className="block">
          <span className="font-[650]">History code from a paper</span>
          <input
            name="paper"
            defaultValue={typed}
            autoComplete="off"
            required
            maxLength={120}
            aria-invalid={unread || undefined}
            aria-describedby="paper-hint"
            className="input code mt-1"
          />
        </label>
        <p id="paper-hint" className={unread ? "mt-1 font-[650] text-stop" : "mt-1 text-soft"}>
          {unread ? "This is not a history code. " : ""}Example: R3T-7/41/7K3M9-2XQ4T-8HNWP-A6C2D
        </p>
        <Button className="mt-2">Check the paper</Button>
      </Form>
      <details className="mt-4">
        <summary className="min-h-12 py-2 font-[650]">What this proves, and what it does not</summary>
        <ul className="mt-1 list-disc space-y-1 pl-5">
          <li>Each line carries a hash of itself and of the line before. A change to one line shows.</li>
          <li>
            Somebody with the file could make every hash again. A signature or a paper from before then shows
            it, and from which line.
          </li>
          <li>
            Somebody with the file, the key and every copy of the signatures could make those again too. Only
            a paper, or signatures kept elsewhere, show that.
          </li>
          <li>Nothing here shows that what was typed was true.</li>
        </ul>
      </details>
    </Part>
  );
}
