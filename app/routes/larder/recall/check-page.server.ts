import { createHash } from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { PROGRAM_FOLDER } from "#store/db";
import type { SignedRecalls } from "#store/witness";
import { RECALLED_STEPS } from "../../../words/recall";
import { escaped, plainPage } from "../../../server/plain-page";
import { CHECK_SCRIPT } from "../../../workers/recall-check/script";

const LOOK =
  "<style>label{display:block;font-weight:650;margin:.8rem 0 .2rem}input,textarea{box-sizing:border-box;width:100%;font:inherit;padding:.5rem .6rem;border:2px solid;border-radius:4px;background:transparent;color:inherit}#code{font-size:1.6rem;text-transform:uppercase}button{margin:.6rem 0}.stop{border:4px solid #b3261e;padding:0 1rem}.ok,.no{border:2px solid var(--rule);padding:0 1rem}pre{white-space:pre-wrap;overflow-wrap:anywhere;font-size:.9rem}</style>";

/**
 * Returns the page on which somebody with a jar of this household checks it, as one file: with the signed list and all it
 * needs, and allowed to fetch nothing. Throws a Response (503) where the program was not built.
 */
export function checkPage({ list, text, fingerprint }: SignedRecalls): string {
  const path = join(PROGRAM_FOLDER, "build/client", CHECK_SCRIPT);
  if (!existsSync(path))
    throw new Response("This page is made by the built program. Run npm run build first.", { status: 503 });
  const script = readFileSync(path, "utf8").replaceAll("</script", "<\\/script");
  const hash = createHash("sha256").update(script).digest("base64");
  const rules = `default-src 'none'; script-src 'sha256-${hash}'; style-src 'unsafe-inline'`;
  const body = `${LOOK}
<p id="made">${escaped(list.household)}: ${list.recalled.length} recalled.</p>
<form id="check"><label for="code">The code on the lid or the label</label><input id="code" autocomplete="off" autocapitalize="characters"><button>Check it</button></form>
<div id="answer" role="status"></div>
<p>This list is signed with the key <b>${fingerprint}</b>. Is it the key on your jar’s label? If not, do not rely on this page.</p>
<details><summary>I have a newer list</summary><form id="newer"><label for="pasted">Paste it here</label><textarea id="pasted" rows="6"></textarea><label for="file">Or choose its file</label><input id="file" type="file" accept=".txt,text/plain"><button>Use this list</button></form><div id="brought" role="status"></div></details>
<details><summary>The whole list</summary><pre id="list">${escaped(text)}</pre></details>
<noscript><p>This device does not let the page check. Look for the code in the whole list.</p></noscript>
<script type="application/json" id="steps">${JSON.stringify(RECALLED_STEPS).replaceAll("<", "\\u003c")}</script>
<script>${script}</script>`;
  const html = plainPage(`Check a jar from ${escaped(list.household)}`, body);
  return html.replace("<head>", `<head><meta http-equiv="Content-Security-Policy" content="${rules}">`);
}
