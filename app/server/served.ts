import type { Certificate } from "./tls";

/** Where and with what certificate the larder is served on the network; for the page that connects phones. */
export interface NetworkService {
  port: number;
  securePort: number;
  certificate(): Certificate | string;
}

let build: string | null = null;

/** Which build of the pages is served; null while they are developed, when there is none. */
export const buildNow = (): string | null => build;
export const setBuild = (version: string): void => void (build = version);

let served: NetworkService | null = null;

export const setServed = (service: NetworkService): void => void (served = service);
/** Null when it is served to this machine alone, or behind a proxy. */
export const servedNow = (): NetworkService | null => served;
