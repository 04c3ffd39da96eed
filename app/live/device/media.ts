import { useEffect, useState } from "react";

/**
 * What a device says of its camera or microphone. `insecure`: a browser gives none to a page that did not come over
 * https; `none`: there is none.
 */
export type Media = "ready" | "asks" | "refused" | "none" | "insecure";

const KINDS = { camera: "videoinput", microphone: "audioinput" } as const;

async function mediaNow(what: keyof typeof KINDS): Promise<Media> {
  if (!isSecureContext) return "insecure";
  if (!navigator.mediaDevices?.enumerateDevices) return "none";
  const found = await navigator.mediaDevices.enumerateDevices();
  if (!found.some((d) => d.kind === KINDS[what])) return "none";
  // Some browsers do not tell before they are asked.
  const permission = await navigator.permissions
    ?.query({ name: what as PermissionName })
    .catch(() => undefined);
  if (permission?.state === "denied") return "refused";
  return permission?.state === "granted" ? "ready" : "asks";
}

/** Returns what the device says, null until it has; and a way to try, from a press, which asks for the permission. */
export function useMedia(what: keyof typeof KINDS): { is: Media | null; tryIt: () => void } {
  const [is, setIs] = useState<Media | null>(null);
  useEffect(() => {
    void mediaNow(what).then(setIs);
  }, [what]);
  const tryIt = () => {
    void navigator.mediaDevices
      .getUserMedia(what === "camera" ? { video: true } : { audio: true })
      .then((stream) => {
        for (const track of stream.getTracks()) track.stop();
        setIs("ready");
      })
      .catch((error: unknown) =>
        setIs(error instanceof DOMException && error.name === "NotAllowedError" ? "refused" : "none"),
      );
  };
  return { is, tryIt };
}
