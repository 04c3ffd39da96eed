import { randomBytes } from "node:crypto";
import type { Request, RequestHandler, Response } from "express";
import { HOUR_MS } from "#core/quantity";
import { escaped, plainPage } from "./plain-page";
import { problem } from "./problem";
import { asDer, fingerprintOf, type Certificate } from "./tls";

/** How a system takes in a certificate of a household: in its own words, since that is where people look for them. */
const STEPS: readonly { name: string; agent: RegExp; steps: readonly string[]; off: string }[] = [
  {
    name: "iPhone or iPad",
    agent: /iPhone|iPad/,
    steps: [
      "Download the certificate. Allow the download of a profile.",
      "Open Settings. Tap “Profile Downloaded”, then Install.",
      "Open Settings, General, About, Certificate Trust Settings. Switch this certificate on.",
    ],
    off: "Settings, General, VPN and Device Management: tap the profile, then Remove.",
  },
  {
    name: "Android",
    agent: /Android/,
    steps: [
      "Download the certificate.",
      "Open Settings and search for “CA certificate”. Tap it, then Install anyway.",
      "Choose the file you downloaded.",
    ],
    off: "Settings: search for “User certificates”, tap it, then remove it.",
  },
  {
    name: "Mac",
    agent: /Macintosh/,
    steps: [
      "Download the certificate and open it. Keychain Access opens.",
      "Open the certificate there, then Trust.",
      "At “When using this certificate” choose Always Trust.",
    ],
    off: "Remove it in Keychain Access.",
  },
  {
    name: "Windows",
    agent: /Windows/,
    steps: [
      "Download the certificate and open it. Choose Install Certificate.",
      "Choose Current User, then “Place all certificates in the following store”.",
      "Choose Trusted Root Certification Authorities. Finish.",
    ],
    off: "Run certmgr.msc and remove it there.",
  },
  {
    name: "Chromebook or Linux",
    agent: /CrOS|Linux/,
    steps: [
      "Download the certificate.",
      "Open the browser's settings and search for “certificates”.",
      "Under Authorities choose Import, then the file. Let it identify sites.",
    ],
    off: "Remove it in the same list.",
  },
];

/** A device whose clock is off by more does not take a certificate that is made new, ms. */
const CLOCK_OFF_MS = 12 * HOUR_MS;

/** Where a phone asks over https whether it trusts the household. */
export const TRUSTED_PATH = "/trusted";

/** The one page of the plain port: how to trust this household's certificate, and the way on once that is done. */
export function connectPage(
  certificate: () => Certificate | string,
  securePort: number,
  now: () => number,
): RequestHandler {
  return (req, res) => {
    const found = certificate();
    if (typeof found === "string") return sorry(res, found);
    if (found.authority && req.path === "/authority.crt")
      return void res
        .type("application/x-x509-ca-cert")
        .setHeader("Content-Disposition", 'attachment; filename="patient-larder.crt"')
        .send(asDer(found.authority));
    // A program is told where to go, and no page is sent to it.
    if (req.path.startsWith("/api/") || (req.method !== "GET" && req.method !== "HEAD"))
      return problem(
        res,
        421,
        `Use https and port ${securePort}. This port only helps to connect a phone or tablet.`,
      );
    show(req, res, found, securePort, now());
  };
}

function sorry(res: Response, words: string): void {
  res
    .status(503)
    .type("html")
    .send(plainPage("Phones and tablets cannot connect now.", `<p>${escaped(words)}</p>`));
}

function show(
  req: Request,
  res: Response,
  { authority }: Certificate,
  securePort: number,
  now: number,
): void {
  const nonce = randomBytes(16).toString("base64");
  const host = (req.headers.host ?? "").replace(/:\d+$/, "");
  const secure = `https://${host}:${securePort}`;
  res.setHeader(
    "Content-Security-Policy",
    `default-src 'none'; style-src 'unsafe-inline'; script-src 'nonce-${nonce}'; connect-src ${secure}; base-uri 'none'; form-action 'none'; frame-ancestors 'none'`,
  );
  res.setHeader("Cache-Control", "no-store");
  const agent = req.headers["user-agent"] ?? "";
  const own = STEPS.find((s) => s.agent.test(agent)) ?? STEPS.at(-1)!;
  const stepsOf = (s: (typeof STEPS)[number]) =>
    `<ol>${s.steps.map((step) => `<li>${escaped(step)}</li>`).join("")}</ol><p>To take it off again: ${escaped(s.off)}</p>`;
  const trust = authority
    ? `<h2>1. Trust this household's certificate</h2>
<p>It lets this device talk to your larder privately. It is limited to this larder's own names and private addresses: it can vouch for no other site.</p>
<p><a class="button" href="/authority.crt">Download the certificate</a></p>
<h3>${escaped(own.name)}</h3>${stepsOf(own)}
<details><summary>Another kind of device</summary>${STEPS.filter((s) => s !== own)
        .map((s) => `<h3>${escaped(s.name)}</h3>${stepsOf(s)}`)
        .join("")}</details>
<details><summary>Check that nobody changed it on the way</summary><p>Compare this with the screen that showed you the code:</p><p><code>${fingerprintOf(authority)}</code></p></details>`
    : "";
  res.type("html").send(
    plainPage(
      "Connect this phone or tablet",
      `${trust}
<h2>${authority ? "2. " : ""}Continue</h2>
<p id="state" role="status">This page checks by itself whether the certificate is trusted.</p>
<p><button id="go" type="button">Check and continue</button></p>
<noscript><p>Open <a href="${escaped(secure)}/pair">${escaped(secure)}/pair</a> and type the code.</p></noscript>
<script nonce="${nonce}">
const secure = ${JSON.stringify(secure)}, state = document.getElementById("state");
const off = Date.now() - ${Math.round(now)};
const shown = (at) => new Date(at).toLocaleString([], { dateStyle: "long", timeStyle: "short" });
// A certificate has a first and a last day: to a clock that is far off no trust helps.
const clock = Math.abs(off) < ${CLOCK_OFF_MS} ? "" : "The clock of this device shows " + shown(Date.now()) + ". The larder’s shows " + shown(Date.now() - off) + ". Set this device’s date and time to automatic, then check again. ";
if (clock) state.textContent = clock;
const onward = () => location.assign(secure + "/pair" + location.hash);
async function check(asked) {
  try { await fetch(secure + ${JSON.stringify(TRUSTED_PATH)}, { mode: "no-cors", cache: "no-store" }); }
  catch { if (asked) state.textContent = clock || "Not trusted yet. Go through the steps above, then check again."; return; }
  state.textContent = "Trusted. Opening the larder.";
  onward();
}
document.getElementById("go").addEventListener("click", () => check(true));
document.addEventListener("visibilitychange", () => document.visibilityState === "visible" && check(false));
void check(false);
</script>`,
    ),
  );
}
