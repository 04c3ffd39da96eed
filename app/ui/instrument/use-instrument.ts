import { href } from "react-router";
import { useEffect, useState } from "react";

export interface InstrumentShows {
  kg: number | null;
  mm: number | null;
  at: string | null;
}

const EVERY_MS = 1000;
/** A bench without instruments is not asked every second for nothing. */
const SILENT_EVERY_MS = 4000;

/** What a scale or gauge on the bench shows now; null while it is silent or the server cannot be reached. */
export function useInstrument(name: "scale" | "gauge"): InstrumentShows | null {
  const [shows, setShows] = useState<InstrumentShows | null>(null);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    let over = false;
    const look = async () => {
      let next: InstrumentShows | null = null;
      if (document.visibilityState === "visible") {
        try {
          const answer = await fetch(href("/api/v1/instruments/:name", { name }));
          const body = answer.ok ? ((await answer.json()) as InstrumentShows) : null;
          next = body?.at ? body : null;
        } catch {
          // The network is gone for a moment: nothing is shown, and the field takes what is typed.
        }
      }
      if (over) return;
      setShows((before) => (before?.at === next?.at ? before : next));
      timer = setTimeout(() => void look(), next ? EVERY_MS : SILENT_EVERY_MS);
    };
    void look();
    return () => {
      over = true;
      clearTimeout(timer);
    };
  }, [name]);
  return shows;
}
