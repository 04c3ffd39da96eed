import { createContext, useContext, useEffect, useState, type ReactNode } from "react";
import { larderTimeOrNull } from "../../outbox/device-clock";
import { clockOfPage } from "./kept-page";

const NowContext = createContext(0);

/**
 * The server's clock, ticking. It starts at what the server said when the page was made, so that the first picture is
 * the same on both sides, and then goes on as this device knows the larder's clock.
 */
export function NowProvider({
  serverNow,
  pace = 1,
  children,
}: {
  serverNow: number;
  /** how many of the server's seconds pass in one of the machine's; 1 but in tests */
  pace?: number;
  children: ReactNode;
}) {
  const [now, setNow] = useState(serverNow);
  useEffect(() => {
    const began = performance.now();
    const start = clockOfPage(serverNow, pace);
    // Once the clocks were compared, by the wall clock: the steady one stops while a device sleeps.
    const tick = () => setNow(larderTimeOrNull() ?? start + (performance.now() - began) * pace);
    tick();
    const timer = setInterval(tick, 250);
    return () => clearInterval(timer);
  }, [serverNow, pace]);
  return <NowContext value={now}>{children}</NowContext>;
}

/** Now by the server's clock, ms since 1970 UTC; renders again four times a second. */
export function useNow(): number {
  return useContext(NowContext);
}
