/** Examples of the interface, by way; each is asked for in the tests, so that it stays true. */
export const EXAMPLES: Record<
  string,
  { parameters?: Record<string, unknown>; body?: unknown; answer?: unknown }
> = {
  "GET /schedule": {
    parameters: {
      product: "red-meat-pieces",
      pack: "raw",
      container: "jar-pint",
      gauge: "dial",
      altitudeFt: "2300",
    },
  },
  "GET /steam": {
    parameters: { altitudeFt: "2300", gaugePsi: "12" },
  },
  "POST /capacity": {
    body: { insideDiameterMm: 311, usableHeightMm: 200, container: { outsideDiameterMm: 82, heightMm: 130 } },
  },
  "POST /seam": {
    body: {
      coverHookMm: 1.98,
      bodyHookMm: 2.03,
      widthMm: 2.92,
      thicknessMm: 1.23,
      endPlateMm: 0.23,
      bodyPlateMm: 0.2,
    },
  },
  "GET /lists/{name}": { parameters: { name: "animals", limit: "2" } },
  "GET /trace/{code}": { parameters: { code: "AWD-6" } },
  "GET /runs": { parameters: { limit: "5" } },
  "GET /runs/{id}": { parameters: { id: "AWD-6", readings: "none" } },
  "POST /runs/{id}/readings": {
    parameters: { id: "AWD-6" },
    body: { readings: [{ id: "g1-000123", at: "2026-11-20T14:22:00Z", gaugePsi: 13.2 }] },
    answer: {
      accepted: 1,
      duplicates: 0,
      refused: [],
      state: { phase: "processing", finishAt: "2026-11-20T15:41:00.000Z", restarts: 0 },
    },
  },
  "POST /harvests/{code}/readings": {
    parameters: { code: "NER-V" },
    body: { readings: [{ id: "p1-000001", at: "2026-11-20T14:22:00Z", tempC: 3.4, probe: "P1" }] },
  },
  "POST /cans/{code}/readings": {
    parameters: { code: "VZ6-A" },
    body: { readings: [{ id: "p2-000001", at: "2026-11-20T14:22:00Z", tempC: 76.8, juiceC: 88.1 }] },
  },
  "GET /instruments/{name}": { parameters: { name: "scale" } },
  "POST /instruments/{name}": { parameters: { name: "scale" }, body: { kg: 0.512 } },
};
