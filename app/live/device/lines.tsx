import { href, Link } from "react-router";
import { Button } from "#ui/button";
import { askForNotices, useNotices } from "../notify";
import { install, useInstalled } from "./install";
import { Line } from "./line";
import { useMedia, type Media } from "./media";
import { useReadableOffline } from "./offline";

/** What a browser gives only to a page that came over https. */
function NeedsHttps() {
  return (
    <li className="border-t border-rule py-2">
      For the rest the browser needs a secure address. Connect this device under{" "}
      <Link to={href("/household/access")} className="underline underline-offset-4">
        Household, Sign-in and access
      </Link>
      .
    </li>
  );
}

const REFUSED = "Allow it for this page in the browser’s settings.";

function MediaLine({
  name,
  use,
  is,
  tryIt,
}: {
  name: string;
  use: string;
  is: Media | null;
  tryIt: () => void;
}) {
  if (is === null) return null;
  return (
    <Line
      choice={is !== "refused"}
      good={is === "ready"}
      what={
        is === "ready"
          ? `${name} works`
          : is === "none"
            ? `No ${name.toLowerCase()}`
            : `${name} not allowed yet`
      }
    >
      {is === "refused" ? (
        <p>{REFUSED}</p>
      ) : (
        is === "asks" && (
          <>
            <Button type="button" onClick={tryIt}>
              Try the {name.toLowerCase()}
            </Button>
            <span>{use}</span>
          </>
        )
      )}
    </Line>
  );
}

/** What this device can do beyond showing pages, and what to do about the rest. */
export function DeviceLines() {
  const camera = useMedia("camera");
  const microphone = useMedia("microphone");
  const notices = useNotices();
  const offline = useReadableOffline();
  const installed = useInstalled();
  return (
    <>
      <Line
        choice
        good={notices === "on"}
        what={
          notices === "on" ? "Alarms show over other apps" : "Alarms show only while this page is in front"
        }
      >
        {notices === "refused" ? (
          <p>{REFUSED}</p>
        ) : (
          notices === "ask" && (
            <Button type="button" onClick={() => void askForNotices()}>
              Allow notifications
            </Button>
          )
        )}
      </Line>
      {offline !== null && (
        <Line
          good={offline}
          what={offline ? "Opened pages work without a network" : "Pages do not work without a network"}
        >
          {!offline && isSecureContext && <p>Reload this page. A private window saves no pages.</p>}
        </Line>
      )}
      <MediaLine name="Camera" use="It scans labels." {...camera} />
      <MediaLine name="Microphone" use="Nothing uses it yet." {...microphone} />
      <Line
        choice
        good={installed === "yes"}
        what={installed === "yes" ? "Installed as an app" : "Not installed as an app"}
      >
        {installed === "offered" && (
          <Button type="button" onClick={() => void install()}>
            Install the app
          </Button>
        )}
        {installed === "menu" && (
          <p>To install it, open the browser’s menu or Share. Choose Install, or Add to Home Screen.</p>
        )}
      </Line>
      {camera.is === "insecure" && <NeedsHttps />}
    </>
  );
}
