import { useEffect, useRef, useState } from "react";
import { Button } from "#ui/button";
import { Notice } from "#ui/form";

/** How often a picture of the camera is looked at, ms: a label is found at once, and a telephone stays cool. */
const LOOK_MS = 180;
/** The same label again within this is the same look, ms. */
const SAME_MS = 2500;
/** Pictures are read at this width, pixels: enough for a label at arm's length. */
const READ_WIDTH = 640;

type State = "off" | "asking" | "looking" | "refused" | "none";

/**
 * Reads labels by the camera. It begins when it is asked to; a camera that is refused or missing is said in a sentence, and the
 * code can be typed beside it.
 * @param first the camera is the first thing to do on its page
 * @param onRead what the label's square says; called once for each label held before it
 */
export function Scanner({ onRead, first = false }: { onRead: (text: string) => void; first?: boolean }) {
  const video = useRef<HTMLVideoElement>(null);
  const [state, setState] = useState<State>("off");
  const heard = useRef(onRead);
  useEffect(() => {
    heard.current = onRead;
  });
  useEffect(() => {
    if (state !== "asking") return;
    let gone = false;
    void openCamera().then((got) => {
      if (gone) return typeof got === "string" ? undefined : got.getTracks().forEach((t) => t.stop());
      if (typeof got === "string") return setState(got);
      if (video.current) video.current.srcObject = got;
      setState("looking");
    });
    return () => {
      gone = true;
    };
  }, [state]);
  useEffect(() => {
    if (state !== "looking") return;
    const element = video.current!;
    const stop = readFrom(element, (text) => heard.current(text));
    return () => {
      stop();
      (element.srcObject as MediaStream | null)?.getTracks().forEach((t) => t.stop());
      element.srcObject = null;
    };
  }, [state]);
  const on = state === "looking" || state === "asking";
  return (
    <div className="max-w-[34rem]">
      <video
        ref={video}
        muted
        playsInline
        autoPlay
        aria-label="What the camera sees"
        className={`aspect-[4/3] w-full rounded border-2 border-ink bg-strip object-cover ${on ? "" : "hidden"}`}
      />
      {state === "refused" && (
        <Notice tone="care" className="mb-3">
          The camera was refused. Allow it for this page in the browser’s settings, or type the code below: it
          is short on purpose.
        </Notice>
      )}
      {state === "none" && (
        <Notice tone="care" className="mb-3">
          No camera is to be had here. A phone needs a safe address (https) for it; on this machine’s own it
          works. Type the code below.
        </Notice>
      )}
      <Button
        type="button"
        weight={first && !on ? "do" : "quiet"}
        className="mt-3 w-full"
        onClick={() => setState(on ? "off" : "asking")}
      >
        {on ? "Camera off" : "Use the camera"}
      </Button>
    </div>
  );
}

async function openCamera(): Promise<MediaStream | "refused" | "none"> {
  if (!navigator.mediaDevices?.getUserMedia) return "none";
  try {
    return await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment" } });
  } catch (error) {
    return error instanceof DOMException && error.name === "NotAllowedError" ? "refused" : "none";
  }
}

/** Looks at the camera's pictures until stopped. */
function readFrom(video: HTMLVideoElement, onRead: (text: string) => void): () => void {
  const canvas = document.createElement("canvas");
  const context = canvas.getContext("2d", { willReadFrequently: true })!;
  let timer = 0;
  let last = { text: "", at: 0 };
  let stopped = false;
  void import("jsqr").then(({ default: jsQR }) => {
    const look = () => {
      if (stopped) return;
      if (video.videoWidth > 0) {
        canvas.width = READ_WIDTH;
        canvas.height = Math.round((READ_WIDTH * video.videoHeight) / video.videoWidth);
        context.drawImage(video, 0, 0, canvas.width, canvas.height);
        const { data, width, height } = context.getImageData(0, 0, canvas.width, canvas.height);
        const text = jsQR(data, width, height)?.data;
        const now = Date.now();
        if (text && (text !== last.text || now - last.at > SAME_MS)) onRead(text);
        if (text) last = { text, at: now };
      }
      timer = window.setTimeout(look, LOOK_MS);
    };
    look();
  });
  return () => {
    stopped = true;
    clearTimeout(timer);
  };
}
