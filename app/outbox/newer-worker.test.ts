import { describe, expect, it } from "vitest";
import { onWaiting } from "./newer-worker";

class Worker extends EventTarget {
  constructor(public state: ServiceWorkerState) {
    super();
  }
  postMessage(): void {}
  becomes(state: ServiceWorkerState): void {
    this.state = state;
    this.dispatchEvent(new Event("statechange"));
  }
}
class Registration extends EventTarget {
  active: Worker | null = new Worker("activated");
  waiting: Worker | null = null;
  installing: Worker | null = null;
  finds(worker: Worker): void {
    this.installing = worker;
    this.dispatchEvent(new Event("updatefound"));
  }
}
function page(registration: Registration): unknown[] {
  const told: unknown[] = [];
  onWaiting(registration as unknown as ServiceWorkerRegistration, (worker) => told.push(worker));
  return told;
}

describe("A newer worker that waits", () => {
  it("is told of where it waited before the page came", () => {
    const registration = new Registration();
    registration.waiting = new Worker("installed");
    expect(page(registration)).toEqual([registration.waiting]);
  });

  it("is told of where the page before this one had begun to fetch it", () => {
    const registration = new Registration();
    const worker = new Worker("installing");
    registration.installing = worker;
    const told = page(registration);
    expect(told).toEqual([]);
    worker.becomes("installed");
    worker.becomes("activating");
    expect(told).toEqual([worker]);
  });

  it("is told of each time one is found, however often", () => {
    const registration = new Registration();
    const told = page(registration);
    const found = [new Worker("installing"), new Worker("installing")];
    for (const worker of found) {
      registration.finds(worker);
      worker.becomes("installed");
    }
    expect(told).toEqual(found);
  });

  it("is not told of where it is the first, or could not be fetched", () => {
    const registration = new Registration();
    registration.active = null;
    const told = page(registration);
    const [first, broken] = [new Worker("installing"), new Worker("installing")];
    registration.finds(first!);
    first!.becomes("installed");
    registration.active = first!;
    first!.becomes("activated");
    registration.finds(broken!);
    broken!.becomes("redundant");
    expect(told).toEqual([]);
  });
});
