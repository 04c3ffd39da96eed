/** A worker that was fetched and waits until somebody takes it. */
export type Waits = Pick<ServiceWorker, "postMessage">;

/**
 * Calls back with each newer worker that waits: one that waits already, one that is being fetched while this page begins,
 * and every one found later. The page that asked for it may be gone by the time it is fetched.
 */
export function onWaiting(
  registration: Pick<ServiceWorkerRegistration, "active" | "waiting" | "installing" | "addEventListener">,
  tell: (worker: Waits) => void,
): void {
  const follow = (worker: ServiceWorker | null) => {
    // The first of all waits for nobody.
    const told = () => {
      if (worker?.state === "installed" && registration.active) tell(worker);
    };
    told();
    worker?.addEventListener("statechange", told);
  };
  follow(registration.waiting);
  follow(registration.installing);
  registration.addEventListener("updatefound", () => follow(registration.installing));
}
